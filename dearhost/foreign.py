"""Files that somebody else made are read in a process of their own, with limits of time and memory.

Whatever is in them, what reads them may hang, fill the memory or crash: then that process ends, and nothing else.
"""

from __future__ import annotations

import resource
import time
from collections.abc import Callable
from contextlib import suppress
from multiprocessing import get_context
from multiprocessing.connection import Connection
from pathlib import Path
from typing import Any, TypeVar

from dearhost.child_process import end_with_parent
from dearhost.errors import DearHostError

_Value = TypeVar("_Value")
SECONDS, MEMORY = 20.0, 800_000_000
"""Limits where none are given: of the wall clock, and of bytes beyond what a process has anyway."""

_TELL_EVERY = 0.2
"""Seconds."""


class ForeignFailure(Exception):
    """What read the file did not come to an end. ``str(error)`` ends a sentence that begins with the file's name."""


def in_own_process(
    work: Callable[..., _Value],
    *given: Any,
    seconds: float = SECONDS,
    memory: int = MEMORY,
    progress: Callable[[float], None] | None = None,
) -> _Value:
    """``work(*given)``, a module's function, done in a process of its own; what it returns must be picklable.

    With ``progress``, ``work`` is called with one argument more: what it is told there, ``progress`` hears; that may
    raise to end it all. Raises the DearHostError that ``work`` raises, and ForeignFailure for anything else: another
    exception, a crash, more than ``seconds`` since it began or told something, more than ``memory`` bytes.
    """
    # not forked from the server that painters are forked from: that one must have their code loaded when it begins
    context = get_context("spawn")
    ours, theirs = context.Pipe(duplex=False)
    process = context.Process(target=_do, args=(theirs, memory, work, given, progress is not None), daemon=True)
    process.start()
    theirs.close()
    try:
        until = time.monotonic() + seconds
        kind: str = ""
        value: Any = None
        while kind not in _ENDS:
            if not ours.poll(max(0.0, until - time.monotonic())):
                raise ForeignFailure(f"takes longer than {seconds:.0f} s to read")
            kind, value = ours.recv()
            if kind == "progress" and progress:
                progress(value)
                until = time.monotonic() + seconds
    except EOFError:
        raise ForeignFailure("cannot be read to its end") from None
    finally:
        ours.close()
        process.kill()
        process.join()
    if kind == "done":
        done: _Value = value
        return done
    if kind == "error":
        raise value
    raise ForeignFailure(value)


_ENDS = ("done", "error", "failure")


def _do(connection: Connection, memory: int, work: Callable[..., Any], given: tuple[Any, ...], tells: bool) -> None:
    end_with_parent()
    _limit_memory(memory)
    answer: tuple[str, Any]
    told = [0.0]

    def tell(value: float) -> None:
        if time.monotonic() - told[0] > _TELL_EVERY:
            told[0] = time.monotonic()
            connection.send(("progress", value))

    try:
        answer = ("done", work(*given, tell) if tells else work(*given))
    except DearHostError as error:
        answer = ("error", error)
    except MemoryError:
        answer = ("failure", f"needs more than {memory / 1e6:.0f} MB of memory to read")
    except Exception as error:
        answer = ("failure", f"is damaged ({type(error).__name__})")
    with suppress(BrokenPipeError):  # nobody waits any more
        connection.send(answer)


def _limit_memory(memory: int) -> None:
    used = int(Path("/proc/self/statm").read_text().split()[0]) * resource.getpagesize()
    _, hard = resource.getrlimit(resource.RLIMIT_AS)
    resource.setrlimit(resource.RLIMIT_AS, (used + memory, hard))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
