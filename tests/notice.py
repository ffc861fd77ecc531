"""Whose work ships with Mulvek, and under which licence: from the two lock files, ``./run notice``.

    python -m tests.notice

writes ``docs/using/licences.md``, which the application shows, and ``NOTICE`` beside it. The test compares both.
"""

import json
import re
from importlib.metadata import PackageNotFoundError, metadata
from pathlib import Path

ROOT = Path(__file__).parents[1]
PAGE, NOTICE = ROOT / "docs/using/licences.md", ROOT / "NOTICE"
LONGEST = 60
OURS = "mulvek"
Row = tuple[str, str, str]


def from_python() -> list[Row]:
    """Name, version and licence of what runs on the server."""
    found = []
    for name, version in re.findall(r"^([\w.-]+)==([\w.+!-]+)", (ROOT / "requirements.txt").read_text("utf-8"), re.M):
        try:
            told = metadata(name)
        except PackageNotFoundError:  # for another system
            continue
        if told["Version"] == version:
            found.append((name, version, _licence(told)))
    return found


_SPELT = {"APL 2": "Apache-2.0"}
"""What a package spells as nobody else does."""


def _licence(told) -> str:
    for key in ("License-Expression", "License"):
        words = (told.get(key) or "").strip()
        if words and "\n" not in words and len(words) <= LONGEST:
            return _SPELT.get(words, words)
    named = [c.split(" :: ")[-1] for c in told.get_all("Classifier") or () if c.startswith("License :: ")]
    return ", ".join(named) or "see its own files"


def from_browser() -> list[Row]:
    """The same of what is built into the pages: scripts, styles and fonts."""
    packages = json.loads((ROOT / "ui/package-lock.json").read_text("utf-8"))["packages"]
    return sorted(
        (path.rpartition("node_modules/")[2], row["version"], row.get("license", "see its own files"))
        for path, row in packages.items()
        if path and not row.get("dev") and not row.get("optional")
    )


def page(python: list[Row], browser: list[Row]) -> str:
    def table(rows: list[Row]) -> str:
        head = "| | version | licence |\n|---|---|---|\n"
        return head + "".join(f"| {name} | {version} | {licence} |\n" for name, version, licence in rows)

    return (
        "# Whose work this stands on\n\n"
        "Mulvek’s own text, drawings and code are its makers’. It ships with these, each under its own licence.\n\n"
        f"## In the browser\n\nScripts, styles and the two fonts.\n\n{table(browser)}\n"
        f"## On the computer it runs on\n\n{table(python)}"
    )


def notice(python: list[Row], browser: list[Row]) -> str:
    lines = [f"{name} {version}: {licence}" for name, version, licence in (*browser, *python)]
    return "Mulvek ships with the work of others, each under its own licence.\n\n" + "\n".join(lines) + "\n"


if __name__ == "__main__":
    rows = from_python(), from_browser()
    PAGE.write_text(page(*rows), "utf-8")
    NOTICE.write_text(notice(*rows), "utf-8")
