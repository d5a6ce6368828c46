"""What every process does that another one asked for."""

from __future__ import annotations

import os
import threading
from multiprocessing import parent_process
from multiprocessing.connection import wait


def end_with_parent() -> None:
    """From now on this process ends with the one that asked for it, whatever it is doing.

    The fork server lives as long as any process that came from it: that it is still there says nothing.
    """
    asking = parent_process()
    if asking is None:
        return  # nobody did: this is the first process

    def watch(sentinel: int) -> None:
        wait([sentinel])
        os._exit(1)  # half a file that stays is swept later

    threading.Thread(target=watch, args=(asking.sentinel,), name="parent", daemon=True).start()
