"""TLS for the house: a certificate made here, and a small front that unwraps it before the server.

The server itself speaks plain HTTP on this computer only. What comes through the front reaches it at a port of its
own, so that nobody from the house is taken for the computer itself.
"""

import asyncio
import hashlib
import ipaddress
import os
import socket
import ssl
import threading
from collections.abc import Callable, Iterable
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

GOOD_FOR, RENEW_BEFORE = timedelta(days=397), timedelta(days=30)
MOST_CONNECTIONS, HANDSHAKE_S = 200, 5.0
PIECE = 65_536


def certificate(folder: Path, names: Iterable[str], addresses: Iterable[str]) -> tuple[Path, Path, str]:
    """The certificate, its key and its SHA-256 fingerprint, made anew when there is none for these names and
    addresses or it ends within a month.

    It is its own issuer: browsers warn of it once for each device, and are told to look at the fingerprint.
    """
    from cryptography import x509

    cert, key = folder / "kitchen.crt", folder / "kitchen.key"
    wanted = {*names, *addresses}
    if cert.exists() and key.exists():
        with suppress(ValueError, x509.ExtensionNotFound):
            found = x509.load_pem_x509_certificate(cert.read_bytes())
            said = found.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
            has = {str(name.value) for name in said}
            if wanted <= has and found.not_valid_after_utc > datetime.now(UTC) + RENEW_BEFORE:
                return cert, key, fingerprint(cert)
    _make(cert, key, wanted)
    return cert, key, fingerprint(cert)


def _make(cert: Path, key: Path, wanted: set[str]) -> None:
    from cryptography import x509
    from cryptography.hazmat.primitives import hashes, serialization
    from cryptography.hazmat.primitives.asymmetric import ec

    secret = ec.generate_private_key(ec.SECP256R1())
    name = x509.Name([x509.NameAttribute(x509.oid.NameOID.COMMON_NAME, "Mulvek, this kitchen")])
    now = datetime.now(UTC)
    made = (
        x509.CertificateBuilder()
        .subject_name(name)
        .issuer_name(name)
        .public_key(secret.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(days=1))
        .not_valid_after(now + GOOD_FOR - timedelta(days=1))
        .add_extension(x509.SubjectAlternativeName([_general(text) for text in sorted(wanted)]), critical=False)
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(x509.ExtendedKeyUsage([x509.oid.ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .sign(secret, hashes.SHA256())
    )
    key.parent.mkdir(parents=True, exist_ok=True)
    handle = os.open(key, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
    with os.fdopen(handle, "wb") as file:
        file.write(
            secret.private_bytes(
                serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
            )
        )
    cert.write_bytes(made.public_bytes(serialization.Encoding.PEM))


def _general(text: str) -> Any:
    from cryptography import x509

    try:
        return x509.IPAddress(ipaddress.ip_address(text))
    except ValueError:
        return x509.DNSName(text)


def fingerprint(cert: Path) -> str:
    """SHA-256 of the certificate, as browsers show it."""
    der = ssl.PEM_cert_to_DER_cert(cert.read_text())
    digest = hashlib.sha256(der).hexdigest().upper()
    return ":".join(digest[i : i + 2] for i in range(0, len(digest), 2))


class Front:
    """Takes TLS at ``bound`` and hands on what it unwraps to ``inner_port`` of this computer."""

    def __init__(self, bound: socket.socket, cert: Path, key: Path, inner_port: int) -> None:
        self._bound, self._inner = bound, inner_port
        self._context = ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER)
        self._context.minimum_version = ssl.TLSVersion.TLSv1_2
        self._context.load_cert_chain(cert, key)
        self._open = 0
        self._loop = asyncio.new_event_loop()

    def start(self) -> None:
        threading.Thread(target=self._run, daemon=True, name="tls front").start()

    def stop(self) -> None:
        with suppress(RuntimeError):
            self._loop.call_soon_threadsafe(self._loop.stop)

    def _run(self) -> None:
        asyncio.set_event_loop(self._loop)
        self._loop.set_exception_handler(lambda *_: None)  # half a handshake is nobody's error
        self._loop.run_until_complete(
            asyncio.start_server(self._one, sock=self._bound, ssl=self._context, ssl_handshake_timeout=HANDSHAKE_S)
        )
        self._loop.run_forever()

    async def _one(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        if self._open >= MOST_CONNECTIONS:
            writer.close()
            return
        self._open += 1
        inside: asyncio.StreamWriter | None = None
        try:
            answers, inside = await asyncio.open_connection("127.0.0.1", self._inner)
            both = {asyncio.ensure_future(_pipe(reader, inside)), asyncio.ensure_future(_pipe(answers, writer))}
            _, left = await asyncio.wait(both, return_when=asyncio.FIRST_COMPLETED)
            for task in left:
                task.cancel()
        except OSError:
            pass  # the server stops
        finally:
            self._open -= 1
            for end in (writer, inside):
                if end is not None:
                    end.close()


async def _pipe(source: asyncio.StreamReader, to: asyncio.StreamWriter) -> None:
    with suppress(OSError, asyncio.CancelledError, ssl.SSLError):
        while piece := await source.read(PIECE):
            to.write(piece)
            await to.drain()


def unwrapped(app: Callable[..., Any], inner_port: int) -> Callable[..., Any]:
    """The WSGI app that knows what came through the front."""

    def answer(environ: dict[str, Any], start_response: Callable[..., Any]) -> Any:
        if environ.get("SERVER_PORT") == str(inner_port):
            environ["wsgi.url_scheme"], environ["mulvek.front"] = "https", True
        return app(environ, start_response)

    return answer
