"""What is said in a clip: its words with their seconds, kept beside it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import TypeAdapter

from dearhost.timebase import Span

LONG_PAUSE, SHORTENED = 0.8, 0.6
"""Seconds from which a pause is long, and to which one is shortened."""
HESITATIONS = frozenset(("um", "uh", "er", "erm", "ehm", "hm", "hmm", "mm", "uhm"))
_RESTART = 2.5
"""Seconds within which the same words are said anew."""
_MOST_ANEW = 4
_BREAK = 0.12
"""Seconds of a pause before words that are said anew, where others come between."""


@dataclass(frozen=True, slots=True)
class ClipWord:
    """A word as it is said in a clip, in seconds of it. ``hesitation``: an "um" or "uh"."""

    text: str
    start: float
    end: float
    hesitation: bool = False

    @property
    def plain(self) -> str:
        """Its letters and digits alone."""
        return plain(self.text)


def plain(word: str) -> str:
    """The letters and digits of a word, in lower case."""
    return "".join(sign for sign in word.lower() if sign.isalnum())


@dataclass(frozen=True, slots=True)
class Transcript:
    """All that is said in a clip that lasts ``seconds``, in a ``language`` (BCP 47)."""

    language: str
    seconds: float
    words: tuple[ClipWord, ...]

    def pauses(self) -> list[Span]:
        """Long pauses between words."""
        pairs = zip(self.words, self.words[1:], strict=False)
        return [Span(a.end, b.start) for a, b in pairs if b.start - a.end > LONG_PAUSE]

    def hesitations(self) -> list[int]:
        """The indices of words that are hesitations."""
        return [index for index, word in enumerate(self.words) if word.hesitation]

    def restarts(self) -> list[range]:
        """Words, by their indices, that are said once more right after: false starts."""
        spoken = [index for index, word in enumerate(self.words) if not word.hesitation]
        found: list[range] = []
        at = 0
        while at < len(spoken):
            again = _said_again(self.words, spoken, at)
            if again:
                found.append(range(spoken[at], spoken[at + again]))
            at += again or 1
        return found


def _said_again(words: Sequence[ClipWord], spoken: Sequence[int], at: int) -> int:
    """How many words on the same words begin anew; 0 where they do not."""
    for count in range(_MOST_ANEW, 0, -1):
        for between in (0,) if count == 1 else (0, 1, 2):
            anew = at + count + between
            if anew + count > len(spoken):
                continue
            first, second = (
                [words[i] for i in spoken[at : at + count]], [words[i] for i in spoken[anew : anew + count]]
            )  # fmt: skip
            if [w.plain for w in first] != [w.plain for w in second] or second[0].start - first[0].start > _RESTART:
                continue
            gaps = [words[spoken[k + 1]].start - words[spoken[k]].end for k in range(at, anew)]
            if between == 0 or max(gaps) > _BREAK:
                return count + between
    return 0


TRANSCRIPT = TypeAdapter(Transcript)
"""Reads and writes one."""
