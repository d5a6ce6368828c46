"""How a line is to be said beyond its words: words said in another way, words that stand out."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

import numpy as np

from dearhost.speech.delivery import AS_EVER, Delivery
from dearhost.speech.plan import plan_words
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples
from dearhost.speech.world import FRAME_MS, Analysis, analyse, synthesise

EMPHASIS_RISE, EMPHASIS_LONGER, EMPHASIS_LOUDER = 2.6, 0.24, 2.5
"""Semitones, part of the word's length, and dB at strength 1: a word in focus is higher, longer and louder
(Eady and Cooper 1986, J. Acoust. Soc. Am. 80; the figures from memory)."""
_MARGIN = 0.06
_FADE = 0.008


@dataclass(frozen=True, slots=True)
class ClipTaken:
    """A line that is said in a clip of the shelf, about ``begins`` seconds into it; its long pauses ``shortened``."""

    item: str
    begins: float = 0.0
    shortened: bool = False


@dataclass(frozen=True, slots=True)
class Manner:
    """By the index of a written word: ``said_as`` what is spoken instead, ``emphasis`` its strength (0.2 to 1.5).

    ``delivery`` is how the whole line is said; ``recording`` names a recording that is heard instead of the voice,
    and ``borders`` the seconds at which its words begin where they were set by hand. ``ipa``: phones of words.
    ``clip``: what is heard is said in a clip.
    """

    said_as: Mapping[int, str] = field(default_factory=dict)
    emphasis: Mapping[int, float] = field(default_factory=dict)
    delivery: Delivery = AS_EVER
    recording: str = ""
    borders: Mapping[int, float] = field(default_factory=dict)
    ipa: Mapping[int, str] = field(default_factory=dict)
    clip: ClipTaken | None = None

    @property
    def is_recorded(self) -> bool:
        """Whether a person is heard instead of the voice."""
        return bool(self.recording or self.clip)

    @property
    def key(self) -> list[object]:
        """What of it affects the sound, for a fingerprint; [] for none."""
        delivery = [] if self.delivery == AS_EVER else [self.delivery]
        parts: list[object] = [sorted(self.said_as.items()), sorted(self.emphasis.items()), delivery]
        if self.ipa:
            parts += ["ipa", sorted(self.ipa.items())]
        if self.recording:
            parts += [self.recording, sorted(self.borders.items())]
        return parts if any(parts) else []


PLAIN = Manner()


def with_emphasis(reading: Reading, emphasis: Mapping[int, float]) -> Reading:
    """The reading with words raised, drawn out and louder; later times move along.

    Raises IndexError for a word it does not have.
    """
    for index, strength in sorted(emphasis.items(), reverse=True):
        if strength > 0:
            reading = _raised(reading, index, strength)
    if not emphasis:
        return reading
    prosody = measure_prosody(reading.samples, reading.sample_rate)
    return Reading(reading.sample_rate, reading.samples, reading.words, reading.phones, prosody, reading.duration)


def _raised(reading: Reading, index: int, strength: float) -> Reading:
    rate, word = reading.sample_rate, reading.words[index]
    first = max(0, round((word.start - _MARGIN) * rate))
    last = min(len(reading.samples), round((word.end + _MARGIN) * rate))
    before, after = word.start - first / rate, last / rate - word.end
    longer = 1 + EMPHASIS_LONGER * strength
    length = word.end - word.start
    piece = reading.samples[first:last]
    wanted = round((before + length * longer + after) * rate)
    remade = _remade(piece, rate, wanted, (before, before + length), longer, strength)

    def moved(moment: float) -> float:
        if moment <= word.start:
            return moment
        return word.start + (min(moment, word.end) - word.start) * longer + max(0.0, moment - word.end)

    words = tuple(replace(w, start=moved(w.start), end=moved(w.end)) for w in reading.words)
    phones = tuple(replace(p, start=moved(p.start), end=moved(p.end)) for p in reading.phones)
    samples = _spliced(reading.samples, first, last, remade, round(_FADE * rate))
    return Reading(rate, samples, words, phones, reading.prosody, len(samples) / rate)


def _remade(piece: Samples, rate: int, wanted: int, word: tuple[float, float], longer: float,
            strength: float) -> Samples:  # fmt: skip
    """The word and its margins, the word ``longer`` times as long, with a hump of pitch and level over it."""
    taken = analyse(piece, rate)
    step = FRAME_MS / 1000
    times = np.arange(int(wanted / rate / step) + 1) * step
    start, end = word[0], word[0] + (word[1] - word[0]) * longer
    within = start + (times - start) / longer
    source = np.where(times < start, times, np.where(times < end, within, times - end + word[1]))
    frames = np.clip(source / step, 0, len(taken.pitch) - 1)
    low = np.floor(frames).astype(int)
    high = np.minimum(low + 1, len(taken.pitch) - 1)
    part = (frames - low)[:, None]
    hump = np.sin(np.pi * np.clip((times - start) / max(step, end - start), 0, 1)) ** 0.7
    pitch = taken.pitch[np.rint(frames).astype(int)] * 2 ** (EMPHASIS_RISE * strength * hump / 12)
    envelope = np.exp(np.log(taken.envelope[low]) * (1 - part) + np.log(taken.envelope[high]) * part)
    noise = taken.noise[low] * (1 - part) + taken.noise[high] * part
    made = synthesise(Analysis(pitch, envelope, noise), rate, wanted)
    gain = 10 ** (EMPHASIS_LOUDER * strength * np.interp(np.arange(wanted) / rate, times, hump) / 20)
    louder = made * gain
    louder *= min(1.0, 0.98 / max(1e-9, float(np.abs(louder).max())))
    remade: Samples = louder.astype(np.float32)
    return remade


def _spliced(samples: Samples, first: int, last: int, piece: Samples, fade: int) -> Samples:
    """``piece`` in place of ``samples[first:last]``, faded over from and to what was there."""
    fade = min(fade, len(piece) // 2, last - first)
    ramp = np.linspace(0, 1, fade, dtype=np.float32)
    piece = piece.copy()
    if fade:
        piece[:fade] = piece[:fade] * ramp + samples[first : first + fade] * (1 - ramp)
        piece[-fade:] = piece[-fade:] * ramp[::-1] + samples[last - fade : last] * (1 - ramp[::-1])
    return np.concatenate([samples[:first], piece, samples[last:]])


def spoken_otherwise(text: str, language: str, manner: Manner) -> dict[int, str]:
    """What is said for written words that are not said as they are written (numbers, dates, abbreviations, words of
    the say-as list), by the word's index."""
    plan = plan_words(text, language, manner.said_as, manner.ipa)
    said: dict[int, list[str]] = {}
    for sentence in plan.sentences:
        for word in sentence.words:
            said.setdefault(word.written, []).append(f"/{word.ipa}/" if word.ipa else word.text)
    bare = {index: " ".join(words) for index, words in said.items()}
    return {i: words for i, words in bare.items() if words.casefold() != _bare(plan.written[i].text)}


def _bare(word: str) -> str:
    return word.replace("’", "'").casefold()
