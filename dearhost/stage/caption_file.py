"""A caption file against a script: what it shows otherwise, and where it cuts, as cues that correct captions."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from difflib import SequenceMatcher
from itertools import accumulate

from dearhost.errors import UnreadableScript
from dearhost.script import Line, Script, words_of
from dearhost.stage.captions import shown_texts

_ALIKE = 0.5
"""Part of the script's words that must stand in a file for it to be captions of this script."""
_CHANGED = 12
"""Words in a row at most that are shown otherwise; more are another text."""


@dataclass(frozen=True, slots=True)
class CaptionCue:
    """A cue ``kind`` on the word of a line that begins at ``start``, to the one that begins at ``end``."""

    line: str
    kind: str
    start: int
    end: int | None
    parameters: dict[str, str | float]


Place = tuple[str, int]
"""A line, and where a word of it begins."""
CORRECTION, CUT = "caption", "caption-cut"
"""Kinds of cues."""


@dataclass(frozen=True, slots=True)
class CaptionsRead:
    """What a file asks for. ``left``: what it shows that fits nowhere in the script. ``placed``: with which word a
    caption begins, by its number. ``other_times``: its times are those of another recording."""

    cues: tuple[CaptionCue, ...]
    left: tuple[str, ...]
    placed: Mapping[int, Place] = field(default_factory=dict)
    other_times: bool = False


@dataclass(frozen=True, slots=True)
class _Word:
    line: str
    text: str
    start: int
    first: bool

    @property
    def plain(self) -> str:
        return _plain(self.text)


def _plain(text: str) -> str:
    return "".join(sign for sign in text.lower() if sign.isalnum())


def read_captions(captions: Sequence[str], script: Script) -> CaptionsRead:
    """The corrections and cuts of a file's captions, each its text. Raises UnreadableScript for captions of something
    else."""
    said = [word for _, _, line in script.lines() for word in _words_in(line)]
    each = [_tokens(caption) for caption in captions]
    shown = [token for tokens in each for token in tokens]
    begins = [0, *accumulate(map(len, each))][:-1]
    match = SequenceMatcher(None, [word.plain for word in said], [_plain(token) for token in shown])
    blocks = match.get_opcodes()
    same = sum(i2 - i1 for tag, i1, i2, _, _ in blocks if tag == "equal")
    if not said or same < _ALIKE * len(said):
        raise UnreadableScript(
            f"These captions say something else than the script: {same} of its {len(said)} words stand in them. "
            "Open the file as a script of its own."
        )
    placed: dict[int, int] = {}  # words of the file to words of the script
    cues: list[CaptionCue] = []
    left: list[str] = []
    for tag, i1, i2, j1, j2 in blocks:
        if tag == "equal":
            placed |= zip(range(j1, j2), range(i1, i2), strict=True)
            cues += _spelled(said[i1:i2], shown[j1:j2])
            continue
        cue = _corrected(said, shown, (i1, i2), (j1, j2))
        if cue:
            cues.append(cue)
            placed |= dict.fromkeys(range(j1, j2), i1)
        elif j2 > j1:
            left.append(" ".join(shown[j1:j2]))
    firsts = {number: said[placed[begin]] for number, begin in enumerate(begins) if begin in placed}
    cuts = (word for word in firsts.values() if not word.first)
    cues += [CaptionCue(word.line, CUT, word.start, None, {"cut": "begins"}) for word in cuts]
    return CaptionsRead(tuple(cues), tuple(left), {number: (word.line, word.start) for number, word in firsts.items()})


def _words_in(line: Line) -> Iterator[_Word]:
    """The words of a line as captions show them."""
    words = words_of(line.text)
    shown = shown_texts(line.text, [word.start for word in words])
    for number, (word, text) in enumerate(zip(words, shown, strict=True)):
        yield _Word(line.id, text, word.start, number == 0)


def _tokens(caption: str) -> list[str]:
    """The words of a caption, signs that stand alone with the word before; sounds in brackets are no words."""
    tokens: list[str] = []
    for token in re.sub(r"\[[^\[\]]*\]|\([^()]*\)", " ", caption).split():
        if _plain(token):
            tokens.append(token)
        elif tokens:  # a dash in front says that somebody else speaks
            tokens[-1] += f" {token}"
    return tokens


def _spelled(said: Sequence[_Word], shown: Sequence[str]) -> Iterator[CaptionCue]:
    """Words that are the same but written otherwise: capitals, stops."""
    for word, token in zip(said, shown, strict=True):
        if word.text.split() != token.split():
            yield CaptionCue(word.line, CORRECTION, word.start, None, {"text": token})


def _corrected(
    said: Sequence[_Word], shown: Sequence[str], of: tuple[int, int], by: tuple[int, int]
) -> CaptionCue | None:
    """Words that are shown otherwise, more or fewer of them; None where they are of no one line, or too many."""
    (i1, i2), (j1, j2) = of, by
    tokens = list(shown[j1:j2])
    if i1 < i2 and tokens:
        ways = [(i1, i2, tokens)]
    else:  # put in, or left out: it goes with the word before, else with the one behind
        ways = [(i1 - 1, i2, [shown[j1 - 1], *tokens])] if i1 > 0 and j1 > 0 else []
        ways += [(i1, i2 + 1, [*tokens, shown[j2]])] if i2 < len(said) and j2 < len(shown) else []
    for first, last, text in ways:
        words = said[first:last]
        if len({word.line for word in words}) == 1 and max(len(words), len(text)) <= _CHANGED:
            end = words[-1].start if len(words) > 1 else None
            return CaptionCue(words[0].line, CORRECTION, words[0].start, end, {"text": " ".join(text)})
    return None
