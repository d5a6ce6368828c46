"""A draft of what a recording says, to correct against the sound: about one word in twenty is wrong."""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.assets import RecordingStore
from dearhost.errors import UnreadableSound
from dearhost.sound.examining import examine
from dearhost.sound.files import RATE, Sound
from dearhost.sound.tidying import faded, levelled
from dearhost.speech.aligning import Aligner
from dearhost.speech.aligning.breaths import as_sentence, breaths

_PAUSE = 0.65
_LONGEST_WORDS = 40
_LONGEST_BREATH = 30.0
_EDGE = 0.15
_LONGEST_SECONDS = 600.0


@dataclass(frozen=True, slots=True)
class DraftLine:
    """What seems to be said in one breath, and the recording of it."""

    text: str
    recording: str
    seconds: float


def draft_lines(sound: Sound, store: RecordingStore, aligner: Aligner) -> list[DraftLine]:
    """The lines of an English recording nobody has a script of, cut at its pauses.

    Raises UnreadableSound when nothing is heard, when no word is, for more than ten minutes, or where the model that
    hears words is not installed.
    """
    if sound.seconds > _LONGEST_SECONDS:
        raise UnreadableSound(
            f"The recording lasts {sound.seconds / 60:.0f} minutes; a draft is made of up to ten. Cut it into parts."
        )
    if examine(sound.samples, sound.rate).silent:
        raise UnreadableSound("Nothing is heard in the recording. Choose one in which somebody speaks.")
    level = levelled(sound.samples, sound.rate)
    words = aligner.draft(level, sound.rate)
    if not words:
        raise UnreadableSound("No English word is heard in the recording. Write its script, then add the recording.")
    groups = breaths(words, _PAUSE, longest_seconds=_LONGEST_BREATH, most=_LONGEST_WORDS)
    lines = []
    for index, group in enumerate(groups):
        before = groups[index - 1][-1].end if index else 0.0
        after = groups[index + 1][0].start if index + 1 < len(groups) else sound.seconds
        first = max(group[0].start - _EDGE, (before + group[0].start) / 2)
        last = min(group[-1].end + _EDGE, (group[-1].end + after) / 2)
        piece = faded(level[round(max(0.0, first) * RATE) : round(last * RATE)], RATE)
        lines.append(DraftLine(as_sentence(group), store.add(piece), len(piece) / RATE))
    return lines
