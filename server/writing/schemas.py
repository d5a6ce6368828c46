"""What goes over the wire about writing."""

from __future__ import annotations

from typing import Annotated, Literal

from ninja import Field, Schema

from dearhost.production.production import QUICKEST, SLOWEST
from server.productions.document_schemas import BriefSchema, SceneSchema, ScriptSchema

Seconds = Annotated[float, Field(ge=3, le=3600, allow_inf_nan=False)]
Seed = Annotated[int, Field(ge=0, le=1_000_000)]


class WriterIn(Schema):
    """A brief and who speaks, the first of them the host; ``voice`` is theirs, and how quickly it speaks counts:
    ``pace`` times as it does of itself."""

    brief: BriefSchema
    speakers: list[str] = Field([], max_length=20)
    voice: str = ""
    pace: Annotated[float, Field(ge=SLOWEST, le=QUICKEST, allow_inf_nan=False)] = 1.0


class DraftsIn(WriterIn):
    """A length in seconds, and a seed: another one gives other drafts. ``structures`` empty for all."""

    target: Seconds
    seed: Seed = 0
    structures: list[str] = []


class DraftPartOut(Schema):
    """A part of a draft as a scene; ``place`` says where it belongs, ``open_seconds`` what its slots leave."""

    place: Literal["opening", "middle", "ending"]
    seconds: float
    open_seconds: float
    points: list[int]
    open: list[str]
    scene: SceneSchema


class DraftOut(Schema):
    """A draft; ``points`` are the numbers it says, from 0."""

    structure: str
    name: str
    seconds: float
    open_seconds: float
    points: list[int]
    parts: list[DraftPartOut]


class HeldBackOut(Schema):
    """A structure that is not offered, and why."""

    structure: str
    name: str
    reason: str


class DraftsOut(Schema):
    """Drafts, best first. ``points`` is how many the brief has."""

    drafts: list[DraftOut]
    held_back: list[HeldBackOut]
    points: int


class IdeaOut(Schema):
    """An angle; one with an open slot as its title has no structure."""

    kind: str
    title: str
    first: str
    points: list[int]
    structure: str


class ReworkIn(WriterIn):
    """What to do with which lines; ``lines`` empty for all. ``seconds`` is the length wanted, or what to trim."""

    script: ScriptSchema
    lines: list[str] = []
    kind: Literal["shorter", "longer", "tone", "breathing", "opening", "closing", "answers", "sample"]
    seconds: Annotated[float, Field(ge=0, le=3600, allow_inf_nan=False)] = 0
    tone: str = "plain"
    longest: Annotated[int, Field(ge=6, le=40)] = 18


class EditOut(Schema):
    """``text`` in place of characters ``start`` to ``end`` of a line."""

    start: int
    end: int
    text: str


class ReworkedOut(Schema):
    """A sentence, what becomes of it and why; ``seconds`` are won by it, ``cues`` are ids of those that lose their
    word, ``lost`` names and numbers that go."""

    line: str
    start: int
    end: int
    before: str
    after: str
    rules: list[str]
    seconds: float
    edits: list[EditOut]
    cues: list[str]
    lost: list[str]


class ReworkOut(Schema):
    """A rework, sentence by sentence; ``asks`` is what only the writer can give, ``delivery`` and ``pace`` suit the
    tone."""

    sentences: list[ReworkedOut]
    before: float
    after: float
    points_lost: list[str]
    asks: str = ""
    delivery: str = ""
    pace: float = 1.0


class ToneOut(Schema):
    """A tone one can ask for."""

    id: str
    name: str


class KeyPointOut(Schema):
    """A point of a document, its sentence, and its rank, 0 for the one that carries most."""

    text: str
    source: str
    rank: int


class DocumentPointsOut(Schema):
    """Points of a document; ``unread`` sentences were too many."""

    title: str
    points: list[KeyPointOut]
    quotations: list[str]
    unread: int


class CommentsIn(Schema):
    """Comments as pasted."""

    text: str


class CommentsOut(Schema):
    """How many are kept, and what was left out; ``columns`` are those of a table, ``column`` the one that was read."""

    count: int
    doubles: int
    junk: int
    beyond: int
    columns: list[str] = []
    column: str = ""


class MoveIn(Schema):
    """A comment, by its index, sorted by hand."""

    comment: int
    concern: Literal["puzzle", "wish", "praise", "undecided"]


class JoinIn(Schema):
    """Two comments, by their indices, whose themes are the same."""

    one: int
    other: int


class PartIn(Schema):
    """The comments of a theme, by their indices, that was joined by hand."""

    comments: list[int] = Field(max_length=20_000)


class ModelIn(Schema):
    """Where a model listens on this machine; "" for nowhere."""

    address: str = Field("", max_length=200)
    model: str = Field("local", min_length=1, max_length=120)


class PreviewOut(Schema):
    """What would be sent, as it is sent."""

    address: str
    sent: str
