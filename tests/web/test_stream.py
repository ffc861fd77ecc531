"""What open tabs are told: each batch's newest, and no more often than a tab can use."""

import threading

from pydantic import BaseModel

from mulvek.web import stream
from mulvek.web.stream import GAP_S, KEPT, Changes


class Pan(BaseModel):
    stirred: int


def test_each_batch_is_told_once_as_it_stands_last():
    changes = Changes()
    for n in range(1, 6):
        changes.publish(1, Pan(stirred=n))
    changes.publish(2, Pan(stirred=9))
    seen, told = changes.wait_beyond(0, 0.0)
    assert seen == 6 and told == ['{"batch":{"stirred":5}}', '{"batch":{"stirred":9}}']
    assert changes.wait_beyond(seen, 0.0) == (6, [])
    assert changes.wait_beyond(5, 0.0)[1] == ['{"batch":{"stirred":9}}']


def test_who_has_to_ask_again_is_told_nothing_else():
    changes = Changes()
    changes.publish(1, Pan(stirred=1))
    changes.publish()
    changes.publish(1, Pan(stirred=2))
    assert changes.wait_beyond(0, 0.0)[1] == ["{}"]
    assert changes.wait_beyond(2, 0.0)[1] == ['{"batch":{"stirred":2}}']


def test_who_missed_what_is_forgotten_asks_again():
    changes = Changes()
    for batch in range(KEPT + 1):
        changes.publish(batch, Pan(stirred=0))
    assert changes.wait_beyond(0, 0.0)[1] == ["{}"]
    assert len(changes.wait_beyond(1, 0.0)[1]) == KEPT


def test_a_batch_is_written_out_once_for_all_who_listen(monkeypatch):
    written = []
    monkeypatch.setattr(Pan, "model_dump_json", lambda self: written.append(1) or "{}")
    changes = Changes()
    changes.publish(1, Pan(stirred=1))
    for _ in range(5):
        changes.wait_beyond(0, 0.0)
    assert written == [1]


def test_news_comes_at_once_and_more_of_it_together(monkeypatch):
    changes, gaps = Changes(), []
    monkeypatch.setattr(changes.over, "wait", lambda seconds: gaps.append(seconds))
    lines = changes.lines()
    assert next(lines).endswith("data: {}\n\n")
    threading.Timer(0.05, changes.publish, (1, Pan(stirred=1))).start()
    assert next(lines) == 'data: {"batch":{"stirred":1}}\n\n'
    assert gaps == []  # told before any waiting
    for n in range(2, 9):
        changes.publish(1, Pan(stirred=n))
    changes.publish(2, Pan(stirred=0))
    assert next(lines) == 'data: {"batch":{"stirred":8}}\n\ndata: {"batch":{"stirred":0}}\n\n'
    assert gaps == [GAP_S]


def test_a_quiet_stream_says_it_is_there_and_ends_when_its_tab_is_gone(monkeypatch):
    monkeypatch.setattr(stream, "LOOK_S", 0.001)
    monkeypatch.setattr(stream, "HEARTBEAT_S", 0.003)
    changes, gone = Changes(), []
    lines = changes.lines(lambda: bool(gone))
    next(lines)
    assert next(lines) == ": still here\n\n"
    gone.append(True)
    assert list(lines) == []


def test_a_stream_ends_when_the_server_stops():
    changes = Changes()
    lines = changes.lines()
    next(lines)
    changes.over.set()
    assert list(lines) == []
