"""A real server with data of its own, in processes of its own."""

import http.cookiejar
import json
import os
import socket
import subprocess
import sys
import time
import urllib.request
import uuid
from collections.abc import Callable
from pathlib import Path
from typing import Any

ROOT = Path(__file__).resolve().parents[1]


AUTHORS = """
import io
import json
from django.contrib.auth.models import User
from zigzag_demo.generate import generated_course
from zigzag_server.accounts.models import Token
from zigzag_server.courses import files, store
document, media = generated_course({slides}, {slides} // 2, 1)
for sha256, data in media.items():
    files.keep(sha256, io.BytesIO(data))
made = []
for n in range({many}):
    user = User.objects.create_user(f"author{{n}}")
    made.append((Token.issue(user, "script")[1], store.create(user, document).slug))
print(json.dumps(made))
"""


class Server:
    """Zigzag in processes of its own, which can be stopped and started again."""

    def __init__(self, data: Path) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.address = f"http://localhost:{self.port}"
        self.environment = {
            **os.environ, "ZIGZAG_DATA": str(data), "ZIGZAG_DEMO": "1",
            "ZIGZAG_APP_ORIGIN": self.address,
            "ZIGZAG_CONTENT_ORIGIN": f"http://127.0.0.1:{self.port}",
        }
        self.process: subprocess.Popen | None = None

    def manage(self, *arguments: str, allowed: tuple[int, ...] = (0,)) -> str:
        """Run a command; return what it prints. Raises where it ends with another code."""
        done = subprocess.run(
            [sys.executable, "manage.py", *arguments], cwd=ROOT, env=self.environment,
            capture_output=True, text=True,
        )
        if done.returncode not in allowed:
            done.check_returncode()
        return done.stdout.strip()

    def shell(self, script: str) -> Any:
        """Run Python within the server's settings; return what it prints last, read as JSON."""
        return json.loads(self.manage("shell", "-v", "0", "-c", script).splitlines()[-1])

    def authors(self, many: int, slides: int) -> list[list[str]]:
        """Make authors, each with a course of so many slides; return their tokens and slugs."""
        return list(self.shell(AUTHORS.format(many=many, slides=slides)))

    def start(self) -> None:
        self.process = subprocess.Popen(
            [sys.executable, "manage.py", "serve"], cwd=ROOT, env=self.environment,
            stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, process_group=0,
        )
        until = time.monotonic() + 30
        while time.monotonic() < until:
            try:
                urllib.request.urlopen(f"{self.address}/api/session")
                return
            except OSError:
                time.sleep(0.05)
        raise RuntimeError("the server did not start")

    def stop(self) -> None:
        if self.process:
            self.process.kill()
            self.process.wait()
            self.process = None


class Author:
    """A script of the author of the demo, which asks the API over HTTP."""

    def __init__(self, server: Server) -> None:
        self.address = server.address
        self.cookies = http.cookiejar.CookieJar()
        self.opener = urllib.request.build_opener(
            urllib.request.HTTPCookieProcessor(self.cookies))
        self.opener.open(server.address + "/").read()
        self.ask("GET", "/session")

    def ask(self, method: str, path: str, body: object = None,
            type_: str = "application/json") -> Any:
        """Send `body`, as JSON unless it is bytes; return what the answer says."""
        data = body if isinstance(body, bytes) or body is None else json.dumps(body).encode()
        token = next((c.value for c in self.cookies if c.name == "csrftoken"), "")
        request = urllib.request.Request(f"{self.address}/api{path}", data, method=method, headers={
            "Content-Type": type_, "X-CSRFToken": str(token)})
        with self.opener.open(request, timeout=120) as answer:
            return json.loads(answer.read() or b"null")

    def done(self, method: str, path: str, body: object = None,
             type_: str = "application/json") -> Any:
        """Ask for a job and wait for its end; return what came of it."""
        job = self.ask(method, path, body, type_)
        while job["state"] in ("queued", "running"):
            time.sleep(0.05)
            job = self.ask("GET", f"/jobs/{job['id']}")
        assert job["state"] == "done", job
        return job["result"]

    def upload(self, path: str, name: str, data: bytes) -> Any:
        """Send a file as a browser does; return what came of the job that takes it."""
        # What parts the body must not occur in the file.
        edge = uuid.uuid4().hex
        head = f'Content-Disposition: form-data; name="file"; filename="{name}"'
        body = (f"--{edge}\r\n{head}\r\n\r\n".encode() + data + f"\r\n--{edge}--\r\n".encode())
        return self.done("POST", path, body, f"multipart/form-data; boundary={edge}")

    def until(self, true: Callable[[], object], patience: float = 60) -> None:
        """Wait until something is true, no longer than `patience` (s)."""
        end = time.monotonic() + patience
        while not true():
            assert time.monotonic() < end, "waited for too long"
            time.sleep(0.05)
