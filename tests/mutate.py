"""Changes a module in small wrong ways and says which of them its tests do not notice.

    ./run mutate src/mulvek/core/safety/keeping.py [TEST ...]

All happens in a copy. Without tests named, those of tests/core that name what the module gives are run.
"""

import os
import re
import shutil
import subprocess
import sys
from pathlib import Path
from tempfile import TemporaryDirectory

ROOT = Path(__file__).parents[1]
TAKEN = ("src", "tests", "docs", "pyproject.toml", "README.md", "openapi.json", "requirements.txt")


def beside(module: Path) -> list[str]:
    """Tests of the core that speak of what a module gives."""
    given = re.findall(r"^(?:def|class) ([A-Za-z]\w+)", (ROOT / module).read_text(), re.MULTILINE)
    word = re.compile(rf"\b(?:{'|'.join(given) or module.stem})\b")
    found = [f for f in sorted((ROOT / "tests" / "core").rglob("test_*.py")) if word.search(f.read_text())]
    return [str(f.relative_to(ROOT)) for f in found] or ["tests/core"]


def settings(module: Path, tests: list[str]) -> str:
    return f"""
[tool.mutmut]
source_paths = ["src"]
only_mutate = ["{module}"]
also_copy = ["docs", "README.md", "openapi.json", "requirements.txt", "tests"]
pytest_add_cli_args = ["-p", "no:cacheprovider", "-p", "no:schemathesis", "-x", "--import-mode=importlib"]
pytest_add_cli_args_test_selection = {tests!r}
"""


def main(words: list[str]) -> int:
    module = Path(words[0])
    if not (ROOT / module).is_file():
        print(f"There is no {module}: name a file, like src/mulvek/core/safety/keeping.py.", file=sys.stderr)
        return 2
    tests = words[1:] or beside(module)
    print(f"{module} against {' '.join(tests)}")
    with TemporaryDirectory() as folder:
        copy = Path(folder)
        for name in TAKEN:
            here = ROOT / name
            if here.is_dir():
                shutil.copytree(here, copy / name, ignore=shutil.ignore_patterns("__pycache__", "node_modules"))
            else:
                shutil.copyfile(here, copy / name)
        with (copy / "pyproject.toml").open("a") as file:
            file.write(settings(module, tests))
        mutmut = [str(Path(sys.executable).with_name("mutmut"))]
        env = {**os.environ, "PYTHONPATH": str(copy / "mutants")}
        asked = {"cwd": copy, "env": env, "text": True}
        ran = subprocess.run(
            [*mutmut, "run", "--max-children", "2"], stdout=subprocess.PIPE, stderr=subprocess.STDOUT, **asked
        )
        if ran.returncode:  # its tests fail as they are, or it found nothing to change
            print(ran.stdout[-3000:], file=sys.stderr)
            return ran.returncode
        told = subprocess.run([*mutmut, "results", "--all", "true"], capture_output=True, **asked).stdout
        made = [line.strip().split(": ") for line in told.splitlines() if ": " in line]
        lived = [name for name, how in made if how in ("survived", "no tests")]
        for name in lived:
            print(subprocess.run([*mutmut, "show", name], capture_output=True, **asked).stdout)
        print(f"{len(lived)} of {len(made)} were not noticed.")
        return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
