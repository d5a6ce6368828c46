"""A person's head, part by part, each worked out once for rounded parameters.

The head's middle is the origin and it stands upright, 100 units high.
"""

from __future__ import annotations

from collections.abc import Callable
from contextlib import AbstractContextManager, nullcontext
from dataclasses import replace

from dearhost.drawing.outlines import lit_points, spline
from dearhost.drawing.paper import Paper
from dearhost.drawing.recorded import PictureShelf
from dearhost.hosts.people.back_view import draw_head_from_behind
from dearhost.hosts.people.eyes import draw_brow, draw_eye
from dearhost.hosts.people.face_parts import draw_beard, draw_blush, draw_glasses, draw_moustache, draw_wrinkles
from dearhost.hosts.people.hair import draw_back_hair, draw_front_hair
from dearhost.hosts.people.hair_styles import STYLES
from dearhost.hosts.people.head_space import HeadSpace, head_outline, head_points
from dearhost.hosts.people.headwear import HIDES_EARS, draw_headwear, draw_headwear_back
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.mouth import draw_mouth
from dearhost.hosts.people.nose_and_ears import draw_ear, draw_nose
from dearhost.hosts.people.torso import draw_earring
from dearhost.hosts.pose import Face, Mouth

_HAIR_SWAY = 0.10
"""Of its length that hair swings to a side."""
_TURNED_AWAY = 0.15
"""Sine of the head's turn from which features can reach over its edge and must be clipped."""

PairDrawing = Callable[[Paper, HeadSpace, ModelSheet, Face, int], None]


class DrawnHead:
    """Draws the parts of one model sheet's head."""

    def __init__(self, sheet: ModelSheet, shelf: PictureShelf) -> None:
        self._sheet, self._shelf = sheet, shelf
        self.lined = bool(sheet.beard) or sheet.age == "senior"
        """Whether the skull bears what must stay in step with eyes and mouth."""

    def back_hair(self, paper: Paper, head: HeadSpace, sway: float) -> None:
        """What hangs behind head and shoulders, and swings to a side by ``sway``."""
        paper.canvas.skew(_HAIR_SWAY * sway, 0)
        self._shelf.draw(paper, ("back hair", head.turned), lambda p: self._record_back_hair(p, head))

    def _record_back_hair(self, paper: Paper, head: HeadSpace) -> None:
        draw_headwear_back(paper, head, self._sheet)
        draw_back_hair(paper, head, self._sheet)

    def from_behind(self, paper: Paper, head: HeadSpace, sway: float) -> None:
        """The back of the head."""
        paper.canvas.skew(0.5 * _HAIR_SWAY * sway, 0)
        self._shelf.draw(paper, ("behind", head.turned[0]), lambda p: draw_head_from_behind(p, head, self._sheet))

    def skull(self, paper: Paper, head: HeadSpace) -> None:
        """What moves with the head and the jaw: skull, far ear, beard."""
        self._shelf.draw(paper, ("skull", head.turned, head.jaw_drop), lambda p: self._record_skull(p, head))

    def hair(self, paper: Paper, head: HeadSpace) -> None:
        """Front hair, the nearer ear, earrings."""
        self._shelf.draw(paper, ("hair", head.turned), lambda p: self._record_hair(p, head))

    def _record_skull(self, paper: Paper, head: HeadSpace) -> None:
        sheet = self._sheet
        points = head_points(head, sheet.features)
        path, lit = spline(points), spline(lit_points(points, paper.shaded(head.size * (0.056 + 0.03j))))
        far = head.far_side
        if not self._ears_covered:
            for side in (-1, 1):
                if far in (0, side):
                    draw_ear(paper, head, sheet, side)
        paper.piece(path, sheet.skin_base, sheet.skin_shade, ink=1.1, lit=lit)
        with paper.clipped(path, needed=abs(head.sin_yaw) > _TURNED_AWAY):
            draw_blush(paper, head, sheet)
            draw_wrinkles(paper, head, sheet)
        with paper.clipped(path, needed=sheet.beard == "stubble"):
            draw_beard(paper, head, sheet)

    @property
    def _ears_covered(self) -> bool:
        return STYLES[self._sheet.hair].covers_ears or self._sheet.headwear.kind in HIDES_EARS

    def _record_hair(self, paper: Paper, head: HeadSpace) -> None:
        sheet = self._sheet
        far, outline = head.far_side, head_outline(head, sheet.features)
        draw_front_hair(paper, head, sheet, outline)
        if not self._ears_covered and far:
            draw_ear(paper, head, sheet, -far)
        draw_headwear(paper, head, sheet, outline)
        if sheet.earring and sheet.headwear.kind not in HIDES_EARS:
            for side in (-1, 1):
                if far != side:
                    draw_earring(paper, head.solid(0.385 * side, 0.185, -0.02), sheet.earring)

    def eyes(self, paper: Paper, head: HeadSpace, face: Face) -> None:
        """Nose, eyes and brows, and the glasses before them."""
        turned = head.turned
        eyes = replace(face, brow_left=0, brow_right=0, brow_angle=0, brow_in=0)
        brows = Face(
            brow_left=face.brow_left, brow_right=face.brow_right, brow_angle=face.brow_angle, brow_in=face.brow_in
        )
        self._shelf.draw(paper, ("nose", turned), lambda p: draw_nose(p, head, self._sheet))
        self._shelf.draw(paper, ("eyes", turned, eyes), lambda p: self._record_pair(p, head, eyes, draw_eye))
        self._shelf.draw(paper, ("brows", turned, brows), lambda p: self._record_pair(p, head, brows, draw_brow))
        if self._sheet.glasses.kind:
            self._shelf.draw(paper, ("glasses", turned), lambda p: draw_glasses(p, head, self._sheet))

    def _record_pair(self, paper: Paper, head: HeadSpace, face: Face, draw: PairDrawing) -> None:
        """Something on both sides of the face."""
        with self._within_face(paper, head):
            for side in (-1, 1):
                draw(paper, head, self._sheet, face, side)

    def _within_face(self, paper: Paper, head: HeadSpace) -> AbstractContextManager[None]:
        """Clips to the face where it is turned so far that features can reach over its edge."""
        if abs(head.sin_yaw) <= _TURNED_AWAY:
            return nullcontext()
        return paper.clipped(head_outline(head, self._sheet.features))

    def mouth(self, paper: Paper, head: HeadSpace, mouth: Mouth) -> None:
        """The mouth, and the moustache over it."""

        def record(p: Paper) -> None:
            with self._within_face(p, head):
                draw_mouth(p, head, self._sheet, mouth)
            draw_moustache(p, head, self._sheet, mouth)

        self._shelf.draw(paper, ("mouth", head.turned, head.jaw_drop, mouth), record)
