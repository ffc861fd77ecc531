"""JSON of the Larder's small tests: lactometer, a burner timed with water, a cup filled and weighed."""

from typing import Literal

from pydantic import Field

from ..core.composition.materials import Material
from ..core.equipment.burners import Burner
from ..core.equipment.kitchen import Kitchen
from ..core.equipment.pans import Pan
from ..core.errors import BadInput
from ..core.planning.reduce.burner_timing import Calibration, calibrate
from ..core.properties.density import water_density_kg_m3
from ..core.properties.lactometer import Check, check_milk
from ..core.ranges import Range
from .model import Body, Id, Out


class LactometerIn(Body):
    """A reading with the sample's temperature. With ``milk`` its own fat and usual SNF are taken."""

    reading: float = Field(description="Lactometer degrees, 10 to 45")
    celsius: float = Field(27.0, description="Temperature of the sample, °C")
    fat_pct: float | None = Field(None, description="g per 100 g; the milk's or class's own when unknown")
    instrument: Literal["15.6", "27", "29"] = Field("27", description="°C the instrument was made for")
    milk: Id | None = None
    species: Literal["cow", "buffalo"] = "cow"

    def check(self, milk: Material | None) -> Check:
        fat = self.fat_pct
        if fat is None:
            fat = float(milk.parts.fat) * 100 if milk else {"cow": 4.1, "buffalo": 6.9}[self.species]
        species = milk.species if milk and milk.species != "coconut" else self.species
        return check_milk(
            self.reading,
            self.celsius,
            fat,
            self.instrument,
            fat_known=self.fat_pct is not None or milk is not None,
            species=species,
            usual_snf_pct=float(milk.parts.msnf) * 100 if milk else None,
        )


class LactometerOut(Out):
    """What the reading says, and in words what to do about it."""

    check: Check
    words: str

    @classmethod
    def of(cls, check: Check) -> "LactometerOut":
        share = check.added_water.likely * 100
        if check.water_likely:
            words = f"About {share:.0f} % of it may be added water. Fat, SNF and yield are lower by as much."
        else:
            words = "No sign of added water: within the natural spread."
        if check.off_temperature_k > 5:
            words += " The sample is more than 5 °C off: cool or warm it and read again."
        if check.ways_differ:
            words += (
                " The lactometer’s formula and the milk’s density part here, as they do with very lean or rich milk, or"
                " a sample far from the instrument’s warmth: the range holds both."
            )
        return cls(check=check, words=words)


class BurnerTrialIn(Body):
    """Water timed on the strong flame: to the full boil, and weight lost in ten minutes of boiling."""

    burner: Id
    pan: Id
    water_ml: float = 1000.0
    water_c: float = 20.0
    boil_minutes: float | None = None
    lost_g: float | None = None
    lost_in_minutes: float = 10.0

    def calibrate(self, burner: Burner, pan: Pan, kitchen: Kitchen) -> Calibration:
        return calibrate(
            burner,
            pan,
            kitchen,
            water_m3=self.water_ml * 1e-6,
            water_c=self.water_c,
            boil_s=None if self.boil_minutes is None else self.boil_minutes * 60,
            lost_kg=None if self.lost_g is None else self.lost_g * 1e-3,
            lost_in_s=self.lost_in_minutes * 60,
        )


class BurnerTrialOut(Out):
    strength: float
    ln_sd: float
    strong_w: Range
    by_heating: float | None
    by_loss: float | None
    words: str

    @classmethod
    def of(cls, c: Calibration) -> "BurnerTrialOut":
        words = f"Its strong flame gives the milk about {c.net_power_w.likely:.0f} W."
        if not c.agree:
            words += " The two timings disagree: was the flame full, the pan the same, the lid off?"
        return cls(
            strength=c.burner.strength,
            ln_sd=c.burner.ln_sd or 0.35,
            strong_w=c.net_power_w,
            by_heating=c.by_heating,
            by_loss=c.by_loss,
            words=words,
        )


class CupTrialIn(Body):
    """A cup filled with water and weighed; or filled with level spoons, counted."""

    water_g: float | None = None
    celsius: float = 25.0
    spoons: float | None = None
    spoon_ml: float = 15.0


class CupTrialOut(Out):
    """What it holds, ml, and the spread of finding it that way."""

    ml: Range

    @classmethod
    def of(cls, body: CupTrialIn) -> "CupTrialOut":
        if body.water_g is not None:
            if not (1 <= body.water_g <= 3000 and 0 <= body.celsius <= 60):
                raise BadInput("water_g", "trial-water-out-of-reach")
            ml = body.water_g / (float(water_density_kg_m3(body.celsius)) / 1000)
            return cls(ml=Range.normal(ml, max(1.0, 0.005 * ml), 0.0))
        if body.spoons is None:
            raise BadInput("water_g", "trial-nothing-measured")
        if not (0 < body.spoons <= 200 and 1 <= body.spoon_ml <= 50):
            raise BadInput("spoons", "trial-spoons-out-of-reach")
        ml = body.spoons * body.spoon_ml
        return cls(ml=Range.normal(ml, 0.06 * ml, 0.0))
