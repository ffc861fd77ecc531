"""Where ``mulvek serve`` listens: this computer alone, the home network, or the home network behind TLS."""

import argparse
import errno
import socket
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path
from typing import TYPE_CHECKING, Any

from ..core.errors import BadInput

if TYPE_CHECKING:
    from ..web.access.routes import Served
    from ..web.access.tls import Front

MOST_CONNECTIONS, THREADS = 400, 96
LARGEST_ARRIVING = 26_000_000
MOST_WAITING = 16_384
"""Bytes that may wait for a slow reader. What a stream has sent is only forgotten when so much has gone through."""
SILENT_S = 10
TLS_PORT_BEYOND = 443
LOOPBACK = "127.0.0.1"


@dataclass(slots=True, kw_only=True)
class Listening:
    """Sockets that are bound, before anything is served. ``served``: how the house finds it, if it may."""

    url: str
    sockets: list[socket.socket]
    served: "Served | None" = None
    front: "Front | None" = None
    inner_port: int = 0
    said: list[str] = field(default_factory=list)

    def server(self, app: Callable[..., Any]) -> Any:
        from waitress import create_server

        if self.front is not None:
            from ..web.access.tls import unwrapped

            app = unwrapped(app, self.inner_port)
        return create_server(
            app,
            sockets=self.sockets,
            threads=THREADS,
            connection_limit=MOST_CONNECTIONS,
            max_request_body_size=LARGEST_ARRIVING,
            outbuf_high_watermark=MOST_WAITING,
            channel_timeout=SILENT_S,
            cleanup_interval=2,
            channel_request_lookahead=1,
            ident=None,
        )

    def start(self) -> None:
        if self.front is not None:
            self.front.start()

    def explain(self) -> None:
        for line in self.said:
            print(line, flush=True)

    def close(self) -> None:
        if self.front is not None:
            self.front.stop()
        for bound in self.sockets:
            bound.close()


def listen(args: argparse.Namespace, tls_folder: Path) -> Listening:
    """:raises BadInput: field "port" or "host"."""
    if not args.home:
        bound = _bind(LOOPBACK, args.port)
        return Listening(url=f"http://{LOOPBACK}:{_port(bound)}", sockets=[bound])

    from ..web.access.home import addresses, own_names
    from ..web.access.routes import Served

    def urls(scheme: str, port: int) -> Callable[[], list[str]]:
        return lambda: [f"{scheme}://{a}:{port}" for a in ([args.host] if args.host else [*args.name, *addresses()])]

    if not args.tls:
        bound = _bind(args.host or "0.0.0.0", args.port)
        found = urls("http", _port(bound))
        here = f"http://{args.host or LOOPBACK}:{_port(bound)}"
        return Listening(url=here, sockets=[bound], served=Served(found), said=_said(found(), ""))

    from ..web.access.tls import Front, certificate

    bound, inner = _bind(LOOPBACK, args.port), _bind(LOOPBACK, 0)
    outer = _bind(args.host or "0.0.0.0", _port(bound) + TLS_PORT_BEYOND if args.port else 0)
    wanted = [args.host] if args.host else addresses()
    cert, key, fingerprint = certificate(tls_folder, [*own_names(), *args.name], [*wanted, LOOPBACK])
    found = urls("https", _port(outer))
    return Listening(
        url=f"http://{LOOPBACK}:{_port(bound)}",
        sockets=[bound, inner],
        served=Served(found, fingerprint),
        front=Front(outer, cert, key, _port(inner)),
        inner_port=_port(inner),
        said=_said(found(), fingerprint),
    )


def _said(urls: list[str], fingerprint: str) -> list[str]:
    lines = [f"For the house: {urls[0]} (let devices in at the computer: Larder, the door)."] if urls else []
    if not urls:
        lines = ["This computer is in no network just now: nobody can reach it."]
    if fingerprint:
        lines += [
            "The certificate was made here, so that each browser warns once: it cannot know this kitchen.",
            f"Go on only if it shows this SHA-256 fingerprint: {fingerprint}",
        ]
    return lines


def _port(bound: socket.socket) -> int:
    return int(bound.getsockname()[1])


def _bind(host: str, port: int) -> socket.socket:
    """:raises BadInput: field "port" or "host"."""
    bound = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
    try:
        bound.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        bound.bind((host, port))
        bound.listen(1024)  # taken from now on, though answered only when all is ready
    except (OSError, OverflowError) as error:
        bound.close()
        if isinstance(error, OSError) and error.errno == errno.EADDRINUSE:
            raise BadInput("port", "port-taken", port=port, next=port + 1) from error
        raise BadInput("host", "address-unusable", host=host, port=port) from error
    return bound
