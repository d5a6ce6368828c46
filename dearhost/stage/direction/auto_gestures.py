"""Automatic direction: gestures that the words themselves ask for, sparing, and never where a person has directed.

Rules of speakers' handbooks (common practice, no source): greet with the hand, open it to "you", count what is listed,
set contrasts to two sides, shake the head at a denial, raise the brows at a question.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from dearhost.hosts import GESTURES, moves_hands
from dearhost.production import playable
from dearhost.script import Cue, Line, Word, words_of
from dearhost.speech import Reading
from dearhost.stage.direction.cueing import moment_of
from dearhost.stage.direction.gesture_words import idea_of

REST = "rest"
"""The cue by which a person says: nothing by itself on this word."""
_GAPS: Mapping[str, float] = {"still": 12.0, "normal": 6.0, "lively": 3.5}
"""Seconds at least between gestures: 5, 10 and 17 a minute at most."""
_REPEATED = 15.0
"""Seconds in which no gesture comes twice."""
_NEAR = 2.2
"""Seconds that automatic gestures keep from a person's."""
_ENDS, _ASKS = set(".!?…。！？؟"), set("?？؟")
_SIZE: Mapping[str, float] = {"still": 0.6, "normal": 0.8, "lively": 1.0}


@dataclass(frozen=True, slots=True)
class _Rule:
    """What an idea asks for: of two rules the one with more ``weight`` wins."""

    gesture: str
    weight: int
    size: float = 1.0
    side: str = "right"


_RULES: Mapping[str, _Rule] = {
    "greet": _Rule("wave", 9),
    "welcome": _Rule("welcome", 9),
    "thank": _Rule("heart", 8),
    "large": _Rule("big", 7, 0.9),
    "small": _Rule("small", 6, 0.9),
    "list": _Rule("count", 6),
    "halt": _Rule("stop", 6),
    "address": _Rule("you", 4, 0.9),
    "deny": _Rule("shake", 3, 0.5),
    "here": _Rule("present", 2, 0.8),
    "agree": _Rule("nod", 3, 0.8),
    "unsure": _Rule("shrug", 5, 0.8),
    "think": _Rule("think", 4, 0.9),
    "other": _Rule("present", 3, 0.8, "left"),
    "question": _Rule("ask", 4),
}
_ITEM = 3
"""Words at most of one item of a list."""


@dataclass(frozen=True, slots=True)
class _Wish:
    at: float
    weight: int
    line: str
    cue: Cue


def automatic(
    lines: Iterable[tuple[Line, float, Reading]],
    liveliness: str,
    full: Sequence[tuple[float, float]] = (),
    language: Callable[[Line], str] = lambda line: "en",
    *,
    hands: bool = True,
) -> dict[str, tuple[Cue, ...]]:
    """Gestures for the lines of one host, by line id, as cues that were not written.

    ``lines`` are the host's with their starts in the scene, ``language`` what a line is spoken in. At most one gesture
    in ``_GAPS`` seconds, none twice in ``_REPEATED``, none within ``_NEAR`` of a person's gesture or on a word a person
    gave a ``rest``, no gesture of hands while ``full`` (from, to) says that both hold something, or without ``hands``.
    """
    placed = list(lines)
    taken = [
        start + moment_of(line, cue, reading)
        for line, start, reading in placed
        for cue in playable(line)
        if cue.kind in GESTURES
    ]
    wishes = sorted(_wishes(placed, _SIZE[liveliness], language), key=lambda wish: (-wish.weight, wish.at))
    chosen: list[_Wish] = []
    for wish in wishes:
        if any(abs(wish.at - at) < _NEAR for at in taken):
            continue
        if moves_hands(wish.cue.kind) and (not hands or any(start < wish.at < end for start, end in full)):
            continue
        if any(abs(wish.at - other.at) < _GAPS[liveliness] for other in chosen):
            continue
        if any(o.cue.kind == wish.cue.kind and abs(wish.at - o.at) < _REPEATED for o in chosen):
            continue
        chosen.append(wish)
    found: dict[str, tuple[Cue, ...]] = {}
    for wish in sorted(chosen, key=lambda w: w.at):
        found[wish.line] = (*found.get(wish.line, ()), wish.cue)
    return found


def _wishes(placed: Sequence[tuple[Line, float, Reading]], size: float, language: Callable[[Line], str]) -> list[_Wish]:
    wishes = []
    for line, start, reading in placed:
        resting = {cue.start for cue in line.cues if cue.kind == REST}
        for word, idea in _ideas(line.text, language(line)):
            rule = _RULES.get(idea)
            if rule is None or word.start in resting:
                continue
            values = {"strength": round(size * rule.size, 2)} | (
                {"side": rule.side} if rule.gesture == "present" else {}
            )
            cue = Cue(f"auto-{word.start}", rule.gesture, word.start, values)
            wishes.append(_Wish(start + moment_of(line, cue, reading), rule.weight, line.id, cue))
    return wishes


def _ideas(text: str, language: str) -> list[tuple[Word, str]]:
    """Each word with what it says that a gesture can say too."""
    words = words_of(text)
    after = [text[word.end : following.start] for word, following in pairwise(words)] + [text[words[-1].end :]]
    said = [
        idea_of(word.text, language, begins=index == 0 or bool(_ENDS & set(after[index - 1])))
        for index, word in enumerate(words)
    ]
    found = list(said)
    asks = _ASKS | {";"} if language.startswith("el") else _ASKS
    for index, word in enumerate(words):
        if found[index] in _RULES:
            continue
        if asks & {word.text[-1], *after[index]}:
            found[index] = "question"
        elif _lists(said, after, index):
            found[index] = "list"
    if found[0] == "other":  # nothing it could be set against
        found[0] = ""
    return list(zip(words, found, strict=True))


def _lists(said: Sequence[str], after: Sequence[str], index: int) -> bool:
    """Whether a list of three things or more begins with the word: a, b and c."""
    if "," not in after[index]:
        return False
    for gap in reversed(after[max(0, index - _ITEM) : index]):
        if "," in gap:  # it began before
            return False
        if _ENDS & set(gap):
            break
    for place in range(index + 2, min(index + 2 + _ITEM, len(said) - 1)):
        between = after[index + 1 : place - 1]
        if said[place] == "and" and not any(set(gap) & (_ENDS | {","}) for gap in between):
            return not _ENDS & set(after[place - 1])
        if "," in after[place - 1]:
            return any(said[later] == "and" for later in range(place, min(place + _ITEM + 1, len(said))))
    return False


def directed(line: Line, cues: Sequence[Cue]) -> Line:
    """The line with cues that were not written."""
    return replace(line, cues=tuple(sorted((*line.cues, *cues), key=lambda cue: cue.start)))
