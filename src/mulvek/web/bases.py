"""Weighed batches that stand for the bases of a sweet."""

from collections.abc import Mapping

from ..core.planning.sweets.build import ReadyBase
from ..store.bases import weighed_base, weighed_bases
from ..store.database import Database
from ..wire.sweet_words import SweetIn


def ready_bases(words: SweetIn, db: Database) -> Mapping[str, ReadyBase]:
    """Those that the words name."""
    if not words.bases:
        return {}
    known = db.kept(weighed_bases)
    with db.reading() as session:
        return {letter: weighed_base(session, known, ref) for letter, ref in words.bases.items()}
