"""The stage: a production becomes a timeline, and the painter draws any frame of it."""

from dearhost.stage.blocking import standing
from dearhost.stage.captions import Caption
from dearhost.stage.compiling import VERSION, compile_scene, compile_timeline, display_name
from dearhost.stage.fonts import Fonts
from dearhost.stage.opening import open_production, open_production_file
from dearhost.stage.painter import Painter, first_frame
from dearhost.stage.production import (
    FRAMINGS,
    TRANSITIONS,
    CastEntry,
    Production,
    full_cast,
    production_from_json,
    production_to_json,
    with_captions,
)
from dearhost.stage.project_file import SUFFIX, OpenedProduction, UnreadableProduction, pack
from dearhost.stage.sets import SETS
from dearhost.stage.shapes import DEFAULT_HEIGHTS, SHAPES, Picture
from dearhost.stage.speech_markup import production_as_ssml
from dearhost.stage.timeline import DISSOLVE, PlacedLine, SceneTimeline, Timeline, scene_times

__all__ = [
    "DEFAULT_HEIGHTS",
    "DISSOLVE",
    "FRAMINGS",
    "SETS",
    "SHAPES",
    "SUFFIX",
    "TRANSITIONS",
    "VERSION",
    "Caption",
    "CastEntry",
    "Fonts",
    "OpenedProduction",
    "Painter",
    "Picture",
    "PlacedLine",
    "Production",
    "SceneTimeline",
    "Timeline",
    "UnreadableProduction",
    "compile_scene",
    "compile_timeline",
    "display_name",
    "first_frame",
    "full_cast",
    "open_production",
    "open_production_file",
    "pack",
    "production_as_ssml",
    "production_from_json",
    "production_to_json",
    "scene_times",
    "standing",
    "with_captions",
]
