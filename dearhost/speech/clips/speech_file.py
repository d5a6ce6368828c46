"""The speech of a clip: mono, at the level of other voices, kept beside it and read in parts."""

from __future__ import annotations

from collections.abc import Iterator
from functools import lru_cache
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from dearhost.sound.examining import frame_levels
from dearhost.sound.files import RATE, shares_of_sides, write_blocks
from dearhost.sound.parts import SoundParts
from dearhost.sound.tidying import speech_gain, without_rumble
from dearhost.speech.reading import Samples

_BLOCK = 30 * RATE
_AROUND = RATE
"""Samples on either side of a block that are filtered with it."""
_KEPT = 8
"""Blocks kept while lines are cut."""


class ClipSpeech:
    """Mono samples in -1..1 at 48 kHz of a file that ``write_speech`` wrote; a slice of them is read when it is asked
    for. Raises UnreadableSound for a file that is lost or damaged."""

    def __init__(self, path: Path) -> None:
        self._parts = SoundParts(path)
        self._block = lru_cache(maxsize=_KEPT)(self._read)

    def __len__(self) -> int:
        return len(self._parts)

    def __getitem__(self, part: slice) -> Samples:
        first, last, _ = part.indices(len(self))
        found = [
            self._block(number)[max(0, first - number * _BLOCK) : last - number * _BLOCK]
            for number in range(first // _BLOCK, -(-last // _BLOCK))
        ]
        return np.concatenate(found).astype(np.float32) / np.float32(32768) if found else np.zeros(0, np.float32)

    def _read(self, number: int) -> NDArray[np.int16]:
        mono = self._parts[number * _BLOCK : (number + 1) * _BLOCK][:, 0]
        return np.rint(mono * 32768).astype(np.int16)


def write_speech(sound: Path, path: Path) -> None:
    """Write the speech of a clip with that sound, block by block: an hour of it is never held. Raises UnreadableSound,
    StorageFull."""
    source = SoundParts(sound)
    shares, _ = shares_of_sides(source.blocks(_BLOCK))
    levels, peak = [], 0.0
    for block in _filtered(source, shares):
        levels.append(frame_levels(block, RATE))
        peak = max(peak, float(np.abs(block).max()))
    gain = np.float32(speech_gain(np.concatenate(levels), peak))
    write_blocks(path, (block * gain for block in _filtered(source, shares)), RATE)


def _filtered(source: SoundParts, shares: tuple[float, float]) -> Iterator[Samples]:
    """The two sides as one, without rumble."""
    for first in range(0, len(source), _BLOCK):
        lead = min(first, _AROUND)
        sides = source[first - lead : first + _BLOCK + _AROUND]
        mono = sides @ np.array(shares, np.float32)
        heard = without_rumble(mono, RATE) if len(source) >= RATE // 10 else mono
        yield heard[lead : lead + _BLOCK].astype(np.float32)
