"""Everything that can be shown by name: things drawn by hand, what hosts hold, and the shapes behind them."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

from dearhost.drawing.paper import Paper
from dearhost.hosts.props import PROPS
from dearhost.things import DRAWN, Thing, ThingIndex, propose, shape_things

THINGS: Mapping[str, Thing] = {
    **DRAWN,
    **{name: Thing(name, prop.draw, prop.also) for name, prop in PROPS.items() if name not in DRAWN},
    **{name: thing for name, thing in shape_things().items() if name not in DRAWN and name not in PROPS},
}
"""By name, those drawn by hand first."""


def draw_thing(paper: Paper, name: str, x: float, y: float, size: float) -> None:
    """A thing with its middle at (x, y), ``size`` across. Raises KeyError for an unknown one."""
    with paper.placed(x, y, size / 100):
        paper.set_scale(paper.scale * 0.55)
        THINGS[name].draw(paper)


@lru_cache(maxsize=1)
def thing_index() -> ThingIndex:
    """An index over all things; made when it is first needed."""
    return ThingIndex(THINGS)


def things_for(text: str) -> str:
    """The one thing that goes best with a few words, "" for none."""
    parts = propose(text, thing_index()).parts
    return max(parts, key=lambda part: part.score).thing if parts else ""
