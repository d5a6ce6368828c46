"""Reads the lines of a scene before somebody plays it, so that its sound is there by then."""

from __future__ import annotations

import threading
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress

from dearhost.errors import DearHostError
from dearhost.production import Production as Staged
from dearhost.production import manner_in, voice_of
from dearhost.script import Line, spoken_lines
from server.studio import studio

_LANES = 2
"""Lines read side by side: a core each."""


class ReadingAhead:
    """Reads scenes in the order they were last looked at. What was asked for an earlier state of a production is
    dropped, but for the lines that are being read just then."""

    def __init__(self) -> None:
        self._pool = ThreadPoolExecutor(_LANES, thread_name_prefix="reading-ahead")
        self._asked: dict[str, int] = {}
        self._lock = threading.Lock()

    def scene(self, production_id: str, staged: Staged, scene_id: str) -> None:
        """Read a scene of a production, which must be checked; what waits of it is dropped."""
        with self._lock:
            number = self._asked[production_id] = self._asked.get(production_id, 0) + 1
        lines = [line for scene in staged.script.scenes if scene.id == scene_id for line in spoken_lines(scene)]
        for line in lines:
            self._pool.submit(self._read, production_id, number, staged, line)

    def _read(self, production_id: str, number: int, staged: Staged, line: Line) -> None:
        if self._asked.get(production_id) != number:
            return
        with suppress(DearHostError):  # whoever plays it is told
            voice = voice_of(staged, line, studio().voices)
            manner = manner_in(staged, line)
            if not studio().speaker.is_read(line.text, voice, manner):
                studio().speaker.read(line.text, voice, manner)


ahead = ReadingAhead()
