"""A line that lasts so many seconds, to the sample: its pace is found, and a breath of silence ends it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

import numpy as np

from dearhost.speech.manner import Manner
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading

SLOWEST, QUICKEST = 0.62, 1.7
"""Paces within which a line is still speech: what would be slower or quicker lasts as long as it must."""
_NEAR = 0.03
"""Seconds that it may be too short, which silence fills."""
_TRIES = 7


def at_pace(manner: Manner, pace: float) -> Manner:
    """The manner with its pace times ``pace``, and no length asked for."""
    delivery = replace(manner.delivery, pace=manner.delivery.pace * pace, lasts=0.0)
    return replace(manner, delivery=delivery)


def pace_for(seconds: float, lasts: Callable[[float], float]) -> float:
    """The pace at which a line ends within ``seconds``, as near to them as can be; ``lasts`` tells how long it is at
    one. At the ends of SLOWEST and QUICKEST it may miss them."""
    aim, pace, best, longest = seconds - _NEAR / 2, 1.0, QUICKEST, 0.0
    before: tuple[float, float] | None = None
    for _ in range(_TRIES):
        found = lasts(pace)
        if longest < found <= seconds:
            best, longest = pace, found
        wanted = min(QUICKEST, max(SLOWEST, _next_pace(aim, (pace, found), before)))
        if seconds - _NEAR <= found <= seconds or wanted == pace:
            break
        before, pace = (pace, found), wanted
    return best


def _next_pace(aim: float, now: tuple[float, float], before: tuple[float, float] | None) -> float:
    """The pace to try next, by two (pace, seconds): words follow the pace, the silence between them does not."""
    pace, found = now
    if before and before[0] != pace:
        words = (found - before[1]) / (1 / pace - 1 / before[0])
        silence = found - words / pace
        if words > 0 and aim > silence:
            return words / (aim - silence)
    return pace * found / aim


def ended_at(reading: Reading, seconds: float) -> Reading:
    """The reading with silence after it until it lasts ``seconds``; a longer one as it is."""
    rate = reading.sample_rate
    missing = round(seconds * rate) - len(reading.samples)
    if missing <= 0:
        return reading
    samples = np.concatenate([reading.samples, np.zeros(missing, reading.samples.dtype)])
    return replace(reading, samples=samples, prosody=measure_prosody(samples, rate), duration=len(samples) / rate)
