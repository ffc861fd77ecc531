"""docs/security.md: each line of the standard has a test that is there, or says why not."""

import re
from pathlib import Path

ROOT = Path(__file__).parent.parent
LINES = [
    [cell.strip() for cell in line.strip("|").split("|")]
    for line in (ROOT / "docs" / "security.md").read_text().splitlines()
    if re.match(r"\| \d", line)
]
LEVEL_1 = {2: 27, 3: 12, 4: 8, 5: 27, 6: 1, 7: 3, 8: 7, 9: 3, 10: 3, 11: 5, 12: 11, 13: 6, 14: 15}
"""How many lines of level 1 are answered in each chapter: none falls out unseen."""


def numbers(cell):
    for part in cell.split(","):
        first, _, last = part.strip().partition("–")
        chapter, section, begin = map(int, first.split("."))
        end = int(last.split(".")[2]) if last else begin
        for number in range(begin, end + 1):
            yield chapter, section, number


def test_each_line_names_a_test_that_is_there_or_says_why_not():
    for line in LINES:
        _, _, answer, shown = line
        named = re.findall(r"`(tests/[\w/.]+)::(\w+)`", shown)
        assert named or shown.startswith("why not: "), line
        assert answer
        for file, test in named:
            assert f"def {test}(" in (ROOT / file).read_text(), f"{file} has no {test}"


def test_no_line_of_level_one_is_left_out_or_answered_twice():
    said = [number for line in LINES for number in numbers(line[0])]
    assert len(said) == len(set(said))
    count = {chapter: sum(1 for n in said if n[0] == chapter) for chapter in LEVEL_1}
    assert count == LEVEL_1
