"""Productions: list, begin, open, save, restore, delete."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Annotated, Any
from uuid import UUID

from django.core.cache import cache
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from django.utils.text import slugify
from ninja import File, Query, Router, Status, UploadedFile

from dearhost.errors import DearHostError, StageError, UnreadableScript
from dearhost.films import running_time
from dearhost.production import (
    PATTERNS,
    SUFFIX,
    begun_with,
    findings,
    open_production,
    pack,
    production_as_ssml,
    production_to_json,
    read_script,
    write_fountain,
    write_markdown,
)
from dearhost.production import Production as StagedProduction
from dearhost.script import Script, display_name, spoken_lines, write_plain
from server.accounts.account import account, account_id
from server.productions.actions.create import adopt_production, create_production
from server.productions.actions.duplicate import begin_with_pattern, duplicate, keep_as_pattern
from server.productions.actions.put_away import bring_back, put_away
from server.productions.actions.restore import restore_revision
from server.productions.actions.save import StaleSave, rename_production, save_production
from server.productions.beside import packed_beside
from server.productions.document_schemas import DocumentSchema
from server.productions.documents import opened, usable_production
from server.productions.models import Production, Revision
from server.productions.schemas import (
    NewProduction,
    NewTitle,
    OpenedOut,
    ProductionOut,
    ProductionSummary,
    Restore,
    RevisionOut,
    SaveProduction,
    StaleOut,
)
from server.studio import studio

router = Router(tags=["productions"])
MAX_FILE_BYTES = 40_000_000
_STALE = (
    "This production was changed in another window. Your text is safe: it stays in this window and is kept "
    "among the revisions. Compare both, then take one."
)


def owned(request: HttpRequest, production_id: UUID) -> Production:
    """The account's own production, or 404."""
    return get_object_or_404(Production, pk=production_id, owner_id=account_id(request))


_NOTHING_KNOWN = {
    "words": 0, "seconds": 0.0, "estimated": True, "scenes": 0, "hosts": [], "shape": "16:9", "first_scene": "",
    "findings": 0,
}  # fmt: skip


_FACTS_HOLD = {True: 5, False: 600}
"""Seconds that the facts of a revision hold, by whether its time is an estimate still."""


def _summary(production: Production) -> dict[str, Any]:
    """A row of the desk; one that cannot be read says so, and harms no other."""
    row = {
        name: getattr(production, "pk" if name == "id" else name) for name in ("id", "title", "revision", "updated_at")
    }
    known = f"desk-{production.pk}-{production.revision}"  # reading a document again costs a twentieth of a second
    facts = cache.get(known)
    if facts is None:
        try:
            facts = _facts(opened(production.document, production.title, production.owner_id).production)
        except DearHostError as error:
            return {**row, **_NOTHING_KNOWN, "problem": str(error)}
        cache.set(known, facts, _FACTS_HOLD[facts["estimated"]])
    return {**row, **facts, "problem": ""}


def _facts(staged: StagedProduction) -> dict[str, Any]:
    time = running_time(staged.script, studio(), staged)
    spoken = [s for s in staged.script.scenes if spoken_lines(s)]
    return {
        "words": time.words,
        "seconds": time.seconds,
        "estimated": time.estimated,
        "scenes": len(staged.script.scenes),
        "hosts": [display_name(s) for s in staged.script.speakers() if s],
        "shape": staged.choices.shape,
        "first_scene": spoken[0].id if spoken else "",
        "findings": len(findings(staged.script)),
    }


@router.get("", response=list[ProductionSummary], operation_id="listProductions")
def list_productions(request: HttpRequest) -> list[dict[str, Any]]:
    """The account's productions, last changed first."""
    return [_summary(p) for p in Production.objects.filter(owner_id=account_id(request), is_pattern=False)]


@router.get("/patterns", response=list[ProductionSummary], operation_id="listOwnPatterns")
def own_patterns(request: HttpRequest) -> list[dict[str, Any]]:
    """The patterns the account keeps, by title."""
    kept = Production.objects.filter(owner_id=account_id(request), is_pattern=True)
    return [_summary(pattern) for pattern in kept.order_by("title")]


@router.post("", response={201: ProductionOut}, operation_id="createProduction")
def create(request: HttpRequest, data: NewProduction) -> Status[Production]:
    """Begin a production from a text, or from a pattern."""
    if data.pattern:
        pattern = PATTERNS.get(data.pattern)
        if pattern is None:
            raise StageError(f"There is no pattern '{data.pattern}'. Choose one of: {', '.join(PATTERNS)}.")
        begun, choices = begun_with(pattern)
        return Status(201, create_production(account(request), begun, data.title, choices=choices))
    script = read_script(data.text, data.kind)
    return Status(201, create_production(account(request), script, data.title))


@router.post("/open", response={201: OpenedOut}, operation_id="openFile")
def open_file(request: HttpRequest, file: File[UploadedFile]) -> Status[dict[str, Any]]:
    """Begin a production from a script or a document, speech markup (.ssml), or a production's file."""
    name = (file.name or "script").rsplit("/", 1)[-1]
    stem = name.rsplit(".", 1)[0].replace("-", " ").replace("_", " ").strip().capitalize()
    if (file.size or 0) > MAX_FILE_BYTES:
        raise UnreadableScript(f"'{name}' has {(file.size or 0) / 1e6:.0f} MB, too much for a script. Is it the file?")
    read = open_production(file.read(), name, studio())
    created, notes = adopt_production(account(request), read, stem)
    return Status(201, {"production": created, "notes": notes})


@router.get("/{uuid:production_id}", response=ProductionOut, operation_id="getProduction")
def get(request: HttpRequest, production_id: UUID) -> dict[str, Any]:
    """One production; the notes say what of it had to be replaced, because it is not here any more."""
    production = owned(request, production_id)
    read = opened(production.document, production.title, production.owner_id)
    own = {name: getattr(production, name) for name in ("id", "title", "revision", "updated_at")}
    return {**own, "document": production_to_json(read.production), "notes": read.notes}


@router.put("/{uuid:production_id}", response={200: ProductionOut, 409: StaleOut}, operation_id="saveProduction")
def save(request: HttpRequest, production_id: UUID, data: SaveProduction) -> Production | Status[dict[str, Any]]:
    """Save a document on the revision it was made on; a stale save is refused and kept."""
    production = owned(request, production_id)
    try:
        return save_production(production, data.document.dict(), data.title, data.revision)
    except StaleSave as stale:
        return Status(409, {"detail": _STALE, "kind": "StaleSave", "current": stale.current})


_WRITERS: Mapping[str, Callable[[Script], str]] = {
    "script.fountain": write_fountain,
    "script.md": write_markdown,
    "script.txt": write_plain,
}


def _as_file(content: str | bytes, production: Production, suffix: str, kind: str) -> HttpResponse:
    name = slugify(production.title) or "production"
    headers = {"Content-Disposition": f'attachment; filename="{name}{suffix}"'}
    return HttpResponse(content, content_type=kind, headers=headers)


@router.get("/{uuid:production_id}/file/{name}", operation_id="productionAsFile", include_in_schema=False)
def as_file(request: HttpRequest, production_id: UUID, name: str, line: str = "") -> HttpResponse:
    """The script as Fountain, Markdown, plain text or SSML, or all of it as one file; of SSML also a line."""
    production = owned(request, production_id)
    staged = usable_production(production.document, production.title, production.owner_id)
    if name == f"production{SUFFIX}":
        return _as_file(pack(staged, studio(), packed_beside(production)), production, SUFFIX, "application/zip")
    if name == "script.ssml":
        markup = production_as_ssml(staged, studio(), line)
        return _as_file(markup, production, ".ssml", "application/ssml+xml")
    if name not in _WRITERS:
        raise Http404
    text = _WRITERS[name](staged.script)
    return _as_file(text, production, name.removeprefix("script"), "text/plain; charset=utf-8")


@router.delete("/{uuid:production_id}", response={204: None}, operation_id="deleteProduction")
def delete(request: HttpRequest, production_id: UUID) -> Status[None]:
    """Delete a production; for thirty days it can be brought back with all its revisions."""
    put_away(owned(request, production_id))
    return Status(204, None)


@router.post("/{uuid:production_id}/bring-back", response=ProductionSummary, operation_id="bringBackProduction")
def undelete(request: HttpRequest, production_id: UUID) -> dict[str, Any]:
    """Bring back a production that was deleted."""
    production = get_object_or_404(Production.with_deleted, pk=production_id, owner_id=account_id(request))
    bring_back(production)
    return _summary(production)


@router.post("/{uuid:production_id}/duplicate", response={201: ProductionSummary}, operation_id="duplicateProduction")
def copy(request: HttpRequest, production_id: UUID) -> Status[dict[str, Any]]:
    """A copy of a production beside it."""
    return Status(201, _summary(duplicate(owned(request, production_id))))


@router.post("/{uuid:production_id}/pattern", response={201: ProductionSummary}, operation_id="keepAsPattern")
def as_pattern(request: HttpRequest, production_id: UUID, data: NewTitle) -> Status[dict[str, Any]]:
    """Keep a copy as a pattern to begin others with; one of the same title gives way to it."""
    return Status(201, _summary(keep_as_pattern(owned(request, production_id), data.title)))


@router.post("/{uuid:production_id}/begin", response={201: ProductionOut}, operation_id="beginWithPattern")
def begin_with(request: HttpRequest, production_id: UUID) -> Status[Production]:
    """Begin a production with a pattern of one's own."""
    pattern = get_object_or_404(Production, pk=production_id, owner_id=account_id(request), is_pattern=True)
    return Status(201, begin_with_pattern(pattern))


@router.post("/{uuid:production_id}/title", response=ProductionSummary, operation_id="renameProduction")
def rename(request: HttpRequest, production_id: UUID, data: NewTitle) -> dict[str, Any]:
    """Give a production another title, as a revision of it."""
    return _summary(rename_production(owned(request, production_id), data.title))


@router.get("/{uuid:production_id}/revisions", response=list[RevisionOut], operation_id="listRevisions")
def revisions(
    request: HttpRequest, production_id: UUID, limit: Annotated[int, Query(ge=1, le=200)] = 50
) -> list[Revision]:
    """The latest revisions, refused ones among them."""
    return list(owned(request, production_id).revisions.all()[:limit])


@router.get("/{uuid:production_id}/revisions/{revision_id}", response=DocumentSchema, operation_id="getRevision")
def revision_document(request: HttpRequest, production_id: UUID, revision_id: int) -> dict[str, Any]:
    """The document of a revision."""
    revision = get_object_or_404(Revision, pk=revision_id, production=owned(request, production_id))
    return production_to_json(opened(revision.document, revision.title, revision.production.owner_id).production)


@router.post(
    "/{uuid:production_id}/restore", response={200: ProductionOut, 409: StaleOut}, operation_id="restoreRevision"
)
def restore(request: HttpRequest, production_id: UUID, data: Restore) -> Production | Status[dict[str, Any]]:
    """Bring back a revision as a new one."""
    production = owned(request, production_id)
    revision = get_object_or_404(Revision, pk=data.revision_id, production=production)
    try:
        return restore_revision(production, revision, data.current)
    except StaleSave as stale:
        return Status(409, {"detail": _STALE, "kind": "StaleSave", "current": stale.current})
