"""Cues that show something on the picture for a while: titles and names, pictures, figures, lists, numbers, cards.

A kind here has a line in ``stage.painting.shown`` and its drawing.
"""

from __future__ import annotations

from dearhost.hosts import THINGS
from dearhost.production.choices import QUICKEST, SLOWEST
from dearhost.script import CueKind, Parameter

BESIDE = "beside"
"""The place of what is shown beside the host, who steps aside for it."""
ON_THE_WALL = ("wall-left", "wall-right")
"""Places behind the hosts, where sets have their frames."""
TEMPLATES = ("solo", "pair", "trio", "sequence", "pull", "versus", "negation", "badge", "up", "down", "many")
"""How the things of a picture stand to each other."""
INK = "stroke-by-stroke"
"""Drawn before one's eyes."""
COMES = ("slides", "unfolds", "pops", "turns", "drawn", "rises", "drops", "fades", INK)
"""How what is shown comes, and goes the other way round; "drawn" is wiped in as ink."""
_PASTED = tuple(way for way in COMES if way != INK)
GROUNDS = ("paper", "accent", "dark", "straw", "sea", "coral", "moss")
"""What titles and names are written on: the production's paper or accent, or a paper of this colour."""
LETTERS = ("headings", "text")
"""Which of the production's two families a title is set in."""
MOUNTS = ("print", "framed", "torn", "tablet", "none")
"""What own pictures are shown in."""
MOVES = ("still", "nearer", "away")
"""How own pictures move while they are shown."""
POINTER = Parameter("pointer", "Pointer in it", "as-it-is", choices=("as-it-is", "ringed"), for_asset="clip")
"""Of a recording of a screen."""
OF_CLIPS = (
    Parameter("sound", "Sound of clips", "off", choices=("off", "under"), for_asset="clip"),
    Parameter("begins", "Clips begin at", 0.0, 0.0, 600.0, "s", for_asset="clip"),
    Parameter("speed", "Speed of clips", 1.0, SLOWEST, QUICKEST, "×", for_asset="clip"),
)
BY_HAND = "by-hand"
"""A place of one's own, dragged on the stage."""
ZOOM = "zoom"
"""The kind of cue that goes to a place of what is shown from the shelf."""
_PUT = (
    Parameter("x", "Across", 0.74, 0.0, 1.0, only_for=("place", BY_HAND)),
    Parameter("y", "Down", 0.36, 0.0, 1.0, only_for=("place", BY_HAND)),
    Parameter("size", "Size", 0.4, 0.15, 1.0, only_for=("place", BY_HAND)),
)
"""Where the middle of something put by hand is, and how broad it is, in parts of the picture."""
_SHOWN_PLACE = (Parameter("place", "Where", BESIDE, choices=(BESIDE, "whole", BY_HAND)), *_PUT)
_STAYS = Parameter("seconds", "Stays", 4.0, 0.8, 30.0, "s")


def things_named(shows: str, also: str) -> list[str]:
    """The names of a picture's things, those that are known here."""
    names = (shows, *(name.strip() for name in also.replace("+", ",").split(",")))
    return [name for name in names if name in THINGS]


def _comes(usual: str, ways: tuple[str, ...] = COMES) -> Parameter:
    return Parameter("comes", "Comes in", usual, choices=ways)


def _shown_things(missing: str) -> Parameter:
    return Parameter("items", "Shows", "", asset="picture clip", several=True, missing=missing)


def _words(name: str, label: str) -> Parameter:
    return Parameter(name, label, "", required=False)


SHOWN_CUES = (
    CueKind(
        "title",
        "Title",
        "picture",
        "Text",
        (
            Parameter("text", "Words", ""),
            Parameter("where", "Where", "clear-of-hosts", choices=("clear-of-hosts", "low", "high", "centre")),
            Parameter("size", "Size", 1.0, 0.6, 1.8),
            Parameter("ground", "On", "paper", choices=GROUNDS),
            Parameter("letters", "Letters", "headings", choices=LETTERS),
            _comes("slides", _PASTED),
            Parameter("seconds", "Stays", 3.0, 1.0, 10.0, "s"),
        ),
        shown=True,
        flag="{text}",
    ),
    CueKind(
        "lower-third",
        "Name and role",
        "picture",
        "Text",
        (
            _words("name", "Name, else the speaker's"),
            _words("role", "Role"),
            Parameter("ground", "On", "paper", choices=GROUNDS),
            _comes("slides", _PASTED),
            Parameter("seconds", "Stays", 4.0, 1.0, 12.0, "s"),
        ),
        also="lower third strap caption who speaks job title",
        shown=True,
    ),
    CueKind(
        "picture",
        "Picture",
        "picture",
        "Picture",
        (
            Parameter("shows", "Shows", next(iter(THINGS)), choices=tuple(THINGS)),
            _words("also", "And"),
            Parameter("how", "How they stand", "solo", choices=TEMPLATES),
            Parameter("count", "How many", 3.0, 2.0, 6.0, only_for=("how", "many")),
            Parameter("place", "Where", "left", choices=("left", "right", BESIDE, "whole", BY_HAND)),
            *_PUT,
            _comes("slides"),
            Parameter("seconds", "Stays", 3.0, 0.8, 20.0, "s"),
        ),
        stretch=True,
        shown=True,
        flag="{shows}",
    ),
    CueKind(
        "own",
        "Own picture or clip",
        "picture",
        "Picture",
        (
            _shown_things("nothing yet: choose it from the shelf"),
            Parameter("mount", "Mounted", "print", choices=MOUNTS),
            Parameter("moves", "Moves", "still", choices=MOVES),
            POINTER,
            *OF_CLIPS,
            Parameter("place", "Where", BESIDE, choices=(BESIDE, "whole", *ON_THE_WALL, BY_HAND)),
            *_PUT,
            _comes("slides"),
            _STAYS,
        ),
        also="photo photograph image video footage clip screen product logo shelf upload",
        stretch=True,
        shown=True,
    ),
    CueKind(
        "figure",
        "Figure",
        "picture",
        "Picture",
        (
            _shown_things("nobody yet: choose from the shelf"),
            Parameter("stands", "Stands", "right", choices=("left", "middle", "right", BY_HAND)),
            Parameter("x", "Across", 0.5, 0.0, 1.0, only_for=("stands", BY_HAND)),
            Parameter("y", "Its foot down", 1.0, 0.2, 1.4, only_for=("stands", BY_HAND)),
            Parameter("size", "Size", 0.8, 0.2, 1.4),
            Parameter("depth", "Where", "before", choices=("before", "behind")),
            *OF_CLIPS,
            _comes("rises", _PASTED),
            _STAYS,
        ),
        also="keyed green screen cut out person colleague drawing transparent",
        stretch=True,
        shown=True,
    ),
    CueKind(
        "list",
        "List",
        "picture",
        "Picture",
        (_words("title", "Heading"), _words("rows", "Rows, apart by |"), *_SHOWN_PLACE, _comes("unfolds"), _STAYS),
        also="rows points steps bullets enumerate first second third",
        stretch=True,
        shown=True,
    ),
    CueKind(
        "number",
        "Number",
        "picture",
        "Picture",
        (
            _words("number", "Number"),
            _words("unit", "Of what"),
            _words("text", "Says"),
            *_SHOWN_PLACE,
            _comes("unfolds"),
            _STAYS,
        ),
        also="figure percent amount price large",
        stretch=True,
        shown=True,
    ),
    CueKind(
        "quotation",
        "Quotation",
        "picture",
        "Picture",
        (_words("text", "Words"), _words("who", "Who says it"), *_SHOWN_PLACE, _comes("slides"), _STAYS),
        also="quote saying words of",
        stretch=True,
        shown=True,
    ),
    CueKind(
        "comparison",
        "Comparison",
        "picture",
        "Picture",
        (
            Parameter("shows", "One", "sun", choices=tuple(THINGS)),
            _words("says", "Called"),
            Parameter("against", "The other", "moon", choices=tuple(THINGS)),
            _words("says_against", "Called"),
            Parameter("between", "Between them", "or", choices=("or", "and", "then", "nothing")),
            Parameter("place", "Where", "whole", choices=(BESIDE, "whole")),
            _comes("slides"),
            _STAYS,
        ),
        also="versus against before after two",
        stretch=True,
        shown=True,
        flag="{shows} {between} {against}",
    ),
    CueKind(
        "words",
        "Large words",
        "picture",
        "Picture",
        (_words("text", "Words"), *_SHOWN_PLACE, _comes("drawn"), _STAYS),
        also="keyword big type lettering",
        stretch=True,
        shown=True,
    ),
    CueKind(
        "end-card",
        "End card",
        "picture",
        "Picture",
        (
            Parameter("text", "Words", ""),
            _words("says", "Below them"),
            _words("button", "What to do"),
            _words("address", "Address"),
            Parameter("code", "QR code of the address", "yes", choices=("yes", "no")),
            *_SHOWN_PLACE,
            _comes("unfolds"),
            _STAYS,
        ),
        also="call to action button address link qr code closing",
        stretch=True,
        shown=True,
    ),
)
BOARDED = tuple(
    kind.name for kind in SHOWN_CUES if any(one.name == "comes" and INK in one.choices for one in kind.parameters)
)
"""Kinds that are drawn on a board where the scene has one: those that can come stroke by stroke."""
