"""The table of cues: everything that can happen on a word, or over a stretch of words.

To add a kind, add its entry here and what plays it: for a kind that is ``shown`` a line in ``stage.painting.shown`` and
its drawing, for others ``stage.direction.cueing``. The list, the flags, the settings, Fountain and ``dear-host check``
follow from the entry.
"""

from __future__ import annotations

from dearhost.hosts import EXPRESSIONS, GESTURES, LOOKS, OWN_PICTURE, PROPS, TABLET
from dearhost.production.caption_choices import CAPTIONS_OTHERWISE
from dearhost.production.choices import FRAMINGS
from dearhost.production.cue_words import ALSO
from dearhost.production.production import EFFECT_CHOICES
from dearhost.production.shown_cues import POINTER, SHOWN_CUES, ZOOM
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
_PLACE = Parameter("place", "Where", "middle", choices=("left", "middle", "right"))
_SIZE = Parameter("strength", "Size", 1.0, 0.3, 1.3)
_AMOUNT = Parameter("strength", "Strength", 1.0, 0.2, 1.3)
_LONGER = Parameter("longer", "Stays longer", 0.0, 0.0, 6.0, "s")
_LASTS = Parameter("seconds", "Lasts, 0 until the next", 0.0, 0.0, 20.0, "s")


ACCENT = "accent"
"""Of the cue "bed": a bar begins on the word, and is struck."""


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
                Parameter(
                    "screen",
                    "On its screen",
                    "",
                    required=False,
                    asset="picture clip",
                    only_for=("prop", TABLET),
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
                Parameter("lasts", "Lasts exactly, 0 as it comes", 0.0, 0.0, 120.0, "s"),
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
                POINTER,
            ),
            also="interview testimonial person speaks",
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
        *SHOWN_CUES,
        CueKind(
            ZOOM,
            "Zoom to a place",
            "picture",
            "Picture",
            (
                Parameter("near", "Nearer", 2.0, 1.0, 4.0, "×"),
                Parameter("x", "Across", 0.5, 0.0, 1.0),
                Parameter("y", "Down", 0.5, 0.0, 1.0),
            ),
            also="enlarge magnify closer detail screen clip picture pan",
            stretch=True,
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
        CAPTIONS_OTHERWISE,
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
            (Parameter("level", "The music", "silent", choices=("silent", "swells", ACCENT)),),
            also="bed dips stillness silence swell louder quiet accent strike bar begins",
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
