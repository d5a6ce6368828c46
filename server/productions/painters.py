"""Timelines and painters kept warm for stills and proofs."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from dataclasses import replace
from typing import Any

from dearhost.errors import DearHostError, StageError
from dearhost.films import scene_time
from dearhost.json_data import read_json
from dearhost.kept import kept
from dearhost.production import Production as Staged
from dearhost.script import Cue, Line, Scene, put_cue
from dearhost.stage import Painter, Picture, Timeline, compile_scene, resting_scene
from dearhost.stage.beds import OtherScene
from dearhost.timebase import FrameRate
from server.productions.documents import chosen_production, tried_production, usable_production
from server.productions.models import Production
from server.studio import studio

PREVIEW_RATE = FrameRate.of(30)
_KEPT = 6
_FORESEEN = 40
"""Scenes that are foreseen for the music of one of them."""


@kept(64)
def _timeline(production_id: str, revision: int, scene_id: str, heard: bool) -> Timeline:
    production = Production.objects.get(pk=production_id)
    staged = usable_production(production.document, production.title, production.owner_id)
    known = other_scenes(production, staged) if heard else None
    return compile_scene(staged, scene_id, studio(), PREVIEW_RATE, heard=heard, others=known)


def other_scenes(production: Production, staged: Staged) -> Callable[[Scene], OtherScene]:
    """What music needs to know of each scene: exactly, from its lines as they are foreseen; in a long script, and where
    a line cannot be read, how long it lasts as that is estimated."""
    exactly = len(staged.script.scenes) <= _FORESEEN

    def known(scene: Scene) -> OtherScene:
        if exactly:
            with suppress(DearHostError):
                foreseen = scene_timeline(production, scene.id).scenes[0]
                return OtherScene(foreseen.duration, foreseen.bed_accents)
        return OtherScene(scene_time(scene, staged.checked(studio()), studio()).seconds)

    return known


def forget_timelines(**_: object) -> None:
    """Make every timeline anew from now on."""
    _timeline.cache_clear()
    _still_with_tried.cache_clear()
    _heard_with_chosen.cache_clear()


def scene_timeline(production: Production, scene_id: str) -> Timeline:
    """The timeline of a scene of the current revision, for stills and times. Raises StageError, SpeechError."""
    return _timeline(str(production.pk), production.revision, scene_id, False)


def heard_timeline(production: Production, scene_id: str, chosen: str = "") -> Timeline:
    """The same with the sound of its lines, read now where they are not yet; with ``chosen``, choices that are not kept
    yet, as JSON. Raises StageError, ScriptError, SpeechError."""
    if chosen:
        return _heard_with_chosen(str(production.pk), production.revision, scene_id, chosen)
    return _timeline(str(production.pk), production.revision, scene_id, True)


def resting_timeline(production: Production, scene_id: str) -> Timeline:
    """A scene as it begins, before its lines are read. Raises StageError."""
    staged = usable_production(production.document, production.title, production.owner_id)
    return resting_scene(staged, scene_id, studio(), PREVIEW_RATE)


def timeline_after(production: Production, before_id: str, scene_id: str) -> Timeline:
    """``heard_timeline`` of a scene, and the one it follows, so that it begins as it does in the film.

    Raises StageError, ScriptError, SpeechError.
    """
    before, timeline = scene_timeline(production, before_id), heard_timeline(production, scene_id)
    first, second = before.scenes[0], timeline.scenes[0]
    return replace(timeline, scenes=(first, replace(second, start=first.duration)), beds=())


def tried_timeline(production: Production, scene_id: str, line_id: str, cue: Cue) -> Timeline:
    """The timeline of a scene as it would be with one cue more. Raises StageError, SpeechError."""
    staged = usable_production(production.document, production.title, production.owner_id)

    def tried(scene: Scene) -> Scene:
        blocks = (put_cue(b, cue) if isinstance(b, Line) and b.id == line_id else b for b in scene.blocks)
        return replace(scene, blocks=tuple(blocks))

    scenes = tuple(tried(s) if s.id == scene_id else s for s in staged.script.scenes)
    staged = replace(staged, script=replace(staged.script, scenes=scenes))
    return compile_scene(staged, scene_id, studio(), PREVIEW_RATE, heard=True, others=other_scenes(production, staged))


@kept(16)
def _still_with_tried(production_id: str, revision: int, scene_id: str, tried: str, resting: bool) -> Timeline:
    production, choices = Production.objects.get(pk=production_id), _choices_in(tried)
    staged = tried_production(production.document, production.title, production.owner_id, scene_id, choices)
    if resting:
        return resting_scene(staged, scene_id, studio(), PREVIEW_RATE)
    return compile_scene(staged, scene_id, studio(), PREVIEW_RATE, heard=False)


def _choices_in(text: str) -> dict[str, Any]:
    try:
        choices = read_json(text)
    except ValueError:
        choices = None
    if not isinstance(choices, dict):
        raise StageError("What is tried must be choices by their names, as JSON.")
    return choices


@kept(16)
def _heard_with_chosen(production_id: str, revision: int, scene_id: str, chosen: str) -> Timeline:
    production, choices = Production.objects.get(pk=production_id), _choices_in(chosen)
    if not all(isinstance(part, dict) for part in choices.values()):
        raise StageError("What is chosen must be choices by their names, as JSON, for everywhere and for the scene.")
    staged = chosen_production(production.document, production.title, production.owner_id, scene_id, choices)
    return compile_scene(staged, scene_id, studio(), PREVIEW_RATE, heard=True, others=other_scenes(production, staged))


def still_timeline(production: Production, scene_id: str, *, resting: bool, tried: str = "") -> Timeline:
    """The timeline of a scene for its stills; ``resting`` before its lines are read; with ``tried``, choices as JSON,
    as it would be with them. Raises StageError, ScriptError, SpeechError.
    """
    if tried:
        return _still_with_tried(str(production.pk), production.revision, scene_id, tried, resting)
    return resting_timeline(production, scene_id) if resting else scene_timeline(production, scene_id)


class _Slot:
    def __init__(self, painter: Painter) -> None:
        self.painter, self.lock = painter, threading.Lock()


class PainterShelf:
    """A few painters, each used by one request at a time."""

    def __init__(self) -> None:
        self._slots: OrderedDict[tuple[str, Picture], _Slot] = OrderedDict()
        self._lock = threading.Lock()

    @contextmanager
    def borrowed(self, timeline: Timeline, height: int) -> Iterator[Painter]:
        """The painter for a scene's timeline at a height; made when it is not there."""
        picture = preview_picture(timeline.shape, height)
        key = (timeline.scenes[0].fingerprint, picture)
        with self._lock:
            slot = self._slots.get(key)
            if slot is None:
                slot = self._slots[key] = _Slot(Painter(timeline, picture, studio().resources))
                while len(self._slots) > _KEPT:
                    self._slots.popitem(last=False)
            else:
                self._slots.move_to_end(key)
        with slot.lock:
            yield slot.painter


def preview_picture(shape: str, height: int) -> Picture:
    """A preview picture; ``height`` is the shorter side of 16:9 and 9:16, so that both cost the same."""
    return Picture.of(shape, round(height * 16 / 9 / 2) * 2 if shape == "9:16" else height)


shelf = PainterShelf()


def own_painter(timeline: Timeline, height: int) -> Painter:
    """A painter for one proof alone: proofs run long and must not hold stills up."""
    return Painter(timeline, preview_picture(timeline.shape, height), studio().resources)
