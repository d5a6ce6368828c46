"""Props: things a host holds, each drawn in a box of 100 units round the origin."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from contextlib import AbstractContextManager
from dataclasses import dataclass

import skia

from dearhost.assets import SMOOTH, OwnPicture
from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.paper import Box, Paper
from dearhost.things.drawn import held

OWN_PICTURE, TABLET = "own-picture", "tablet"
_TOP, _HAND, _FRAME = 44.0, 26.0, 8.0
"""Units: from the middle of a prop's box to its top, from a palm to the end of the fist, and what is about a board."""


@dataclass(frozen=True)
class Contents:
    """What a production puts on props.

    ``letter`` draws words in the middle of the origin, within a width and a height; ``picture`` opens one by its id.
    ``frame`` says which frame of a thing of the shelf is seen so many seconds after it was taken, ``screen`` draws it
    in a box, whole.
    """

    letter: Callable[[Paper, str, float, float], None]
    picture: Callable[[str], OwnPicture | None]
    frame: Callable[[str, float], int]
    screen: Callable[[Paper, str, int, Box], None]


@dataclass(frozen=True)
class Prop:
    """``size`` units for the box of 100; ``grip`` is where the palm lies in the box.

    ``turn`` degrees it leans outward in the hand. ``hands`` 2: the other hand holds it at the mirrored place.
    """

    draw: Callable[[Paper], None]
    size: float
    grip: tuple[float, float]
    turn: float = 0.0
    hands: int = 1
    also: str = ""
    faces: bool = False
    """Points outward: mirrored in the left hand."""
    slide: float = 0.0
    """Units that it is held lower by who has shoulders near the head, so that it does not hide the face."""
    standing: bool = True
    """Whether it can stand on a desk; what cannot lies there."""
    foot: float = 44.0
    """The y of what it stands on, in the box."""
    board: tuple[float, float, float] | None = None
    """Where words go: the middle's y, width and height, in the box."""
    screen: Box | None = None
    """Where pictures and clips of the shelf are seen: left, top, right and bottom, in the box."""
    content: str = "text"
    """The setting of the cue it is taken with that says what is on it."""

    @property
    def hangs(self) -> bool:
        """Whether it hangs from the hand."""
        return self.grip[1] < 0

    @property
    def extent(self) -> tuple[float, float]:
        """Units that it reaches above and below the palm, with the hand that has it. Under a board neither stick nor
        hand have to be seen: it ends above them, so that the second is less than 0."""
        scale = self.size / 100
        above = max(_HAND, (self.grip[1] + _TOP) * scale)
        if self.board:
            middle, _, height = self.board
            return above, (middle + height / 2 + _FRAME - self.grip[1]) * scale
        return above, max(_HAND, (self.foot - self.grip[1]) * scale)


PROPS: Mapping[str, Prop] = {
    "tide-clock": Prop(held.draw_tide_clock, 100, (30, 34), also="watch time dial"),
    "map": Prop(held.draw_map, 150, (46, 20), hands=2, also="chart route plan"),
    "mug": Prop(held.draw_mug, 58, (0, 6), also="cup tea coffee drink"),
    "lantern": Prop(held.draw_lantern, 100, (0, -48), also="lamp light"),
    "shell": Prop(held.draw_shell, 84, (4, 22), also="scallop find beach"),
    "book": Prop(held.draw_book, 86, (10, 42), turn=6, also="guide read catalogue"),
    TABLET: Prop(held.draw_tablet, 118, (46, 20), hands=2, also="screen app device", screen=held.SCREEN,
                 content="screen"),
    "sign": Prop(held.draw_sign, 132, (0, 44), also="board words placard", slide=34, foot=68, board=(-15, 88, 34)),
    "parcel": Prop(held.draw_parcel, 112, (44, 20), hands=2, also="box package gift product delivery"),
    "flower": Prop(held.draw_flower, 86, (0, 36), turn=8, standing=False, also="thanks bouquet gift"),
    "megaphone": Prop(held.draw_megaphone, 92, (-10, 22), turn=-14, faces=True, also="announce loud speaker"),
    "pointer": Prop(held.draw_pointer, 104, (0, 34), turn=24, standing=False, also="stick show teach"),
    OWN_PICTURE: Prop(lambda paper: None, 116, (0, 38), foot=50, also="photo product logo image upload", slide=20,
                      content="picture"),
}  # fmt: skip


def prop_reach(name: str) -> float:
    """Units that a prop reaches from the palm at most."""
    prop = PROPS[name]
    return (max(abs(prop.grip[0]), abs(prop.grip[1])) + 88) * prop.size / 100


LYING = 84.0
"""Degrees that what cannot stand is laid over."""


def draw_laid(paper: Paper, name: str, side: int, content: str, contents: Contents | None) -> None:
    """A prop on a desk: as ``draw_prop``, leaning or lying as it is when a hand takes it."""
    prop = PROPS[name]
    paper.canvas.save()
    paper.canvas.rotate(side * (prop.turn + (0 if prop.standing else LYING)))
    draw_prop(paper, name, side, content, contents)
    draw_on_screen(paper, name, side, content, contents)
    if prop.board:
        foot = (prop.foot - prop.grip[1]) * prop.size / 100
        paper.piece(cut_rect(-22, foot - 8, 44, 11, 0.6), "#A87B4C", darker("#A87B4C"), crescent=(6, 3))
    paper.canvas.restore()


def draw_prop(paper: Paper, name: str, side: int, content: str = "", contents: Contents | None = None) -> None:
    """A prop with its grip at the origin, upright, in units, for the hand at the left (-1) or right (1).

    ``content``: the words on its board, or the id of the picture it is.
    """
    prop = PROPS[name]
    with _gripped(paper, prop, side):
        if prop.faces and side < 0:
            paper.canvas.scale(-1, 1)
        if name == OWN_PICTURE:
            _draw_own_picture(paper, contents.picture(content) if contents and content else None)
        else:
            prop.draw(paper)
        if prop.board and content and contents:
            y, width, height = prop.board
            with paper.placed(0, y):
                contents.letter(paper, content, width, height)


def draw_on_screen(paper: Paper, name: str, side: int, content: str, contents: Contents | None, frame: int = 0) -> None:
    """What is on the screen of a prop, drawn after it as ``draw_prop`` places it; nothing where it has no screen.

    Apart, because it may be another one at each frame. ``content``: the id of a thing of the shelf.
    """
    prop = PROPS[name]
    if prop.screen and content and contents:
        with _gripped(paper, prop, side):
            contents.screen(paper, content, frame, prop.screen)


def _gripped(paper: Paper, prop: Prop, side: int) -> AbstractContextManager[None]:
    """In a prop's box of 100, its grip where the origin was."""
    scale = prop.size / 100
    return paper.placed(-prop.grip[0] * scale * side, -prop.grip[1] * scale, scale)


def _draw_own_picture(paper: Paper, own: OwnPicture | None) -> None:
    """A picture in a box of 100 units, standing on its lower edge: on a mount, or, when it is cut out, by itself. An
    empty mount where there is none."""
    wide, high = (own.image.width(), own.image.height()) if own else (4, 3)
    scale = 100 / max(wide, high)
    width, height = wide * scale, high * scale
    left, top = -width / 2, 50 - height
    if own is None or not own.cut_out:
        paper.piece(cut_rect(left - 4, top - 4, width + 8, height + 8, 0.6), "#FFFDF4", darker("#FFFDF4", 0.12),
                    crescent=(3, 3))  # fmt: skip
    if own is not None:
        paper.canvas.drawImageRect(own.image, skia.Rect.MakeXYWH(left, top, width, height), SMOOTH)
