"""What is hard to read aloud: no room to breathe, words that trip the tongue, words said again and again."""

from __future__ import annotations

from collections import Counter, deque
from collections.abc import Iterable, Sequence

from dearhost.writing.advice.notes import Advice, shown
from dearhost.writing.advice.sentences import Said, Sentence
from dearhost.writing.advice.syllables import phones_of, syllables_in
from dearhost.writing.advice.wording import carries_meaning, stem

LONGEST_BREATH = 20
"""Words between marks: about 8 s of speech. Breath groups in reading rarely last longer than that
(Winkworth, Davis, Ellis and Adams 1994; the figure from memory)."""
LONGEST_SENTENCE = 32
"""Words a listener can hold (common practice, no source)."""
_MANY_SYLLABLES = 5
_SIBILANTS = frozenset({"S", "Z", "SH", "ZH", "CH", "JH"})
_VOWELS = frozenset("AA AE AH AO AW AY EH ER EY IH IY OW OY UH UW".split())
_NEAR, _OFTEN = 45, 4
"""A word said ``_OFTEN`` times within ``_NEAR`` words is heard as a repeat (common practice, no source)."""


def breath(sentences: Iterable[Sentence]) -> list[Advice]:
    """Stretches without a mark that are too long for one breath, and sentences too long to follow."""
    found = []
    for sentence in sentences:
        stretch = max(sentence.breaths, key=len)
        if len(stretch) > LONGEST_BREATH:
            why = f"{len(stretch)} words without a pause: {shown(sentence.text, 30)}. Cut it in two, or set a comma."
            found.append(Advice("breath", "Too long for one breath.", why, sentence.place_of(stretch)))
        elif len(sentence.words) > LONGEST_SENTENCE:
            why = f"{len(sentence.words)} words: {shown(sentence.text, 30)}. A listener cannot read it again."
            found.append(Advice("sentence", "A long sentence.", why, sentence.place))
    return found


def hard_words(sentences: Iterable[Sentence]) -> list[Advice]:
    """English words with many syllables or four consonants in a row, and hissing sounds that meet; each once."""
    found: dict[str, Advice] = {}
    for sentence in sentences:
        words = sentence.words
        for word, following in zip(words, (*words[1:], None), strict=True):
            why = _hard(word) or _clash(word, following)
            name = f"{word.text} {following.text}" if following and not _hard(word) else word.text
            if why and name.lower() not in found:
                place = sentence.place_of((word, following) if following and " " in name else (word,))
                found[name.lower()] = Advice("hard-word", f"{shown(name)} is hard to say.", why, place)
    return list(found.values())


def _hard(word: Said) -> str:
    syllables = syllables_in(word.text)
    if syllables >= _MANY_SYLLABLES:
        return f"{syllables} syllables. Try it aloud, or find a shorter word."
    row: list[str] = []
    for phone in phones_of(word.text):
        row = [] if phone in _VOWELS else [*row, phone]
        if len(row) >= 4:
            return f"{len(row)} consonants in a row. Try it aloud, or find another word."
    return ""


def _clash(word: Said, following: Said | None) -> str:
    """Two different sibilants where one word ends and the next begins, as in "this ship"."""
    if following is None or word.start == following.start:
        return ""
    ends, begins = phones_of(word.text)[-1:], phones_of(following.text)[:1]
    both = {*ends, *begins}
    if ends and begins and both <= _SIBILANTS and len(both) == 2 and both not in ({"S", "Z"}, {"SH", "ZH"}):
        return "Two hissing sounds meet. Try it aloud."
    return ""


def repeats(sentences: Sequence[Sentence], language: str, topic: Iterable[str]) -> list[Advice]:
    """Words said twice in a row, and words said often close together that are not what the script is about."""
    known = {stem(word, language) for word in topic}
    found: dict[str, Advice] = {}
    near: deque[str] = deque(maxlen=_NEAR)
    counts: Counter[str] = Counter()
    before: Said | None = None
    for sentence in sentences:
        for word in sentence.words:
            again = before is not None and word.start != before.start and word.text.lower() == before.text.lower()
            if again and before and word.text.isalpha():
                place = sentence.place_of((before, word) if before.start < word.start else (word,))
                title = f"{shown(word.text)} twice in a row."
                found.setdefault(f"twice {word.text.lower()}", Advice("repeat", title, "Meant so?", place))
            before = word
            key = stem(word.text, language)
            if len(near) == near.maxlen:
                counts[near[0]] -= 1
            near.append(key)
            counts[key] += 1
            if counts[key] >= _OFTEN and key not in known and key not in found and carries_meaning(word.text, language):
                why = f"{counts[key]} times within {_NEAR} words. Another word, or none?"
                found[key] = Advice("repeat", f"{shown(word.text)} again and again.", why, sentence.place_of((word,)))
    return list(found.values())
