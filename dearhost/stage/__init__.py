"""The stage: a production becomes a timeline, and the painter draws any frame of it."""

from dearhost.stage.captions import Caption
from dearhost.stage.compiling import compile_scene, compile_timeline, read_line
from dearhost.stage.fingerprints import VERSION
from dearhost.stage.layout.blocking import standing
from dearhost.stage.layout.shapes import DEFAULT_HEIGHTS, Picture
from dearhost.stage.painting.painter import Painter, first_frame
from dearhost.stage.painting.transitions import transition_seconds
from dearhost.stage.resting import resting_scene
from dearhost.stage.timeline import PlacedLine, SceneTimeline, Timeline, scene_times

__all__ = [
    "DEFAULT_HEIGHTS",
    "VERSION",
    "Caption",
    "Painter",
    "Picture",
    "PlacedLine",
    "SceneTimeline",
    "Timeline",
    "compile_scene",
    "compile_timeline",
    "first_frame",
    "read_line",
    "resting_scene",
    "scene_times",
    "standing",
    "transition_seconds",
]
