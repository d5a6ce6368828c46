"""What captions are chosen to be otherwise over a stretch of words: a setting of one cue for each choice."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from dearhost.production.choices import CHOICES, Choices, Scope, Value
from dearhost.script import Cue, CueKind, Parameter, is_colour

KIND = "captions"
AS_ELSEWHERE = "as-elsewhere"
_SEEN, _HIDDEN = "seen", "hidden"
_OF_CAPTIONS = "caption_"

Own = tuple[tuple[str, Value], ...]
"""Choices by their names, as they hold over a stretch."""


def _settings() -> dict[str, str]:
    """The choices a scene has of its captions, by the names of the settings for them."""
    return {
        name.removeprefix(_OF_CAPTIONS): name
        for name, choice in CHOICES.items()
        if name.startswith(_OF_CAPTIONS) and choice.scope is Scope.BOTH and choice.values
    }


_SETTINGS = _settings()

CAPTIONS_OTHERWISE = CueKind(
    KIND,
    "Captions otherwise",
    "picture",
    "Captions",
    (
        *(
            Parameter(
                setting,
                CHOICES[name].label,
                AS_ELSEWHERE,
                choices=(AS_ELSEWHERE, *CHOICES[name].values),
                colour=CHOICES[name].form is is_colour,
            )
            for setting, name in _SETTINGS.items()
        ),
        Parameter(_SEEN, "In the picture", AS_ELSEWHERE, choices=(AS_ELSEWHERE, _HIDDEN)),
    ),
    also="subtitle caption style size place colour font hide large word by word top",
    stretch=True,
)


def own_of(cues: Sequence[Cue]) -> Own:
    """What cues of this kind choose, the later before the earlier."""
    own: dict[str, Value] = {}
    for cue in cues:
        for setting, name in _SETTINGS.items():
            if cue.text(setting) not in ("", AS_ELSEWHERE):
                own[name] = cue.text(setting)
        if cue.text(_SEEN) == _HIDDEN:
            own["captions"] = False
    return tuple(sorted(own.items()))


def with_own(choices: Choices, own: Own) -> Choices:
    """The choices as they hold for a caption."""
    changed: dict[str, Any] = dict(own)
    return replace(choices, **changed) if own else choices
