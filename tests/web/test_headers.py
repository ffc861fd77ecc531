"""What every answer says of itself, and what is refused before it is read."""

import http.client
import socket
import time

import pytest

from mulvek.web.access.rights import NEEDED, all_stand
from tests.conftest import serving
from tests.sizes import sized

HALF_OPEN = 150


@pytest.mark.parametrize("path", ["/bench", "/api/larder", "/api/nothing", "/assets/nothing.js", "/openapi.json"])
def test_every_answer_keeps_to_this_kitchen(client, path):
    headers = client.get(path).headers
    policy = headers["Content-Security-Policy"]
    assert "default-src 'self'" in policy and "frame-ancestors 'none'" in policy and "unsafe-eval" not in policy
    assert headers["X-Content-Type-Options"] == "nosniff" and headers["Referrer-Policy"] == "no-referrer"
    assert "Access-Control-Allow-Origin" not in headers
    assert ("no-store" in headers.get("Cache-Control", "")) == path.startswith("/api/")


def test_every_route_asks_for_a_right(client):
    app = client.application
    all_stand(app)
    used = {rule.endpoint for rule in app.url_map.iter_rules()}
    assert set(NEEDED) == used  # and none stands there that is no route


def test_a_route_without_a_right_keeps_the_server_from_starting(client):
    app = client.application
    app._got_first_request = False
    app.add_url_rule("/api/forgotten", "forgotten", lambda: "")
    with pytest.raises(LookupError, match="forgotten"):
        all_stand(app)


@pytest.fixture(scope="module")
def served(tmp_path_factory):
    with serving(tmp_path_factory.mktemp("served")) as (url, _):
        yield url.removeprefix("http://")


def test_a_body_too_large_is_refused_before_it_is_read(served):
    connection = http.client.HTTPConnection(served, timeout=20)
    connection.putrequest("POST", "/api/bench/reduce")
    connection.putheader("Content-Type", "application/json")
    connection.putheader("Content-Length", str(400_000_000))
    connection.endheaders()
    answer = connection.getresponse()  # though not a byte of it was sent
    assert answer.status == 413
    assert answer.getheader("Server") is None


def test_half_requests_silence_nobody(served):
    host, port = served.split(":")
    half = []
    for i in range(HALF_OPEN):
        s = socket.create_connection((host, int(port)), timeout=30)
        s.sendall(
            b"POST /api/stove HTTP/1.1\r\nHost: 127.0.0.1\r\n" + (b"Content-Length: 9\r\n\r\n{" if i % 2 else b"")
        )
        half.append(s)
    connection = http.client.HTTPConnection(served, timeout=20)
    connection.request("GET", "/api/larder")
    assert connection.getresponse().status == 200
    if sized(0, 1):
        time.sleep(16)  # they are cut off after ten seconds of silence
        assert all(_closed(s) for s in half)
    for s in half:
        s.close()


def _closed(s):
    s.settimeout(1)
    try:
        while s.recv(1000):
            pass
    except TimeoutError:
        return False
    except OSError:
        pass
    return True
