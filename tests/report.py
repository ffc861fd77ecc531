"""``./run test --report``: time by folder, the twenty slowest, and test lines against all other lines of code."""

from collections import defaultdict
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
CODE = {".py", ".ts", ".vue", ".css", ".js", ".html", ".toml"}
MADE = {"schema.d.ts", "shared.ts"}
"""Written by a command, not by a hand."""


class Report:
    def __init__(self) -> None:
        self.seconds: dict[str, float] = defaultdict(float)

    def pytest_runtest_logreport(self, report: pytest.TestReport) -> None:
        self.seconds[report.nodeid] += report.duration

    def pytest_terminal_summary(self, terminalreporter: pytest.TerminalReporter) -> None:
        say = terminalreporter.write_line
        folders: dict[str, list[float]] = defaultdict(list)
        for test, seconds in self.seconds.items():
            parts = test.split("::")[0].split("/")
            folders["/".join(parts[:2] if parts[0] == "tests" else parts[:1])].append(seconds)
        terminalreporter.section("time by folder (set-up and taking down counted)")
        for folder, each in sorted(folders.items(), key=lambda pair: -sum(pair[1])):
            say(f"{sum(each):8.1f} s  {len(each):5d} tests  {folder}")
        terminalreporter.section("the twenty slowest")
        for test, seconds in sorted(self.seconds.items(), key=lambda pair: -pair[1])[:20]:
            say(f"{seconds:8.1f} s  {test}")
        terminalreporter.section("lines")
        tests, code = lines_of_tests(), lines_of_code()
        say(f"{tests} lines of tests, {code} other lines of code: {tests / code:.3f}")


def _lines(files: list[Path]) -> int:
    return sum(len(file.read_text().splitlines()) for file in files)


def _files() -> list[Path]:
    folders = [ROOT / "src" / "mulvek", ROOT / "ui" / "src", ROOT / "tests"]
    found = [file for folder in folders for file in folder.rglob("*") if file.suffix in CODE]
    loose = [ROOT / "run", *ROOT.glob("ui/*.ts"), *ROOT.glob("ui/*.js"), *ROOT.glob("ui/*.html")]
    return [f for f in found if "static" not in f.parts and f.name not in MADE] + loose


def _is_test(file: Path) -> bool:
    return file.is_relative_to(ROOT / "tests") or file.name.endswith((".test.ts", "test-setup.ts", ".fixture.ts"))


def lines_of_tests() -> int:
    return _lines([file for file in _files() if _is_test(file)])


def lines_of_code() -> int:
    return _lines([file for file in _files() if not _is_test(file)])
