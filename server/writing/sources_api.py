"""What drafts are made from: points of documents, and the audience's comments."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from ninja import File, Form, Router, Status, UploadedFile

from dearhost.errors import CommentsError, UnreadableScript, WritingError
from dearhost.script import text_of_file
from dearhost.writing.comments import Table, pasted, read_table
from dearhost.writing.key_points import key_points
from server.jobs.actions.start import start_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.productions.api import MAX_FILE_BYTES, owned
from server.writing.actions.comments import drop_comments, join_comments, keep_comments, move_comment, part_comments
from server.writing.models import ProductionComments
from server.writing.schemas import CommentsIn, CommentsOut, DocumentPointsOut, JoinIn, MoveIn, PartIn

router = Router(tags=["writing"])
"""Of one production."""
documents = Router(tags=["writing"])
MOST_POINTS = 16


@documents.post("/points", response=DocumentPointsOut, operation_id="readPoints")
def points(request: HttpRequest, file: File[UploadedFile]) -> dict[str, Any]:
    """The key points of a document, each with the sentence it comes from. Raises UnreadableScript, WritingError."""
    name, data = _named(file)
    text = text_of_file(data, name)
    title = name.rsplit(".", 1)[0].replace("-", " ").replace("_", " ").strip()
    found = key_points(text, title, MOST_POINTS)
    if not found.points:
        raise WritingError(f"'{name}' holds no whole sentence to take points from. Open it as a script instead.")
    return {
        "title": title,
        "points": [asdict(point) for point in found.points],
        "quotations": list(found.quotations),
        "unread": found.unread,
    }


def _named(file: UploadedFile) -> tuple[str, bytes]:
    name = (file.name or "document").rsplit("/", 1)[-1]
    if (file.size or 0) > MAX_FILE_BYTES:
        raise UnreadableScript(f"'{name}' has {(file.size or 0) / 1e6:.0f} MB, too much for a text. Is it the file?")
    return name, file.read()


@router.get("/{uuid:production_id}/comments", response=CommentsOut, operation_id="getComments")
def comments(request: HttpRequest, production_id: UUID) -> dict[str, Any]:
    """How many comments are kept."""
    kept = ProductionComments.objects.filter(production=owned(request, production_id)).first()
    return _told(kept or ProductionComments())


@router.post("/{uuid:production_id}/comments", response=CommentsOut, operation_id="pasteComments")
def paste(request: HttpRequest, production_id: UUID, data: CommentsIn) -> dict[str, Any]:
    """Keep pasted comments. Raises CommentsError."""
    return _told(keep_comments(owned(request, production_id), pasted(data.text)))


@router.post("/{uuid:production_id}/comments/file", response=CommentsOut, operation_id="openComments")
def open_file(
    request: HttpRequest, production_id: UUID, file: File[UploadedFile], column: Form[str] = ""
) -> dict[str, Any]:
    """Keep the comments of a file: a table's column, or a list's lines. Raises CommentsError, UnreadableScript."""
    production = owned(request, production_id)
    name, data = _named(file)
    text = text_of_file(data, name)
    table = read_table(text) if name.lower().endswith((".csv", ".tsv")) or column else None
    kept = keep_comments(production, table.column(column) if table else pasted(text))
    return _told(kept, table, column)


def _told(kept: ProductionComments, table: Table | None = None, column: str = "") -> dict[str, Any]:
    counts = {"count": len(kept.texts), "doubles": kept.doubles, "junk": kept.junk, "beyond": kept.beyond}
    if table is None:
        return counts
    return {**counts, "columns": list(table.columns), "column": column or table.columns[table.likeliest]}


@router.post("/{uuid:production_id}/comments/sorted", response={202: JobOut}, operation_id="sortComments")
def sort(request: HttpRequest, production_id: UUID) -> Status[Job]:
    """Have the comments sorted; the job's result holds them. Raises CommentsError where there are none."""
    production = owned(request, production_id)
    if not ProductionComments.objects.filter(production=production).exists():
        raise CommentsError("There are no comments yet: paste some, one a line, or open a CSV.")
    return Status(202, start_job(production.owner_id, "comments", {"production": str(production.pk)}))


@router.post("/{uuid:production_id}/comments/move", response={204: None}, operation_id="moveComment")
def move(request: HttpRequest, production_id: UUID, data: MoveIn) -> Status[None]:
    """Sort one comment by hand."""
    move_comment(owned(request, production_id), data.comment, data.concern)
    return Status(204, None)


@router.post("/{uuid:production_id}/comments/join", response={204: None}, operation_id="joinComments")
def join(request: HttpRequest, production_id: UUID, data: JoinIn) -> Status[None]:
    """Take the themes of two comments for one. Raises CommentsError."""
    join_comments(owned(request, production_id), data.one, data.other)
    return Status(204, None)


@router.post("/{uuid:production_id}/comments/part", response={204: None}, operation_id="partComments")
def part(request: HttpRequest, production_id: UUID, data: PartIn) -> Status[None]:
    """Take apart a theme that was joined by hand. Raises CommentsError."""
    part_comments(owned(request, production_id), data.comments)
    return Status(204, None)


@router.delete("/{uuid:production_id}/comments", response={204: None}, operation_id="dropComments")
def drop(request: HttpRequest, production_id: UUID) -> Status[None]:
    """Put all comments away."""
    drop_comments(owned(request, production_id))
    return Status(204, None)
