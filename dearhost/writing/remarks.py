"""What the audience say in their own words: what kind of remark each is."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from dearhost.writing.mood import PAINFUL, mood_of
from dearhost.writing.points import cleaned


class RemarkKind(StrEnum):
    QUESTION = "question"
    WISH = "wish"
    PAIN = "pain"
    PRAISE = "praise"
    BELIEF = "belief"
    OTHER = "other"


@dataclass(frozen=True, slots=True)
class Remark:
    """Somebody's words, exactly. ``wish`` is what they want to do, where they said so."""

    text: str
    kind: RemarkKind
    wish: str = ""


_WANTS = re.compile(r"\bI (?:just |only |really )?(?:want|wish|need|would like|would love|'d like|'d love) to (.+)")
_WISHES = re.compile(r"\b(i wish|if only|would be nice|could you|please (?:add|make))\b", re.I)
_BELIEVES = re.compile(r"i (thought|always thought|assumed|believed)\b", re.I)
_DENIES = re.compile(r"n't|\b(not|never|no|so i thought)\b", re.I)


def read_remarks(texts: Iterable[str]) -> tuple[Remark, ...]:
    """The remarks of a brief, one for each text with a word."""
    return tuple(read_remark(text) for text in texts if re.search(r"\w", text))


def read_remark(text: str) -> Remark:
    """What somebody said, without quotation marks, and its kind."""
    text = re.sub(r"^\s*[-*•–]\s+", "", text).strip().strip('“”"')
    asks = "?" in text[-3:]
    said = re.sub(r"\s+", " ", text).rstrip("?!.;, ")
    words = cleaned(said)
    if asks:
        return Remark(f"{said}?", RemarkKind.QUESTION)
    wants = _WANTS.search(words)
    if wants or _WISHES.search(words):
        return Remark(said, RemarkKind.WISH, wants[1] if wants else "")
    if _BELIEVES.match(words):
        return Remark(said, RemarkKind.BELIEF)
    mood = mood_of(words)
    if mood < -0.2 or set(re.findall(r"[a-z']+", words.lower())) & PAINFUL or _DENIES.search(words):
        return Remark(said, RemarkKind.PAIN)
    return Remark(said, RemarkKind.PRAISE if mood > 0.3 else RemarkKind.OTHER)
