"""How a script that runs over its length can be brought to it: cut, said more quickly, or both."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from dearhost.production.production import QUICKEST, CastEntry

_LEAST = 0.5
"""Seconds over the wished length that nobody minds."""


class Way(StrEnum):
    SHORTER = "shorter"
    QUICKER = "quicker"
    BOTH = "both"


@dataclass(frozen=True, slots=True)
class LengthWay:
    """A way to the wished length: the ``pace`` every voice is multiplied by, seconds of words to be ``cut``, and the
    ``seconds`` the script then runs."""

    way: Way
    pace: float
    cut: float
    seconds: float


def length_ways(target: float, seconds: float, spoken: float, cast: Iterable[CastEntry]) -> list[LengthWay]:
    """Ways from ``seconds``, of which ``spoken`` are speech, to ``target`` seconds; none where it is not over.

    No voice becomes quicker than ``QUICKEST``. Silence does not become shorter.
    """
    silence = seconds - spoken
    if not target or seconds <= target + _LEAST:
        return []
    ways = [LengthWay(Way.SHORTER, 1.0, round(seconds - target, 1), target)]
    room = QUICKEST / max((entry.pace for entry in cast), default=1.0)
    if room < 1.01 or spoken <= 0:
        return ways
    needed = spoken / (target - silence) if target > silence else room + 1
    if needed <= room:
        ways.append(LengthWay(Way.QUICKER, round(needed + 0.0005, 3), 0.0, target))
    pace = round(min(room, needed**0.5), 3)
    if pace >= 1.01:
        ways.append(LengthWay(Way.BOTH, pace, round(silence + spoken / pace - target, 1), target))
    return ways
