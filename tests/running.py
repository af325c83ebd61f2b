"""A real server with data of its own, in processes of its own."""

import os
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]


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

    def manage(self, *arguments: str) -> str:
        done = subprocess.run(
            [sys.executable, "manage.py", *arguments], cwd=ROOT, env=self.environment, check=True,
            capture_output=True, text=True,
        )
        return done.stdout.strip()

    def start(self) -> None:
        self.process = subprocess.Popen(
            [sys.executable, "manage.py", "serve"], cwd=ROOT, env=self.environment,
            stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
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
