"""Sound quicker or slower, at its pitch."""

from __future__ import annotations

from fractions import Fraction

import av
import numpy as np
from numpy.typing import NDArray

_STEP = 2.0
"""The most by which FFmpeg's filter is asked to change the speed at once: it is made for half to twice."""
_BLOCK = 48_000


def at_speed(sound: NDArray[np.float32], speed: float, sample_rate: int) -> NDArray[np.float32]:
    """A sound of shape (n, 2), ``speed`` times as quick, 0.1 to 10, at the same pitch: ``round(n / speed)`` samples.

    By FFmpeg's ``atempo`` (waveform similarity overlap-add).
    """
    wanted = round(len(sound) / speed)
    if speed == 1.0 or not wanted:
        return sound[:wanted].copy()
    graph = av.filter.Graph()
    node = graph.add_abuffer(sample_rate=sample_rate, format="flt", layout="stereo", time_base=Fraction(1, sample_rate))
    for step in _steps(speed):
        following = graph.add("atempo", f"{step:.6f}")
        node.link_to(following)
        node = following
    sink = graph.add("abuffersink")
    node.link_to(sink)
    graph.configure()
    made: list[NDArray[np.float32]] = []

    def pulled() -> None:
        while True:
            try:
                made.append(graph.pull().to_ndarray().reshape(-1, 2))
            except (av.error.BlockingIOError, av.error.EOFError):
                return

    for first in range(0, len(sound), _BLOCK):
        block = np.ascontiguousarray(sound[first : first + _BLOCK], np.float32).reshape(1, -1)
        frame = av.AudioFrame.from_ndarray(block, format="flt", layout="stereo")
        frame.sample_rate, frame.pts, frame.time_base = sample_rate, first, Fraction(1, sample_rate)
        graph.push(frame)
        pulled()
    graph.push(None)
    pulled()
    whole = np.concatenate([*made, np.zeros((1, 2), np.float32)]).astype(np.float32)
    return np.pad(whole[:wanted], ((0, max(0, wanted - len(whole))), (0, 0)))


def _steps(speed: float) -> list[float]:
    steps = []
    while not 1 / _STEP <= speed <= _STEP:
        step = _STEP if speed > 1 else 1 / _STEP
        steps.append(step)
        speed /= step
    return [*steps, speed]
