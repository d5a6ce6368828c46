"""The voice a line is read with: its speaker's, or the nearest one that speaks the line's language."""

from __future__ import annotations

from dearhost.production.production import Production
from dearhost.production.spoken_language import language_cue
from dearhost.script import Line
from dearhost.speech import VoiceRegistry


def voice_of(production: Production, line: Line, voices: VoiceRegistry) -> str:
    """The id of the voice that says a line of a production. ``production`` must be checked."""
    own, language = production.entry(line.speaker).voice, language_cue(line)
    return voices.speaking(own, language) if language else own
