"""When a production's logo is seen: all the time, but where something else is shown in its corner."""

from __future__ import annotations

from collections.abc import Sequence

from dearhost.assets.shelf import kind_of
from dearhost.production import Choices
from dearhost.stage.layout.blocking import BUBBLES
from dearhost.stage.timeline import LOGO, Shown
from dearhost.timebase import Span

_SHORTEST = 0.5
"""Seconds: what is seen for less only flickers."""
_WIDE = "16:9"
"""The shape in which what is shown beside a host leaves the other side free."""


def logo_of(choices: Choices, shown: Sequence[Shown], duration: float) -> list[Shown]:
    """The logo of a scene, which gives way to what is shown in its corner; to a host in a round corner it leaves its
    side."""
    if not kind_of(choices.logo):
        return []
    place = choices.logo_place
    if choices.framing in BUBBLES and place == "top-right":
        place = "top-left"
    side = place.rsplit("-", 1)[-1]
    parameters: dict[str, str | float] = {
        "items": choices.logo,
        "place": place,
        "size": choices.logo_size,
        "ground": choices.logo_ground,
    }
    in_the_way = {"middle", "whole", f"card-{side}",
                  *([side] if choices.shape == _WIDE else ["left", "right"])}  # fmt: skip
    taken = sorted((item.span.start, item.span.end) for item in shown if item.region in in_the_way)
    spans, begins = [], 0.0
    for start, end in taken:
        spans.append(Span(begins, max(begins, start)))
        begins = max(begins, end)
    spans.append(Span(begins, max(begins, duration)))
    return [Shown(LOGO, span, parameters) for span in spans if span.end - span.start >= _SHORTEST]
