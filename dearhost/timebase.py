"""Exact time: frame rates are fractions, spans are half-open."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction


@dataclass(frozen=True, slots=True)
class FrameRate:
    """Frames a second, exact.

    >>> FrameRate(Fraction(30)).frames_in(1.01)
    31
    """

    value: Fraction

    def __post_init__(self) -> None:
        if self.value <= 0:
            raise ValueError(f"'value' must be above 0 frames a second (got {self.value})")

    @classmethod
    def of(cls, frames_per_second: int) -> FrameRate:
        """A whole number of frames a second."""
        return cls(Fraction(frames_per_second))

    def frames_in(self, seconds: float) -> int:
        """The number of frames that cover ``seconds``: the last one may reach beyond."""
        exact = Fraction(seconds).limit_denominator(1_000_000) * self.value
        return -(-exact.numerator // exact.denominator)

    def start_of(self, frame: int) -> float:
        """When frame ``frame`` (from 0) begins, in seconds."""
        rate = self.value
        return frame * rate.denominator / rate.numerator  # as exact as a fraction, asked for many times a frame

    def centre_of(self, frame: int) -> float:
        """The middle of a frame's time on screen, in seconds: the moment it should show."""
        rate = self.value
        return (2 * frame + 1) * rate.denominator / (2 * rate.numerator)


@dataclass(frozen=True, slots=True)
class Span:
    """A half-open stretch ``[start, end)`` of seconds."""

    start: float
    end: float

    def __post_init__(self) -> None:
        if self.end < self.start:
            raise ValueError(f"'end' must not be before 'start' (got {self.start} to {self.end})")

    @property
    def duration(self) -> float:
        """Seconds from start to end."""
        return self.end - self.start

    def holds(self, moment: float) -> bool:
        """Whether ``moment`` (seconds) lies inside."""
        return self.start <= moment < self.end

    def moved(self, by: float) -> Span:
        """The same length, ``by`` seconds later."""
        return Span(self.start + by, self.end + by)
