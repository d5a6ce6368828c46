"""What can be staged: things to show, pictures proposed for words, small pictures of sets and things."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict
from typing import Annotated, Any

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Field, Router, Schema

from dearhost.hosts import THINGS, thing_index
from dearhost.production import CHOICES, LOOKS, PATTERNS, Look, Pattern
from dearhost.production.dressing import FLOOR_PROPS, WALL_PROPS, Prop, another
from dearhost.production.picture_proposals import PictureProposal, pictures_in
from dearhost.production.shown_cues import TEMPLATES
from dearhost.production.sound_proposals import SoundProposal, sounds_for
from dearhost.stage.backdrops import DRAWN_SETS, DrawnSet, Scenery
from dearhost.stage.samples import caption_png, picture_png, set_png, thing_png, transition_png
from server.studio import studio

router = Router(tags=["staging"])
_DAY = {"Cache-Control": "private, max-age=86400"}
_MOST = 60


class LineIn(Schema):
    """A line of the script as it stands."""

    id: str = Field(max_length=64)
    text: str = Field(max_length=20_000)


class LinesIn(Schema):
    """Lines to propose pictures for. ``every``: also for sentences with nothing to show, whose word is set large."""

    lines: list[LineIn] = Field(max_length=200)
    every: bool = False


class ThingOut(Schema):
    """A thing and the words it was found for."""

    thing: str
    words: list[str]
    runners_up: list[str]


class ProposedPicture(Schema):
    """A picture for the words at ``start`` to ``end`` of a line."""

    line: str
    start: int
    end: int
    words: str
    template: str
    count: int
    key: str
    parts: list[ThingOut]


class PatternOut(Schema):
    """A script to begin with, and the set it begins in."""

    name: str
    words: str
    says: str
    opening_set: str


class LookOut(Schema):
    """Choices that go together, by their names."""

    name: str
    words: str
    choices: dict[str, str]


@router.get("/patterns", response=list[PatternOut], operation_id="listPatterns")
def patterns(request: HttpRequest) -> list[Pattern]:
    """Everything one can begin with."""
    return list(PATTERNS.values())


@router.get("/looks", response=list[LookOut], operation_id="listLooks")
def looks(request: HttpRequest) -> list[Look]:
    """All looks."""
    return list(LOOKS.values())


@router.get("/things", response=list[str], operation_id="findThings")
def find_things(request: HttpRequest, words: str = "", most: int = 24) -> list[str]:
    """Names of things for the words, best first."""
    return thing_index().search(words[:200], max(1, min(most, _MOST)))


@router.post("/pictures", response=list[ProposedPicture], operation_id="proposePictures")
def propose_pictures(request: HttpRequest, data: LinesIn) -> list[dict[str, Any]]:
    """Pictures for the words of lines: suggestions, in the order of the script."""
    found = pictures_in([line.text for line in data.lines], every=data.every)
    return [_proposed(line.id, one) for line, of_line in zip(data.lines, found, strict=True) for one in of_line]


class ProposedSound(Schema):
    """A sound for ``words``, which stand at ``start`` to ``end`` of ``line``; ``word`` is what it was offered for."""

    line: str
    start: int
    end: int
    words: str
    sound: str
    word: str
    goes_on: bool


@router.post("/sounds", response=list[ProposedSound], operation_id="proposeSounds")
def propose_sounds(request: HttpRequest, data: LinesIn) -> list[SoundProposal]:
    """Sounds for the lines of a scene: few suggestions, in the order of the script."""
    return sounds_for((line.id, line.text) for line in data.lines)


def _proposed(line: str, picture: PictureProposal) -> dict[str, Any]:
    proposal = picture.proposal
    parts = [
        {"thing": part.thing, "words": [word.text for word in part.words], "runners_up": list(part.runners_up)}
        for part in proposal.parts
    ]
    where = {"line": line, "start": picture.start, "end": picture.end, "words": picture.words}
    return where | {"template": proposal.template, "count": proposal.count, "key": proposal.key, "parts": parts}


Seed = Annotated[int, Field(ge=0, le=1_000_000)]


class PropOut(Schema):
    """What can hang or stand in a set; it ``takes`` so many things, and ``pictures`` of the shelf."""

    name: str
    words: str
    takes: int
    pictures: bool


class DressingOut(Schema):
    """What a set can be dressed with: ``own`` props by slot, and what there is for walls and floors."""

    own: dict[str, str]
    wall: list[PropOut]
    floor: list[PropOut]


@router.get("/sets/{set_id}/dressing", response=DressingOut, operation_id="setDressing")
def set_dressing(request: HttpRequest, set_id: str) -> dict[str, Any]:
    """The slots of a set with its own props, and all props there are."""
    own = dict(_drawn_set(set_id).slots)
    return {"own": own, "wall": _props(WALL_PROPS), "floor": _props(FLOOR_PROPS)}


@router.get("/sets/{set_id}/dressing/another", response=dict[str, str], operation_id="anotherDressing")
def another_dressing(request: HttpRequest, set_id: str, seed: Seed) -> dict[str, str]:
    """Props by slot, by chance."""
    return another(set_id, _drawn_set(set_id).slots, seed)


def _drawn_set(set_id: str) -> DrawnSet:
    if set_id not in DRAWN_SETS:
        raise Http404
    return DRAWN_SETS[set_id]


def _props(props: Mapping[str, Prop]) -> list[dict[str, Any]]:
    return [{"name": name, **asdict(prop)} for name, prop in props.items()]


@router.get("/things/{name}.png", operation_id="thingPicture", include_in_schema=False)
def thing_picture(request: HttpRequest, name: str) -> HttpResponse:
    """A thing by itself."""
    if name not in THINGS:
        raise Http404
    return HttpResponse(thing_png(name), content_type="image/png", headers=_DAY)


@router.get("/picture.png", operation_id="composedPicture", include_in_schema=False)
def composed_picture(request: HttpRequest, things: str, how: str = "solo", count: int = 3) -> HttpResponse:
    """Things composed as a cue would show them."""
    names = tuple(name for name in things.split(",")[:6] if name in THINGS)
    if not names or how not in TEMPLATES:
        raise Http404
    png = picture_png(names, how, max(2, min(6, count)), studio().resources.fonts)
    return HttpResponse(png, content_type="image/png", headers=_DAY)


@router.get("/captions/{style}.png", operation_id="captionPicture", include_in_schema=False)
def caption_picture(request: HttpRequest, style: str) -> HttpResponse:
    """A caption in a style."""
    if style not in CHOICES["caption_style"].values:
        raise Http404
    return HttpResponse(caption_png(style, studio().resources.fonts), content_type="image/png", headers=_DAY)


@router.get("/transitions/{kind}.png", operation_id="transitionPicture", include_in_schema=False)
def transition_picture(request: HttpRequest, kind: str) -> HttpResponse:
    """A transition, its frames side by side."""
    if kind not in CHOICES["transition"].values:
        raise Http404
    return HttpResponse(transition_png(kind), content_type="image/png", headers=_DAY)


@router.get("/sets/{set_id}.png", operation_id="setPicture", include_in_schema=False)
def set_picture(
    request: HttpRequest, set_id: str, palette: str = "own", daylight: str = "own", weather: str = "clear"
) -> HttpResponse:
    """A set as it would be with these choices."""
    scenery = Scenery(set_id, palette, daylight, weather)
    chosen = asdict(scenery) | {"set": scenery.set_id}
    if any(chosen[name] not in CHOICES[name].values for name in ("set", "palette", "daylight", "weather")):
        raise Http404
    return HttpResponse(set_png(scenery), content_type="image/png", headers=_DAY)
