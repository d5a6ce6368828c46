"""A scene before anything in it is read."""

from __future__ import annotations

from dataclasses import replace

from dearhost.errors import StageError
from dearhost.hosts import MOVES
from dearhost.production import Production, Studio
from dearhost.script import Cue, Line, Scene, spoken_lines
from dearhost.speech.voices import FAKE_VOICE
from dearhost.stage.compiling import compile_scene
from dearhost.stage.timeline import Timeline
from dearhost.timebase import FrameRate


def resting_scene(production: Production, scene_id: str, studio: Studio, frame_rate: FrameRate) -> Timeline:
    """A timeline in which whoever speaks in a scene stands where it begins, but for those who walk in later; the first
    of the cast where nobody speaks.

    No voice is needed for it: it is there at once. Raises StageError where there is no such scene.
    """
    scene = next((scene for scene in production.script.scenes if scene.id == scene_id), None)
    if scene is None:
        raise StageError("This scene is no longer in the script. Choose another one.")
    production = production.checked(studio)
    speakers = dict.fromkeys(line.speaker for line in spoken_lines(scene)) or [next(iter(production.cast))]
    silent = replace(scene, blocks=tuple(Line(f"rest-{who}", who, "Mm.", _entrance(scene, who)) for who in speakers))
    scenes = tuple(silent if other.id == scene_id else other for other in production.script.scenes)
    tones = {
        who: replace(entry, voice=FAKE_VOICE.id, effect="none", pace=1.0) for who, entry in production.cast.items()
    }
    script = replace(production.script, scenes=scenes)
    return compile_scene(replace(production, script=script, cast=tones), scene_id, studio, frame_rate)


def _entrance(scene: Scene, speaker: str) -> tuple[Cue, ...]:
    """The cue with which a speaker comes into the scene, or none for who is there from the start."""
    moves = (cue for line in spoken_lines(scene) if line.speaker == speaker for cue in line.cues if cue.kind in MOVES)
    first = next(moves, None)
    return (replace(first, start=0),) if first and first.kind == "walk-in" else ()
