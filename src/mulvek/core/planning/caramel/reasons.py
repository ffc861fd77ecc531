"""The "why?" behind the figures of caramelised milk, with this batch's numbers."""

from ...messages.figures import say
from ...why import Term, Why
from .forecast import LEFT_SHARE, CaramelForecast
from .plan import KEEPS, WARM_MILK_C
from .shades import CARRY_OVER_K, FROM_C, ends_c

DOSSIER = "Reduction dossier §9"


def caramel_reasons(f: CaramelForecast) -> dict[str, Why]:
    """One ``Why`` for each figure that the plan says."""
    p = f.plan
    shade = p.shade.replace("-", " ")
    least, likely, most = CARRY_OVER_K
    return {
        "off": Why(
            title="When the flame goes off",
            formula="middle of the shade − what the pan still gives",
            terms=(
                Term(shade, f"{FROM_C[p.shade]:.0f} to {ends_c(p.shade):.0f} °C"),
                Term("the pan gives", f"{likely:.0f} °C", f"{least:.0f} to {most:.0f}, more in a heavy one"),
                Term("off at", f"{f.off_c.likely:.0f} °C"),
            ),
            source=DOSSIER,
            uncertainty="± 4 °C: two thermometers differ as much",
            sharpen="Look at the colour on a white spoon, and at the thermometer.",
        ),
        "melt": Why(
            title="How long it melts",
            formula="heat for the sugar and the pan ÷ what the flame brings",
            terms=(
                Term("sugar", say(p.sugar_kg, "mass")),
                Term("pan", say(p.hearth.pan.mass_kg, "mass"), p.hearth.pan.name),
                Term("at the end", f"{f.rise_k_s * 60:.0f} °C a minute", f"{p.melt_on} flame"),
            ),
            source="Energy balance; sucrose 1.24 and 2.1 kJ/kg K, 135 kJ/kg to melt (CRC Handbook)",
            uncertainty=f"{f.melt_s.low / 60:.0f} to {f.melt_s.high / 60:.0f} min",
            sharpen="Tell a shade or a temperature on the way: the rest follows from it.",
        ),
        "pours": Why(
            title="How the milk goes in",
            formula="at most half the sugar’s weight at a time; boiling up to twice its volume below the rim",
            terms=(
                Term("milk", say(p.milk_kg, "mass"), f"{WARM_MILK_C:.0f} °C"),
                Term("a pour", say(f.pour_kg, "mass")),
                Term("climbs to", say(f.climbs_m, "length"), f"of {say(p.hearth.pan.shape.height_m, 'length')}"),
            ),
            source="Common practice: an estimate",
            uncertainty="colder milk spits more and sets more of the sugar hard",
            sharpen="Watch the first pour; halve the next if it climbs past half the wall.",
        ),
        "stop": Why(
            title="What it is simmered to",
            formula="what went in − the water that leaves",
            terms=(
                Term("sugar as caramel", say(p.caramel_kg, "mass"), f"{(1 - KEEPS) * 100:.0f} % leaves as steam"),
                Term("butter, milk, condensed", say(f.mixed_kg - p.caramel_kg, "mass")),
                Term("at the end", say(f.stop_kg.likely, "mass"), f"{f.total_solids * 100:.0f} % solids"),
                Term("in the jar", say(f.served_kg.likely, "mass"), f"{LEFT_SHARE * 100:.0f} % stays in the pan"),
            ),
            source="Mass balance; sweets dossier §2",
            uncertainty=f"{say(f.stop_kg.low, 'mass')} to {say(f.stop_kg.high, 'mass')}",
            sharpen="Weigh what goes in, and the pan while it simmers.",
        ),
        "thick": Why(
            title="How thick it is cold",
            formula="thickness of these solids at 5 °C, after a night",
            terms=(
                Term("solids", f"{f.total_solids * 100:.0f} %"),
                Term("sugar", f"{f.sugar * 100:.0f} %"),
                Term("fat", f"{f.fat * 100:.0f} %"),
            ),
            source="Reduction dossier §7",
            uncertainty="about one stage either way",
            sharpen="Put a spoonful in the fridge for ten minutes before you stop.",
        ),
    }
