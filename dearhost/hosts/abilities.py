"""What a host can do. Direction asks for abilities, never for a class of host."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Abilities:
    """What a host can do, and how its body does it.

    ``hands``: gestures of hands, and props; ``fingers``: hands with fingers rather than wings or flippers.
    ``walks``: comes, goes and moves across the picture; ``steps``: on legs that step rather than by waddling.
    ``whole_figure``: can be seen from head to foot. ``supple``: a trunk that bends more than a person's.
    ``lips``: a mouth with lips rather than a beak or muzzle, which opens wider.
    """

    hands: bool = True
    fingers: bool = True
    walks: bool = True
    steps: bool = True
    sits: bool = True
    turns: bool = True
    whole_figure: bool = True
    expressions: bool = True
    gaze: bool = True
    supple: bool = False
    lips: bool = True


PERSON = Abilities()
ANIMAL = Abilities(fingers=False, steps=False, supple=True, lips=False)
