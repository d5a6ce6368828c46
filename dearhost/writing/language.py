"""Drafting and rework speak English only, and say so."""

from __future__ import annotations

from dearhost.errors import WritingError
from dearhost.languages.detecting import language_of

_NAMES = {
    "cs": "Czech",
    "da": "Danish",
    "de": "German",
    "el": "Greek",
    "es": "Spanish",
    "fi": "Finnish",
    "fr": "French",
    "hu": "Hungarian",
    "it": "Italian",
    "ja": "Japanese",
    "nl": "Dutch",
    "no": "Norwegian",
    "pl": "Polish",
    "pt": "Portuguese",
    "ro": "Romanian",
    "ru": "Russian",
    "sv": "Swedish",
    "tr": "Turkish",
    "uk": "Ukrainian",
    "zh": "Chinese",
}


def ensure_english(text: str) -> None:
    """Raises WritingError for a text that reads like another language; one too short to tell passes."""
    found = language_of(text, frozenset(_NAMES) | {"en"})
    if found in _NAMES:
        raise WritingError(f"Drafts and rework are in English only so far, and this reads like {_NAMES[found]}.")
