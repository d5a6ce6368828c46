"""What is said in a clip as a scene, whose words cut the clip."""

from __future__ import annotations

from dearhost.production.line_reading import CLIP_LINE
from dearhost.script import Cue, Line, Scene, new_id
from dearhost.speech.clips import Transcript, lines_of


def clip_scene(heading: str, clip: str, transcript: Transcript, speaker: str = "") -> Scene:
    """A scene of all that is said in ``clip``, a line for each breath."""
    lines = (
        Line(new_id(), speaker, line.text, (Cue(new_id(), CLIP_LINE, 0, {"items": clip, "begins": line.begins}),))
        for line in lines_of(transcript)
    )
    return Scene(new_id(), heading, tuple(lines))
