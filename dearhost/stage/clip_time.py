"""Which moments of a clip are played: from where to where, how quick, and what comes at its end."""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.assets.shelf import Loop
from dearhost.production import Choices

_SHORTEST = 0.1
"""Seconds of a clip: where it is to end sooner than that after it begins, it goes on to its own end."""
_FADE, _OF_ROUND = 0.5, 0.25
"""Seconds in which a clip goes over into its beginning, at most that part of what is played of it."""
_BEFORE = 1e-3
"""Seconds before a moment, to be still in the frame before it."""


@dataclass(frozen=True, slots=True)
class ClipTime:
    """Which moments of a clip are seen: from ``begins`` seconds of it to ``until`` (0 for its end), ``speed`` times as
    quick. At the end its last frame stays, or it ``loops``."""

    begins: float = 0.0
    speed: float = 1.0
    until: float = 0.0
    loops: bool = False

    def of_clip(self, since: float) -> float:
        """The second of the clip that is seen ``since`` seconds after it came, while it is played once."""
        return self.begins + since * self.speed

    def since(self, of_clip: float) -> float:
        """How long after it came a second of the clip is seen; less than 0 where it is not."""
        return (of_clip - self.begins) / self.speed

    def last(self, seconds: float) -> float:
        """Where it ends in a clip of ``seconds``."""
        return min(self.until, seconds) if self.until > self.begins + _SHORTEST else seconds

    def round(self, joined: Loop | None, seconds: float) -> Loop:
        """What follows each other again and again of a clip of ``seconds``. ``joined``: where it joins itself best,
        which is taken where nothing of that is cut off."""
        if joined and not self.until and self.begins <= joined.start:
            return joined
        last = self.last(seconds)
        begins = max(0.0, min(self.begins, last - _SHORTEST))
        fade = min(_FADE, (last - begins) * _OF_ROUND)
        return Loop(begins, last - fade, fade, 0.0)

    def played(self, since: float, joined: Loop | None, seconds: float) -> tuple[float, float, float]:
        """What is seen ``since`` seconds after it came: a moment of it, and another it goes over into, with how far,
        0 to 1. Where it goes round, the join is a fade."""
        at = self.of_clip(since)
        if not self.loops:
            last = self.last(seconds)
            return min(at, last if last == seconds else last - _BEFORE), 0.0, 0.0
        turn = self.round(joined, seconds)
        if at < turn.end:
            return at, 0.0, 0.0
        into = (at - turn.end) % (turn.end - turn.start)
        if into < turn.fade:
            return turn.end + into, turn.start + into, into / turn.fade
        return turn.start + into, 0.0, 0.0


ONCE, ROUND_AND_ROUND = ClipTime(), ClipTime(loops=True)


def time_behind(choices: Choices) -> ClipTime:
    """How a clip behind the hosts is played."""
    return ClipTime(choices.own_begins, choices.own_speed, choices.own_until, choices.own_ends == "loops")
