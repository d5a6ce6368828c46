"""Zooms proposed for recordings of screens, on the words of a scene: to where things happen, as near as it takes to
read what is written there."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from itertools import zip_longest

from dearhost.assets.shelf import CLIP, Shelf, ShelfItem, kind_of
from dearhost.assets.shelf.screens import Happening, Window, nearness, windows_on
from dearhost.production import CLIP_LINE
from dearhost.stage.layout.shapes import DEFAULT_HEIGHTS, Picture
from dearhost.stage.timeline import SceneTimeline, Shown
from dearhost.timebase import Span

_AHEAD = 0.3
"""Seconds the eye is there before something happens."""
_NEARER = 1.15
"""What is nearer by less is not worth going to."""
_ROUNDED = 1


@dataclass(frozen=True, slots=True)
class ProposedZoom:
    """The word of a line at ``offset`` on which a place of ``item`` is gone to, ``at`` seconds of the scene; ``near`` 1
    is all of it again."""

    item: str
    line: str
    offset: int
    word: str
    at: float
    near: float
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class _Showing:
    """A clip while it is seen in a scene."""

    item: str
    span: Span
    shown: Shown

    def moment(self, of_clip: float) -> float | None:
        """When a moment of the clip is seen in the scene; None where it is not."""
        if not self.shown.parts:
            at = self.span.start + self.shown.clip_time.since(of_clip)
            return at if self.span.start <= at < self.span.end else None
        for part, after in zip_longest(self.shown.parts, self.shown.parts[1:]):
            at = part.at + of_clip - part.source
            if part.at - 1e-6 <= at < (after.at if after else self.span.end):
                return at
        return None


def clips_in(scene: SceneTimeline) -> list[str]:
    """The clips of the shelf that are shown in a scene, or in which somebody speaks, in order, each once."""
    return list(dict.fromkeys(showing.item for showing in _showings(scene)))


def proposed_zooms(
    scene: SceneTimeline, shelf: Shelf, happening: Callable[[str], Happening | None]
) -> list[ProposedZoom]:
    """What could be gone to in the recordings of screens that a scene shows; ``happening`` knows what happens in one.
    Of several on a word the last stays."""
    found: dict[tuple[str, int], ProposedZoom] = {}
    for showing in _showings(scene):
        known, item = happening(showing.item), shelf.item(showing.item)
        if known is None or item is None or not known.is_screen:
            continue
        near = round(nearness(item.height, _height(showing.shown, item, scene.choices.shape)), _ROUNDED)
        for window in windows_on(known, near) if near >= _NEARER else []:
            at = showing.moment(window.at)
            zoom = None if at is None else _on_word(scene, showing, window, at - _AHEAD)
            if zoom:
                found[zoom.line, zoom.offset] = zoom
    return _told(sorted(found.values(), key=lambda zoom: zoom.at))


def _told(zooms: Sequence[ProposedZoom]) -> list[ProposedZoom]:
    """Zooms without those that change nothing."""
    kept: list[ProposedZoom] = []
    for zoom in zooms:
        before = (kept[-1].near, kept[-1].x, kept[-1].y) if kept else (1.0, 0.5, 0.5)
        if (zoom.near, zoom.x, zoom.y) != before:
            kept.append(zoom)
    return kept


def _showings(scene: SceneTimeline) -> Iterator[_Showing]:
    for shown in scene.shown:
        if shown.kind == CLIP_LINE:
            yield _Showing(shown.text("item"), shown.span, shown)
        elif shown.kind == "own":
            items = shown.text("items").split()
            share = (shown.span.end - shown.span.start) / max(1, len(items))
            for index, item in enumerate(items):
                start = shown.span.start + index * share
                if kind_of(item) == CLIP:
                    yield _Showing(item, Span(start, start + share), shown)


def _height(shown: Shown, item: ShelfItem, shape: str) -> float:
    """How high all of a clip is where it is shown, as a part of the shorter side of the film."""
    picture = Picture.of(shape, DEFAULT_HEIGHTS[shape])
    left, top, right, bottom = picture.pixels(shown.box_in(shape))
    covers = shown.region == "whole" and shown.text("fit") != "whole"
    scales = (right - left) / item.width, (bottom - top) / item.height
    return item.height * (max(scales) if covers else min(scales)) / min(picture.width, picture.height)


def _on_word(scene: SceneTimeline, showing: _Showing, window: Window, at: float) -> ProposedZoom | None:
    """A window on the word that is said then, else on the next; None where none is said while the clip is seen."""
    heard = [
        (line, word, line.span.start + word.start)
        for line in scene.lines
        for word in line.reading.words
        if showing.span.start - 1e-6 <= line.span.start + word.start < showing.span.end
    ]
    said = [one for one in heard if one[2] <= at + 1e-6]
    chosen = said[-1] if said else heard[0] if heard else None
    if chosen is None:
        return None
    line, word, begins = chosen
    said_there = line.text[word.from_ : word.to]
    return ProposedZoom(
        showing.item, line.id, word.from_, said_there, round(begins, 3), window.near, window.x, window.y
    )  # fmt: skip
