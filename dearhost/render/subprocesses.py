"""Work done in a process of its own, so that what it leaves in memory goes with it."""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache
from multiprocessing import get_context
from multiprocessing.connection import Connection
from multiprocessing.context import ForkServerContext

from dearhost.child_process import end_with_parent
from dearhost.errors import DearHostError

Report = Callable[[int, int], None]
"""Called with how much is done, and of how much; may raise to stop."""
_POLL, _PATIENCE = 0.25, 5.0


@lru_cache(maxsize=1)
def processes() -> ForkServerContext:
    """Processes that come from one where all code is loaded: they start at once and share its memory."""
    context = get_context("forkserver")
    context.set_forkserver_preload(["dearhost.render.chunk_worker", "dearhost.render.colour"])
    return context


def run_in_subprocess(work: Callable[[Report], None], report: Report) -> bool:
    """Do ``work``, a module's function or a partial of one, in a process of its own; whether it came to its end.

    What it reports is passed on. Raises what ``report`` raises, once the process is gone. Why the work itself failed is
    not reported: do it again to hear it.
    """
    ours, theirs = processes().Pipe(duplex=False)
    process = processes().Process(target=_do, args=(work, theirs), daemon=True)
    process.start()
    theirs.close()
    done = total = 0
    ended = False
    try:
        while not ended:
            try:
                if ours.poll(_POLL):
                    done, total = ours.recv()
            except EOFError:
                ended = True
            report(done, total)
    finally:
        ours.close()
        process.join(_PATIENCE if ended else 0)
        process.kill()
        process.join()
    return process.exitcode == 0


def _do(work: Callable[[Report], None], connection: Connection) -> None:
    end_with_parent()
    try:
        work(lambda done, total: connection.send((done, total)))
    except DearHostError:  # whoever does the work again gets it
        raise SystemExit(1) from None
