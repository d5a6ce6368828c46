"""Comments of a production: kept, moved, put away."""

from __future__ import annotations

from collections.abc import Iterable

from dearhost.errors import CommentsError
from dearhost.writing.comments import cleaned_comments
from server.productions.models import Production
from server.writing.models import ProductionComments


def keep_comments(production: Production, texts: Iterable[str]) -> ProductionComments:
    """Add comments to those that are there. Raises CommentsError for none."""
    kept, _ = ProductionComments.objects.get_or_create(production=production)
    found = cleaned_comments([*kept.texts, *texts])
    if len(found.texts) == len(kept.texts) and not found.doubles:
        raise CommentsError("There are no comments in this text: paste one a line, or a CSV.")
    kept.doubles += found.doubles
    kept.junk += found.junk
    kept.beyond += found.beyond
    kept.texts = list(found.texts)
    kept.save()
    return kept


def move_comment(production: Production, comment: int, concern: str) -> None:
    """Sort one comment by hand. Raises CommentsError for one that is not there."""
    kept = _kept(production, comment)
    kept.moved = {**kept.moved, str(comment): concern}
    kept.save()


def join_comments(production: Production, one: int, other: int) -> None:
    """Take the themes of two comments for one. Raises CommentsError for one that is not there."""
    kept = _kept(production, one, other)
    kept.joined = [*kept.joined, [one, other]]
    kept.save()


def part_comments(production: Production, comments: Iterable[int]) -> None:
    """Take apart what was joined by hand among some comments."""
    among = set(comments)
    kept = _kept(production, *among)
    kept.joined = [pair for pair in kept.joined if not among >= set(pair)]
    kept.save()


def _kept(production: Production, *comments: int) -> ProductionComments:
    kept = ProductionComments.objects.filter(production=production).first()
    if kept is None or not all(0 <= comment < len(kept.texts) for comment in comments):
        raise CommentsError("This comment is not here any more.")
    return kept


def drop_comments(production: Production) -> None:
    """Put all comments of a production away."""
    ProductionComments.objects.filter(production=production).delete()
