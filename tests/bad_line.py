"""A line to a server that loses requests and answers, is slow, and sends requests twice."""

import random
import socket
import threading
import time
from contextlib import suppress
from types import TracebackType
from typing import Self


class BadLine:
    """Listens at `port` and passes on to a server what comes, badly; without a seed, well.

    Each connection carries one request.
    """

    def __init__(self, server: int, seed: int | None) -> None:
        self.server, self.chance = server, random.Random(seed) if seed is not None else None
        self.listening = socket.create_server(("127.0.0.1", 0))
        self.port: int = self.listening.getsockname()[1]

    def __enter__(self) -> Self:
        threading.Thread(target=self._listen, daemon=True).start()
        return self

    def __exit__(self, kind: type[BaseException] | None, error: BaseException | None,
                 where: TracebackType | None) -> None:
        self.listening.close()

    def _listen(self) -> None:
        with suppress(OSError):
            while True:
                client, _ = self.listening.accept()
                threading.Thread(target=self._pass_on, args=(client,), daemon=True).start()

    def _pass_on(self, client: socket.socket) -> None:
        fate = self.chance.random() if self.chance else 1.0
        with client, suppress(OSError):
            request = _request_from(client)
            if fate < 0.05:
                return
            if fate < 0.1:
                self._answer_to(request[:len(request) // 2])
                return
            if fate < 0.2:
                time.sleep(fate * 10)
            if fate < 0.35:
                self._answer_to(request)
            answer = self._answer_to(request)
            if fate < 0.45:
                answer = answer[:len(answer) // 2] if fate < 0.4 else b""
            client.sendall(answer)

    def _answer_to(self, request: bytes) -> bytes:
        with socket.create_connection(("127.0.0.1", self.server), timeout=60) as server:
            server.sendall(request)
            if b"\r\n\r\n" not in request or len(request) < _length_of(request):
                server.shutdown(socket.SHUT_WR)
            answer = b""
            while chunk := server.recv(65_536):
                answer += chunk
            return answer


def _request_from(client: socket.socket) -> bytes:
    request = b""
    while b"\r\n\r\n" not in request or len(request) < _length_of(request):
        chunk = client.recv(65_536)
        if not chunk:
            break
        request += chunk
    return request


def _length_of(request: bytes) -> int:
    """The bytes of a request, by what its head says."""
    head, _, _ = request.partition(b"\r\n\r\n")
    for line in head.split(b"\r\n"):
        name, _, value = line.partition(b":")
        if name.lower() == b"content-length":
            return len(head) + 4 + int(value)
    return len(head) + 4
