"""What goes over the wire about productions, their files and revisions."""

from __future__ import annotations

from datetime import datetime
from typing import Literal
from uuid import UUID

from ninja import Field, Schema

from server.productions.document_schemas import DocumentSchema, SceneSchema


class ProductionSummary(Schema):
    """A production on the desk; ``problem`` says why it cannot be read, "" for one that can."""

    id: UUID
    title: str
    revision: int
    updated_at: datetime
    words: int
    seconds: float
    estimated: bool
    scenes: int
    hosts: list[str]
    shape: str
    first_scene: str
    findings: int
    problem: str


class ProductionOut(Schema):
    """A production to work on; ``notes`` say what had to be replaced."""

    id: UUID
    title: str
    revision: int
    updated_at: datetime
    document: DocumentSchema
    notes: list[str] = []


class OpenedOut(Schema):
    """A production begun from a file, and what had to be changed for this machine."""

    production: ProductionOut
    notes: list[str]


class NewProduction(Schema):
    """A script as text; ``kind`` plain, markdown, fountain, or "" to guess; or a ``pattern`` by its name."""

    pattern: str = Field("", max_length=40)
    text: str = ""
    kind: Literal["", "plain", "markdown", "fountain"] = ""
    title: str = ""


class NewTitle(Schema):
    """What a production is to be called."""

    title: str = Field(min_length=1, max_length=200)


class SaveProduction(Schema):
    """``revision`` is the one the changes were made on."""

    revision: int
    title: str
    document: DocumentSchema


class StaleOut(Schema):
    """The save was refused: the current production, and what happened."""

    detail: str
    kind: str
    current: ProductionOut


class RevisionOut(Schema):
    """A saved revision."""

    id: int
    number: int
    title: str
    refused: bool
    saved_at: datetime


class RunOut(Schema):
    """A stretch of text, and whether the other side lacks it."""

    text: str
    differs: bool


class DifferenceOut(Schema):
    """A heading, line or direction that is not the same."""

    kind: Literal["changed", "added", "removed", "moved"]
    scene: int
    speaker: str
    before: list[RunOut]
    after: list[RunOut]


class CompareIn(Schema):
    """Two states of a production."""

    before: DocumentSchema
    after: DocumentSchema


class CompareOut(Schema):
    """What differs in the text, and which other choices differ, by name."""

    lines: list[DifferenceOut]
    choices: list[str]


class Restore(Schema):
    """Which revision to bring back, and the current revision number."""

    revision_id: int
    current: int


class PasteIn(Schema):
    """Pasted text; ``kind`` as for a new production, ``language`` BCP 47."""

    text: str
    kind: Literal["", "plain", "markdown", "fountain"] = ""
    language: str = "en"


class PieceOut(Schema):
    """A sentence: characters ``start`` to ``end`` of a block of the only scene."""

    block: int
    start: int
    end: int
    opens: bool
    seconds: float


class PasteOut(Schema):
    """What a paste holds. ``by_paragraph`` and ``by_length`` name the pieces that would begin a scene."""

    scenes: list[SceneSchema]
    pieces: list[PieceOut]
    by_paragraph: list[int]
    by_length: list[int]
