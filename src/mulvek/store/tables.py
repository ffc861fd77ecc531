"""The tables. Masses kg, lengths m, volumes m³; times are seconds since the epoch, UTC."""

from typing import Any

from sqlalchemy import JSON, CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

from ..core.planning.sweets.currency import USUAL
from .packed import PackedJSON


class Base(DeclarativeBase):
    pass


class KitchenRow(Base):
    """Where it is, how warm, and what its cups hold."""

    __tablename__ = "kitchen"
    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    altitude_m: Mapped[float]
    room_c: Mapped[float]
    milk_c: Mapped[float]
    cup_m3: Mapped[float]
    glass_m3: Mapped[float]
    katori_m3: Mapped[float]
    tablespoon_m3: Mapped[float]
    teaspoon_m3: Mapped[float]
    fridge_c: Mapped[float]
    freezer_c: Mapped[float]
    currency: Mapped[str] = mapped_column(default=USUAL, server_default=USUAL)
    version: Mapped[int] = mapped_column(default=1)


class MilkRow(Base):
    """A milk by its label: g per 100 g, with the spread of those figures."""

    __tablename__ = "milk"
    __table_args__ = (UniqueConstraint("kitchen_id", "name"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    name: Mapped[str]
    species: Mapped[str]
    fat_pct: Mapped[float]
    snf_pct: Mapped[float]
    fat_sd: Mapped[float]
    snf_sd: Mapped[float]
    flags: Mapped[list[str]] = mapped_column(JSON, default=list)
    pack_m3: Mapped[float | None]
    price: Mapped[float | None]
    version: Mapped[int] = mapped_column(default=1)


class PanRow(Base):
    """A pan; ``shape`` is its kind and measures."""

    __tablename__ = "pan"
    __table_args__ = (UniqueConstraint("kitchen_id", "name"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    name: Mapped[str]
    shape: Mapped[dict[str, Any]] = mapped_column(JSON)
    material: Mapped[str]
    mass_kg: Mapped[float]
    version: Mapped[int] = mapped_column(default=1)


class BurnerRow(Base):
    __tablename__ = "burner"
    __table_args__ = (UniqueConstraint("kitchen_id", "name"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    name: Mapped[str]
    kind: Mapped[str]
    strength: Mapped[float]
    ln_sd: Mapped[float | None]
    version: Mapped[int] = mapped_column(default=1)


class IngredientRow(Base):
    """The cook's own copy of a material of the tables: its name, label, cup weight, pack and price."""

    __tablename__ = "ingredient"
    __table_args__ = (UniqueConstraint("kitchen_id", "name"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    name: Mapped[str]
    base: Mapped[str]
    fat_pct: Mapped[float | None]
    snf_pct: Mapped[float | None]
    sugar_pct: Mapped[float | None]
    bulk_kg_m3: Mapped[float]
    pack_kg: Mapped[float | None]
    price: Mapped[float | None]
    version: Mapped[int] = mapped_column(default=1)


class StockRow(Base):
    """What there was of a plain thing when it was counted; ``key``: of the tables, or "milk:5" of the Larder."""

    __tablename__ = "stock"
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"), primary_key=True)
    key: Mapped[str] = mapped_column(primary_key=True)
    mass_kg: Mapped[float]
    counted_at: Mapped[float]


class LastWordsRow(Base):
    """What a station's sentence said last, as the query of its address."""

    __tablename__ = "last_words"
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"), primary_key=True)
    station: Mapped[str] = mapped_column(primary_key=True)
    query: Mapped[str]


class LessonRow(Base):
    """What a finished sweet taught of a step by hand, by "sweet.step", or of what stays behind and is
    drunk, by "loss:kulfi"; or a hanging of its cloth, by "drain:muslin": ln of true ÷ told by the table."""

    __tablename__ = "lesson"
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"), primary_key=True)
    key: Mapped[str] = mapped_column(primary_key=True)
    ln_ratio: Mapped[float]


class LearningWindowRow(Base):
    """From when and until when batches teach a number of this kitchen: it was begun anew, or is frozen."""

    __tablename__ = "learning_window"
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"), primary_key=True)
    family: Mapped[str] = mapped_column(primary_key=True)
    key: Mapped[str] = mapped_column(primary_key=True)
    from_s: Mapped[float | None]
    until_s: Mapped[float | None]


class DayRow(Base):
    """A day that was begun: ``asked`` as it was planned, ``query`` as it stands in an address, ``plan`` as it is shown now,
    ``batches`` the sweets that were begun for it, in their order."""

    __tablename__ = "day"
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    key: Mapped[str | None] = mapped_column(unique=True)
    name: Mapped[str]
    created_at: Mapped[float]
    serve_at: Mapped[float]
    query: Mapped[str]
    asked: Mapped[dict[str, Any]] = mapped_column(JSON)
    plan: Mapped[dict[str, Any]] = mapped_column(JSON)
    batches: Mapped[list[int]] = mapped_column(JSON)
    version: Mapped[int] = mapped_column(default=1)


class BatchRow(Base):
    """A batch of any kind: the plan and the forecast exactly as they were when it began.

    The plan carries its milk and pan whole, so that later changes in the Larder never touch it. ``parent_id`` and
    ``slot``: of which making it is a part, and which. ``former``: what it was called while each kind had a table of its
    own ("curd-3"). What a finished batch taught is kept beside for quick planning: ``lesson_*``, ln of true ÷ model rate,
    and ``ln_ratio``, ln of weighed ÷ told curd; ``left_out``: the cook does not want it to teach.
    ``found_by``: its name and its notes in small letters. ``summary`` is its line in the Book, written with each event.
    """

    __tablename__ = "batch"
    __table_args__ = (CheckConstraint("(lesson_ln IS NULL) = (lesson_sd IS NULL)"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    kind: Mapped[str] = mapped_column(server_default="reduce")
    parent_id: Mapped[int | None] = mapped_column(ForeignKey("batch.id", ondelete="SET NULL"))
    slot: Mapped[str | None]
    former: Mapped[str | None]
    name: Mapped[str]
    created_at: Mapped[float]
    plan: Mapped[dict[str, Any]] = mapped_column(JSON)
    layout: Mapped[int] = mapped_column(server_default="1")
    words: Mapped[dict[str, Any]] = mapped_column(JSON)
    forecast: Mapped[dict[str, Any]] = mapped_column(PackedJSON)
    flame: Mapped[str]
    pan_id: Mapped[int | None] = mapped_column(ForeignKey("pan.id", ondelete="SET NULL"))
    burner_id: Mapped[int | None] = mapped_column(ForeignKey("burner.id", ondelete="SET NULL"))
    milk_id: Mapped[int | None] = mapped_column(ForeignKey("milk.id", ondelete="SET NULL"))
    finished: Mapped[bool]
    lesson_ln: Mapped[float | None]
    lesson_sd: Mapped[float | None]
    ln_ratio: Mapped[float | None]
    verdict: Mapped[str | None]
    left_out: Mapped[bool] = mapped_column(default=False, server_default="0")
    found_by: Mapped[str] = mapped_column(default="", server_default="")
    summary: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))


class Happened:
    """Columns of a happening: its number among its like, when, what. ``key`` is the sender's own, so that a
    repeated sending is not a second happening; ``said_s`` the time that was said, where it could not be."""

    id: Mapped[int] = mapped_column(primary_key=True)
    number: Mapped[int]
    at_s: Mapped[float]
    recorded_at_s: Mapped[float]
    said_s: Mapped[float | None]
    kind: Mapped[str]
    data: Mapped[dict[str, Any]] = mapped_column(JSON)
    layout: Mapped[int] = mapped_column(server_default="1")
    key: Mapped[str | None]


class EventRow(Happened, Base):
    """One happening of a batch."""

    __tablename__ = "event"
    __table_args__ = (
        UniqueConstraint("batch_id", "number"),
        UniqueConstraint("batch_id", "key"),
        Index("ix_event_fault", "batch_id", sqlite_where=text("kind = 'fault_found'")),
    )
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"))


class InstrumentRow(Base):
    """An instrument paired with a batch. ``offset_s``: its clock's zero in seconds since the epoch; ``last_n``: the
    number of the last line of its stream that is kept, from which it goes on after any interruption; ``session``: of
    which switching-on that number is."""

    __tablename__ = "instrument"
    id: Mapped[int] = mapped_column(primary_key=True)
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"))
    url: Mapped[str]
    name: Mapped[str]
    channels: Mapped[list[str]] = mapped_column(JSON)
    simulated: Mapped[bool]
    tare_kg: Mapped[float]
    paired_at: Mapped[float]
    ended_at: Mapped[float | None]
    offset_s: Mapped[float | None]
    session: Mapped[str]
    last_n: Mapped[int]


class SampleChunkRow(Base):
    """A few minutes of one channel of a batch, packed (store/chunks.py)."""

    __tablename__ = "sample_chunk"
    __table_args__ = (Index("ix_sample_chunk", "batch_id", "channel", "began_s"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"))
    channel: Mapped[str]
    began_s: Mapped[float]
    ended_s: Mapped[float]
    count: Mapped[int]
    data: Mapped[bytes]


class RehearsalRow(Base):
    """A rehearsal: its plan, what is hidden (level and seed), and how its clock ran (``pace``: stretches of real time
    against kitchen time). A ``lesson`` brings its own plan and level; ``edition`` of it. ``of_batch``: the evening that is
    cooked again. ``cost``: what cost most of its ``points``, and how much, as it was judged then. Kept apart from batches, so
    that nothing is ever learned from it."""

    __tablename__ = "rehearsal"
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    name: Mapped[str]
    kind: Mapped[str] = mapped_column(server_default="reduce")
    lesson: Mapped[str | None]
    edition: Mapped[int] = mapped_column(server_default="1")
    of_batch: Mapped[int | None] = mapped_column(ForeignKey("batch.id", ondelete="SET NULL"))
    created_at: Mapped[float]
    plan: Mapped[dict[str, Any]] = mapped_column(JSON)
    layout: Mapped[int] = mapped_column(server_default="1")
    words: Mapped[dict[str, Any]] = mapped_column(JSON)
    forecast: Mapped[dict[str, Any]] = mapped_column(PackedJSON)
    level: Mapped[int]
    seed: Mapped[int]
    pace: Mapped[list[list[float]]] = mapped_column(JSON)
    finished: Mapped[bool]
    points: Mapped[float | None]
    cost: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))


class RehearsalEventRow(Happened, Base):
    """One happening of a rehearsal; ``at_s`` is kitchen time."""

    __tablename__ = "rehearsal_event"
    __table_args__ = (UniqueConstraint("rehearsal_id", "number"), UniqueConstraint("rehearsal_id", "key"))
    rehearsal_id: Mapped[int] = mapped_column(ForeignKey("rehearsal.id", ondelete="CASCADE"))


class SweetRow(Base):
    """A cook's own sweet; ``form`` as core/planning/sweets/forms.py reads it."""

    __tablename__ = "sweet"
    __table_args__ = (UniqueConstraint("kitchen_id", "name"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    kitchen_id: Mapped[int] = mapped_column(ForeignKey("kitchen.id"))
    name: Mapped[str]
    form: Mapped[dict[str, Any]] = mapped_column(JSON)
    version: Mapped[int] = mapped_column(default=1)


class DeviceRow(Base):
    """A device that was let in. ``allowed``: look, log, cook or keep, each holding those before it. ``token_hash``:
    SHA-256 of the secret in its cookie. ``over_at``: when it was sent away; ``did``: the last thing it logged."""

    __tablename__ = "device"
    __table_args__ = (CheckConstraint("allowed IN ('look', 'log', 'cook', 'keep')"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    allowed: Mapped[str]
    token_hash: Mapped[str] = mapped_column(unique=True)
    small: Mapped[bool]
    created_at: Mapped[float]
    ends_at: Mapped[float | None]
    over_at: Mapped[float | None]
    seen_at: Mapped[float | None]
    did: Mapped[str]


class AuditRow(Base):
    """What was done at the door, to the Larder and to the copies: when, by whom, what, with its values."""

    __tablename__ = "audit"
    id: Mapped[int] = mapped_column(primary_key=True)
    at_s: Mapped[float]
    who: Mapped[str]
    what: Mapped[str]
    data: Mapped[dict[str, Any]] = mapped_column(JSON)
