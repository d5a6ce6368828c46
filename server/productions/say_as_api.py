"""The say-as list: names that need it, how words sound, lists in and out, and the account's shared list."""

from __future__ import annotations

from typing import Annotated, Any
from uuid import UUID

from django.db import transaction
from django.http import HttpRequest, HttpResponse
from django.utils.text import slugify
from ninja import Field, File, Query, Router, Schema, UploadedFile

from dearhost.errors import ConsentError, SpeechError, StageError
from dearhost.formats import Lexeme, read_pls, write_pls
from dearhost.production import Production, production_from_json
from dearhost.script import spoken_lines
from dearhost.speech import Manner, SayAs, stress_moved, unknown_names, uses_of
from dearhost.wav import as_wav
from server.accounts.account import account_id
from server.productions.api import owned
from server.productions.document_schemas import DocumentSchema, SayAsSchema
from server.productions.documents import production_of
from server.studio import studio
from server.voices.models import SharedSaying
from server.voices.usable import usable_voice

router = Router(tags=["say-as"])
MAX_LIST_BYTES = 4_000_000
_SHOWN_NAMES = 60


class NameOut(Schema):
    """A word no dictionary has: how often it stands in the script, and the phones the voice makes of it."""

    word: str
    count: int
    ipa: str
    voice: str


class SayingUse(Schema):
    """An entry of the list and how often its word stands in the script."""

    word: str
    count: int


class SayAsReport(Schema):
    """Names that are not in the list yet, and where those in it are used."""

    names: list[NameOut]
    uses: list[SayingUse]


class SuggestionsOut(Schema):
    """How the voice says a word by itself, and other ways to try, in IPA."""

    ipa: str
    others: list[str]


class ReadList(Schema):
    """What a list that was read holds, and what was passed over."""

    language: str
    entries: list[SayAsSchema]
    notes: list[str]


class SharedList(Schema):
    """The account's shared list, whole."""

    entries: list[SayAsSchema] = Field(max_length=5000)


@router.post("/say-as", response=SayAsReport, operation_id="reportSayAs")
def report(request: HttpRequest, document: DocumentSchema) -> dict[str, Any]:
    """What a document that need not be saved needs of a say-as list."""
    production = production_from_json(document.dict())
    texts = [line.text for scene in production.script.scenes for line in spoken_lines(scene)]
    voice, language = _voice_of(production)
    listed = {entry.word.casefold() for entry in production.say_as}
    names = [n for n in unknown_names(texts, language) if n.word.casefold() not in listed][:_SHOWN_NAMES]
    return {
        "names": [{"word": n.word, "count": n.count, "ipa": _phones(voice, n.word), "voice": voice} for n in names],
        "uses": [{"word": entry.word, "count": uses_of(entry, texts)} for entry in production.say_as],
    }


def _voice_of(production: Production) -> tuple[str, str]:
    """The first speaker's voice and its language; the default one's while it may not speak."""
    voices = studio().voices
    try:
        voice = voices.voice(next(iter(production.checked(studio()).cast.values())).voice)
    except (SpeechError, ConsentError):
        voice = voices.default()
    return voice.id, voice.language


def _phones(voice: str, word: str) -> str:
    return "".join(studio().voices.engine(voice).phones_alone(word))


@router.get("/say-as/suggestions", response=SuggestionsOut, operation_id="suggestSayings")
def suggestions(request: HttpRequest, voice: str, word: Annotated[str, Query(max_length=80)]) -> dict[str, Any]:
    """Ways to say a word: as the voice does, and with the stress elsewhere."""
    said = _phones(usable_voice(request, voice).id, word)
    return {"ipa": said, "others": stress_moved(said)[:6]}


@router.get("/say-as/word.wav", operation_id="hearSaying", include_in_schema=False)
def hear(
    request: HttpRequest, voice: str, word: Annotated[str, Query(max_length=80)], alias: str = "", ipa: str = ""
) -> HttpResponse:
    """A word by itself, said as an entry would have it."""
    entry = SayAs(word, alias, ipa)
    if (alias or ipa) and entry.problem():
        raise StageError(entry.problem())
    manner = Manner(said_as={0: alias} if alias else {}, ipa={0: ipa} if ipa and not alias else {})
    sound = as_wav(studio().speaker.read(f"{word}.", usable_voice(request, voice).id, manner))
    return HttpResponse(sound, content_type="audio/wav", headers={"Cache-Control": "private, no-cache"})


@router.get("/{uuid:production_id}/say-as.pls", operation_id="sayAsFile", include_in_schema=False)
def as_pls(request: HttpRequest, production_id: UUID) -> HttpResponse:
    """The list of a production as W3C PLS 1.0."""
    production = owned(request, production_id)
    staged = production_of(production.document, production.title)
    lexemes = [Lexeme(e.word, e.alias, "" if e.alias else e.ipa) for e in staged.say_as]
    content = write_pls(_voice_of(staged)[1], lexemes)
    name = slugify(production.title) or "production"
    headers = {"Content-Disposition": f'attachment; filename="{name}.pls"'}
    return HttpResponse(content, content_type="application/pls+xml", headers=headers)


@router.post("/say-as/read", response=ReadList, operation_id="readSayAsFile")
def read(request: HttpRequest, file: File[UploadedFile]) -> dict[str, Any]:
    """What a PLS file holds. Nothing is changed by reading it."""
    if (file.size or 0) > MAX_LIST_BYTES:
        raise StageError("This file is too big for a pronunciation list (over 4 MB).")
    found = read_pls(file.read())
    entries, notes = [], list(found.notes)
    for lexeme in found.lexemes:
        problem = SayAs(lexeme.grapheme, lexeme.alias, lexeme.ipa).problem()
        if problem:
            notes.append(problem)
        else:
            entries.append({"word": lexeme.grapheme, "alias": lexeme.alias, "ipa": lexeme.ipa})
    return {"language": found.language, "entries": entries, "notes": notes}


@router.get("/say-as/shared", response=SharedList, operation_id="getSharedSayings")
def shared(request: HttpRequest) -> dict[str, Any]:
    """The account's shared list."""
    return {"entries": list(SharedSaying.objects.filter(owner_id=account_id(request)))}


@router.put("/say-as/shared", response=SharedList, operation_id="putSharedSayings")
def share(request: HttpRequest, data: SharedList) -> dict[str, Any]:
    """Put the account's shared list in place of what it was."""
    wrong = next((p for e in data.entries if (p := SayAs(e.word, e.alias, e.ipa).problem())), "")
    if wrong:
        raise StageError(wrong)
    with transaction.atomic():
        SharedSaying.objects.filter(owner_id=account_id(request)).delete()
        kept = {e.word.casefold(): e for e in data.entries}
        SharedSaying.objects.bulk_create(
            SharedSaying(owner_id=account_id(request), word=e.word, alias=e.alias, ipa=e.ipa) for e in kept.values()
        )
    return shared(request)
