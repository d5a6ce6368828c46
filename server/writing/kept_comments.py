"""The audience's comments of a production, as they go along in its file."""

from __future__ import annotations

from collections.abc import Mapping

from dearhost.errors import CommentsError
from dearhost.writing.audience import Concern
from dearhost.writing.comments import MOST_COMMENTS, cleaned_comments
from server.productions.models import Production
from server.writing.models import ProductionComments

_COUNTS = ("doubles", "junk", "beyond")
_UNREADABLE = "The comments in this file cannot be read, and were left out. Paste them again where they came from."


class CommentsKeeper:
    """Comments without names, and how somebody sorted them by hand."""

    def packed(self, production: Production) -> object | None:
        """The comments as JSON; None where there are none."""
        kept = ProductionComments.objects.filter(production=production).first()
        if kept is None:
            return None
        return {name: getattr(kept, name) for name in ("texts", "moved", "joined", *_COUNTS)}

    def take(self, production: Production, packed: object) -> None:
        """Keep comments that came in a file, cleaned once more. Raises CommentsError."""
        if not isinstance(packed, Mapping):
            raise CommentsError(_UNREADABLE)
        texts = _texts(packed.get("texts"))
        found = cleaned_comments(texts)
        kept = ProductionComments(production=production, texts=list(found.texts))
        for name in _COUNTS:
            count = packed.get(name)
            setattr(kept, name, count if type(count) is int and 0 <= count <= MOST_COMMENTS else 0)
        if found.texts == tuple(texts):  # else what was sorted by its number would be another comment now
            kept.moved = _moved(packed.get("moved"), len(texts))
            kept.joined = _joined(packed.get("joined"), len(texts))
        kept.save()


def _texts(texts: object) -> list[str]:
    if not isinstance(texts, list) or not all(isinstance(text, str) for text in texts):
        raise CommentsError(_UNREADABLE)
    return texts


def _moved(moved: object, count: int) -> dict[str, str]:
    if not isinstance(moved, Mapping):
        return {}
    concerns = [concern.value for concern in Concern]
    numbers = {str(number) for number in range(count)}
    return {str(n): concern for n, concern in moved.items() if n in numbers and concern in concerns}


def _joined(joined: object, count: int) -> list[list[int]]:
    if not isinstance(joined, list):
        return []
    pairs = (pair for pair in joined if isinstance(pair, list) and len(pair) == 2)
    return [pair for pair in pairs if all(type(n) is int and 0 <= n < count for n in pair)]
