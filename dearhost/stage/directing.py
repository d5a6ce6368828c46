"""Automatic direction: gestures that the words themselves ask for, sparing, and never where a person has directed.

Rules of speakers' handbooks (common practice, no source): greet with the hand, open it to "you", count what is listed,
set contrasts to two sides, shake the head at a denial, raise the brows at a question.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from dearhost.hosts import GESTURES, moves_hands
from dearhost.script import Cue, Line, words_of
from dearhost.speech import Reading
from dearhost.stage.cueing import moment_of, playable

REST = "rest"
"""The cue by which a person says: nothing by itself on this word."""
_GAPS: Mapping[str, float] = {"still": 12.0, "normal": 6.0, "lively": 3.5}
"""Seconds at least between gestures: 5, 10 and 17 a minute at most."""
_REPEATED = 15.0
"""Seconds in which no gesture comes twice."""
_NEAR = 2.2
"""Seconds that automatic gestures keep from a person's."""
_SIZE: Mapping[str, float] = {"still": 0.6, "normal": 0.8, "lively": 1.0}


@dataclass(frozen=True, slots=True)
class _Rule:
    """``words`` (a pattern of one written word) ask for ``gesture``; of two rules the one with more ``weight`` wins."""

    words: re.Pattern[str]
    gesture: str
    weight: int
    size: float = 1.0


def _rule(words: str, gesture: str, weight: int, size: float = 1.0) -> _Rule:
    return _Rule(re.compile(f"(?:{words})", re.I), gesture, weight, size)


_RULES = (
    _rule("hello|hi|goodbye|bye", "wave", 9),
    _rule("welcome", "welcome", 9),
    _rule("thanks?|grateful|sorry", "heart", 8),
    _rule("huge|enormous|giant|vast|whole|everything|everybody|everyone|entire", "big", 7, 0.9),
    _rule("tiny|small|little|narrow|slightest", "small", 6, 0.9),
    _rule("first|firstly|three", "count", 6),
    _rule("stop|wait|careful|beware", "stop", 6),
    _rule("you|your|yours|yourself", "you", 4, 0.9),
    _rule("never|not|nobody|nothing|no|none|[a-z]+n['’]t", "shake", 3, 0.5),
    _rule("here|this", "present", 2, 0.8),
    _rule("yes|exactly|indeed|right|true|always", "nod", 3, 0.8),
    _rule("maybe|perhaps|somehow|whatever", "shrug", 5, 0.8),
    _rule("think|wonder|imagine|remember", "think", 4, 0.9),
)
_OTHER = re.compile(r"other|instead|but|whereas", re.I)


@dataclass(frozen=True, slots=True)
class _Wish:
    at: float
    weight: int
    line: str
    cue: Cue


def automatic(
    lines: Iterable[tuple[Line, float, Reading]], liveliness: str, full: Sequence[tuple[float, float]] = ()
) -> dict[str, tuple[Cue, ...]]:
    """Gestures for the lines of one host, by line id, as cues that were not written. English only.

    ``lines`` are the host's with their starts in the scene. At most one gesture in ``_GAPS`` seconds, none twice in
    ``_REPEATED``, none within ``_NEAR`` of a person's gesture or on a word a person gave a ``rest``, no gesture of
    hands while ``full`` (from, to) says that both hold something.
    """
    placed = list(lines)
    taken = [
        start + moment_of(line, cue, reading)
        for line, start, reading in placed
        for cue in playable(line)
        if cue.kind in GESTURES
    ]
    wishes = sorted(_wishes(placed, _SIZE[liveliness]), key=lambda wish: (-wish.weight, wish.at))
    chosen: list[_Wish] = []
    for wish in wishes:
        if any(abs(wish.at - at) < _NEAR for at in taken):
            continue
        if moves_hands(wish.cue.kind) and any(start < wish.at < end for start, end in full):
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


def _wishes(placed: Sequence[tuple[Line, float, Reading]], size: float) -> list[_Wish]:
    wishes = []
    for line, start, reading in placed:
        resting = {cue.start for cue in line.cues if cue.kind == REST}
        words = words_of(line.text)
        for index, word in enumerate(words):
            if word.start in resting:
                continue
            rule = next((r for r in _RULES if r.words.fullmatch(word.text)), None)
            gesture, weight, amount = (rule.gesture, rule.weight, rule.size) if rule else ("", 0, 1.0)
            side = "right"
            if _OTHER.fullmatch(word.text) and index:
                gesture, weight, amount, side = "present", 3, 0.8, "left"
            ends = line.text[word.end : word.end + 2]
            if "?" in ends and not gesture:
                gesture, weight, amount = "ask", 4, 1.0
            if gesture:
                values = {"strength": round(size * amount, 2)} | ({"side": side} if gesture == "present" else {})
                cue = Cue(f"auto-{word.start}", gesture, word.start, values)
                wishes.append(_Wish(start + moment_of(line, cue, reading), weight, line.id, cue))
    return wishes


def directed(line: Line, cues: Sequence[Cue]) -> Line:
    """The line with cues that were not written."""
    return replace(line, cues=tuple(sorted((*line.cues, *cues), key=lambda cue: cue.start)))
