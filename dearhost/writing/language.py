"""Drafting and rework speak English only, and say so."""

from __future__ import annotations

import langcodes

from dearhost.errors import WritingError
from dearhost.languages.detecting import language_of

_TOLD_APART = frozenset("cs da de el en es fi fr hu it ja nl no pl pt ro ru sv tr uk zh".split())


def ensure_english(text: str) -> None:
    """Raises WritingError for a text that reads like another language; one too short to tell passes."""
    found = language_of(text, _TOLD_APART)
    if found and found != "en":
        name = langcodes.get(found).display_name()
        raise WritingError(f"Drafts and rework are in English only so far, and this reads like {name}.")
