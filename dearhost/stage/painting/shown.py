"""What is shown on the picture for a while, and what draws each kind of it."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from functools import partial
from typing import Any, Protocol

from dearhost.assets.shelf import Shelf
from dearhost.drawing.fonts import Fonts
from dearhost.production.shown_cues import BY_HAND, ON_THE_WALL
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.clip_lines import ClipDrawing
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.figures import FigureDrawing
from dearhost.stage.painting.layer import Layer, pixel_box
from dearhost.stage.painting.logos import LogoDrawing
from dearhost.stage.painting.panels import (
    ComparisonPanel,
    EndCardPanel,
    LargeWordsPanel,
    ListPanel,
    NumberPanel,
    OwnPanel,
    PicturePanel,
    QuotationPanel,
    TitleCardPanel,
)
from dearhost.stage.painting.titles import NameDrawing, Taken, TitleDrawing
from dearhost.stage.timeline import HEADING, LOGO, TITLE_CARD, SceneTimeline, Shown
from dearhost.timebase import Span

FIGURE = "figure"
"""The kind, and the place, of what stands on the stage with the hosts."""


class ShownDrawing(Protocol):
    """Something laid out for one picture. ``box`` in pixels holds all that is drawn."""

    box: tuple[float, float, float, float]

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels."""

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene."""


class KeptFreeOf(Protocol):
    """What titles and names are not to cover from when to when, in pixels, as often as it is seen there; ``bodies``:
    hosts as a whole, rather than faces and hands alone."""

    def __call__(self, span: Span, *, bodies: bool) -> list[Box]: ...


def _nothing(span: Span, *, bodies: bool) -> list[Box]:
    return []


@dataclass(frozen=True, slots=True)
class Supplies:
    """What is drawn with: the fonts of the production, the things of its shelf, and what is not to be covered."""

    fonts: Fonts
    shelf: Shelf
    kept_free: KeptFreeOf = _nothing


@dataclass(frozen=True, slots=True)
class ShownKind:
    """How a kind is drawn. ``place``: of all shown in one place only the latest is seen; ``steady``: it keeps its
    place whatever the camera does."""

    place: str
    drawing: Callable[[Shown, Picture, Supplies], ShownDrawing]
    steady: bool = False


def _lettered(drawing: Callable[[Shown, Picture, Fonts], ShownDrawing]) -> Callable[..., ShownDrawing]:
    """What draws with fonts alone."""
    return lambda shown, picture, supplies: drawing(shown, picture, supplies.fonts)


Slipping = Callable[[Shown, Picture, Fonts, Taken], ShownDrawing]


def _slip(drawing: Slipping, *, bodies: bool) -> Callable[..., ShownDrawing]:
    """What lies where it covers least."""
    return lambda shown, picture, supplies: drawing(
        shown, picture, supplies.fonts, partial(supplies.kept_free, shown.span, bodies=bodies)
    )


def _own(shown: Shown, picture: Picture, supplies: Supplies) -> ShownDrawing:
    return OwnPanel(shown, picture, supplies.fonts, supplies.shelf)


def _figure(shown: Shown, picture: Picture, supplies: Supplies) -> ShownDrawing:
    return FigureDrawing(shown, picture, supplies.shelf)


def _clip(shown: Shown, picture: Picture, supplies: Supplies) -> ShownDrawing:
    return ClipDrawing(shown, picture, supplies.shelf)


def _logo(shown: Shown, picture: Picture, supplies: Supplies) -> ShownDrawing:
    return LogoDrawing(shown, picture, supplies.shelf)


SHOWN: Mapping[str, ShownKind] = {
    "clip": ShownKind("clip", _clip),
    FIGURE: ShownKind(FIGURE, _figure),
    "picture": ShownKind("cutaway", _lettered(PicturePanel)),
    "own": ShownKind("cutaway", _own),
    "list": ShownKind("cutaway", _lettered(ListPanel)),
    "number": ShownKind("cutaway", _lettered(NumberPanel)),
    "quotation": ShownKind("cutaway", _lettered(QuotationPanel)),
    "comparison": ShownKind("cutaway", _lettered(ComparisonPanel)),
    "words": ShownKind("cutaway", _lettered(LargeWordsPanel)),
    "end-card": ShownKind("cutaway", _lettered(EndCardPanel)),
    "lower-third": ShownKind("title", _slip(NameDrawing, bodies=False), steady=True),
    HEADING: ShownKind("title", _slip(TitleDrawing, bodies=True), steady=True),
    "title": ShownKind("title", _slip(TitleDrawing, bodies=True), steady=True),
    TITLE_CARD: ShownKind("title", _lettered(TitleCardPanel), steady=True),
    LOGO: ShownKind(LOGO, _logo, steady=True),
}
"""By kind, back to front: every kind of cue that is ``shown``, and what a scene shows of itself."""
_BEHIND = ("left", "right", *ON_THE_WALL, "behind-left", "behind-middle", "behind-right")
"""Regions beside and behind a host, who stands before what is shown there: no hand is hidden by it."""
_SMALL = ("card-", "wall-", BY_HAND)
"""How regions begin that leave most of the picture free."""
_ORDER = {kind: order for order, kind in enumerate(SHOWN)}


def _place_of(item: Shown) -> str:
    """What shares a place is not seen at once; what is put by hand has one of its own."""
    if item.region != BY_HAND:
        return SHOWN[item.kind].place
    return f"{BY_HAND} {item.kind} {item.span.start} {item.text('x')} {item.text('y')}"


class ShownLayers:
    """Layers of what a scene shows."""

    def __init__(self, scene: SceneTimeline, picture: Picture, supplies: Supplies) -> None:
        self._scene, self._picture = scene, picture
        self._hosts = supplies.kept_free
        self._supplies = replace(supplies, kept_free=self._kept_free)
        self._drawings: dict[tuple[str, str, float], ShownDrawing] = {}

    def layers(self, moment: float, *, steady: bool, behind: bool = False) -> list[Layer]:
        """What is on the picture at ``moment`` of the scene, back to front: what is ``steady``, or what is not; of that
        what lies ``behind`` the hosts, or before them."""
        by_place = {_place_of(item): item for item in self._scene.shown_at(moment)}
        items = sorted(by_place.values(), key=lambda item: _ORDER[item.kind])
        return [
            self._layer(item, moment)
            for item in items
            if SHOWN[item.kind].steady == steady and (item.region in _BEHIND) == behind
        ]

    def drawing(self, item: Shown) -> ShownDrawing:
        """What draws ``item``, laid out for this picture."""
        name = _place_of(item), item.kind, item.span.start
        if name not in self._drawings:
            self._drawings[name] = SHOWN[item.kind].drawing(item, self._picture, self._supplies)
        return self._drawings[name]

    def _kept_free(self, span: Span, *, bodies: bool) -> list[Box]:
        """What hosts do, and what else is shown in a corner or on the wall meanwhile."""
        others = [item for item in self._scene.shown if item.span.start < span.end and span.start < item.span.end]
        logos = [self.drawing(item).box for item in others if item.kind == LOGO]
        small = [item.box_in(self._picture.shape) for item in others if item.region.startswith(_SMALL)]
        return [*self._hosts(span, bodies=bodies), *logos, *map(self._picture.pixels, small)]

    def _layer(self, item: Shown, moment: float) -> Layer:
        drawing = self.drawing(item)
        place = _place_of(item)
        key = item.kind, place, item.span.start, drawing.key(moment)
        box = pixel_box(drawing.box, self._picture)
        return Layer(place, key, box, lambda canvas: drawing.draw(canvas, moment))
