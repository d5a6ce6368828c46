"""What a rework does to a sentence, and why."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Change:
    """A sentence before and after; ``after`` is empty where it goes. ``rules`` names what was done to it."""

    before: str
    after: str
    rules: tuple[str, ...] = ()

    @property
    def rule(self) -> str:
        return ", ".join(self.rules)


def left_alone(sentence: str) -> Change:
    return Change(sentence, sentence)
