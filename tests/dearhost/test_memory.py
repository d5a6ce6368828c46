"""Memory of a process with many threads."""

from __future__ import annotations

import subprocess
import sys

import pytest

WORK = """
import threading
{first}
def work():
    for _ in range(8):
        held = [bytes(60_000) for _ in range(400)]  # below what malloc asks the system for by itself
        kept = held[::40]
        del held
    return kept
for _ in range(6):
    threads = [threading.Thread(target=work) for _ in range(24)]
    [thread.start() for thread in threads]
    [thread.join() for thread in threads]
import ctypes, tempfile
with tempfile.NamedTemporaryFile("w+") as told:
    libc = ctypes.CDLL(None)
    libc.fopen.restype = ctypes.c_void_p
    stream = ctypes.c_void_p(libc.fopen(told.name.encode(), b"w"))
    libc.malloc_info(0, stream)
    libc.fclose(stream)
    print(told.read().count("<heap nr"))
"""


def _arenas(first: str) -> int:
    """How many places memory was taken from, as glibc itself tells (malloc_info(3))."""
    done = subprocess.run([sys.executable, "-c", WORK.format(first=first)], capture_output=True, text=True, check=True)
    return int(done.stdout)


@pytest.mark.skipif(sys.platform != "linux", reason="glibc only")
def test_threads_share_where_they_take_memory_from() -> None:
    alone = _arenas("")
    shared = _arenas("from dearhost.memory import share_memory_among_threads as s; s()")
    assert shared <= 2 < alone
