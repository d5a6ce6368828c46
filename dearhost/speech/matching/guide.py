"""The twelve sentences of a guided sample, and the judging of what was read."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.errors import UnfitSample
from dearhost.sound.examining import Fault, Quality, examine
from dearhost.speech.aligning import Aligner
from dearhost.speech.reading import Samples

SENTENCES = (
    "Good morning, and please mind the wet step by the museum door.",
    "The harbour wall is older than the oldest house in the town.",
    "Which of these three bells did you hear when the fog came in?",
    "Fifty grey geese flew low over the quay and out to sea.",
    "At half past four the water turns, and nobody hears it.",
    "Please leave your umbrella here, and choose a pair of dry boots.",
    "She measures the height of every wave with a long brass ruler.",
    "I would rather take the blue boat and enjoy the tide, thank you.",
    "Just wait a while: did the lighthouse blink, or was it the moon?",
    "Thirty-one names hang on the hook, and each belongs to a fisher.",
    "A good pilot should judge the shallow channel by its colour.",
    "That is all for today; you have read it beautifully from end to end.",
)
"""The project's own; together they hold every English phone of CMUdict."""

LEAST_SECONDS, GOOD_SECONDS = 10.0, 20.0
LEAST_OVER_NOISE, GOOD_OVER_NOISE = 25.0, 35.0
MOST_CLIPPED = 0.001


@dataclass(frozen=True, slots=True)
class Heard:
    """A sentence as it was read: its quality, what is wrong with it, and words left out or added."""

    quality: Quality
    faults: tuple[Fault, ...]
    skipped: tuple[str, ...]
    added: bool

    @property
    def good(self) -> bool:
        """Whether it can be used for a match."""
        return not any(fault.grave for fault in self.faults)


def judge_sentence(samples: Samples, rate: int, text: str, aligner: Aligner, language: str = "en-US") -> Heard:
    """Judge one sentence of a sample, by the limits a match needs."""
    quality = examine(samples, rate)
    found: list[Fault] = []
    if quality.silent or quality.speech < 0.5:
        found.append(Fault("silence", True, "Nothing is heard. Check the microphone and read the sentence again."))
        return Heard(quality, tuple(found), (), False)
    if quality.clipped > MOST_CLIPPED:
        found.append(Fault("clipped", True, "It is too loud and cut off at its peaks. Go a little further away."))
    if quality.over_noise < LEAST_OVER_NOISE:
        found.append(Fault("noise", True, "The room is too loud behind the voice. Find a quieter place."))
    elif quality.over_noise < GOOD_OVER_NOISE:
        found.append(Fault("noise", False, "The room is heard a little. A quieter place makes a better match."))
    if quality.level < -45:
        found.append(Fault("quiet", False, "It is very quiet. Come closer to the microphone."))
    alignment = aligner.align(samples, rate, text, language)
    words = text.split()
    skipped = tuple(words[i].strip(".,;:?!") for i in alignment.skipped if i < len(words))
    if len(skipped) > 2 or (any(word.confidence < 0.3 for word in alignment.words) and alignment.method == "model"):
        found.append(Fault("words", True, "Other words are heard than stand here. Read the sentence as it is written."))
    elif skipped:
        found.append(Fault("words", False, f"Not heard: {', '.join(skipped)}."))
    return Heard(quality, tuple(found), skipped, bool(alignment.added))


def ensure_fit(qualities: Sequence[Quality]) -> None:
    """Raise UnfitSample when the sentences of a sample are together too short, too noisy or clipped."""
    if not qualities:
        raise UnfitSample("The sample holds no recording. Read some sentences first.")
    noisy = sorted(q.over_noise for q in qualities)[len(qualities) // 2]
    if noisy < LEAST_OVER_NOISE:
        raise UnfitSample(
            f"The voice is only {noisy:.0f} dB above the room; a match needs {LEAST_OVER_NOISE:.0f} dB. "
            "Record it in a quieter place, closer to the microphone."
        )
    clipped = sum(q.clipped for q in qualities) / len(qualities)
    if clipped > MOST_CLIPPED:
        raise UnfitSample("The sample is too loud and cut off at its peaks. Record it further from the microphone.")
    seconds = sum(q.speech for q in qualities)
    if seconds < LEAST_SECONDS:
        raise UnfitSample(
            f"The sample holds {seconds:.0f} s of speech; a match needs {LEAST_SECONDS:.0f} s, and is good from "
            f"{GOOD_SECONDS:.0f} s on. Read more sentences."
        )
