"""The audience's own words: what puzzles them, what they wish for and praise, in their phrases, with counts."""

from __future__ import annotations

import re
from collections import Counter, defaultdict
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

from dearhost.languages.detecting import language_of
from dearhost.writing.english.stems import STOP_WORDS, covers, stem, stems
from dearhost.writing.english.tagging import expanded
from dearhost.writing.english.verbs import is_noun_or_verb
from dearhost.writing.mood import mood_of


class Concern(StrEnum):
    """What a comment is about for whoever answers it."""

    PUZZLE = "puzzle"
    """A question, a wrong belief, a trouble."""
    WISH = "wish"
    PRAISE = "praise"
    UNDECIDED = "undecided"


@dataclass(frozen=True, slots=True)
class Theme:
    """Comments of one concern that speak of the same. ``name`` is the phrase most of them use, exactly;
    ``comments`` are their indices; ``best`` the index of the one that says it best."""

    concern: Concern
    name: str
    comments: tuple[int, ...]
    phrases: tuple[str, ...]
    best: int

    @property
    def count(self) -> int:
        return len(self.comments)


@dataclass(frozen=True, slots=True)
class Words:
    """A phrase that several people use."""

    text: str
    comments: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Audience:
    """``concerns`` has one entry a comment; ``unserved`` are wishes that nothing answers, the most wanted first."""

    comments: tuple[str, ...]
    concerns: tuple[Concern, ...]
    themes: tuple[Theme, ...]
    unserved: tuple[int, ...]
    words: tuple[Words, ...]


_TOGETHER = 0.75
"""Of the comments of the rarer word: from here on two words are one theme."""
_ANSWERED = 0.34
"""Of a wish's words, weighted alike, from which a point answers it."""
_SAID_BY_A_LINE = 0.6
"""The same of a line of the script, which also says much else."""
_MOST_PHRASES = 12
_GENERIC = frozenset(
    "day time way thing lot bit year month hour week morning minute man lady everything nothing something nobody "
    "one two three half place today everybody star question visit home page people think thought know knew see saw "
    "want wish hope like come came go went get got make made take took say said tell told look find "
    "lovely good great best nice wonderful beautiful better".split()
)
_WISHES = re.compile(
    r"\b(i (?:just |only |really )?(?:wish|want|need|hope)|i would (?:like|love)|if only|would be (?:nice|good|great)"
    r"|could you|can you|please (?!note)\w+|should (?:be|have)|why (?:not|do not you)"
    r"|what about|it lacks|missing)\b",
    re.I,
)
_UNMET = re.compile(
    r"\b(i (?:just |only |really )?(?:wish|want|need)|if only|would be (?:nice|good|great)|would (?:like|love)|please"
    r"|should (?:be|have)|could you|not just|missing|lacks)\b",
    re.I,
)
_BELIEF = re.compile(r"\bi (?:always )?(?:thought|assumed|believed)\b", re.I)
_TROUBLES = re.compile(
    r"\b(too (?:many|much|small|long|far|expensive|steep|fast|dark|loud)|cut off|out of (?:order|everything)|nowhere"
    r"|closed|cannot|could not|not good enough|does not|do not know|no signal|wrong|minutes? slow|away with|never know"
    r"|never has|easy to miss|hard to|nightmare|broken|nobody told|fiddly|tiny|got lost|full by)\b",
    re.I,
)
_RELIEF = re.compile(
    r"\bno (?:battery|app|nonsense|contest)\b|\bneeds no\b|\bgo free\b|\bjust works\b|\bnever again\b|\bright to\b"
    r"|\baccurate enough\b|\bfor the price\b|\bfinally\b|\bspellbound\b|\bstill talk\b",
    re.I,
)


def read_audience(
    comments: Sequence[str],
    points: Sequence[str] = (),
    moved: Mapping[int, Concern] | None = None,
    same: Mapping[str, str] | None = None,
    joined: Sequence[tuple[int, int]] = (),
    step: Callable[[float], None] = lambda fraction: None,
) -> Audience:
    """Sorts comments. ``points`` are what a brief or script answers. ``moved`` are comments somebody sorted by hand;
    ``same`` are words that mean another ("kids" for "children"), ``joined`` pairs of comments whose themes somebody
    took for one. ``step`` is called with the fraction done, and may
    raise to stop.
    """
    concerns, keys = [], []
    for index, comment in enumerate(comments):
        if not index % 50:
            step(0.7 * index / len(comments))
        english = _is_english(comment)
        concerns.append((moved or {}).get(index) or concern_of(comment, english))
        keys.append(_keys(comment, english, same or {}))
    step(0.7)
    least = 2 if len(comments) < 60 else 3
    phrases = shared_phrases(comments)
    step(0.9)
    themes = [
        theme
        for concern in (Concern.PUZZLE, Concern.WISH, Concern.PRAISE)
        for theme in _themes(comments, concern, concerns, keys, phrases, least, joined)
    ]
    unserved = _unserved(comments, concerns, themes, points)
    step(1.0)
    return Audience(tuple(comments), tuple(concerns), tuple(themes), unserved, tuple(phrases[:_MOST_PHRASES]))


def concern_of(comment: str, english: bool = True) -> Concern:
    """What a comment is for, by its words; in other languages than English only a question is told."""
    if re.search(r"[?？]\s*[”\"]?\s*$", comment):
        return Concern.PUZZLE
    if not english:
        return Concern.UNDECIDED
    text = expanded(comment)
    if _WISHES.search(text) and not re.match(r"(we|i) (?:still )?had", text, re.I):
        return Concern.WISH
    if _BELIEF.search(text):
        return Concern.PUZZLE
    mood = mood_of(comment)
    if _TROUBLES.search(text):
        mood = min(mood, 0.0) - 0.4
    if _RELIEF.search(text):
        mood = abs(mood) + 0.3
    return Concern.PRAISE if mood > 0.15 else Concern.PUZZLE if mood < -0.15 else Concern.UNDECIDED


def _is_english(comment: str) -> bool:
    if any(ord(letter) > 0x24F for letter in comment if letter.isalpha()):
        return False
    return language_of(comment, _LATIN) in ("", "en")


_LATIN = frozenset("en de fr es it pt nl sv pl".split())


def _keys(comment: str, english: bool, same: Mapping[str, str]) -> frozenset[str]:
    """The stems of what a comment speaks of."""
    if not english:
        return frozenset(word for word in re.findall(r"[^\W\d_]{4,}", comment.casefold()))
    text = expanded(comment).lower()
    words = re.findall(r"[a-z]+", text)
    found = {
        stem(same.get(word, word))
        for before, word in zip(["", *words], words, strict=False)
        if word in same or _speaks_of_something(word) or (before == "too" and word not in STOP_WORDS)
    }
    return frozenset(found | {pair.replace(" ", "_") for pair in re.findall(r"\b(cut off|turn back)\b", text)})


def _speaks_of_something(word: str) -> bool:
    """Whether a word can be a noun or a verb that narrows down what is spoken of."""
    return len(word) >= 3 and word not in STOP_WORDS and word not in _GENERIC and is_noun_or_verb(word)


def shared_phrases(comments: Sequence[str], least: int = 2) -> list[Words]:
    """Exact phrases of two to six words that several people wrote, the commonest first; none inside a longer one that
    is as common."""
    seen: defaultdict[str, set[int]] = defaultdict(set)
    for index, comment in enumerate(comments):
        for part in re.split(r"[.!?,;:()“”\"]+", comment.lower()):
            words = re.findall(r"[^\W_]+(?:['’][^\W_]+)?", part)
            for length in range(2, 7):
                for start in range(len(words) - length + 1):
                    said = words[start : start + length]
                    if _says_something(said):
                        seen[" ".join(said)].add(index)
    common = [(phrase, found) for phrase, found in seen.items() if len(found) >= least]
    common.sort(key=lambda pair: (-len(pair[1]), -len(pair[0].split()), pair[0]))
    longer: list[tuple[str, set[int]]] = []
    for phrase, found in sorted(common[:2000], key=lambda pair: -len(pair[0].split())):
        if not any(f" {phrase} " in f" {other} " and len(inside) >= len(found) for other, inside in longer):
            longer.append((phrase, found))
    longer.sort(key=lambda pair: (-len(pair[1]), -len(pair[0].split()), pair[0]))
    return [Words(phrase, tuple(sorted(found))) for phrase, found in longer]


def _says_something(phrase: Sequence[str]) -> bool:
    begins = phrase[0] not in STOP_WORDS or phrase[0] in ("no", "not", "too", "how", "when")
    ends = phrase[-1] not in STOP_WORDS or phrase[-1] in ("off", "back")
    return begins and ends and any(word not in STOP_WORDS and len(word) > 2 for word in phrase)


def _themes(
    comments: Sequence[str],
    concern: Concern,
    concerns: Sequence[Concern],
    keys: Sequence[frozenset[str]],
    phrases: Sequence[Words],
    least: int,
    joined: Sequence[tuple[int, int]],
) -> list[Theme]:
    """Words that several people use, joined where they mostly come together, or by hand."""
    own = [index for index, other in enumerate(concerns) if other is concern]
    often = Counter(key for index in own for key in keys[index])
    groups: list[set[int]] = []
    for key, count in sorted(often.items(), key=lambda pair: (-pair[1], pair[0])):
        if count < least:
            break
        mine = {index for index in own if key in keys[index]}
        home = next((group for group in groups if len(mine & group) >= _TOGETHER * min(len(mine), len(group))), None)
        if home is None:
            groups.append(mine)
        else:
            home |= mine
    for one, other in joined:
        if one in own and other in own:
            groups = _with_joined(groups, one, other)
    groups.sort(key=lambda group: (-len(group), min(group)))
    found: list[Theme] = []
    for group in groups:
        taken = {theme.name for theme in found}
        found.append(_theme(comments, concern, group, [words for words in phrases if words.text not in taken]))
    alone = set(own) - {index for group in groups for index in group}
    return found + [Theme(concern, comments[index], (index,), (), index) for index in sorted(alone)]


def _with_joined(groups: Sequence[set[int]], one: int, other: int) -> list[set[int]]:
    """The groups in which two comments are most at home as one; a comment of no group is one by itself."""

    def home(index: int) -> set[int]:
        return max((group for group in groups if index in group), key=len, default={index})

    both = home(one), home(other)
    return [group for group in groups if not any(group is joined for joined in both)] + [both[0] | both[1]]


def _theme(comments: Sequence[str], concern: Concern, group: set[int], phrases: Sequence[Words]) -> Theme:
    inside = [(len(group & set(words.comments)), words) for words in phrases]
    own = sorted(
        ((count, words) for count, words in inside if count >= 2 and 2 * count >= len(words.comments)),
        key=lambda pair: (-pair[0], -len(pair[1].text)),
    )
    names = tuple(words.text for _, words in own[:4])
    central = Counter(key for index in group for key in set(stems(comments[index])))

    def said_best(index: int) -> tuple[float, int]:
        words = stems(comments[index])
        return sum(central[word] for word in set(words)) / (4 + len(words)), -index

    best = max(group, key=said_best)
    return Theme(concern, names[0] if names else comments[best], tuple(sorted(group)), names, best)


def _unserved(
    comments: Sequence[str], concerns: Sequence[Concern], themes: Sequence[Theme], points: Sequence[str]
) -> tuple[int, ...]:
    wanted = {index: theme.count for theme in themes if theme.concern is Concern.WISH for index in theme.comments}
    found = [
        index
        for index, comment in enumerate(comments)
        if concerns[index] is Concern.WISH
        and _UNMET.search(expanded(comment))
        and max((covers(comment, point) for point in points), default=0.0) < _ANSWERED
    ]
    return tuple(sorted(found, key=lambda index: (-wanted.get(index, 1), index)))


def answered_in(texts: Sequence[str], comment: str) -> int | None:
    """The index of the text that answers a comment best, or None where none does."""
    scores = [covers(comment, text) for text in texts]
    best = max(range(len(texts)), key=lambda index: scores[index], default=None)
    return best if best is not None and scores[best] >= _SAID_BY_A_LINE else None
