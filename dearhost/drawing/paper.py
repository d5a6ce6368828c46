"""Drawing in cut paper: pieces with one ink edge and one shade, tapered brush lines."""

from __future__ import annotations

import itertools
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import skia

from dearhost.drawing.colours import mix, paint, rgb
from dearhost.drawing.fonts import Word
from dearhost.drawing.outlines import Points, band, clamp, cut, moved, taper

Box = tuple[float, float, float, float]


class Paper:
    """A canvas to cut and stick paper on; ``scale`` is its pixels a unit, which sets the line weight.

    ``shade_side``: where pieces are in shade, 1 the right where the light comes from the left, -1 the left.
    """

    def __init__(self, canvas: Any, scale: float, shade_side: int = 1) -> None:
        self.canvas, self.shade_side = canvas, shade_side
        self.set_scale(scale)

    @classmethod
    def on(cls, canvas: Any, shade_side: int = 1) -> Paper:
        """Paper on a canvas as it is scaled now."""
        return cls(canvas, canvas.getTotalMatrix().getScaleX(), shade_side)

    def shaded(self, crescent: complex) -> complex:
        """A crescent of shade that is given as it lies at the right, on the side where shade is."""
        return complex(crescent.real * self.shade_side, crescent.imag)

    def set_scale(self, scale: float) -> None:
        """Line weight grows slower than the framing (optical scaling)."""
        self.scale = max(scale, 0.05)
        factor = clamp((1.05 / self.scale) ** 0.42, 0.55, 1.5)
        self.ink = (1.5 * factor, 1.3 * factor)
        self.rim = 0.8 * factor

    @contextmanager
    def placed(self, x: float, y: float, scale: float = 1.0) -> Iterator[None]:
        """Move the origin to (x, y) and draw ``scale`` times as large inside."""
        before = self.scale
        self.canvas.save()
        self.canvas.translate(x, y)
        self.canvas.scale(scale, scale)
        self.set_scale(before * abs(scale))
        try:
            yield
        finally:
            self.canvas.restore()
            self.set_scale(before)

    @contextmanager
    def frame(self, origin: complex, degrees: float) -> Iterator[None]:
        """A part's own frame inside: its origin at (0, 0), turned by ``degrees``."""
        self.canvas.save()
        self.canvas.translate(origin.real, origin.imag)
        self.canvas.rotate(degrees)
        try:
            yield
        finally:
            self.canvas.restore()

    @contextmanager
    def clipped(self, path: Any, *, needed: bool = True, outside: bool = False) -> Iterator[None]:
        """Draw inside ``path`` only, or ``outside`` it.

        Clipping is expensive: pass ``needed`` False where nothing can reach over.
        """
        if not needed:
            yield
            return
        self.canvas.save()
        self.canvas.clipPath(path, skia.ClipOp.kDifference if outside else skia.ClipOp.kIntersect, True)
        try:
            yield
        finally:
            self.canvas.restore()

    def flat(self, path: Any, colour: str, alpha: float = 1.0) -> None:
        """Fill, nothing more."""
        self.canvas.drawPath(path, paint(colour, alpha))

    def photo(self, image: Any, part: Box, place: Box, scaling: Any) -> None:
        """A ``part`` of an image, in its pixels, in a ``place``: left, top, right, bottom each."""
        self.canvas.drawImageRect(image, skia.Rect.MakeLTRB(*part), skia.Rect.MakeLTRB(*place), scaling)

    def write(self, word: Word, x: float, y: float) -> None:
        """Text with the left end of its baseline at (x, y)."""
        word.draw(self.canvas, x, y)

    def dot(self, centre: complex, radius: float, colour: str) -> None:
        """A small disc without edge."""
        self.canvas.drawCircle(centre.real, centre.imag, radius, paint(colour))

    def ink_edge(self, path: Any, weight: float = 1.0) -> None:
        """The lower edge on the side of the shade in ink: the same path, slid."""
        self.canvas.save()
        self.canvas.translate(self.ink[0] * weight * self.shade_side, self.ink[1] * weight)
        self.canvas.drawPath(path, paint("ink"))
        self.canvas.restore()

    def piece(self, path: Any, base: str, shade: str | None = None, *, ink: float = 1.0,
              crescent: tuple[float, float] = (5.0, 4.0), rim: bool = True, lit: Any = None) -> None:  # fmt: skip
        """One piece of paper: ink edge, flat fill, a hard shade at its lower edge, a light rim.

        ``crescent`` is how far the shade reaches in, as it lies at the right. ``lit`` is what the light falls on,
        where it is known; else it is cut out.
        """
        canvas = self.canvas
        if canvas.quickReject(path.getBounds().makeOutset(4, 4)):
            return
        half = self.rim / 2 if rim else 0.0
        aside = half * self.shade_side
        canvas.save()
        canvas.translate(aside, half)
        if ink:
            self.ink_edge(path, ink)
        if rim:  # light, and on it the piece a little lower and aside: quicker than cutting the rim out
            lightness = 0.18 + 0.22 * (sum(rgb(base)) / 765)
            canvas.translate(-2 * aside, -2 * half)
            canvas.drawPath(path, paint(mix(base, "#FFF6E4", round(lightness, 3))))
            canvas.translate(2 * aside, 2 * half)
        canvas.drawPath(path, paint(shade or base))
        if lit is not None:
            canvas.drawPath(lit, paint(base))
        elif shade is not None:
            in_light = moved(path, -crescent[0] * self.shade_side, -crescent[1])
            self._cut(path, in_light, skia.PathOp.kIntersect_PathOp, paint(base))
        canvas.restore()

    def cast(self, onto: Any, caster: Any, dx: float = 4.0, dy: float = 6.0, colour: str = "ink",
             alpha: float = 0.16) -> None:  # fmt: skip
        """The hard shadow ``caster`` throws on the piece ``onto``, slid by ``dx`` to the side of the shade."""
        self._cut(moved(caster, dx * self.shade_side, dy), onto, skia.PathOp.kIntersect_PathOp, paint(colour, alpha))

    def _cut(self, path: Any, other: Any, operation: Any, fill: Any) -> None:
        """Fill ``path`` less ``other``, or what both share; by clipping where path operations give up."""
        found = cut(path, other, operation)
        if found is not None:
            self.canvas.drawPath(found, fill)
        else:
            keep = operation == skia.PathOp.kIntersect_PathOp
            self.canvas.save()
            self.canvas.clipPath(other, skia.ClipOp.kIntersect if keep else skia.ClipOp.kDifference, True)
            self.canvas.drawPath(path, fill)
            self.canvas.restore()

    def brush(self, pts: Points, width: float, colour: str = "ink", *, tip: float = 0.15, tail: float = 0.15,
              peak: float = 0.5, alpha: float = 1.0, steps: int = 0, within: Any = None) -> None:  # fmt: skip
        """A tapered line through ``pts``, ``width`` at its peak; ``tip`` and ``tail`` are shares of it.

        Only what lies in the path ``within`` is drawn, when it is given.
        """
        if not steps:
            longest = max(abs(b - a) for a, b in itertools.pairwise(pts))
            steps = 1 if longest * self.scale < 16 else 2 if longest * self.scale < 60 else 3
        path = band(pts, taper((len(pts) - 1) * steps + 1, tip, tail, peak), width * 0.5, steps)
        fill = paint(colour, round(alpha, 2))
        if within is not None:
            self._cut(path, within, skia.PathOp.kIntersect_PathOp, fill)
            return
        self.canvas.drawPath(path, fill)
        for end, share in ((pts[0], tip), (pts[-1], tail)):
            if share * width > 1.0:
                self.canvas.drawCircle(end.real, end.imag, width * 0.5 * share, fill)
