"""A bed as notes: sections, harmony, a motif that is developed, and room for the voice."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from random import Random

from dearhost.sound.beds.harmony import chord, voiced
from dearhost.sound.beds.moods import BASS, FIGURE, MELODY, MODES, MOODS, PAD, STYLES, Mood, Style
from dearhost.sound.beds.timing import Bar, Grid, grid_of

VERSION = "beds-1"
SHORTEST, LONGEST = 4.0, 1800.0
"""Seconds."""
_SHORT, _TAIL_PART, _LONGEST_TAIL = 12.0, 0.22, 3.2
INTRO, BODY, LIFT, OUTRO = "intro", "body", "lift", "outro"
_STRENGTH = {INTRO: 0.75, BODY: 0.9, LIFT: 1.08, OUTRO: 0.8}
_FIGURES: dict[str, tuple[int | None, ...]] = {
    "broken": (0, 2, 1, 3, 2, 1, 3, 2), "sparkle": (3, None, 1, 2, None, 3, 2, None),
    "slow": (0, None, None, 2, None, None, 1, None), "plucked": (0, None, 2, None, 1, None, 2, 3),
    "ostinato": (0, 2, 3, 2, 1, 3, 2, 3), "pulse": (0,) * 8,
}  # fmt: skip
"""Which note of the chord is struck on each half beat of a bar."""
_CHORDS = ((0.0, 1.5), (1.5, 1.0), (3.0, 0.9))
_RHYTHMS = ((3, 1, 4), (2, 2, 4), (4, 4), (1, 1, 2, 4), (2, 1, 1, 4), (3, 3, 2), (6, 2), (2, 6), (8,))
"""Of a motif, in half beats."""
_DEVELOPED = ("", "sequence", "inversion", "fragment", "", "retrograde", "augmentation", "sequence")
_SWELL = 1.0
"""Seconds a swell before an accent takes."""


@dataclass(frozen=True, slots=True)
class BedSpec:
    """A bed: ``seconds`` long; ``end`` is when its last chord is struck, 0 for as usual. ``accents`` in seconds."""

    mood: str
    style: str
    seconds: float
    seed: int = 0
    accents: tuple[float, ...] = ()
    end: float = 0.0

    def __post_init__(self) -> None:
        if self.mood not in MOODS:
            raise ValueError(f"'mood' must be one of {', '.join(MOODS)} (got '{self.mood}')")
        if self.style not in STYLES:
            raise ValueError(f"'style' must be one of {', '.join(STYLES)} (got '{self.style}')")
        if not SHORTEST <= self.seconds <= LONGEST:
            raise ValueError(f"'seconds' must be from {SHORTEST:g} to {LONGEST:g} (got {self.seconds:g})")


@dataclass(frozen=True, slots=True)
class Note:
    """``start`` and ``length`` in seconds, ``pitch`` a MIDI note, ``velocity`` 0 to 1."""

    start: float
    length: float
    pitch: int
    velocity: float
    instrument: str
    role: str


@dataclass(frozen=True, slots=True)
class Beat:
    """A drum that is struck."""

    start: float
    drum: str
    velocity: float


@dataclass(frozen=True)
class Score:
    """A composed bed. ``key`` is its tonic's pitch class, C is 0; ``chords``: when each begins, its pitch classes."""

    spec: BedSpec
    key: int
    mode: str
    grid: Grid
    notes: tuple[Note, ...]
    drums: tuple[Beat, ...]
    chords: tuple[tuple[float, tuple[int, ...]], ...]
    sections: tuple[str, ...]

    @property
    def last_chord(self) -> float:
        """The second at which the last chord is struck."""
        return self.grid.beats[-1]


def last_chord_of(spec: BedSpec) -> float:
    """When the last chord of a bed is struck: what comes after is its ringing out."""
    if spec.end:
        return min(max(1.0, spec.end), spec.seconds - 0.5)
    low, high = MOODS[spec.mood].tempo
    bar = 2 * 240 / (low + high)
    usual = max(1.2, _TAIL_PART * spec.seconds) if spec.seconds < _SHORT else _LONGEST_TAIL
    return spec.seconds - min(usual, max(2.0, bar))


def compose(spec: BedSpec) -> Score:
    """The notes of a bed: the same for the same spec."""
    return _Composer(spec).score()


@dataclass
class _Composer:
    spec: BedSpec
    notes: list[Note] = field(default_factory=list)
    drums: list[Beat] = field(default_factory=list)
    chords: list[tuple[float, tuple[int, ...]]] = field(default_factory=list)

    def __post_init__(self) -> None:
        spec = self.spec
        self.dice = Random(f"{spec.mood}|{spec.style}|{spec.seed}")
        self.mood: Mood = MOODS[spec.mood]
        self.style: Style = STYLES[spec.style]
        self.tonic = self.dice.choice((-5, -4, -3, -2, 0, 1, 2, 3, 4, 5))
        self.grid = grid_of(last_chord_of(spec), self.mood.tempo, spec.accents, self.dice)
        self.sections = _sections(len(self.grid.bars))
        self.cadence = self.dice.choice(self.mood.cadences).split()
        self.motifs = [_motif(self.dice, self.mood.density) for _ in range(2)]
        self.scale = {(self.tonic + step) % 12 for step in MODES[self.mood.mode]}

    def score(self) -> Score:
        voicing: list[int] = []
        for index, numeral in enumerate(self._harmony()):
            bar, section = self.grid.bars[index], self.sections[index]
            root, above = chord(numeral)
            pitches = tuple((one + self.tonic) % 12 for one in above)
            voicing = voiced(pitches, voicing)
            self.chords.append((self.grid.at(bar.first), pitches))
            strength = _STRENGTH[section] * (1.15 if bar.accent else 1.0)
            bass = self._bass_note((root + self.tonic) % 12)
            self._pad(bar, voicing, strength)
            self._figure(bar, section, voicing, bass, strength)
            self._bass(bar, section, (root + self.tonic) % 12, bass, pitches, strength)
            self._melody(index, pitches, strength)
            self._drums(index, strength)
            if bar.accent:
                self._accent(bar, voicing)
        self._last(voicing)
        drums = tuple(beat for beat in self.drums if 0 <= beat.start < self.spec.seconds)
        return Score(
            self.spec, self.tonic % 12, self.mood.mode, self.grid, tuple(self.notes), drums, tuple(self.chords),
            tuple(self.sections),
        )  # fmt: skip

    def _harmony(self) -> list[str]:
        """A numeral a bar."""
        progressions = self.dice.sample(self.mood.progressions, 3)
        current, place, numerals = progressions[0].split(), 0, []
        for index, bar in enumerate(self.grid.bars):
            section = self.sections[index]
            if index and section != self.sections[index - 1]:
                other = {BODY: progressions[self.dice.choice((0, 1))], LIFT: progressions[2]}
                current, place = other.get(section, progressions[0]).split(), 0
            elif bar.accent:
                place = 0
            numerals.append(current[place % 4])
            place += 1
        closing = min(len(self.cadence) - 1, len(numerals))
        numerals[len(numerals) - closing :] = self.cadence[len(self.cadence) - 1 - closing : -1]
        return numerals

    def _add(self, role: str, begin: float, end: float, pitch: int, velocity: float, instrument: str = "") -> None:
        """A note between two seconds."""
        struck = velocity * self.mood.velocity * (1 + self.dice.uniform(-0.06, 0.06))
        self.notes.append(
            Note(begin, end - begin, pitch, max(0.05, min(1.0, struck)), instrument or self.style.parts[role][0], role)
        )

    def _bass_note(self, root: int) -> int:
        note = 36 + root % 12
        return note + 12 if note < 40 and self.style.figure != "pulse" else note

    def _pad(self, bar: Bar, voicing: Sequence[int], strength: float) -> None:
        begin, end = self.grid.at(bar.first), self.grid.at(bar.first + bar.beats)
        for pitch in voicing:
            self._add(PAD, begin, begin + (end - begin) * 1.02, pitch, 0.8 * strength)

    def _figure(self, bar: Bar, section: str, voicing: Sequence[int], bass: int, strength: float) -> None:
        if self.style.figure == "chords":
            struck = ((0.0, 3.5),) if section == INTRO else _CHORDS
            for at, length in struck:
                if at < bar.beats:
                    end = bar.first + min(bar.beats, at + length)
                    for pitch in voicing:
                        self._add(FIGURE, self.grid.at(bar.first + at), self.grid.at(end), pitch, 0.6 * strength)
            return
        pattern = self._pattern(section)
        notes = [*voicing, voicing[0] + 12]
        shift = {"sparkle": 12}.get(self.style.figure, 0)
        long = self.mood.length > 0.8
        for half in range(bar.beats * 2):
            which = pattern[half % 8]
            if which is None:
                continue
            at = bar.first + half / 2
            pitch = bass + 12 if self.style.figure == "pulse" else notes[which % len(notes)] + shift
            begin, following = self.grid.at(at), self.grid.at(at + 0.5)
            if at + 1 <= bar.first + bar.beats:
                end = begin + (following - begin) * (1.9 if long else 1.0) * self.mood.length
            else:
                end = self.grid.at(bar.first + bar.beats)
            weight = (0.85 if half % 2 == 0 else 0.65) * (1.1 if half == 0 else 1.0)
            self._add(FIGURE, begin, end, pitch, weight * strength)

    def _pattern(self, section: str) -> tuple[int | None, ...]:
        figure = self.style.figure
        pattern = _FIGURES[figure]
        if figure == "broken" and self.dice.random() >= 0.7:
            pattern = (0, 1, 2, 3, 2, 1, 2, 1)
        thin = section == INTRO and figure != "slow"
        thin = thin or (self.mood.density < 0.4 and figure not in ("pulse", "ostinato") and section != LIFT)
        return tuple(note if index % 2 == 0 else None for index, note in enumerate(pattern)) if thin else pattern

    def _bass(self, bar: Bar, section: str, root: int, bass: int, pitches: Sequence[int], strength: float) -> None:
        if section == INTRO and len(self.grid.bars) >= 8:
            return
        one = self.mood.density < 0.4 or section == OUTRO or bar.beats != 4
        for number, (at, length) in enumerate(((0, bar.beats),) if one else ((0, 2), (2, 2))):
            fifth = number > 0 and section == LIFT and (root + 7) % 12 in pitches
            pitch = bass + 7 if fifth else bass
            begin, end = self.grid.at(bar.first + at), self.grid.at(bar.first + at + length)
            sounding = (end - begin) * 0.95 * max(0.7, self.mood.length)
            self._add(BASS, begin, begin + sounding, pitch - 12 if pitch > 52 else pitch, 0.9 * strength)

    def _melody(self, index: int, pitches: Sequence[int], strength: float) -> None:
        """Two bars sing and two are silent in the body: that leaves room for a voice."""
        bars, section, bar = self.grid.bars, self.sections[index], self.grid.bars[index]
        intro = self.sections.count(INTRO)
        since = index - intro
        sings = (
            (section == BODY and since % 4 in (0, 1))
            or (section == LIFT and since % 4 != 3)
            or (section == OUTRO and self.sections[index - 1] != OUTRO)
            or (section == INTRO and index == intro - 1 and intro > 1)
            or (len(bars) < 6 and index == 0)
        )
        if not sings or bar.beats < 2:
            return
        how = _DEVELOPED[(since // 2 * 2 + since % 2) % 8] if since >= 0 else "augmentation"
        rhythm, contour = _developed(self.motifs[section == LIFT], how)
        # tones of the scale a semitone from one of the chord would rub against it
        steps = [
            note
            for note in range(60, 86)
            if note % 12 in pitches
            or (note % 12 in self.scale and not any((note % 12 - one) % 12 in (1, 11) for one in pitches))
        ]
        middle = 74 if section == LIFT else 69
        anchor = steps.index(min((n for n in steps if n % 12 in pitches), key=lambda n: abs(n - middle)))
        at = 0
        for length, step in zip(rhythm, contour, strict=False):
            if at / 2 >= bar.beats:
                break
            note = steps[max(0, min(len(steps) - 1, anchor + step))]
            if at % 2 == 0 and note % 12 not in pitches:
                note = min((n for n in steps if n % 12 in pitches), key=lambda n: abs(n - note))
            begin = self.grid.at(bar.first + at / 2)
            end = self.grid.at(bar.first + at / 2 + min(length / 2, bar.beats - at / 2))
            self._add(MELODY, begin, begin + (end - begin) * self.mood.length, note, 0.95 * strength)
            at += length

    def _drums(self, index: int, strength: float) -> None:
        section, bar = self.sections[index], self.grid.bars[index]
        if not self.style.drums or section == INTRO or (section == OUTRO and index == len(self.grid.bars) - 1):
            return
        level = strength * self.mood.velocity * (0.6 if section == BODY else 0.85)
        for half in range(bar.beats * 2):
            at = self.grid.at(bar.first + half / 2)
            for drum, weight in _struck(self.style.drums, half, section):
                self.drums.append(Beat(at, drum, level * weight))

    def _accent(self, bar: Bar, voicing: Sequence[int]) -> None:
        begin, end = self.grid.at(bar.first), self.grid.at(bar.first + bar.beats)
        self.drums.append(Beat(begin, "cymbal", 0.5 * self.mood.velocity))
        self.drums.append(Beat(begin - _SWELL, "swell", 0.5 * self.mood.velocity))
        for pitch in (voicing[0] + 12, voicing[-1] + 12):
            self._add(MELODY, begin, begin + min(2.0, end - begin), pitch, 1.0, "bell")

    def _last(self, voicing: Sequence[int]) -> None:
        """The tonic, struck once and left to ring."""
        root, above = chord(self.cadence[-1])
        pitches = tuple((one + self.tonic) % 12 for one in above)
        notes = voiced(pitches, voicing)
        begin, tail = self.grid.beats[-1], self.spec.seconds - self.grid.beats[-1]
        self.chords.append((begin, pitches))
        for pitch in notes:
            self._add(PAD, begin, begin + tail * 0.8, pitch, 0.9)
            self._add(FIGURE, begin, begin + tail * 0.9, pitch, 0.8)
        self._add(BASS, begin, begin + tail * 0.9, self._bass_note((root + self.tonic) % 12), 1.0)
        top = max((note for note in range(66, 80) if note % 12 == pitches[0]), default=72)
        self._add(MELODY, begin, begin + tail * 0.9, top, 0.9)
        if self.style.drums:
            self.drums.append(Beat(begin, "cymbal", 0.4 * self.mood.velocity))


def _sections(bars: int) -> list[str]:
    intro = 0 if bars < 4 else max(1, min(4, bars // 8))
    outro = 0 if bars < 6 else max(2, min(4, bars // 8))
    middle = bars - intro - outro
    sections = [INTRO] * intro
    if middle <= 24:
        lift = 0 if middle < 4 else middle // 3
        sections += [BODY] * (middle - lift) + [LIFT] * lift
    else:
        while len(sections) < bars - outro:
            sections += [BODY] * min(16, bars - outro - len(sections))
            sections += [LIFT] * min(8, max(0, bars - outro - len(sections)))
    return (sections + [OUTRO] * outro)[:bars]


_Motif = tuple[tuple[int, ...], tuple[int, ...]]
"""A rhythm in half beats, and steps of the scale from where it begins."""


def _motif(dice: Random, density: float) -> _Motif:
    weights = [len(rhythm) ** (4 * density - 1.2) for rhythm in _RHYTHMS]
    rhythm = dice.choices(_RHYTHMS, weights)[0]
    contour = [0]
    for _ in rhythm[1:]:
        contour.append(contour[-1] + dice.choice((-2, -1, -1, 1, 1, 2, 3)))
    return rhythm, tuple(contour)


def _developed(motif: _Motif, how: str) -> _Motif:
    rhythm, contour = motif
    if how == "sequence":
        return rhythm, tuple(step + 1 for step in contour)
    if how == "inversion":
        return rhythm, tuple(-step for step in contour)
    if how == "retrograde":
        return rhythm[::-1], contour[::-1]
    if how == "fragment" and len(rhythm) >= 3:
        return (rhythm[0], rhythm[1], 8 - rhythm[0] - rhythm[1]), (*contour[:2], contour[1] - 1)
    if how == "augmentation" and len(contour) > 1:
        return (4, 4), contour[:2]
    return motif


def _struck(drums: str, half: int, section: str) -> list[tuple[str, float]]:
    """The drums on a half beat of a bar, with their weights."""
    if drums == "shaker":
        return [("shaker", 0.5 if half % 2 else 0.8)]
    if drums == "brush":
        struck = [("hat", 0.35 if half % 2 else 0.5)]
        struck += [("brush", 0.7)] if half in (2, 6) else []
        return struck + ([("kick", 0.8)] if half in (0, 5) else [])
    struck = [("low-tom", 1.0 if half == 0 else 0.7)] if half in (0, 3, 6) else []
    return struck + ([("high-tom", 0.6)] if section == LIFT and half in (4, 7) else [])
