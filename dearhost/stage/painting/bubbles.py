"""A host in a small window over other content, round or square."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

import skia

from dearhost.drawing.colours import paint
from dearhost.drawing.outlines import disc, moved
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.layer import Layer, PixelBox, pixel_box
from dearhost.stage.timeline import Bubble

_GROUND, _RIM = "#D7E4DC", "#FFFDF4"


def in_bubble(bubble: Bubble, hosts: Sequence[Layer], picture: Picture, number: int) -> list[Layer]:
    """The ground of the window, the hosts' layers cut to it, and its rim; ``number`` tells shots apart."""
    x, y, radius = bubble.x * picture.width, bubble.y * picture.height, bubble.radius * picture.height
    edge = 7 * picture.unit
    path = _outline(bubble, x, y, radius)
    box = pixel_box(
        (x - radius - 3 * edge, y - radius - 3 * edge, x + radius + 4 * edge, y + radius + 4 * edge), picture
    )

    def ground(canvas: Any) -> None:
        canvas.drawPath(moved(_outline(bubble, x, y, radius + edge), 0.9 * edge, 1.2 * edge), paint("ink", 0.28))
        canvas.drawPath(path, paint(_GROUND))

    def rim(canvas: Any) -> None:
        line = skia.Paint(paint(_RIM))
        line.setStyle(skia.Paint.kStroke_Style)
        line.setStrokeWidth(edge)
        canvas.drawPath(path, line)

    cut = [
        layer._replace(
            key=(layer.key, layer.place),
            box=_within(layer.box, box),
            draw=_clipped(layer.draw, path),
            place=(0, 0),
            reach=None,
        )
        for layer in hosts
    ]
    return [
        Layer(f"bubble.{number}", bubble, box, ground),
        *(layer for layer in cut if layer.box[2] > layer.box[0] and layer.box[3] > layer.box[1]),
        Layer(f"bubble rim.{number}", bubble, box, rim),
    ]


def _outline(bubble: Bubble, x: float, y: float, radius: float) -> Any:
    if not bubble.square:
        return disc(complex(x, y), radius)
    path = skia.Path()
    path.addRoundRect(skia.Rect.MakeLTRB(x - radius, y - radius, x + radius, y + radius), radius * 0.1, radius * 0.1)
    return path


def _within(box: PixelBox, other: PixelBox) -> PixelBox:
    return max(box[0], other[0]), max(box[1], other[1]), min(box[2], other[2]), min(box[3], other[3])


def _clipped(draw: Callable[[Any], None], path: Any) -> Callable[[Any], None]:
    def drawn(canvas: Any) -> None:
        canvas.save()
        canvas.clipPath(path, skia.ClipOp.kIntersect, True)
        draw(canvas)
        canvas.restore()

    return drawn
