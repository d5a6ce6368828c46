"""Keep readings of a line as takes."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from django.db import transaction
from django.db.models import Max

from dearhost.errors import StageError
from dearhost.production import CUE_KINDS, manner_of, pauses_of, voice_of
from dearhost.production.uses import RECORDING, Use
from dearhost.script import Cue, Line, spoken_lines
from dearhost.speech import Manner, Reading, SayAs, Taken, with_pauses
from server.assets.ownership import belongs_to
from server.productions.documents import usable_production
from server.productions.models import Production, Take
from server.studio import studio

MOST_TAKES = 60


@dataclass(frozen=True, slots=True)
class HeardLine:
    """A line, the voice it is read with, the say-as list of its production, the effect over the voice and its pace."""

    line: Line
    voice: str
    say_as: tuple[SayAs, ...] = ()
    effect: str = "none"
    pace: float = 1.0
    stand_in: str = ""
    """The quick voice it is heard in while somebody writes, where the production chose so."""

    def having(self, line: Line) -> HeardLine:
        """The same with another state of the line."""
        return replace(self, line=line)

    def reading(self) -> Reading:
        """The line as it is heard in the film. Raises SpeechError."""
        return with_pauses(studio().speaker.read(self.line.text, self.voice, self.manner), pauses_of(self.line))

    def foreseen(self) -> Reading:
        """The times and the melody it will have in the film, told without its sound where that takes long."""
        return with_pauses(studio().speaker.foreseen(self.line.text, self.voice, self.manner), pauses_of(self.line))

    def as_draft(self) -> HeardLine:
        """The line as it is heard while somebody writes."""
        return replace(self, voice=self.stand_in or self.voice)

    @property
    def is_read(self) -> bool:
        """Whether it has been read. Raises SpeechError."""
        return studio().speaker.is_read(self.line.text, self.voice, self.manner)

    def as_read(self) -> Iterator[Reading]:
        """What ``reading`` gives, as far as it is read: longer each time, the whole last. Raises SpeechError."""
        pauses = pauses_of(self.line)
        for part in studio().speaker.as_read(self.line.text, self.voice, self.manner):
            yield with_pauses(part, {word: length for word, length in pauses.items() if word < len(part.words)})

    @property
    def manner(self) -> Manner:
        """How it is said."""
        return manner_of(self.line, self.say_as, self.effect, self.pace)


def line_of(production: Production, line_id: str) -> HeardLine:
    """A spoken line of the current document. Raises StageError."""
    staged = usable_production(production.document, production.title, production.owner_id).checked(studio())
    for scene in staged.script.scenes:
        for line in spoken_lines(scene):
            if line.id == line_id:
                entry, voices = staged.entry(line.speaker), studio().voices
                heard = HeardLine(line, voice_of(staged, line, voices), staged.say_as, entry.effect, entry.pace)
                if staged.choices.hearing == "full" or heard.manner.recording or heard.manner.clip:
                    return heard
                return replace(heard, stand_in=voices.quick(heard.voice))
    raise StageError("This line is no longer in the script. Choose another line.")


def with_settings(line: Line, delivery: Mapping[str, Any], recording: str) -> Line:
    """The line as it would be with another delivery or recording: as a take of it would set it."""
    cues = [cue for cue in line.cues if cue.kind not in ("delivery", "recording")]
    start = len(line.text) - len(line.text.lstrip())
    if delivery:
        cues.append(Cue("take-delivery", "delivery", start, dict(delivery)))
    if recording:
        cues.append(Cue("take-recording", "recording", start, {"recording": recording}))
    return Line(line.id, line.speaker, line.text, tuple(cues))


def keep_readings(production: Production, line_id: str, deliveries: Sequence[Mapping[str, Any]]) -> list[Take]:
    """Takes of a line, one a delivery, read now. Raises StageError, SpeechError."""
    heard = line_of(production, line_id)
    for delivery in deliveries:
        problem = CUE_KINDS.problem(Cue("", "delivery", 0, dict(delivery)))
        if problem:
            raise StageError(f"This delivery cannot be read: {problem}.")
    read = [heard.having(with_settings(heard.line, delivery, "")).reading() for delivery in deliveries]
    return [
        _keep(production, heard, dict(delivery), "", [], reading.duration)
        for delivery, reading in zip(deliveries, read, strict=True)
    ]


def keep_recording(production: Production, line_id: str, taken: Taken) -> Take:
    """A recording as a take of a line."""
    belongs_to(production.owner_id, Use(RECORDING, taken.recording))
    return _keep(production, line_of(production, line_id), {}, taken.recording, notes_of(taken), taken.seconds)


def notes_of(taken: Taken) -> list[str]:
    """What a person should know about a recording, in sentences."""
    notes = [fault.says for fault in taken.faults]
    if taken.note:
        notes.append(taken.note)
    if taken.skipped and not any(f.name == "words" for f in taken.faults):
        notes.append("Not heard: " + ", ".join(taken.skipped[:6]) + ".")
    if taken.added:
        notes.append("Something is said that the line does not have.")
    return notes


def _keep(production: Production, heard: HeardLine, delivery: dict[str, Any], recording: str,
          notes: list[str], seconds: float) -> Take:  # fmt: skip
    line, voice = heard.line, heard.voice
    with transaction.atomic():
        mine = production.takes.filter(line=line.id)
        if mine.count() >= MOST_TAKES:
            raise StageError(f"This line has {MOST_TAKES} takes. Delete some before you keep another.")
        number = (mine.aggregate(last=Max("number"))["last"] or 0) + 1
        return Take.objects.create(
            production=production, line=line.id, number=number, text=line.text, voice=voice, delivery=delivery,
            recording=recording, notes=notes, seconds=round(seconds, 3),
        )  # fmt: skip
