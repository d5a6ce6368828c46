"""What titles and names are not to cover: heads, hands and what they hold or have before them, captions."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from dearhost.hosts import PROPS, Host, Performance, Pose
from dearhost.stage.layout.caption_room import caption_box, free_above_captions
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.timeline import PlacedHost, SceneTimeline
from dearhost.timebase import Span

_EVERY = 0.5
"""Seconds from look to look."""
_HEAD = 0.62
"""From the middle of a head to the end of its hair, of its height."""
_HAND = 30.0
"""Units from a palm to the end of the fingers."""
_SHOULDER = 16.0
"""Units about the middle of a shoulder."""
Played = Mapping[str, tuple[Host, Performance]]
"""Hosts by their ids, and what they do in a scene."""


class KeptFree:
    """Where that is in a scene, in pixels of a picture."""

    def __init__(self, scene: SceneTimeline, picture: Picture, played: Played) -> None:
        self._scene, self._picture, self._played = scene, picture, played

    def during(self, span: Span, *, bodies: bool) -> list[Box]:
        """Everything at every look in ``span``: what stays longer in a place is there more often. ``bodies``, which
        matter less, once."""
        found: list[Box] = []
        captions, moment = self._captions(), span.start
        while moment < span.end:
            found += captions
            for seen in self._seen(moment):
                found += seen.head_and_hands()
            moment += _EVERY
        return found + [seen.body() for seen in self._seen(span.start) if bodies]

    def _captions(self) -> list[Box]:
        """The room of captions, whether there is one at a moment or not: titles stay where they are."""
        choices, shape = self._scene.choices, self._picture.shape
        left, top, right, bottom = caption_box(shape, choices.caption_place)
        if choices.caption_place == "foot":
            top = free_above_captions(shape, choices)
        return [self._picture.pixels((left, top, right, bottom))] if choices.captions else []

    def _seen(self, moment: float) -> Iterator[_Seen]:
        for placed in self._scene.shots[self._scene.shot_at(moment)].hosts:
            yield _Seen(placed, *self._played[placed.host], self._picture, moment)


class _Seen:
    """A host at a moment."""

    def __init__(
        self, placed: PlacedHost, host: Host, performance: Performance, picture: Picture, moment: float
    ) -> None:
        self._host, self._performance, self._moment = host, performance, moment
        self._pose = performance.pose(moment)
        self._scale = placed.head * picture.height / 100
        self._x = placed.x * picture.width + self._pose.root * self._scale * host.figure
        self._y, self._end = placed.y * picture.height, float(picture.height)

    def head_and_hands(self) -> list[Box]:
        """With what hands hold, or what stands before them on a desk."""
        half = _HEAD * 100 * self._scale
        boxes = [(self._x - half, self._y - half, self._x + half, self._y + half)]
        for side, arm in ((-1, self._pose.left), (1, self._pose.right)):
            boxes.append(self._at_hand(self._pose, side, arm.held.prop if arm.held else ""))
        for item in self._performance.on_desk:
            if item.start <= self._moment < item.end:
                pose = self._performance.pose(item.touched)
                boxes.append(self._at_hand(pose, -1 if item.hand == "left" else 1, item.prop))
        return boxes

    def _at_hand(self, pose: Pose, side: int, prop: str) -> Box:
        above, below = PROPS[prop].extent if prop else (_HAND, _HAND)
        unit = self._host.prop_size * self._scale
        across, up, down = max(_HAND, above) * unit, above * unit, max(_HAND, below) * unit
        palm = (self._host.palm(pose, side) - 1j * self._host.head_centre.imag) * self._scale
        left, top = palm.real + self._x, palm.imag + self._y
        return left - across, top - up, left + across, top + down

    def body(self) -> Box:
        """From the shoulders down."""
        shoulder, _ = self._host.arm_base
        half = (shoulder.real + _SHOULDER) * self._scale
        top = self._y + (shoulder.imag - _SHOULDER) * self._scale
        return self._x - half, top, self._x + half, self._end
