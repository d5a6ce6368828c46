"""Text from elsewhere: what was pasted, as scenes, and where it could be cut."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest
from ninja import Router

from dearhost.production import CHOICES, compare, production_from_json, read_script
from dearhost.script import count_words, to_json
from dearhost.writing.advice import LONG_TEXT, cuts_by_length, cuts_by_paragraph, pieces_of
from server.productions.schemas import CompareIn, CompareOut, PasteIn, PasteOut

_APART = {"cast": "who plays whom, with which voice", "brief": "the brief", "say_as": "the say-as list"}
"""What else differs, beside the table of choices."""
router = Router(tags=["writing"])
MAX_PASTE = 2_000_000


@router.post("/paste", response=PasteOut, operation_id="readPaste")
def read_paste(request: HttpRequest, data: PasteIn) -> dict[str, Any]:
    """The scenes of a pasted text, by the same rules as a script that is opened; changes nothing.

    A long text of one scene without a heading comes with the sentences at which it could be cut.
    """
    script = read_script(data.text[:MAX_PASTE], data.kind)
    scenes = script.scenes
    answer: dict[str, Any] = {"scenes": to_json(script)["scenes"], "pieces": [], "by_paragraph": [], "by_length": []}
    if len(scenes) == 1 and not scenes[0].heading and count_words(script) >= LONG_TEXT:
        pieces = pieces_of(scenes[0], data.language)
        answer |= {"pieces": pieces, "by_paragraph": cuts_by_paragraph(pieces), "by_length": cuts_by_length(pieces)}
    return answer


@router.post("/compare", response=CompareOut, operation_id="compareDocuments")
def compare_documents(request: HttpRequest, data: CompareIn) -> dict[str, Any]:
    """What differs between two states of a production, to be read; changes nothing."""
    before, after = (production_from_json(document.dict()) for document in (data.before, data.after))
    choices = [label for name, label in _APART.items() if getattr(before, name) != getattr(after, name)]
    choices += [
        f"the {choice.label.lower()}" if choice.kind == "choice" else choice.label.lower()
        for name, choice in CHOICES.items()
        if getattr(before.choices, name) != getattr(after.choices, name)
    ]
    staged = {s.id: s.staging for s in before.script.scenes}
    own = [i for i, s in enumerate(after.script.scenes, 1) if s.id in staged and staged[s.id] != s.staging]
    choices += [f"the staging of scene {number}" for number in own]
    return {"lines": compare(before.script, after.script), "choices": choices}
