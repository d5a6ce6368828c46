"""The table of cues: everything that can happen on a word, or over a stretch of words.

To add a kind, add its entry here and what plays it: for a kind that is ``shown`` a line in ``stage.painting.shown`` and
its drawing, for others ``stage.direction.cueing``. The list, the flags, the settings, Fountain and ``dear-host check``
follow from the entry.
"""

from __future__ import annotations

from dearhost.hosts import EXPRESSIONS, GESTURES, LOOKS, OWN_PICTURE, PROPS, THINGS
from dearhost.production.choices import FRAMINGS
from dearhost.production.cue_words import ALSO
from dearhost.production.production import EFFECT_CHOICES
from dearhost.production.spoken_language import SPOKEN_LANGUAGES
from dearhost.script import CueKind, CueKinds, Parameter
from dearhost.sound import STINGS
from dearhost.speech import ENDINGS, MANNERS

ONE_HANDED = ("wave", "point-up", "thumb-up", "thumb-down", "count", "one-finger", "two-fingers", "three-fingers",
               "present", "heart", "think", "stop", "look",
               "beckon", "wag", "you")  # fmt: skip
_SIDE = Parameter("side", "Hand", "right", choices=("left", "right"))
_FROM = Parameter("side", "From", "left", choices=("left", "right"))
_TO = Parameter("side", "To", "right", choices=("left", "right"))
BESIDE = "beside"
"""The place of what is shown beside the host, who steps aside for it."""
TEMPLATES = ("solo", "pair", "trio", "sequence", "pull", "versus", "negation", "badge", "up", "down", "many")
"""How the things of a picture stand to each other."""
COMES = ("slides", "unfolds", "pops", "turns", "drawn", "rises", "drops", "fades")
"""How what is shown comes, and goes the other way round; "drawn" is wiped in as ink."""
MOUNTS = ("print", "framed", "torn", "tablet", "none")
"""What own pictures are shown in."""
_SHOWN_PLACE = Parameter("place", "Where", BESIDE, choices=(BESIDE, "whole"))
_STAYS = Parameter("seconds", "Stays", 4.0, 0.8, 30.0, "s")


def _comes(usual: str) -> Parameter:
    return Parameter("comes", "Comes in", usual, choices=COMES)


def _words(name: str, label: str) -> Parameter:
    return Parameter(name, label, "", required=False)


_PLACE = Parameter("place", "Where", "middle", choices=("left", "middle", "right"))
_SIZE = Parameter("strength", "Size", 1.0, 0.3, 1.3)
_AMOUNT = Parameter("strength", "Strength", 1.0, 0.2, 1.3)
_LONGER = Parameter("longer", "Stays longer", 0.0, 0.0, 6.0, "s")
_LASTS = Parameter("seconds", "Lasts, 0 until the next", 0.0, 0.0, 20.0, "s")


def _label(name: str) -> str:
    return name.replace("-", " ").capitalize()


CUE_KINDS = CueKinds(
    (
        *(
            CueKind(
                name,
                _label(name),
                "host",
                "Gesture",
                (*((_SIDE,) if name in ONE_HANDED else ()), _SIZE, _LONGER),
                ALSO.get(name, ""),
            )
            for name in GESTURES
        ),
        *(
            CueKind(name, _label(name), "host", "Expression", (_AMOUNT, _LASTS), ALSO.get(name, ""))
            for name in EXPRESSIONS
        ),
        CueKind(
            "take",
            "Take a prop",
            "host",
            "Prop",
            (
                Parameter("prop", "Which", next(iter(PROPS)), choices=tuple(PROPS)),
                _SIDE,
                Parameter(
                    "text",
                    "Words on a sign",
                    "",
                    required=False,
                    only_for=("prop", "sign"),
                    missing="an empty sign: write what is on it",
                ),
                Parameter(
                    "picture",
                    "The picture",
                    "",
                    required=False,
                    only_for=("prop", OWN_PICTURE),
                    missing="nothing yet: choose a picture",
                ),
            ),
            "pick up hold " + " ".join(f"{name} {prop.also}" for name, prop in PROPS.items()),
            flag="Take {prop}",
        ),
        CueKind("show", "Hold it up", "host", "Prop", (_LONGER,), "raise prop present camera"),
        CueKind("pass", "Pass it on", "host", "Prop", (), "give hand over prop partner"),
        CueKind("put-down", "Put it down", "host", "Prop", (_SIDE,), "away pocket drop prop"),
        *(
            CueKind(name, _label(name), "host", "Move", parameters, also, flag=flag)
            for name, parameters, also, flag in (
                ("walk-in", (_FROM,), "enter come arrive", ""),
                ("walk-out", (_TO,), "leave exit go away off", ""),
                ("walk-to", (_PLACE,), "go move step over", "Walk to {place}"),
                ("walk-on-spot", (Parameter("seconds", "Lasts", 3.0, 1.0, 20.0, "s"),), "march step", ""),
                ("sit", (), "sit down chair seat", ""),
                ("stand", (), "stand up get up rise", ""),
                ("turn-away", (_TO,), "look off side back", ""),
                ("turn-back", (), "turn to viewer face", ""),
            )
        ),
        CueKind(
            "eyes",
            "Look to",
            "host",
            "Eyes",
            (Parameter("to", "Whom or what", "viewer", choices=LOOKS),),
            "gaze look at camera partner picture notes read eye contact",
            flag="Look to {to}",
        ),
        CueKind("rest", "Nothing by itself", "host", "Rest"),
        CueKind("emphasis", "Emphasis", "sound", "Delivery", (_AMOUNT,), stretch=True),
        CueKind("say-as", "Say as", "sound", "Delivery", (Parameter("text", "As spoken", ""),), flag="Say “{text}”"),
        CueKind(
            "language",
            "In another language",
            "sound",
            "Line",
            (Parameter("language", "Spoken in", next(iter(SPOKEN_LANGUAGES)), choices=tuple(SPOKEN_LANGUAGES)),),
            also="spanish french italian german translate foreign tongue",
            flag="In {language}",
        ),
        CueKind(
            "delivery",
            "Delivery",
            "sound",
            "Line",
            (
                Parameter("manner", "How the line is said", "neutral", choices=tuple(MANNERS)),
                Parameter("ending", "Ending", next(iter(ENDINGS)), choices=tuple(ENDINGS)),
                Parameter("effect", "Effect", next(iter(EFFECT_CHOICES)), choices=tuple(EFFECT_CHOICES)),
                Parameter("strength", "Strength", 1.0, 0.2, 1.5),
                Parameter("pace", "Pace", 1.0, 0.7, 1.4),
                Parameter("pitch", "Pitch", 0.0, -4.0, 4.0),
                Parameter("level", "Level", 0.0, -6.0, 6.0, "dB"),
                Parameter("steadiness", "Steadiness", 0.5, 0.0, 1.0),
                Parameter("variation", "Reading", 0.0, 0.0, 9999.0),
            ),
        ),
        CueKind(
            "recording",
            "Recording",
            "sound",
            "Line",
            (Parameter("recording", "Recording", ""), Parameter("borders", "Words set by hand", "", required=False)),
        ),
        CueKind(
            "clip",
            "Said in a clip",
            "sound",
            "Line",
            (
                Parameter("items", "The clip", "", asset="clip"),
                Parameter("begins", "Said about", 0.0, 0.0, 600.0, "s"),
                Parameter("pauses", "Long pauses", "kept", choices=("kept", "shortened")),
                Parameter("fit", "The picture", "fill", choices=("fill", "whole")),
                Parameter("joins", "At cuts", "nearer", choices=("nearer", "stays")),
            ),
            also="interview footage testimonial person speaks recording",
        ),
        CueKind(
            "pause",
            "Pause",
            "sound",
            "Delivery",
            (Parameter("seconds", "Length", 0.6, 0.1, 5.0, "s"),),
            flag="Pause {seconds} s",
        ),
        *(CueKind(name, name.capitalize(), "picture", "Framing", stretch=True) for name in FRAMINGS),
        CueKind(
            "title",
            "Title",
            "picture",
            "Text",
            (
                Parameter("text", "Words", ""),
                Parameter("where", "Where", "low", choices=("low", "high", "centre")),
                _comes("slides"),
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
                _comes("slides"),
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
                Parameter("place", "Where", "left", choices=("left", "right", BESIDE, "whole")),
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
                Parameter("items", "Shows", "", asset="picture clip", missing="nothing yet: choose it from the shelf"),
                Parameter("mount", "Mounted", "print", choices=MOUNTS),
                Parameter("sound", "Sound of clips", "off", choices=("off", "under")),
                _SHOWN_PLACE,
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
                Parameter("items", "Shows", "", asset="picture clip", missing="nobody yet: choose from the shelf"),
                Parameter("stands", "Stands", "right", choices=("left", "middle", "right")),
                Parameter("size", "Size", 0.8, 0.2, 1.4),
                Parameter("depth", "Where", "before", choices=("before", "behind")),
                Parameter("sound", "Sound of clips", "off", choices=("off", "under")),
                _comes("rises"),
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
            (_words("title", "Heading"), _words("rows", "Rows, apart by |"), _SHOWN_PLACE, _comes("unfolds"), _STAYS),
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
                _SHOWN_PLACE,
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
            (_words("text", "Words"), _words("who", "Who says it"), _SHOWN_PLACE, _comes("slides"), _STAYS),
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
            (_words("text", "Words"), _SHOWN_PLACE, _comes("drawn"), _STAYS),
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
                _SHOWN_PLACE,
                _comes("unfolds"),
                _STAYS,
            ),
            also="call to action button address link qr code closing",
            stretch=True,
            shown=True,
        ),
        CueKind(
            "caption",
            "Caption reads",
            "picture",
            "Captions",
            (Parameter("text", "Shown instead", ""),),
            also="correct subtitle spelling number figure caption text",
            stretch=True,
            flag="Reads “{text}”",
        ),
        CueKind(
            "caption-cut",
            "Caption",
            "picture",
            "Captions",
            (
                Parameter("cut", "Here", "begins", choices=("begins", "goes-on", "new-row", "where-it-fits")),
                Parameter("begins", "Begins later by", 0.0, -1.0, 1.0, "s"),
                Parameter("ends", "Ends later by", 0.0, -1.0, 2.0, "s"),
            ),
            also="subtitle break split join time nudge row line",
            flag="Caption {cut}",
        ),
        CueKind(
            "bed",
            "Music",
            "sound",
            "Sound",
            (Parameter("level", "The music", "silent", choices=("silent", "swells")),),
            also="bed dips stillness silence swell louder quiet",
            stretch=True,
            flag="Music {level}",
        ),
        CueKind(
            "own-sound",
            "Own sound",
            "sound",
            "Sound",
            (
                Parameter("items", "Which", "", asset="sound", missing="nothing yet: choose it from the shelf"),
                Parameter("strength", "Level", 1.0, 0.2, 2.0),
            ),
            also="effect jingle noise shelf recording",
            stretch=True,
        ),
        CueKind(
            "sound",
            "Sound",
            "sound",
            "Sound",
            (
                Parameter("sound", "Sound", next(iter(STINGS)), choices=tuple(STINGS)),
                Parameter("strength", "Level", 1.0, 0.2, 2.0),
            ),
            also=" ".join(f"{name} {sting.also}" for name, sting in STINGS.items()),
            stretch=True,
            flag="{sound}",
        ),
    )
)
