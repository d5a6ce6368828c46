"""The language a cue gives a line."""

from __future__ import annotations

from dearhost.script import Line

SPOKEN_LANGUAGES = {
    "Spanish": "es",
    "French": "fr",
    "Italian": "it",
    "German": "de",
    "Portuguese": "pt",
    "Dutch": "nl",
    "English": "en",
}
"""Languages a line can be spoken in whatever its voice speaks, as ISO 639-1. The first is the cue's default."""


def language_cue(line: Line) -> str:
    """The language a cue gives the line, as ISO 639-1; "" for none."""
    default = next(iter(SPOKEN_LANGUAGES))
    given = [cue.text("language") or default for cue in line.cues if cue.kind == "language"]
    return SPOKEN_LANGUAGES.get(given[-1], "") if given else ""
