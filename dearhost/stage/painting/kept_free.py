"""What titles and names are not to cover: heads, hands and what they hold, captions at the top."""

from __future__ import annotations

from collections.abc import Mapping

from dearhost.hosts import PROPS, Host, Performance
from dearhost.stage.layout.caption_room import caption_box
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.timeline import PlacedHost, SceneTimeline
from dearhost.timebase import Span

_EVERY = 0.25
"""Seconds from look to look."""
_HEAD = 0.62
"""From the middle of a head to the end of its hair, of its height."""
_HAND = 30.0
"""Units from a palm to the end of the fingers."""
Played = Mapping[str, tuple[Host, Performance]]
"""Hosts by their ids, and what they do in a scene."""


class KeptFree:
    """Where that is in a scene, in pixels of a picture."""

    def __init__(self, scene: SceneTimeline, picture: Picture, played: Played) -> None:
        self._scene, self._picture, self._played = scene, picture, played

    def during(self, span: Span) -> list[Box]:
        """Everything at every look in ``span``: what stays longer in a place is there more often."""
        found: list[Box] = []
        choices, moment = self._scene.choices, span.start
        above = self._picture.pixels(caption_box(self._picture.shape, "top"))
        while moment < span.end:
            if choices.captions and choices.caption_place == "top":
                found.append(above)
            for placed in self._scene.shots[self._scene.shot_at(moment)].hosts:
                found += self._of(placed, moment)
            moment += _EVERY
        return found

    def _of(self, placed: PlacedHost, moment: float) -> list[Box]:
        """A host's head and hands."""
        host, performance = self._played[placed.host]
        pose = performance.pose(moment)
        scale = placed.head * self._picture.height / 100
        x = placed.x * self._picture.width + pose.root * scale * host.figure
        y, half = placed.y * self._picture.height, _HEAD * 100 * scale
        foot = y - host.head_centre.imag * scale
        boxes = [(x - half, y - half, x + half, y + half)]
        for side, arm in ((-1, pose.left), (1, pose.right)):
            palm = host.palm(pose, side)
            above, below = PROPS[arm.held.prop].extent if arm.held else (_HAND, _HAND)
            across = max(_HAND, above) * host.prop_size * scale
            up, down = above * host.prop_size * scale, max(_HAND, below) * host.prop_size * scale
            left, top = palm.real * scale + x, palm.imag * scale + foot
            boxes.append((left - across, top - up, left + across, top + down))
        return boxes
