"""Finds the written words of a text in a recording: by the acoustic model, a reference reading, or evenly."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import replace
from itertools import pairwise

import numpy as np

from dearhost.errors import NothingToSay, SpeechError
from dearhost.sound.examining import examine
from dearhost.sound.tidying import denoised
from dearhost.speech.aligning.arpabet import stresses, to_ipa
from dearhost.speech.aligning.breaths import breaths
from dearhost.speech.aligning.ear import Ear
from dearhost.speech.aligning.english_model import HESITATION, EnglishModel, Heard, PlacedWord
from dearhost.speech.aligning.onsets import at_onsets
from dearhost.speech.aligning.timing import SHORTEST, Alignment, WordTime, ordered
from dearhost.speech.aligning.warping import speech_bounds, warped
from dearhost.speech.engine import Engine
from dearhost.speech.plan import WordPlan, plan_words
from dearhost.speech.reading import Reading, Samples, TimedPhone
from dearhost.speech.saying import speak_plan
from dearhost.timebase import Span

VERSION = "aligning-5"
_EDGE = 0.15
_ONSET = 0.02
"""Seconds before it is loud in which a word has begun."""
_NEAR = 0.12
"""Two ways of placing a word that differ by more than this many seconds leave its place in doubt."""
_ADDED = 0.28
"""Seconds of other sounds that are taken for words; shorter ones are breaths and drawn-out ends."""
_TELLING, _NOISY = 24.0, 16.0
"""dB over the room: below the first it cannot be told which words were left out (words that were said seem missing,
and draw others out of place); below the second words are found better once the room is lowered. By trial: 20 dB 34 to
21 ms, 10 dB 151 to 27 ms of mean error."""
_SHORT_WORD = 3
"""Letters: the hearing passes over words as short as these in fluent speech, so the placing decides about them."""
_PRESSED = 0.035
"""Seconds a phone: a short word placed as close as this has no room in the recording."""
_AROUND = 0.3
"""Seconds round words that were heard in which they are placed: the hearing is true to about a fifth of a second."""
_CLOSE, _FAR = 4.8, 5.8
"""Mean costs of warping: as of one text said by two voices, as of two texts (by trial)."""

References = Callable[[str], Sequence[Engine]]
"""Engines to read a text in a language (BCP 47) with; the one that fits better is used."""


class Aligner:
    """Aligns recordings. ``references`` gives engines for a language, [] for one nobody can read."""

    def __init__(self, references: References) -> None:
        self._references = references
        self._english: EnglishModel | None = None
        self._ear = Ear()

    def align(self, samples: Samples, rate: int, text: str, language: str, *, tell: bool = True) -> Alignment:
        """When each written word of ``text`` is heard in mono ``samples``.

        English by the acoustic model, other languages by a reference reading; where both fail, words are spread
        evenly and marked so. ``tell`` also finds words left out and added (English, quiet rooms). Raises NothingToSay
        for a text without words and SpeechError for a recording without sound; nothing else.
        """
        plan = plan_words(text, language)
        if not plan.sentences:
            raise NothingToSay("The line holds no spoken word. Write one, then record it.")
        start, end = speech_bounds(samples, rate)
        if end - start < 0.1 or not np.any(samples):
            raise SpeechError("The recording holds no sound to align. Check the microphone and record it again.")
        lead, tail = max(0.0, start - _EDGE), min(len(samples) / rate, end + _EDGE)
        part = samples[round(lead * rate) : round(tail * rate)]
        over_noise = examine(part, rate).over_noise
        if over_noise < _NOISY:
            part = denoised(part, rate)
        tell = tell and over_noise >= _TELLING
        found = self._by_model(part, rate, plan, tell) if language.lower().startswith("en") else None
        found = found or self._by_reference(part, rate, plan, language) or _evenly(plan, len(part) / rate)
        if found.method != "even" and over_noise >= _TELLING:
            found = _tidied(replace(found, words=at_onsets(found.words, part, rate)), len(part) / rate)
        return _within(_moved(found, lead, len(samples) / rate), start, end)

    def draft(self, samples: Samples, rate: int) -> list[PlacedWord]:
        """What seems to be said in an English recording: a draft to correct, about one word in twenty wrong.

        Words as they are written, with capitals and stops; their times as ``align`` finds them. Raises
        UnreadableSound where the model that hears words is not installed.
        """
        return [
            word for group in breaths(self._ear.words(samples, rate)) for word in self._placed(samples, rate, group)
        ]

    def as_spoken(
        self, samples: Samples, rate: int, words: Sequence[str], *, doubted: bool = False
    ) -> list[tuple[int, float, float]] | None:
        """Written English ``words`` as they are said in mono ``samples``, with hesitations and words said twice: the
        index of each, or HESITATION, and its seconds; None where they are not found. ``doubted``: they may be nothing
        but a hesitation."""
        spoken = [(part, index) for index, word in enumerate(words) for part in _spoken_parts(word)]
        try:
            heard = self._model().as_spoken(samples, rate, [part for part, _ in spoken], doubted=doubted)
        except (RuntimeError, ValueError):  # the search gave up, or a word it cannot take
            return None
        if heard is None:
            return None
        if all(part == HESITATION for part, _, _ in heard):
            return list(heard) if doubted or not words else None
        if {index for _, index in spoken} != set(range(len(words))):
            return None
        found: list[tuple[int, float, float]] = []
        parts = -1
        for part, start, end in heard:
            index = HESITATION if part == HESITATION else spoken[part][1]
            if found and index >= 0 and found[-1][0] == index and part != parts:
                found[-1] = index, found[-1][1], end  # another part of the same written word
            else:
                found.append((index, start, end))
            parts = part
        return found

    def _placed(self, samples: Samples, rate: int, group: Sequence[PlacedWord]) -> list[PlacedWord]:
        """The words of one breath where they begin and end; as they were heard where that is not found."""
        begin = max(0.0, group[0].start - _AROUND)
        end = min(len(samples) / rate, group[-1].end + _AROUND)
        part = samples[round(begin * rate) : round(end * rate)]
        try:
            found = self.align(part, rate, " ".join(word.text for word in group), "en-US", tell=False)
        except SpeechError:
            return list(group)
        if found.method != "model" or len(found.words) != len(group):
            return list(group)
        return [PlacedWord(w.text, begin + t.start, begin + t.end) for w, t in zip(group, found.words, strict=True)]

    def _model(self) -> EnglishModel:
        if self._english is None:
            engines = list(self._references("en-US"))

            def pronounce(word: str) -> Sequence[str]:
                return engines[0].phones_alone(word) if engines else ()

            self._english = EnglishModel(pronounce)
        return self._english

    def _by_model(self, samples: Samples, rate: int, plan: WordPlan, tell: bool) -> Alignment | None:
        spoken = [(part, word.written) for s in plan.sentences for word in s.words for part in _plain(word.text)]
        if not spoken:
            return None
        words = [word for word, _ in spoken]
        try:
            heard = self._model().hear(samples, rate, words) if tell else None
            kept = _kept(spoken, heard)
            placed = self._model().place(samples, rate, [words[i] for i in kept])
        except (RuntimeError, ValueError):  # the search gave up, or a word it cannot take
            return None
        if placed is None:
            return None
        found = _of_placed(plan, spoken, kept, placed, heard, len(samples) / rate)
        if tell and heard is None:  # not one way to hear the text in it
            return replace(found, words=tuple(replace(w, confidence=0.1) for w in found.words))
        return found

    def _by_reference(self, samples: Samples, rate: int, plan: WordPlan, language: str) -> Alignment | None:
        best: tuple[Reading, float] | None = None
        for engine in self._references(language):
            try:
                found = warped(speak_plan(plan, engine), samples, rate)
            except SpeechError:
                continue
            if found and (best is None or found[1] < best[1]):
                best = found
        if best is None:
            return None
        reading, cost = best
        sure = float(np.clip((_FAR - cost) / (_FAR - _CLOSE), 0.0, 1.0))
        words = tuple(WordTime(w.start, w.end, sure) for w in reading.words)
        return _tidied(Alignment(words, reading.phones, "reference"), len(samples) / rate)


def _spoken_parts(word: str) -> list[str]:
    """What is said for one written word, in the letters of the model's dictionary."""
    plan = plan_words(word, "en-US")
    return [part for s in plan.sentences for spoken in s.words for part in _plain(spoken.text)]


def _plain(word: str) -> list[str]:
    """A spoken word in the letters of the model's dictionary."""
    return re.sub(r"[^a-z' ]+", " ", word.lower().replace("’", "'")).replace(" '", " ").split()


def _kept(spoken: Sequence[tuple[str, int]], heard: Heard | None) -> list[int]:
    """The indices of ``spoken`` to place; all when most seem missing, as the hearing is wrong then."""
    if heard is None or len(heard.found) < 0.5 * len(spoken):
        return list(range(len(spoken)))
    found = {index for index, _, _ in heard.found}
    return [i for i, (word, _) in enumerate(spoken) if i in found or len(word) <= _SHORT_WORD]


def _of_placed(plan: WordPlan, spoken: Sequence[tuple[str, int]], kept: Sequence[int], placed: Sequence[PlacedWord],
               heard: Heard | None, duration: float) -> Alignment:  # fmt: skip
    times: dict[int, tuple[float, float]] = {}
    doubts: dict[int, float] = {}
    phones: list[TimedPhone] = []
    agreed = {index: start for index, start, _ in heard.found} if heard else {}
    told_all = heard is not None and len(heard.found) >= 0.5 * len(spoken)
    for index, word in zip(kept, placed, strict=True):
        written = spoken[index][1]
        if heard and index not in agreed and word.end - word.start <= _PRESSED * len(word.phones) and told_all:
            continue
        start, end = times.get(written, (word.start, word.end))
        times[written] = min(start, word.start), max(end, word.end)
        apart = abs(agreed[index] - word.start) if index in agreed else (0.0 if heard is None else 1.0)
        doubts[written] = max(doubts.get(written, 0.0), apart)
        symbols = [p.symbol for p in word.phones]
        for phone, stress in zip(word.phones, stresses(word.text, symbols), strict=True):
            symbol = to_ipa(phone.symbol, stressed=stress > 0)
            phones.append(TimedPhone(symbol, phone.start, phone.end, written, stress))
    words: list[WordTime] = []
    before = 0.0
    for index in range(len(plan.written)):
        if index in times:
            start, end = times[index]
            words.append(WordTime(start, end, 1.0 if doubts[index] <= _NEAR else 0.4))
            before = end
        else:
            words.append(WordTime(before, before + SHORTEST, 0.0, False))
    added = [Span(a, b) for a, b in heard.other if b - a >= _ADDED] if heard and told_all else []
    if heard is not None and not told_all:
        found = {spoken[i][1] for i, _, _ in heard.found}
        words = [replace(w, confidence=0.2, said=i in found) for i, w in enumerate(words)]
    return _tidied(Alignment(tuple(words), tuple(phones), "model", tuple(added)), duration)


def _evenly(plan: WordPlan, duration: float) -> Alignment:
    """By letters: no better than a guess."""
    letters = np.array([len(word.text) + 1 for word in plan.written], float)
    cuts = np.concatenate([[0.0], np.cumsum(letters)]) / letters.sum() * duration
    words = tuple(WordTime(float(a), float(b), 0.0) for a, b in pairwise(cuts))
    phones = tuple(
        TimedPhone(symbol, a, b, index, 0)
        for index, word in enumerate(words)
        for symbol, a, b in _open_and_shut(word.start, word.end)
    )
    return _tidied(Alignment(words, phones, "even"), duration)


def _open_and_shut(start: float, end: float) -> list[tuple[str, float, float]]:
    """A mouth that moves with the word, where nobody knows its sounds."""
    middle = (start + end) / 2
    return [("ə", start, middle), ("m", middle, end)]


def _tidied(alignment: Alignment, duration: float) -> Alignment:
    """Words in order and long enough; phones within their words, none shorter than 5 ms, every word with one."""
    words = ordered(alignment.words, duration)
    by_word: dict[int, list[TimedPhone]] = {}
    for phone in alignment.phones:
        by_word.setdefault(phone.word, []).append(phone)
    phones: list[TimedPhone] = []
    for index, word in enumerate(words):
        mine = by_word.get(index) or [TimedPhone("ə", word.start, word.end, index, 0)]
        cuts = [min(max(p.start, word.start), word.end) for p in mine] + [word.end]
        cuts[0] = word.start
        least = min(0.005, (word.end - word.start) / len(mine))
        for k in range(1, len(mine)):
            cuts[k] = max(cuts[k], cuts[k - 1] + least)
        for k in range(len(mine) - 1, 0, -1):
            cuts[k] = min(cuts[k], cuts[k + 1] - least)
        phones += [replace(p, start=cuts[k], end=cuts[k + 1]) for k, p in enumerate(mine)]
    return replace(alignment, words=words, phones=tuple(phones))


def _within(alignment: Alignment, start: float, end: float) -> Alignment:
    """The first word begins and the last one ends with the sound: the silence round it is nobody's."""
    words = list(alignment.words)
    first = min(max(words[0].start, start - _ONSET), words[0].end - SHORTEST)
    words[0] = replace(words[0], start=max(0.0, first))
    words[-1] = replace(words[-1], end=max(min(words[-1].end, end + _ONSET), words[-1].start + SHORTEST))
    duration = max(words[-1].end, end)
    return _tidied(replace(alignment, words=tuple(words)), duration)


def _moved(alignment: Alignment, by: float, duration: float) -> Alignment:
    return replace(
        alignment,
        words=tuple(replace(w, start=w.start + by, end=min(duration, w.end + by)) for w in alignment.words),
        phones=tuple(replace(p, start=p.start + by, end=min(duration, p.end + by)) for p in alignment.phones),
        added=tuple(Span(s.start + by, s.end + by) for s in alignment.added),
    )
