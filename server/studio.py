"""The one studio of this process: voices loaded once, readings shared."""

from __future__ import annotations

import threading
from functools import lru_cache

from dearhost.production import Studio

_making = threading.Lock()


def studio() -> Studio:
    """The studio of the data folder; made once, also when several requests ask at the same time."""
    with _making:
        return _studio()


@lru_cache(maxsize=1)
def _studio() -> Studio:
    return Studio()
