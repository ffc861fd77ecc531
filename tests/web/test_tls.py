"""TLS for the house: a certificate made here, a front before the server, and this computer still told apart."""

import http.client
import json
import socket
import ssl
from datetime import UTC, datetime, timedelta

import pytest
from cryptography import x509

from mulvek.web.access import tls
from mulvek.web.access.tls import certificate
from tests.conftest import serving


@pytest.fixture(scope="module")
def home(tmp_path_factory):
    """(port for this computer, port of the house, the certificate)"""
    data = tmp_path_factory.mktemp("home")
    with serving(data, "serve", "--home", "--tls", "--name", "kitchen.lan") as (url, _):
        port = int(url.rsplit(":", 1)[1])
        yield port, port + 443, data / "tls" / "kitchen.crt"


def trusting(cert, **kw):
    context = ssl.create_default_context(cafile=str(cert))
    for name, value in kw.items():
        setattr(context, name, value)
    return context


def ask(home, path, method="GET", body=None, **headers):
    _, port, cert = home
    connection = http.client.HTTPSConnection("127.0.0.1", port, context=trusting(cert), timeout=30)
    connection.request(method, path, body, headers)
    answer = connection.getresponse()
    return answer, answer.read()


def test_the_house_comes_by_tls_and_this_computer_without(home):
    answer, said = ask(home, "/api/me")
    assert answer.status == 200 and json.loads(said)["here"] is False
    assert ask(home, "/api/stove")[0].status == 401
    assert ask(home, "/api/door")[0].status == 401  # though it comes from this very computer
    connection = http.client.HTTPConnection("127.0.0.1", home[0], timeout=30)
    connection.request("GET", "/api/door")
    door = json.loads(connection.getresponse().read())
    assert door["home"] and door["urls"][0] == f"https://kitchen.lan:{home[1]}"
    assert door["fingerprint"] == tls.fingerprint(home[2]) and door["fingerprint"].count(":") == 31


def test_one_is_let_in_with_a_cookie_for_tls_only_and_the_origin_is_https(home):
    connection = http.client.HTTPConnection("127.0.0.1", home[0], timeout=30)
    connection.request("POST", "/api/door/open", "{}", {"Content-Type": "application/json"})
    code = json.loads(connection.getresponse().read())["code"]
    knock = json.dumps({"code": code})
    json_type = {"Content-Type": "application/json"}
    wrong, _ = ask(home, "/api/door/knock", "POST", knock, Origin=f"http://127.0.0.1:{home[1]}", **json_type)
    assert wrong.status == 403
    right, _ = ask(home, "/api/door/knock", "POST", knock, Origin=f"https://127.0.0.1:{home[1]}", **json_type)
    assert right.status == 201 and "Secure" in right.getheader("Set-Cookie")


def test_half_a_handshake_and_plain_http_get_nothing(home):
    half = [socket.create_connection(("127.0.0.1", home[1]), timeout=30) for _ in range(60)]
    assert ask(home, "/api/me")[0].status == 200
    with socket.create_connection(("127.0.0.1", home[1]), timeout=30) as plain:
        plain.sendall(b"GET /api/larder HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
        try:
            said = plain.recv(1000)
        except ConnectionError:
            said = b""
        assert b"HTTP/1.1 200" not in said
    for s in half:
        s.close()


def test_old_tls_is_refused(home):
    context = ssl.SSLContext(ssl.PROTOCOL_TLS_CLIENT)
    context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
    context.minimum_version = ssl.TLSVersion.MINIMUM_SUPPORTED
    context.maximum_version = ssl.TLSVersion.TLSv1_1
    context.set_ciphers("ALL:@SECLEVEL=0")
    with pytest.raises((ssl.SSLError, ConnectionError)), socket.create_connection(("127.0.0.1", home[1])) as raw:
        context.wrap_socket(raw)


def test_the_certificate_names_the_house_and_is_made_anew_in_time(tmp_path, monkeypatch):
    cert, key, first = certificate(tmp_path, ["kitchen.local"], ["192.168.7.7"])
    made = x509.load_pem_x509_certificate(cert.read_bytes())
    names = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    assert {str(n.value) for n in names} == {"kitchen.local", "192.168.7.7"}
    assert made.not_valid_after_utc - made.not_valid_before_utc <= timedelta(days=397)
    assert key.stat().st_mode & 0o077 == 0  # nobody else reads the key
    assert certificate(tmp_path, ["kitchen.local"], ["192.168.7.7"])[2] == first
    assert certificate(tmp_path, ["kitchen.local"], ["192.168.7.8"])[2] != first  # another address

    class Later(datetime):
        @classmethod
        def now(cls, tz=None):
            return datetime.now(UTC) + timedelta(days=380)

    second = certificate(tmp_path, ["kitchen.local"], ["192.168.7.8"])[2]
    monkeypatch.setattr(tls, "datetime", Later)
    assert certificate(tmp_path, ["kitchen.local"], ["192.168.7.8"])[2] != second
    cert.write_text("no certificate")
    assert ":" in certificate(tmp_path, ["kitchen.local"], ["192.168.7.8"])[2]
