"""Between stored documents and the core's productions."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from dearhost.errors import ScriptError
from dearhost.production import (
    CastEntry,
    OpenedProduction,
    Production,
    cast_from_json,
    fitted,
    production_from_json,
    production_to_json,
)
from dearhost.production.trying import with_chosen, with_tried
from dearhost.production.uses import uses_of
from server.assets.ownership import for_account, usable
from server.studio import studio

MAX_DOCUMENT_BYTES = 8_000_000


def checked_document(data: Any) -> dict[str, Any]:
    """``data`` as the core reads and writes it. Raises ScriptError when it is none, or too big."""
    if len(json.dumps(data, ensure_ascii=False)) > MAX_DOCUMENT_BYTES:
        raise ScriptError("The production is too big to keep (over 8 MB). Split it into several.")
    return production_to_json(production_from_json(data))


def usable_production(document: dict[str, Any], title: str, owner_id: int) -> Production:
    """The production of a stored document as its account may play it. Raises ScriptError, SpeechError, HostError."""
    return for_account(owner_id, production_of(document, title))


def tried_production(
    document: dict[str, Any], title: str, owner_id: int, scene_id: str, tried: Mapping[str, Any]
) -> Production:
    """A stored document's production with other choices for one of its scenes, as its account may play it.

    Raises StageError, ScriptError, SpeechError, HostError.
    """
    return for_account(owner_id, with_tried(production_of(document, title), scene_id, tried))


def chosen_production(
    document: dict[str, Any], title: str, owner_id: int, scene_id: str, chosen: Mapping[str, Mapping[str, Any]]
) -> Production:
    """A stored document's production with choices that are not kept yet, ``everywhere`` and one scene's ``own``, as its
    account may play it. Raises StageError, ScriptError, SpeechError, HostError.
    """
    made = with_chosen(production_of(document, title), scene_id, chosen.get("everywhere", {}), chosen.get("own", {}))
    return for_account(owner_id, made)


def opened(document: dict[str, Any], title: str, owner_id: int) -> OpenedProduction:
    """A stored document's production with what its account does not have replaced. Raises ScriptError."""
    return fitted_for(owner_id, production_of(document, title))


def fitted_for(owner_id: int, production: Production) -> OpenedProduction:
    """The production with what an account does not have replaced; the notes say what."""
    allowed = usable(owner_id, uses_of(production))
    return fitted(production, studio(), lambda use: use in allowed)


def cast_of(document: Any) -> dict[str, CastEntry]:
    """Who plays whom in a stored document; nobody in one that cannot be read: the desk tells of it."""
    try:
        return cast_from_json(document["cast"])
    except (ScriptError, KeyError, TypeError):
        return {}


def production_of(document: Any, title: str) -> Production:
    """The core's production of a stored document, under its title. Raises ScriptError."""
    script = document.get("script") if isinstance(document, dict) else None
    if not isinstance(script, dict):
        raise ScriptError("This is not a production: it holds no script. Nothing was changed.")
    return production_from_json({**document, "script": {**script, "title": title}})
