"""Voices of a speech service elsewhere: asked for sentences over some interface, at a cost, after a while.

``SimulatedService`` stands in for one: it ships with the product, takes its time and counts characters, so that
everything round a real service can be used and tried without one.
"""

from __future__ import annotations

import fcntl
import json
import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date
from pathlib import Path
from typing import Protocol

from dearhost.errors import VoiceUnavailable
from dearhost.speech.engine import Engine, Utterance
from dearhost.speech.plan import Sentence


class QuotaSpent(VoiceUnavailable):
    """The service speaks no more characters until its count begins anew."""


@dataclass(frozen=True, slots=True)
class Quota:
    """Characters a month: ``limit`` in all, ``used`` so far; ``renews`` is the day (ISO 8601) it begins anew."""

    limit: int
    used: int
    renews: str

    @property
    def left(self) -> int:
        """Characters that can still be spoken."""
        return max(0, self.limit - self.used)


class SpeechService(Protocol):
    """What a speech service must offer to be spoken with."""

    version: str

    def quota(self) -> Quota:
        """What is left of it this month."""

    def speak(self, voice: str, sentence: Sentence) -> Utterance:
        """A sentence by one of the service's voices. Raises QuotaSpent, SpeechError."""

    def phones_alone(self, voice: str, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself, in IPA without stress marks."""


class SimulatedService:
    """A speech service that never leaves the machine: ``engines`` are its voices, ``folder`` keeps its count."""

    version = "simulated-1"

    def __init__(self, folder: Path, engines: Mapping[str, Callable[[], Engine]], *, limit: int = 10_000,
                 seconds: float = 0.6) -> None:  # fmt: skip
        self._count = folder / "count.json"
        self._engines, self._limit, self._seconds = engines, limit, seconds

    def quota(self) -> Quota:
        """What is left of it this month."""
        return self._quota(0)

    def speak(self, voice: str, sentence: Sentence) -> Utterance:
        """A sentence, after the time a request takes. Raises QuotaSpent."""
        cost = sum(len(clause.text) + 1 for clause in sentence.clauses)
        self._quota(cost)
        time.sleep(self._seconds)
        return self._engines[voice]().synthesize(sentence)

    def phones_alone(self, voice: str, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself; nothing is counted for it."""
        return self._engines[voice]().phones_alone(word)

    def _quota(self, cost: int) -> Quota:
        """The count after ``cost`` more characters; several processes may count at once."""
        today = date.today()
        month = today.strftime("%Y-%m")
        renews = date(today.year + today.month // 12, today.month % 12 + 1, 1).isoformat()
        self._count.parent.mkdir(parents=True, exist_ok=True)
        with self._count.open("a+", encoding="utf-8") as file:
            fcntl.flock(file, fcntl.LOCK_EX)
            file.seek(0)
            try:
                kept = json.loads(file.read() or "{}")
                used = int(kept["used"]) if kept.get("month") == month else 0
            except (ValueError, KeyError, TypeError, AttributeError):
                used = 0
            if used + cost > self._limit:
                raise QuotaSpent(
                    f"The speech service has {self._limit - used} of its {self._limit} characters left this month, and "
                    f"this sentence takes {cost}. Lines it has read stay. Choose another voice for the line, or wait "
                    f"until {renews}."
                )
            if cost:
                file.seek(0)
                file.truncate()
                file.write(json.dumps({"month": month, "used": used + cost}))
        return Quota(self._limit, used + cost, renews)


class ServiceEngine:
    """Speaks with a voice of a service."""

    def __init__(self, service: SpeechService, voice: str) -> None:
        self._service, self._voice = service, voice
        self.version = f"{service.version}/{voice}"

    def release(self) -> None:
        """Nothing is held here."""

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """As the service says it."""
        return self._service.phones_alone(self._voice, word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """A sentence by the service. Raises QuotaSpent, SpeechError."""
        return self._service.speak(self._voice, sentence)
