"""Voices that speak the language of what they are given to say."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

from dearhost.hosts import Host
from dearhost.languages import main_code
from dearhost.languages.detecting import language_of
from dearhost.production.spoken_language import SPOKEN_LANGUAGES, language_cue
from dearhost.script import Finding, Script, blanked, display_name, words_of
from dearhost.speech import Voice, VoiceRegistry

_SPOKEN = {code: name for name, code in SPOKEN_LANGUAGES.items()}


def language_read_by(speaker: str, script: Script, among: frozenset[str]) -> str:
    """The language a speaker's lines are in, as ISO 639-1 out of ``among``; "" where they are too short to tell."""
    said = (line for _, _, line in script.lines() if line.speaker == speaker and not language_cue(line))
    return language_of(" ".join(blanked(line.text) for line in said), among)


def unlike_findings(cast: Mapping[str, tuple[Host, str]], voices: VoiceRegistry) -> tuple[Finding, ...]:
    """A finding for every speaker whose host looks like somebody else than their voice, by id, sounds."""
    found = []
    heard_as = voices.heard_as()
    for speaker, (host, voice_id) in cast.items():
        looks, sounds = heard_as[host.card.voice], heard_as[voice_id]
        if host.kind == "person" and looks and sounds and looks != sounds:
            voice, own = (voices.voice(id_).name for id_ in (voice_id, voices.usual(host.card.voice)))
            plays = display_name(speaker) or "the speaker"
            message = (
                f"{host.name}, who plays {plays}, looks like a {looks}, and the voice {voice} "
                f"sounds like a {sounds}. {own} goes with {host.name}; or leave it so."
            )
            found.append(Finding("voice", message))
    return tuple(found)


def language_findings(script: Script, chosen: Mapping[str, str], voices: VoiceRegistry) -> tuple[Finding, ...]:
    """A finding for every speaker whose voice, by id in ``chosen``, speaks another language than their lines."""
    known = {voice.id: voice for voice in voices.voices()}
    names = {main_code(voice.language): voice.language_name for voice in reversed(voices.stock())}
    among = frozenset(names)
    found = []
    for speaker in script.speakers():
        voice = known.get(chosen.get(speaker, ""))
        language = language_read_by(speaker, script, among) if voice else ""
        if voice and language and language != main_code(voice.language):
            who = f"{speaker}'s lines read" if speaker else "The lines read"
            message = (
                f"{who} as {names[language]}, and the voice {voice.name} speaks {voice.language_name}. "
                f"Choose a voice that speaks {names[language]}."
            )
            found.append(Finding("language", message))
    return tuple(found) or _line_findings(script, known, chosen)


def _line_findings(script: Script, known: Mapping[str, Voice], chosen: Mapping[str, str]) -> tuple[Finding, ...]:
    """A finding for every line that reads like a language it can be spoken in, and is not its voice's."""
    found = []
    for number, scene in enumerate(script.scenes, 1):
        for line in scene.lines:
            voice = known.get(chosen.get(line.speaker, ""))
            own = main_code(voice.language) if voice else ""
            language = _reads_as(line.text, own) if voice and not language_cue(line) else ""
            if voice and language not in ("", own):
                said = " ".join(word.text for word in words_of(line.text)[:4])
                message = (
                    f"In scene {number}, “{said}…” reads as {_SPOKEN[language]}, and {voice.name} speaks "
                    f"{voice.language_name}. Put the cue In another language on it, or leave it so."
                )
                found.append(Finding("language", message))
    return tuple(found)


@lru_cache(maxsize=4096)
def _reads_as(text: str, own: str) -> str:
    """Whether a line reads as its voice's ``own`` language or as one it can be spoken in; "" where that is unsure.
    Asked for each line at every key."""
    return language_of(blanked(text), frozenset({*_SPOKEN, own}))
