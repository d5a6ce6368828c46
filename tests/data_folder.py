"""One throw-away data folder for the whole run; the fonts and the engine's files of the set-up are linked into it.

Loaded as a plugin (see pyproject.toml), since the server's settings are read before any conftest.
"""

from __future__ import annotations

import os
import tempfile
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
INSTALLED = Path(os.environ.get("DEAR_HOST_DATA", ROOT / "data")).resolve()
_DATA = tempfile.TemporaryDirectory(prefix="dear-host-tests-")
os.environ["DEAR_HOST_DATA"] = _DATA.name
os.environ["DEAR_HOST_VOICES"] = "quick"  # where a test does not choose a voice: a quarter of the time
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")  # the browser driver keeps an event loop in this thread
(Path(_DATA.name) / "fonts").symlink_to(INSTALLED / "fonts")
(INSTALLED / "voices" / "engine").mkdir(parents=True, exist_ok=True)
(Path(_DATA.name) / "voices").mkdir()
(Path(_DATA.name) / "voices" / "engine").symlink_to(INSTALLED / "voices" / "engine")
