"""What dresses a set: props that hang on a wall or stand on the ground, with the things they hold.

A prop is named "frame:fish": what holds it, and the thing; a frame may hold a picture of the shelf by its id.
"""

from __future__ import annotations

import random
from collections.abc import Mapping
from dataclasses import dataclass

from dearhost.assets.shelf import PICTURE, kind_of
from dearhost.hosts import THINGS

NOTHING = "none"
_SHOWN_ON_A_SHELF = 3
_LEFT_FREE = 0.25
"""How often a place on the ground stays free by chance."""


@dataclass(frozen=True, slots=True)
class Prop:
    """``words`` it is shown by; ``takes`` so many things at most; ``pictures``: it may hold one of the shelf."""

    words: str
    takes: int = 1
    pictures: bool = False


WALL_PROPS: Mapping[str, Prop] = {
    "frame": Prop("a framed picture", pictures=True), "poster": Prop("a poster", pictures=True),
    "disc": Prop("a thing by itself"), "shelf": Prop("a shelf", _SHOWN_ON_A_SHELF),
}  # fmt: skip
"""What can hang on a wall: how each is drawn stands in ``stage.backdrops.dressing``."""
FLOOR_PROPS: Mapping[str, Prop] = {
    "plinth": Prop("a plinth"), "thing": Prop("a thing by itself"), "shelf": Prop("a shelf", _SHOWN_ON_A_SHELF),
    "desk": Prop("a desk"), "barrel": Prop("a barrel"), "plant": Prop("a plant", 0),
    "cabinet": Prop("a cabinet", 0), "armchair": Prop("an armchair", 0), "lamp": Prop("a street lamp", 0),
    "tree": Prop("a tree", 0), "parasol": Prop("a parasol", 0), "hut": Prop("a beach hut", 0),
}  # fmt: skip
"""What can stand on a floor or a ground."""


def parts(prop: str) -> tuple[str, str]:
    """What holds a prop's thing, and the thing, "" for its usual one."""
    kind, _, thing = prop.partition(":")
    return kind, thing


def hangs(value: str) -> bool:
    """Whether a value names something that can hang on a wall."""
    return _is_prop(value, WALL_PROPS)


def stands(value: str) -> bool:
    """Whether a value names something that can stand on the ground."""
    return _is_prop(value, FLOOR_PROPS)


def _is_prop(value: str, props: Mapping[str, Prop]) -> bool:
    kind, thing = parts(value)
    if kind not in props or not thing:
        return kind in props
    if kind_of(thing) == PICTURE:
        return props[kind].pictures
    things = thing.split("+")
    return len(things) <= props[kind].takes and all(one in THINGS for one in things)


_SEA = ("fish", "boat", "lighthouse", "whale", "map", "anchor", "crab", "starfish")
_WALLS: Mapping[str, tuple[str, ...]] = {
    "museum": (*(f"frame:{one}" for one in _SEA), "disc:tide-clock", "disc:lifebuoy", "poster:earth",
               "shelf:shell+starfish"),
    "classroom": ("poster:earth", "poster:sun", "poster:plant", "poster:whale", "frame:map", "disc:clock",
                  "frame:flower"),
    "office": ("frame:chart-up", "frame:pie-chart", "frame:map", "disc:clock", "poster:bulb", "shelf:book+plant",
               "frame:mountain"),
    "kitchen": ("shelf:cup", "shelf:cup+leaf", "shelf:apple+carrot", "frame:apple", "disc:clock", "frame:cake",
                "shelf:bottle+bread"),
    "shop": ("shelf:clock+parcel", "shelf:book+shell", "shelf:mug+lantern", "poster:price-tag", "shelf:gift+cup",
             "frame:boat"),
    "study": ("frame:boat", "shelf:book+clock", "frame:mountain", "disc:clock", "frame:leaf", "poster:moon",
              "frame:gull"),
}  # fmt: skip
_OPEN_WALLS = ("frame:boat", "poster:earth", "disc:clock", "frame:leaf", "shelf:book+plant")
_INDOORS = ("plant", "cabinet", "plinth:shell", "plinth:anchor", "plinth:lighthouse", "shelf:book", "armchair",
            "desk:laptop")  # fmt: skip
_OUTDOORS = ("barrel", "barrel:lantern", "barrel:crab", "lamp", "tree", "parasol", "hut", "plinth:gull",
             "thing:bicycle", "thing:suitcase", "thing:basket", "thing:anchor", "thing:lifebuoy")  # fmt: skip


def another(set_id: str, own: Mapping[str, str], seed: int) -> dict[str, str]:
    """Props for the slots of a set other than its ``own``, by chance that falls the same way for a ``seed``.

    What is the set's own, or was there before at another side, does not come; a slot may stay empty.
    """
    dice = random.Random(f"{set_id} {seed}")
    outdoors = "wall_left" not in own
    pools = {"wall": _WALLS.get(set_id, _OPEN_WALLS), "floor": _OUTDOORS if outdoors else _INDOORS}
    found: dict[str, str] = {}
    for slot, usual in own.items():
        pool = [prop for prop in pools[slot.partition("_")[0]] if prop != usual and prop not in found.values()]
        empty = slot.startswith("floor") and dice.random() < _LEFT_FREE
        found[slot] = NOTHING if empty else dice.choice(pool)
    return found
