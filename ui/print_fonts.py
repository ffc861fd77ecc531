"""The fonts that printed sheets carry, made of the screens' own family: Latin and Devanagari in one file for each of two
weights, and one file for each other Indian script.

Run by hand when the fonts are renewed, where fonttools and brotli are installed:

    npm i --prefix ui --no-save $(python ui/print_fonts.py --packages) && python ui/print_fonts.py

(a PDF takes no woff2, no variable font, and no second font within a word).
"""

import sys
from pathlib import Path
from tempfile import TemporaryDirectory

from fontTools.merge import Merger, Options
from fontTools.ttLib import TTFont
from fontTools.varLib.instancer import instantiateVariableFont

HERE = Path(__file__).parent
PACKAGES = HERE / "node_modules/@fontsource-variable"
OUT = HERE.parent / "src/mulvek/files/fonts"
FULL_NAMES = (3, 4, 6)
"""Name records by which a PDF tells fonts apart: two of one name become one font there."""
SCRIPTS = {
    "bangla": "bengali",
    "gujarati": "gujarati",
    "gurmukhi": "gurmukhi",
    "kannada": "kannada",
    "malayalam": "malayalam",
    "odia": "oriya",
    "tamil": "tamil",
    "telugu": "telugu",
}
"""Package of a script to the name of its file there."""
MIDDLE_WEIGHT = 500


def instance(package: str, script: str, weight: int) -> TTFont:
    font = TTFont(PACKAGES / f"anek-{package}/files/anek-{package}-{script}-wght-normal.woff2")
    font = instantiateVariableFont(font, {"wght": weight})
    font.flavor = None
    return font


def keep(font: TTFont, name: str) -> None:
    for record in font["name"].names:
        record.string = f"MulvekPrint-{name}" if record.nameID in FULL_NAMES else record.toUnicode()
    font.save(OUT / f"MulvekPrint-{name}.ttf")


def latin_and_devanagari(name: str, weight: int, folder: Path) -> None:
    parts = []
    for script in ("devanagari", "latin", "latin-ext"):
        parts.append(str(folder / f"{script}.ttf"))
        instance("devanagari", script, weight).save(parts[-1])
    options = Options()
    options.drop_tables = ["vhea", "vmtx", "STAT"]
    keep(Merger(options=options).merge(parts), name)


if __name__ == "__main__":
    if "--packages" in sys.argv:
        print(*(f"@fontsource-variable/anek-{package}@5" for package in SCRIPTS))
        sys.exit()
    with TemporaryDirectory() as scratch:
        latin_and_devanagari("Regular", 400, Path(scratch))
        latin_and_devanagari("Bold", 700, Path(scratch))
    for package, script in SCRIPTS.items():
        keep(instance(package, script, MIDDLE_WEIGHT), package.capitalize())
