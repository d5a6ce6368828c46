"""Memory of a process with many threads."""

from __future__ import annotations

import subprocess
import sys

import pytest

WORK = """
import threading
{first}
def work():
    for _ in range(3):
        held = [bytes(60_000) for _ in range(400)]  # below what malloc asks the system for by itself
        kept = held[::40]
        del held
    return kept
for _ in range(2):
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


KEPT = """
import gc, weakref
from dearhost.memory import keep_for_good, release_memory
class Ring:
    def __init__(self):
        self.own = self
loaded = [[number] for number in range(50_000)]
before = len(gc.get_objects())
keep_for_good()
ring = Ring()
gone = weakref.ref(ring)
del ring
release_memory()
print(before - len(gc.get_objects()) > 45_000, gc.get_freeze_count() > 45_000, gone() is None)
"""


def test_what_was_loaded_is_looked_at_no_more_and_what_came_later_is() -> None:
    told = subprocess.run([sys.executable, "-c", KEPT], capture_output=True, text=True, check=True)
    assert told.stdout.split() == ["True", "True", "True"]
