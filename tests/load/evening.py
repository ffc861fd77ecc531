"""A busy evening: cooks, screens and instruments at once.  python -m tests.load.evening [SECONDS]

32 cooks log with half a second's thought on 6 batches, 60 screens listen, 8 instruments send a line a second. Prints
what failed (nothing may), how long an event took (p95 at most 150 ms) and how the server's memory went (within ± 5 % over the
whole time).
"""

import json
import os
import random
import statistics
import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter
from http.client import HTTPConnection, HTTPException
from pathlib import Path

from tests.conftest import free_port, serving

COOKS, THOUGHT_S, BATCHES, SCREENS, INSTRUMENTS = 32, 0.5, 6, 60, 8
PLAN = {"milk": 1, "amount": "2 L", "pan": 1, "stop": "half its volume"}


class Evening:
    def __init__(self, url: str) -> None:
        self.host = url.removeprefix("http://")
        self.over = threading.Event()
        self.answers: Counter[int] = Counter()
        self.took: list[float] = []
        self.heard = 0
        self.broken = 0

    def ask(self, connection: HTTPConnection, method: str, path: str, body: object = None) -> tuple[int, bytes]:
        connection.request(method, path, json.dumps(body), {"Content-Type": "application/json"})
        answer = connection.getresponse()
        return answer.status, answer.read()

    def cook(self, number: int, batches: list[int]) -> None:
        chance = random.Random(number)
        connection = HTTPConnection(self.host, timeout=60)
        while not self.over.wait(THOUGHT_S * chance.uniform(0.6, 1.4)):
            event = {"kind": "stirred"} if chance.random() < 0.8 else {"kind": "note", "text": "as it should be"}
            began = time.perf_counter()
            try:
                path = f"/api/batches/{chance.choice(batches)}/events"
                status, _ = self.ask(connection, "POST", path, {"event": event})
            except (HTTPException, OSError):
                self.broken += 1
                connection.close()
                continue
            self.took.append((time.perf_counter() - began) * 1e3)
            self.answers[status] += 1

    def screen(self) -> None:
        connection = HTTPConnection(self.host, timeout=60)
        connection.request("GET", "/api/changes")
        answer = connection.getresponse()
        self.answers[answer.status] += 1
        while not self.over.is_set() and answer.readline():
            self.heard += 1


def begin(evening: Evening) -> list[int]:
    """Six batches that boil, each on a burner of its own, with instruments on the first ones."""
    connection = HTTPConnection(evening.host, timeout=60)
    found = []
    for i in range(BATCHES):
        burner = {"name": f"ring {i}", "kind": "lpg-large"}
        status, said = evening.ask(connection, "POST", "/api/larder/burners", burner)
        assert status == 201, said
        number = json.loads(said)["id"]
        status, said = evening.ask(
            connection,
            "POST",
            "/api/batches",
            {"batch": {"kind": "reduce", "name": f"pan {i}", "plan": {**PLAN, "burner": number}}},
        )
        assert status == 201, said
        found.append(json.loads(said)["id"])
        status, said = evening.ask(
            connection, "POST", f"/api/batches/{found[-1]}/events", {"event": {"kind": "first_boil"}}
        )
        assert status == 201, said
    return found


def memory_mb(pid: int) -> float:
    for line in Path(f"/proc/{pid}/status").read_text().splitlines():
        if line.startswith("VmRSS"):
            return int(line.split()[1]) / 1024
    return 0.0


def stolen_s() -> float:
    """CPU seconds that the machine's host gave to others."""
    return int(Path("/proc/stat").read_text().split("\n", 1)[0].split()[8]) / 100


def main(seconds: float) -> int:
    ports = [free_port() for _ in range(INSTRUMENTS)]
    devices = [
        subprocess.Popen(
            [sys.executable, "-m", "mulvek", "instruments", "--port", str(port), "--drop-outs", "0"],
            stdout=subprocess.DEVNULL,
        )
        for port in ports
    ]
    try:
        with tempfile.TemporaryDirectory() as folder, serving(Path(folder), "demo") as (url, server):
            evening = Evening(url)
            batches = begin(evening)
            connection = HTTPConnection(evening.host, timeout=60)
            time.sleep(5)  # the instruments are switched on
            for i, port in enumerate(ports):
                body = {"url": f"http://127.0.0.1:{port}"}
                path = f"/api/batches/{batches[i % BATCHES]}/instruments"
                status, said = evening.ask(connection, "POST", path, body)
                assert status == 201, said
            threads = [threading.Thread(target=evening.cook, args=(i, batches), daemon=True) for i in range(COOKS)]
            threads += [threading.Thread(target=evening.screen, daemon=True) for _ in range(SCREENS)]
            for thread in threads:
                thread.start()
            assert server.pid is not None
            memory, before, stolen = [], 0, stolen_s()
            for _ in range(20):
                time.sleep(seconds / 20)
                memory.append(memory_mb(server.pid))
                part, before = sorted(evening.took[before:]), len(evening.took)
                late = part[int(0.95 * len(part))] if part else float("nan")
                print(
                    f"  {len(part) * 20 / seconds:5.1f} a second, p95 {late:5.0f} ms, {memory[-1]:4.0f} MB",
                    flush=True,
                )
            evening.over.set()
            stolen = stolen_s() - stolen
            for thread in threads[:COOKS]:
                thread.join()  # each has its last answer
            connection, dead = HTTPConnection(evening.host, timeout=60), 0
            for batch in batches:
                _, said = evening.ask(connection, "GET", f"/api/batches/{batch}/instruments")
                dead += sum(not device["connected"] for device in json.loads(said)["instruments"])
    finally:
        for device in devices:
            device.kill()
    p50, p95 = statistics.median(evening.took), statistics.quantiles(evening.took, n=20)[-1]
    swing = (max(memory) - min(memory)) / (max(memory) + min(memory))
    errors = sum(count for status, count in evening.answers.items() if status >= 500)
    print(
        f"{len(evening.took)} events in {seconds:.0f} s; answers {dict(evening.answers)}; {evening.heard} lines heard"
    )
    print(f"events p50 {p50:.0f} ms, p95 {p95:.0f} ms; 5xx {errors}; broken off {evening.broken}; dead {dead}")
    print(f"the host took {stolen / seconds:.2f} of {os.cpu_count()} cores meanwhile")
    print(f"memory {memory[0]:.0f} … {memory[-1]:.0f} MB, within ± {100 * swing:.1f} %")
    good = not errors and not evening.broken and not dead and p95 <= 150 and swing <= 0.05
    print("goals met" if good else "GOALS MISSED")
    return 0 if good else 1


if __name__ == "__main__":
    sys.exit(main(float(sys.argv[1]) if len(sys.argv) > 1 else 600.0))
