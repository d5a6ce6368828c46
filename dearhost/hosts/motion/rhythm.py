"""What in a host's speech the body answers to: phrases, accents, pitch and energy."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dearhost.lips import MouthPhone, MouthTrack, build_track, gaussian
from dearhost.lips.track import relative_loudness
from dearhost.speech import Reading
from dearhost.timebase import FrameRate, Span

Curve = NDArray[np.float64]

HZ = 240
PHRASE_GAP = 0.16


@dataclass(frozen=True, slots=True)
class PlacedReading:
    """A reading that starts ``start`` seconds into the scene."""

    start: float
    reading: Reading

    @property
    def end(self) -> float:
        """Seconds into the scene."""
        return self.start + self.reading.duration


@dataclass(frozen=True, slots=True)
class Accent:
    """A stressed vowel: seconds, and strength about 0 to 1."""

    at: float
    strength: float


class Rhythm:
    """One host's speech in a scene of ``duration`` seconds; silent when ``lines`` is empty.

    Nothing in it changes once it is made: ``rhythm_of`` gives the same one to whoever asks for the same speech.
    """

    def __init__(self, lines: Sequence[PlacedReading], duration: float, frame_rate: FrameRate) -> None:
        self.lines, self.duration = tuple(lines), duration
        self.times: Curve = np.arange(int(duration * HZ) + HZ) / HZ
        self.mouth: MouthTrack = self._mouth(frame_rate)
        mouth_times = np.arange(len(self.mouth.speaking)) / 500
        self.speaking = np.interp(self.times, mouth_times, self.mouth.speaking)
        loudness, pitch, rate = self._prosody()
        self.energy = relative_loudness(loudness, rate, self.times)
        self.semitones = self._pitch_line(pitch, rate) * np.clip(self.speaking, 0, 1)
        self.phrases = self._phrases()
        self.accents = self._accents()
        mouth = self.mouth.parameters, self.mouth.speaking
        for curve in (self.times, *mouth, self.speaking, self.energy, self.semitones):
            curve.flags.writeable = False

    def _mouth(self, frame_rate: FrameRate) -> MouthTrack:
        phones = [
            MouthPhone(p.symbol, p.start + line.start, p.end + line.start, p.stress)
            for line in self.lines
            for p in line.reading.phones
        ]
        loudness, _, rate = self._prosody()
        return build_track(phones, self.duration, loudness=loudness, loudness_rate=rate, frame_rate=frame_rate)

    def _prosody(self) -> tuple[Curve, Curve, float]:
        """Loudness and pitch of the whole scene."""
        rate = 200.0
        count = int(self.duration * rate) + 2
        loudness, pitch = np.full(count, -90.0), np.zeros(count)
        for line in self.lines:
            first = round(line.start * rate)
            size = min(len(line.reading.prosody.loudness), count - first)
            loudness[first : first + size] = line.reading.prosody.loudness[:size]
            pitch[first : first + size] = line.reading.prosody.pitch[:size]
        return loudness, pitch, rate

    def _pitch_line(self, pitch: Curve, rate: float) -> Curve:
        """Semitones about the median, smoothed by 90 ms."""
        voiced = pitch > 0
        if voiced.sum() < 4:
            return np.zeros(len(self.times))
        index = np.arange(len(pitch))
        semitones = 12 * np.log2(np.interp(index, index[voiced], pitch[voiced]) / np.median(pitch[voiced]))
        smooth = np.clip(gaussian(semitones, 0.09, rate), -6, 6)
        return np.interp(self.times, index / rate, smooth)

    def _phrases(self) -> tuple[Span, ...]:
        spans: list[Span] = []
        for line in self.lines:
            for word in line.reading.words:
                start, end = word.start + line.start, word.end + line.start
                if spans and start - spans[-1].end <= PHRASE_GAP:
                    spans[-1] = Span(spans[-1].start, max(end, spans[-1].end))
                else:
                    spans.append(Span(start, end))
        return tuple(spans)

    def _accents(self) -> tuple[Accent, ...]:
        found = []
        for line in self.lines:
            for phone in line.reading.phones:
                if phone.stress != 1:
                    continue
                start, end = phone.start + line.start, phone.end + line.start
                middle = min(len(self.times) - 1, int((start + end) / 2 * HZ))
                pitch = float(np.clip(0.5 + self.semitones[middle] / 5, 0, 1))
                long_vowel = 0.12 if end - start > 0.12 else 0.0
                found.append(Accent(start, 0.55 * min(1.0, float(self.energy[middle])) + 0.45 * pitch + long_vowel))
        return tuple(found)


def rhythm_of(lines: Sequence[PlacedReading], duration: float, frame_rate: FrameRate) -> Rhythm:
    """The rhythm of some speech; of the last few, the one that was made: what is chosen otherwise for a scene seldom
    changes what is said in it, and working out a minute's mouth takes a tenth of a second."""
    silent = tuple(PlacedReading(line.start, line.reading.silent()) for line in lines)
    names = tuple((line.start, line.reading.digest()) for line in silent)
    return _rhythm_of(_Speech(names, silent), duration, frame_rate)


@dataclass(frozen=True, slots=True)
class _Speech:
    """Lines, told apart by their names."""

    names: tuple[tuple[float, str], ...]
    lines: Sequence[PlacedReading] = field(compare=False)


@lru_cache(maxsize=4)
def _rhythm_of(speech: _Speech, duration: float, frame_rate: FrameRate) -> Rhythm:
    return Rhythm(speech.lines, duration, frame_rate)
