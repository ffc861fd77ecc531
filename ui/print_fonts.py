"""The two fonts that printed sheets carry, made of the screens' own: Latin and Devanagari in one file each.

Run by hand when the fonts are renewed, where fonttools and brotli are installed:  python ui/print_fonts.py
(a PDF takes no woff2, no variable font, and no second font within a word).
"""

from pathlib import Path
from tempfile import TemporaryDirectory

from fontTools.merge import Merger, Options
from fontTools.ttLib import TTFont
from fontTools.varLib.instancer import instantiateVariableFont

HERE = Path(__file__).parent
FILES = HERE / "node_modules/@fontsource-variable/anek-devanagari/files"
OUT = HERE.parent / "src/mulvek/formats/fonts"
FULL_NAMES = (3, 4, 6)
"""Name records by which a PDF tells fonts apart: two of one name become one font there."""


def make(name: str, weight: int, folder: Path) -> None:
    parts = []
    for script in ("devanagari", "latin", "latin-ext"):
        font = TTFont(FILES / f"anek-devanagari-{script}-wght-normal.woff2")
        font = instantiateVariableFont(font, {"wght": weight})
        font.flavor = None
        parts.append(str(folder / f"{script}.ttf"))
        font.save(parts[-1])
    options = Options()
    options.drop_tables = ["vhea", "vmtx", "STAT"]
    merged = Merger(options=options).merge(parts)
    for record in merged["name"].names:
        record.string = f"MulvekPrint-{name}" if record.nameID in FULL_NAMES else record.toUnicode()
    merged.save(OUT / f"MulvekPrint-{name}.ttf")


if __name__ == "__main__":
    with TemporaryDirectory() as scratch:
        make("Regular", 400, Path(scratch))
        make("Bold", 700, Path(scratch))
