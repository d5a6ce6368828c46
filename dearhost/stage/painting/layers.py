"""A scene's picture as layers, back to front, at any frame.

Hosts' bodies are held for two frames while they move slowly: that halves the drawing
without judder. Faces, captions and titles move on every frame.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any

from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.hosts import Contents, Face, Host, OnDesk, Part, Performance, Pose, draw_laid, prop_reach
from dearhost.production import Resources
from dearhost.production.caption_choices import with_own
from dearhost.stage.backdrops import UNLIT, HostLight
from dearhost.stage.captions import Caption
from dearhost.stage.layout.furniture import FurnitureDrawing, PlacedFurniture
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.bubbles import in_bubble
from dearhost.stage.painting.held_screens import HeldScreens
from dearhost.stage.painting.kept_free import KeptFree
from dearhost.stage.painting.layer import Layer, PixelBox, coarse_reach, pixel_box
from dearhost.stage.painting.lettering import CaptionDrawing, sign_lettering
from dearhost.stage.painting.shown import FIGURE, ShownLayers, Supplies
from dearhost.stage.timeline import GLIDE, PlacedHost, SceneTimeline
from dearhost.timebase import FrameRate

_SLOW_WRIST = 2.0 / 720
"""Of the picture's height a frame: below it a body may be held for two frames."""
_SLOW_HEAD = 0.8
"""Degrees a frame."""
_SLOW_HAND = 3.0
"""Degrees a frame."""
_WHOLE_PIXELS = 1.6
"""Pixels a unit from which heads, trunks and arms go from pixel to pixel; smaller ones in parts of pixels."""
_SLOW_EYES = 0.08
"""Of the whole way of a lid or an eye, a frame."""


@dataclass(frozen=True, slots=True)
class Glide:
    """A host comes to its place from ``by`` (a fraction of the width) aside; ``start`` is in scene time."""

    start: float
    by: float

    def off(self, moment: float) -> float:
        """How far from its place it still is; 0 when it is there."""
        part = min(1.0, max(0.0, (moment - self.start) / GLIDE))
        return self.by * (1 - part * part * (3 - 2 * part))


class HostLayers:
    """One host in place."""

    def __init__(
        self, placed: PlacedHost, host: Host, performance: Performance, shot: int, picture: Picture,
        frame_rate: FrameRate, glide: Glide | None = None, light: HostLight = UNLIT,
    ) -> None:  # fmt: skip
        self.host, self._glide, self._light = host, glide, light
        self.name, self._picture, self._rate = f"{placed.host}.{shot}", picture, frame_rate
        self.performance = performance
        self.scale = placed.head * picture.height / 100
        self.x, self.y = placed.x * picture.width, placed.y * picture.height
        self._offset = self.y - self.host.head_centre.imag * self.scale
        self._step = 1.0 if self.scale > _WHOLE_PIXELS else 0.5 if self.scale > _WHOLE_PIXELS / 2 else 0.25
        self._poses: dict[float, Pose] = {}
        self._on_desk = performance.on_desk

    def layers(self, frame: int) -> list[Layer]:
        """The host's layers at a frame of the scene."""
        pose = self._held_pose(frame)
        x = self.x + pose.root * self.scale * self.host.figure
        if self._glide:
            x += self._glide.off(self._rate.start_of(frame)) * self._picture.width
        return [self._layer(part, x) for part in self.host.parts(pose, self.scale)]

    def _layer(self, part: Part, x: float) -> Layer:
        """A part as a layer; what has a place of its own goes there in steps."""
        if not part.at:
            box, draw = self._pixels(part.box, x), self._drawer(part.draw, x, self._offset)
            return Layer(f"{self.name}.{part.name}", (part.key, x), box, draw, light=self._light.fill)
        left = round((x + part.at.real * self.scale) / self._step) * self._step
        top = round((self._offset + part.at.imag * self.scale) / self._step) * self._step
        about = tuple(side * self.scale for side in part.box)
        box = pixel_box((about[0] + left, about[1] + top, about[2] + left, about[3] + top), self._picture)
        place = math.floor(left), math.floor(top)
        key = part.key, left - place[0], top - place[1]
        reach = coarse_reach((about[0], about[1], about[2] + 1, about[3] + 1), place, self._picture)
        drawer = self._drawer(part.draw, left, top)
        return Layer(f"{self.name}.{part.name}", key, box, drawer, place, reach, self._light.fill)

    def on_desk(self, moment: float) -> list[Layer]:
        """What stands on the desk before the host."""
        return [self._standing(item) for item in self._on_desk if item.start <= moment < item.end]

    @lru_cache(maxsize=16)  # noqa: B019 - lives as long as its scene does
    def _standing(self, item: OnDesk) -> Layer:
        side = -1 if item.hand == "left" else 1
        pose = self._pose(item.touched)
        palm = self.host.palm(pose, side) + pose.root * self.host.figure
        reach = prop_reach(item.prop) * self.host.prop_size

        def draw(paper: Paper) -> None:
            with paper.placed(palm.real, palm.imag, self.host.prop_size):
                draw_laid(paper, item.prop, side, item.content, self.performance.contents)

        box = (palm.real - reach, palm.imag - reach, palm.real + reach, palm.imag + reach)
        name = f"{self.name}.{item.prop}.{item.hand}.{item.start:.2f}"
        drawer = self._drawer(draw, self.x, self._offset)
        return Layer(name, item, self._pixels(box, self.x), drawer, light=self._light.fill)

    def _held_pose(self, frame: int) -> Pose:
        """The mouth of this frame; trunk and arms, head, and eyes, each of the even frame before while slow."""
        now = self._pose(self._rate.centre_of(frame))
        if frame % 2 == 0:
            return now
        before = self._pose(self._rate.centre_of(frame - 1))
        if before.root != now.root or before.legs != now.legs:  # under way
            return now
        body, left, right = now.body, now.left, now.right
        if not self._hands_fast(before, now):
            head = {name: getattr(body, name) for name in ("yaw", "pitch", "roll", "jaw", "head_x")}
            body, left, right = replace(before.body, **head), before.left, before.right
        turn = abs(before.body.yaw - now.body.yaw), abs(before.body.pitch - now.body.pitch)
        if max(turn) <= _SLOW_HEAD:
            head = {name: getattr(before.body, name) for name in ("yaw", "pitch", "roll", "jaw", "head_x")}
            body = replace(body, **head)
        face = now.face if _eyes_fast(before.face, now.face) else before.face
        return replace(now, body=body, left=left, right=right, face=face)

    def _pose(self, moment: float) -> Pose:
        if moment not in self._poses:
            if len(self._poses) > 8:
                self._poses.clear()
            self._poses[moment] = self.performance.pose(moment)
        return self._poses[moment]

    def _hands_fast(self, before: Pose, now: Pose) -> bool:
        """Whether a hand moves too fast to be held still for a frame."""
        allowed = _SLOW_WRIST * self._picture.height / self.scale / 186
        return any(
            math.hypot(a.x - b.x, a.y - b.y) > allowed or abs(a.angle - b.angle) > _SLOW_HAND
            for a, b in ((before.left, now.left), (before.right, now.right))
        )

    def _pixels(self, box: tuple[float, float, float, float], x: float) -> PixelBox:
        left, top, right, bottom = box
        return pixel_box(
            (left * self.scale + x, top * self.scale + self._offset, right * self.scale + x,
             bottom * self.scale + self._offset), self._picture,
        )  # fmt: skip

    def _drawer(self, draw: Callable[[Paper], None], x: float, y: float) -> Callable[[Any], None]:
        def placed(canvas: Any) -> None:
            canvas.save()
            canvas.translate(x, y)
            canvas.scale(self.scale, self.scale)
            draw(Paper.on(canvas, self._light.shade_side))
            canvas.restore()

        return placed


def _split_at_body(layers: list[Layer]) -> tuple[list[Layer], list[Layer]]:
    """A host's layers behind what stands in front of it, and those over it."""
    last = next(i for i, layer in enumerate(layers) if layer.name.endswith(".body"))
    return layers[: last + 1], layers[last + 1 :]


def _cut_at(layer: Layer, bottom: int) -> Layer:
    """The layer down to ``bottom``: what is below is behind something."""
    left, top, right, low = layer.box
    return layer._replace(box=(left, top, right, max(top, min(low, bottom))))


def _eyes_fast(before: Face, now: Face) -> bool:
    """Whether lids or gaze move too fast to be held still for a frame."""
    return max(abs(now.blink - before.blink), abs(now.lid - before.lid), abs(now.gaze_x - before.gaze_x),
               abs(now.gaze_y - before.gaze_y)) > _SLOW_EYES  # fmt: skip


class LetteringLayers:
    """Title and caption of a scene, which keep their place whatever the camera does."""

    def __init__(self, scene: SceneTimeline, picture: Picture, frame_rate: FrameRate, supplies: Supplies) -> None:
        self.scene, self.picture, self._rate = scene, picture, frame_rate
        self._fonts = supplies.fonts
        self.shown = ShownLayers(scene, picture, supplies)

    def layers(self, frame: int) -> list[Layer]:
        """Back to front at a frame of the scene."""
        moment = self._rate.start_of(frame)
        layers = self.shown.layers(moment, steady=True)
        caption = self.scene.caption_at(moment)
        if caption and dict(caption.own).get("captions", self.scene.choices.captions):
            drawing = self.caption_drawing(caption)
            word = caption.word_at(moment)
            key = (caption.start, word)
            layers.append(Layer("caption", key, pixel_box(drawing.box, self.picture), lambda c: drawing.draw(c, word)))
        return layers

    @lru_cache(maxsize=64)  # noqa: B019 - lives as long as its scene does
    def caption_drawing(self, caption: Caption) -> CaptionDrawing:
        """The caption laid out for this picture."""
        return CaptionDrawing(caption, self.picture, self._fonts, with_own(self.scene.choices, caption.own))


class SceneLayers:
    """All layers of a scene but its set."""

    def __init__(self, scene: SceneTimeline, light: HostLight, picture: Picture, frame_rate: FrameRate,
                 resources: Resources, lettered: Picture | None = None) -> None:  # fmt: skip
        """``lettered``: the picture that title and caption are for, where the camera sees only a part of this one."""
        self.scene, self.picture, self._rate = scene, picture, frame_rate
        self._light = light
        fonts = Fonts.at(resources.fonts, scene.choices.type)
        screens = HeldScreens(resources.shelf, picture.height)
        contents = Contents(sign_lettering(fonts), resources.pictures.open, screens.frame, screens.draw)
        played = {
            host: (resources.hosts.host(host), Performance(role, frame_rate, contents))
            for host, role in scene.roles.items()
        }
        lettered = lettered or picture
        supplies = Supplies(fonts, resources.shelf, KeptFree(scene, lettered, played).during)
        self._shown = ShownLayers(scene, picture, supplies)
        self.lettering = LetteringLayers(scene, lettered, frame_rate, supplies)
        self.shots = [
            [
                HostLayers(
                    placed, *played[placed.host], number, picture, frame_rate, _glide(scene, number, placed), light
                )
                for placed in shot.hosts
            ]
            for number, shot in enumerate(scene.shots)
        ]

    def layers(self, frame: int) -> list[Layer]:
        """Back to front at a frame of the scene: hosts, title, caption."""
        return self.seen(frame) + self.lettering.layers(frame)

    def seen(self, frame: int) -> list[Layer]:
        """What the camera sees: hosts, what they stand behind, pictures."""
        moment = self._rate.start_of(frame)
        number = self.scene.shot_at(moment)
        shot, hosts = self.scene.shots[number], [host.layers(frame) for host in self.shots[number]]
        shown = self._figures_in_light(self._shown.layers(moment, steady=False))
        beside = self._figures_in_light(self._shown.layers(moment, steady=False, behind=True))
        if shot.bubble:
            return [
                *beside,
                *shown,
                *in_bubble(shot.bubble, [layer for own in hosts for layer in own], self.picture, number),
            ]
        if shot.furniture and hosts:
            drawing = self._furniture_drawing(shot.furniture)
            box = pixel_box(drawing.box, self.picture)
            desk = Layer(f"furniture.{number}", shot.furniture, box, drawing.draw, light=self._light.fill)
            behind, before = zip(*(_split_at_body(own) for own in hosts), strict=True)
            hidden = [_cut_at(layer, box[1] + 24) for layer in itertools.chain(*behind)]
            standing = [item for host in self.shots[number] for item in host.on_desk(moment)]
            return [*beside, *hidden, desk, *standing, *itertools.chain(*before), *shown]
        return [*beside, *itertools.chain(*hosts), *shown]

    def _figures_in_light(self, layers: list[Layer]) -> list[Layer]:
        """The layers, figures that stand on the stage in its light."""
        return [layer._replace(light=self._light.fill) if layer.name == FIGURE else layer for layer in layers]

    @lru_cache(maxsize=4)  # noqa: B019 - lives as long as its scene does
    def _furniture_drawing(self, furniture: PlacedFurniture) -> FurnitureDrawing:
        return FurnitureDrawing(furniture, self.picture, self._light.shade_side)


def _glide(scene: SceneTimeline, number: int, placed: PlacedHost) -> Glide | None:
    """How a host comes to its place in a shot that glides."""
    shot = scene.shots[number]
    if not shot.glides or number == 0:
        return None
    before = next((host for host in scene.shots[number - 1].hosts if host.host == placed.host), placed)
    return Glide(shot.start, before.x - placed.x)
