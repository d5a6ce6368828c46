"""What a production is for: who watches, what they should know or do, and how long it may run."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from pydantic import Field

LONGEST_TARGET = 6 * 3600.0
"""Seconds."""


@dataclass(frozen=True, slots=True)
class Brief:
    """Every answer may be empty. ``topic`` is what it is about.

    ``own_words`` is what the audience themselves say about the matter, a remark a line, and
    ``may_quote`` whether they allow them to be spoken word for word; ``sample`` is a text of the
    writer's own to sound like; ``points`` are what must be said; ``target`` is the length that is wished for, in
    seconds, 0 for none.
    """

    topic: str = ""
    purpose: str = ""
    audience: str = ""
    channel: str = ""
    tone: str = ""
    own_words: str = ""
    call_to_action: str = ""
    may_quote: bool = False
    sample: str = ""
    points: tuple[str, ...] = ()
    target: Annotated[float, Field(ge=0, le=LONGEST_TARGET, allow_inf_nan=False)] = 0.0
