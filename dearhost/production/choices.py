"""The table of choices: everything one can choose for a production or a scene, declared once.

A field of ``Choices`` is an entry: its name, default and ``Choice``. Reading, writing, checking, what holds in a scene,
the API's schema, the interface's types and labels all follow from it. To add a choice, add its field here, what draws
it, and the place where a panel shows it.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import MISSING, dataclass, field, fields, replace
from enum import Enum
from typing import Annotated, Any, get_type_hints

from dearhost.assets.shelf import CLIP, PICTURE, SOUND, kind_of
from dearhost.errors import ScriptError, StageError
from dearhost.hosts import LIVELINESS
from dearhost.production.dressing import NOTHING, hangs, stands
from dearhost.production.own_places import AS_HERE, MOST_ZOOM, are_own_places
from dearhost.production.picture_shapes import PICTURE_SHAPES
from dearhost.script import LONGEST_TARGET, Scene, is_colour
from dearhost.sound.beds.moods import MOODS, STYLES

Value = str | bool | float
LONGEST_TAIL = 60.0
"""Seconds."""


class Scope(Enum):
    """Where a choice can be made."""

    EVERYWHERE = "everywhere"
    """For the whole production only."""
    SCENE = "scene"
    """For one scene only."""
    BOTH = "both"
    """For the whole production, and otherwise for a scene."""


class Touches(Enum):
    """What is made again when a choice changes."""

    NOTHING = "nothing"
    OPENING = "opening"
    """The pictures a scene begins with."""
    PICTURE = "picture"
    SOUND = "sound"
    TIME = "time"
    """Picture and sound, since both last longer."""


@dataclass(frozen=True, slots=True)
class Choice:
    """An entry of the table. ``values`` are ids with the words they are shown by; a number has ``low`` and ``high``."""

    label: str
    scope: Scope
    touches: Touches
    values: Mapping[str, str] = field(default_factory=dict)
    low: float = -math.inf
    high: float = math.inf
    unit: str = ""
    asks: str = ""
    """The words before it in a panel, where they are not the label."""
    assets: tuple[str, ...] = ()
    """Kinds of things of the shelf that can be chosen too, by their ids."""
    form: Callable[[str], bool] | None = None
    """What other values there are, where they are too many to be listed."""
    colour: bool = False
    """Whether it is a colour, "#rrggbb", or "" for the usual one."""
    open: bool = False
    """Whether there may be other values on another machine: one that is not here is kept, and replaced when opened."""
    name: str = ""
    kind: str = ""
    """'choice', 'colour', 'switch' or 'number'."""
    default: Value | None = None

    def read(self, value: Any) -> Value:
        """``value`` as this choice holds it, a number brought into its range. Raises ScriptError for another type."""
        if self.kind == "switch" and isinstance(value, bool):
            return value
        if self.kind == "choice" and isinstance(value, str):
            return value
        if self.kind == "colour" and isinstance(value, str) and (not value or is_colour(value)):
            return value.lower()
        if self.kind == "number" and isinstance(value, (int, float)) and not isinstance(value, bool):
            try:
                number = float(value)
            except OverflowError:
                number = math.inf
            if math.isfinite(number):
                return min(self.high, max(self.low, number))
        wanted = {
            "switch": "true or false", "choice": "a text", "colour": "a colour such as #14676b",
            "number": "a finite number",
        }[self.kind]  # fmt: skip
        raise ScriptError(f"'{self.name}' must be {wanted} (got {str(value)[:40]!r}).")

    def problem(self, value: Value | None) -> str:
        """What is wrong with a value of the right type, or ""."""
        if self.kind != "choice" or value in self.values or kind_of(str(value)) in self.assets:
            return ""
        if self.form and self.form(str(value)):
            return ""
        return f"There is no {self.label.lower()} '{value}'. Choose one of: {', '.join(self.values)}."

    def asset_in(self, value: object) -> str:
        """The id of the thing of the shelf that a value names, by itself or in a frame ("frame:p…"); "" for none."""
        item = str(value).rpartition(":")[2]
        return item if self.assets and kind_of(item) else ""


def _named(*ids: str) -> Mapping[str, str]:
    return {one: one.replace("-", " ") for one in ids}


SHAPES: Mapping[str, str] = _named(*PICTURE_SHAPES)
FRAMINGS: Mapping[str, str] = {
    "wide": "wide", "full": "full", "medium": "medium", "close-up": "close-up", "bubble": "round corner",
    "square-bubble": "square corner",
}  # fmt: skip
TYPES: Mapping[str, str] = {
    "house": "bookish", "slab": "sturdy", "round": "round", "poster": "as on posters", "classic": "classic",
    "hand": "handwritten",
}  # fmt: skip
LAYOUTS: Mapping[str, str] = {
    "alone": "in the middle", "left": "at the left", "right": "at the right", "none": "not seen",
}  # fmt: skip
TRANSITIONS: Mapping[str, str] = {
    "cut": "a cut", "dissolve": "a dissolve", "page-turn": "a page turned", "slide-left": "paper slid to the left",
    "slide-right": "paper slid to the right", "slide-up": "paper slid up", "slide-down": "paper slid down",
    "iris": "an iris", "ink-wipe": "a stroke of ink",
}  # fmt: skip
SETS: Mapping[str, str] = {
    "museum": "the tide room", "classroom": "a classroom", "office": "an office", "kitchen": "a kitchen",
    "shop": "a shop", "study": "a study", "curtain": "a stage with a curtain", "pier": "the pier", "beach": "the beach",
    "street": "a street", "garden": "a garden", "quay": "the quay", "hillside": "a hillside", "plain": "plain paper",
    "pattern": "a pattern", "shapes": "cut shapes", "charts": "a wall of charts", "colour": "one colour",
    "green": "green, to be keyed elsewhere",
}  # fmt: skip
AS_THE_SET = "own"
"""The set's own colours, or its own time of day."""
DRESSINGS: Mapping[str, str] = {AS_THE_SET: "as the set has it", NOTHING: "nothing"}
PALETTES: Mapping[str, str] = {
    AS_THE_SET: "its own", "harbour": "harbour", "chalk": "chalk", "slate": "slate", "brick": "brick", "plum": "plum",
    "moss": "moss",
}  # fmt: skip
DAYLIGHTS: Mapping[str, str] = {
    AS_THE_SET: "its own", "morning": "morning", "noon": "noon", "dusk": "dusk", "night": "night",
}  # fmt: skip
WEATHERS: Mapping[str, str] = {
    "clear": "clear", "cloudy": "cloudy", "rain": "rain", "snow": "snow", "fog": "fog",
}  # fmt: skip
OWN_FITS: Mapping[str, str] = {"fill": "filling the picture", "whole": "whole, over itself"}
OWN_TONES: Mapping[str, str] = {"paper": "toned to the paper", "own": "as it is"}
OWN_SOUNDS: Mapping[str, str] = {"off": "not heard", "under": "heard under the voice"}
OWN_ENDS: Mapping[str, str] = {"loops": "goes round", "holds": "holds its last picture"}
MOST_BLUR, MOST_DIM = 16.0, 0.8
"""Of what is behind the hosts: units, and a part of its light."""
SLOWEST, QUICKEST = 0.25, 4.0
"""How many times as quick as they were made clips are played."""
FURNITURE: Mapping[str, str] = {"none": "nothing", "desk": "a desk", "counter": "a counter"}
CUTTING: Mapping[str, str] = {"together": "together", "speakers": "who speaks"}
CAMERA_MOVES: Mapping[str, str] = {
    "still": "still", "push": "comes nearer", "pull": "draws back", "pan-left": "pans left", "pan-right": "pans right",
}  # fmt: skip

BOARDS: Mapping[str, str] = {
    "none": "cut out of paper", "white": "drawn on a white board", "dark": "drawn on a dark board",
}  # fmt: skip
BOARD_CAMERAS: Mapping[str, str] = {"stays": "stays where it is", "near": "goes near the pen"}
PENS: Mapping[str, str] = {"hand": "by a hand", "pen": "by a pen", "none": "by nobody seen"}
LOGOS: Mapping[str, str] = {"none": "no logo"}
LOGO_PLACES: Mapping[str, str] = {
    "top-right": "at the top right", "top-left": "at the top left", "foot-right": "at the lower right",
    "foot-left": "at the lower left",
}  # fmt: skip
LOGO_GROUNDS: Mapping[str, str] = {"none": "as it is", "paper": "on a slip of paper"}
CAPTION_STYLES: Mapping[str, str] = {
    "strips": "strips of paper", "quiet": "strips, no word marked", "outline": "outlined letters",
    "shadow": "letters with a shadow", "box": "a dark box", "marked": "each word on a block", "growing": "word by word",
    "one-word": "one large word", "two-voices": "a colour a speaker",
}  # fmt: skip
CAPTION_PLACES: Mapping[str, str] = {"foot": "at the foot", "top": "at the top"}
CAPTION_SIZES: Mapping[str, str] = {"small": "small", "usual": "of the usual size", "large": "large"}
CAPTION_TYPES: Mapping[str, str] = {
    "bold": "in bold letters", "plain": "in plain letters", "heading": "in the letters of titles",
}  # fmt: skip
CAPTION_CASES: Mapping[str, str] = {"written": "as written", "capitals": "in capitals"}
CAPTION_COLOURS: Mapping[str, str] = {
    "usual": "in usual colours", "cream": "in cream", "dark": "in dark", "mustard": "in mustard",
    "sea": "in sea green", "vermilion": "in red",
}  # fmt: skip
CAPTION_LINES: Mapping[str, str] = {"two": "in two lines", "one": "in one line"}
BEDS: Mapping[str, str] = {"none": "no music", **{name: mood.words for name, mood in MOODS.items()}}
BED_STYLES: Mapping[str, str] = {name: style.words for name, style in STYLES.items()}
BED_ENDS: Mapping[str, str] = {"with": "with the last word", "after": "after it, with the picture"}
LOUDNESS: Mapping[str, str] = {
    "-16": "-16 LUFS, for the web", "-14": "-14 LUFS, louder", "-23": "-23 LUFS, for broadcast", "none": "as it comes",
}  # fmt: skip
HEARING: Mapping[str, str] = {
    "full": "in full, with the picture", "quick": "at once, by a quick voice",
}  # fmt: skip
_PICTURE, _SOUND = Touches.PICTURE, Touches.SOUND


@dataclass(frozen=True, slots=True)
class Choices:
    """What is chosen for a production, or what holds in one of its scenes."""

    shape: Annotated[str, Choice("Picture shape", Scope.EVERYWHERE, _PICTURE, SHAPES, asks="Shape of the picture")] = (
        "16:9"
    )
    captions: Annotated[bool, Choice("Captions in the picture", Scope.BOTH, _PICTURE)] = True
    caption_style: Annotated[str, Choice("Captions are", Scope.BOTH, _PICTURE, CAPTION_STYLES)] = "strips"
    caption_place: Annotated[str, Choice("Where", Scope.BOTH, _PICTURE, CAPTION_PLACES)] = "foot"
    caption_size: Annotated[str, Choice("Size of captions", Scope.BOTH, _PICTURE, CAPTION_SIZES)] = "usual"
    caption_type: Annotated[str, Choice("Lettering of captions", Scope.BOTH, _PICTURE, CAPTION_TYPES)] = "bold"
    caption_case: Annotated[str, Choice("Letters", Scope.BOTH, _PICTURE, CAPTION_CASES)] = "written"
    caption_colour: Annotated[
        str, Choice("Colour of captions", Scope.BOTH, _PICTURE, CAPTION_COLOURS, form=is_colour)
    ] = "usual"
    caption_lines: Annotated[str, Choice("Lines", Scope.BOTH, _PICTURE, CAPTION_LINES)] = "two"
    set: Annotated[str, Choice("Set", Scope.BOTH, _PICTURE, SETS, assets=(PICTURE, CLIP), open=True)] = "museum"
    palette: Annotated[str, Choice("Colours of the set", Scope.BOTH, _PICTURE, PALETTES, asks="In colours")] = (
        AS_THE_SET
    )
    daylight: Annotated[str, Choice("Time of day", Scope.BOTH, _PICTURE, DAYLIGHTS, asks="The time of day")] = (
        AS_THE_SET
    )
    wall_left: Annotated[
        str, Choice("On the wall, left", Scope.BOTH, _PICTURE, DRESSINGS, assets=(PICTURE,), form=hangs, open=True)
    ] = AS_THE_SET
    wall_right: Annotated[
        str, Choice("On the wall, right", Scope.BOTH, _PICTURE, DRESSINGS, assets=(PICTURE,), form=hangs, open=True)
    ] = AS_THE_SET
    floor_left: Annotated[
        str, Choice("On the ground, left", Scope.BOTH, _PICTURE, DRESSINGS, form=stands, open=True)
    ] = AS_THE_SET
    floor_right: Annotated[
        str, Choice("On the ground, right", Scope.BOTH, _PICTURE, DRESSINGS, form=stands, open=True)
    ] = AS_THE_SET
    weather: Annotated[str, Choice("Weather", Scope.BOTH, _PICTURE, WEATHERS, asks="The weather")] = "clear"
    own_fit: Annotated[str, Choice("Own picture is", Scope.BOTH, _PICTURE, OWN_FITS, asks="It is")] = "fill"
    own_x: Annotated[float, Choice("Its middle across", Scope.BOTH, _PICTURE, low=0.0, high=1.0)] = 0.5
    own_y: Annotated[float, Choice("Its middle down", Scope.BOTH, _PICTURE, low=0.0, high=1.0)] = 0.5
    own_zoom: Annotated[float, Choice("Nearer", Scope.BOTH, _PICTURE, low=1.0, high=MOST_ZOOM)] = 1.0
    own_elsewhere: Annotated[
        str, Choice("Place in other shapes", Scope.BOTH, _PICTURE, {AS_HERE: "alike in all"}, form=are_own_places)
    ] = AS_HERE
    own_blur: Annotated[float, Choice("Blurred", Scope.BOTH, _PICTURE, low=0.0, high=MOST_BLUR)] = 0.0
    own_dim: Annotated[float, Choice("Dimmed", Scope.BOTH, _PICTURE, low=0.0, high=MOST_DIM)] = 0.0
    own_tone: Annotated[str, Choice("Its tone", Scope.BOTH, _PICTURE, OWN_TONES, asks="Its tone is")] = "paper"
    own_mirrored: Annotated[bool, Choice("Turned over", Scope.BOTH, _PICTURE)] = False
    own_light: Annotated[bool, Choice("Hosts stand in its light", Scope.BOTH, _PICTURE)] = True
    own_begins: Annotated[float, Choice("Clip begins at", Scope.BOTH, _PICTURE, low=0.0, high=600.0, unit="s")] = 0.0
    own_until: Annotated[float, Choice("Clip ends at", Scope.BOTH, _PICTURE, low=0.0, high=600.0, unit="s")] = 0.0
    own_speed: Annotated[float, Choice("Clip's speed", Scope.BOTH, _PICTURE, low=SLOWEST, high=QUICKEST, unit="×")] = (
        1.0
    )
    own_ends: Annotated[str, Choice("Clip at its end", Scope.BOTH, _PICTURE, OWN_ENDS, asks="At its end it")] = "loops"
    own_sound: Annotated[str, Choice("Its sound", Scope.BOTH, Touches.SOUND, OWN_SOUNDS, asks="Its sound is")] = "off"
    framing: Annotated[str, Choice("Framing", Scope.BOTH, _PICTURE, FRAMINGS)] = "medium"
    board: Annotated[str, Choice("What is shown on words", Scope.BOTH, _PICTURE, BOARDS, asks="What is shown is")] = (
        "none"
    )
    pen: Annotated[str, Choice("Drawn by", Scope.BOTH, _PICTURE, PENS, asks="Drawing is done")] = "hand"
    board_camera: Annotated[str, Choice("Camera at the board", Scope.BOTH, _PICTURE, BOARD_CAMERAS)] = "stays"
    paper: Annotated[str, Choice("Slips and captions on", Scope.EVERYWHERE, _PICTURE, colour=True)] = ""
    accent: Annotated[str, Choice("Marks and strokes in", Scope.EVERYWHERE, _PICTURE, colour=True)] = ""
    logo: Annotated[str, Choice("Logo", Scope.EVERYWHERE, _PICTURE, LOGOS, assets=(PICTURE,), open=True)] = "none"
    logo_place: Annotated[str, Choice("It is", Scope.EVERYWHERE, _PICTURE, LOGO_PLACES)] = "top-right"
    logo_ground: Annotated[str, Choice("Its ground", Scope.EVERYWHERE, _PICTURE, LOGO_GROUNDS)] = "paper"
    logo_size: Annotated[float, Choice("How large", Scope.EVERYWHERE, _PICTURE, low=0.04, high=0.2)] = 0.09
    type: Annotated[str, Choice("Type", Scope.EVERYWHERE, _PICTURE, TYPES, asks="Its lettering is")] = "house"
    layout: Annotated[str, Choice("Layout", Scope.BOTH, _PICTURE, LAYOUTS, asks="Who speaks is")] = "alone"
    transition: Annotated[str, Choice("Transition", Scope.BOTH, Touches.OPENING, TRANSITIONS, asks="Begins with")] = (
        "dissolve"
    )
    liveliness: Annotated[
        str, Choice("Liveliness", Scope.EVERYWHERE, _PICTURE, {name: name for name in LIVELINESS})
    ] = "normal"
    furniture: Annotated[str, Choice("Furniture", Scope.BOTH, _PICTURE, FURNITURE, asks="Hosts are behind")] = "none"
    cutting: Annotated[str, Choice("Cutting", Scope.BOTH, _PICTURE, CUTTING, asks="The picture shows")] = "together"
    camera: Annotated[str, Choice("Camera move", Scope.BOTH, _PICTURE, CAMERA_MOVES, asks="The camera")] = "still"
    directed: Annotated[bool, Choice("Gestures by themselves", Scope.EVERYWHERE, _PICTURE)] = True
    titles: Annotated[bool, Choice("Headings as titles", Scope.BOTH, _PICTURE)] = True
    title_card: Annotated[bool, Choice("Begins with its heading on a card", Scope.BOTH, Touches.TIME)] = False
    caption_names: Annotated[bool, Choice("Captions name the speaker", Scope.EVERYWHERE, _PICTURE)] = False
    caption_sounds: Annotated[bool, Choice("Captions say what is heard", Scope.EVERYWHERE, _PICTURE)] = False
    bed: Annotated[str, Choice("Music", Scope.BOTH, _SOUND, BEDS, assets=(SOUND,), open=True, asks="A bed that is")] = (
        "none"
    )
    bed_style: Annotated[str, Choice("Played by", Scope.BOTH, _SOUND, BED_STYLES, asks="on")] = "felt-piano"
    bed_seed: Annotated[float, Choice("Which of them", Scope.BOTH, _SOUND, low=0.0, high=9999.0)] = 1.0
    bed_under: Annotated[float, Choice("Under words", Scope.BOTH, _SOUND, low=6.0, high=40.0, unit="LU")] = 20.0
    bed_pause: Annotated[float, Choice("In pauses", Scope.BOTH, _SOUND, low=3.0, high=40.0, unit="LU")] = 10.0
    bed_ends: Annotated[str, Choice("It ends", Scope.BOTH, _SOUND, BED_ENDS, asks="It ends")] = "with"
    bed_accents: Annotated[bool, Choice("Bars begin with scenes", Scope.EVERYWHERE, _SOUND)] = True
    loudness: Annotated[str, Choice("Loudness", Scope.EVERYWHERE, _SOUND, LOUDNESS, asks="The film is")] = "-16"
    hearing: Annotated[
        str,
        Choice("Lines are heard", Scope.EVERYWHERE, Touches.NOTHING, HEARING, asks="Lines you write are heard"),
    ] = "full"
    tail: Annotated[
        float | None,
        Choice("Holds after its last word", Scope.SCENE, Touches.TIME, low=0.0, high=LONGEST_TAIL, unit="s"),
    ] = None
    target: Annotated[
        float | None, Choice("May run at most", Scope.SCENE, Touches.NOTHING, low=0.0, high=LONGEST_TARGET, unit="s")
    ] = None


def _kind_of(hint: Any) -> str:
    if hint is bool:
        return "switch"
    return "choice" if hint is str else "number"


def _table() -> dict[str, Choice]:
    hints = get_type_hints(Choices, include_extras=True)
    table = {}
    for entry in fields(Choices):
        held, choice = hints[entry.name].__origin__, hints[entry.name].__metadata__[0]
        assert isinstance(choice, Choice) and entry.default is not MISSING
        kind = "colour" if choice.colour else _kind_of(held)
        table[entry.name] = replace(choice, name=entry.name, kind=kind, default=entry.default)
    return table


CHOICES: Mapping[str, Choice] = _table()


def choices_from_json(data: Mapping[str, Any]) -> Choices:
    """What ``data`` chooses everywhere; what is missing has its default. Raises ScriptError for a value of another
    type."""
    own = {
        name: choice.read(data[name])
        for name, choice in CHOICES.items()
        if choice.scope is not Scope.SCENE and name in data
    }
    return replace(Choices(), **own)  # type: ignore[arg-type]  # read by the table


def choices_to_json(choices: Choices) -> dict[str, Any]:
    """As plain data; ``choices_from_json`` reads it back."""
    return {name: getattr(choices, name) for name, choice in CHOICES.items() if choice.scope is not Scope.SCENE}


def own_choices_from_json(data: Mapping[str, Any]) -> dict[str, Value]:
    """What a scene chooses for itself; "" and null are as everywhere. Raises ScriptError for another type of value."""
    return {
        name: choice.read(value)
        for name, choice in CHOICES.items()
        if choice.scope is not Scope.EVERYWHERE and (value := data.get(name)) not in (None, "")
    }


def in_scene(choices: Choices, scene: Scene) -> Choices:
    """What holds for a scene: its own choices, else those of the whole production."""
    return replace(choices, **scene.staging.own)  # type: ignore[arg-type]  # read by the table


def ensure_known(choices: Choices, scenes: tuple[Scene, ...] = ()) -> None:
    """Raise StageError for the first value that is not in the table."""
    for name, choice in CHOICES.items():
        if problem := choice.problem(getattr(choices, name)):
            raise StageError(problem)
    for number, scene in enumerate(scenes, 1):
        for name, value in scene.staging.own.items():
            if problem := CHOICES[name].problem(value):
                raise StageError(problem.replace("'. ", f"' (scene {number}). ", 1))
