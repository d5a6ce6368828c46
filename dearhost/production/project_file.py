"""A whole production as one file: a zip of JSON, to keep, hand on and open on another machine.

``production.json`` holds the production with the version of its form; ``script.fountain`` is the script for
whoever opens the zip by hand.
"""

from __future__ import annotations

import base64
import io
import json
import tempfile
import zipfile
import zlib
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Any

from dearhost.errors import DearHostError, ScriptError
from dearhost.json_data import read_json
from dearhost.production.choices import CHOICES, Value
from dearhost.production.packed_shelf import packed_things, renamed, taken_things
from dearhost.production.production import (
    EFFECT_CHOICES,
    Production,
    production_from_json,
    production_to_json,
    with_choices,
)
from dearhost.production.studio import Studio
from dearhost.production.texts import write_fountain
from dearhost.production.uses import HOST, PICTURE, SHELF, VOICE, Use, uses_of, without
from dearhost.script import Scene

SUFFIX = ".dearhost"
FORM = "dear-host-production"
VERSION = 1
"""Raised when a file of this form could no longer be read as it is; what is merely missing has its usual value."""
_DAMAGED = (
    zipfile.BadZipFile, zlib.error, KeyError, ValueError, EOFError, OSError, NotImplementedError, RuntimeError,
)  # fmt: skip
_LARGEST = 100_000_000
_EPOCH = (2020, 1, 1, 0, 0, 0)


class UnreadableProduction(ScriptError):
    """The file is no production, is damaged, or was written by a later version."""


@dataclass(frozen=True, slots=True)
class OpenedProduction:
    """A production out of a file; ``notes`` say what had to be changed for this machine.

    ``brought`` names the hosts, pictures and things of the shelf that came with it; ``beside`` is what was packed
    beside the production, by name, not yet checked.
    """

    production: Production
    notes: tuple[str, ...]
    brought: frozenset[Use] = frozenset()
    beside: Mapping[str, object] = field(default_factory=dict)


def pack(production: Production, studio: Studio, beside: Mapping[str, object] | None = None) -> bytes:
    """The production as a file, with what is kept ``beside`` it by name, as JSON.

    The same production gives the same bytes.
    """
    hosts = {entry.host: made for entry in production.cast.values() if (made := studio.hosts.made(entry.host))}
    document = {"form": FORM, "version": VERSION, "production": production_to_json(production)}
    if hosts:
        document["hosts"] = hosts
    if beside:
        document["beside"] = dict(beside)
    named = {cue.text("picture") for _, _, line in production.script.lines() for cue in line.cues if cue.kind == "take"}
    pictures = {p: base64.b64encode(png).decode() for p in sorted(named) if (png := studio.pictures.bytes_of(p))}
    if pictures:
        document["pictures"] = pictures
    shelf = (use.id for use in uses_of(production) if use.kind == SHELF)
    with tempfile.TemporaryDirectory() as folder:
        files, things = packed_things(studio.shelf, studio.speaker.clips, shelf, Path(folder))
        if things:
            document["shelf"] = things
        contents = {
            "production.json": json.dumps(document, ensure_ascii=False, indent=1),
            "script.fountain": write_fountain(production.script),
        }
        buffer = io.BytesIO()
        with zipfile.ZipFile(buffer, "w", zipfile.ZIP_DEFLATED) as packed:
            for name, text in contents.items():
                packed.writestr(zipfile.ZipInfo(name, _EPOCH), text, zipfile.ZIP_DEFLATED)
            for name, path in files.items():  # compressed already
                packed.writestr(zipfile.ZipInfo(name, _EPOCH), path.read_bytes(), zipfile.ZIP_STORED)
    return buffer.getvalue()


def unpack(data: bytes, name: str, studio: Studio) -> OpenedProduction:
    """The production in the bytes of a file called ``name``.

    Made hosts, pictures and things of the shelf that come with it are taken in. Hosts, voices and sets this machine
    does not have are replaced, and named in the notes.
    Raises UnreadableProduction.
    """
    document = _document(data, name)
    version = document.get("version")
    if document.get("form") != FORM or not isinstance(version, int) or version < 1:
        raise UnreadableProduction(f"'{name}' holds no production. Is it the right file?")
    if version > VERSION:
        raise UnreadableProduction(
            f"'{name}' was written by a later version of Dear Host (form {version}, this one reads up to {VERSION}). "
            "Open it there and save the script as Fountain, or bring this installation up to date."
        )
    try:
        notes: list[str] = []
        brought = set()
        held = document["production"]
        if document.get("shelf"):
            with zipfile.ZipFile(io.BytesIO(data)) as packed:
                things = taken_things(studio.shelf, studio.speaker.clips, packed, document["shelf"], notes.append)
            held = renamed(held, things)
            brought |= {Use(SHELF, item.id) for item in things.values()}
        production = production_from_json(held)
        for host_id, made in dict(document.get("hosts", {})).items():
            if studio.hosts.adopt(str(host_id), made) and studio.hosts.made(str(host_id)) == made:
                brought.add(Use(HOST, str(host_id)))
        for picture, text in dict(document.get("pictures", {})).items():
            if studio.pictures.adopt(str(picture), text):
                brought.add(Use(PICTURE, str(picture)))
        opened = fitted(production, studio)
        beside = {str(kept): value for kept, value in dict(document.get("beside", {})).items()}
        return replace(opened, notes=(*notes, *opened.notes), brought=frozenset(brought), beside=beside)
    except (DearHostError, KeyError, TypeError, ValueError, AttributeError) as error:
        raise UnreadableProduction(
            f"'{name}' is damaged: its production cannot be read ({error}). Nothing was changed. "
            "Its script.fountain can be taken out with any zip program and opened on its own."
        ) from error


def _document(data: bytes, name: str) -> Mapping[str, Any]:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            entry = packed.getinfo("production.json")
            if entry.file_size > _LARGEST:
                raise UnreadableProduction(f"'{name}' is too big to be a production.")
            document = read_json(packed.read(entry))
    except _DAMAGED as error:
        raise UnreadableProduction(
            f"'{name}' is no production file, or it is damaged ({type(error).__name__}). "
            "Copy it again from where it came; nothing was changed."
        ) from error
    if not isinstance(document, dict):
        raise UnreadableProduction(f"'{name}' holds no production. Is it the right file?")
    return document


def fitted(
    production: Production, studio: Studio, allowed: Callable[[Use], bool] = lambda use: True
) -> OpenedProduction:
    """The production with what this machine does not have replaced by the usual; the notes say what.

    What is not ``allowed`` is as if it were not there.
    """
    notes: list[str] = []
    known = {voice.id for voice in studio.voices.voices()}
    cast = {}
    for speaker, entry in production.cast.items():
        who = speaker or "The speaker"
        has_host = studio.hosts.is_known(entry.host) and allowed(Use(HOST, entry.host))
        has_voice = entry.voice in known and allowed(Use(VOICE, entry.voice))
        lacking = [] if has_host else [f"the host '{entry.host}'"]
        lacking += [] if has_voice else [f"the voice '{entry.voice}'"]
        if lacking:
            notes.append(f"{who} had {' and '.join(lacking)}, which this machine does not have.")
            continue
        if entry.effect not in EFFECT_CHOICES:
            notes.append(f"{who} had the effect '{entry.effect}', which this machine does not have.")
            entry = replace(entry, effect="none")
        cast[speaker] = entry
    here = without(production, lambda use: use.kind == SHELF and not (studio.shelf.item(use.id) and allowed(use)))
    if here != production:
        notes.append("A picture or clip of the shelf is not on this machine: bring its file in, and choose it again.")
        production = here
    scenes = tuple(
        replace(scene, staging=replace(scene.staging, own=_known_choices(scene, number, notes)))
        for number, scene in enumerate(production.script.scenes, 1)
    )
    production = replace(production, cast=cast, script=replace(production.script, scenes=scenes))
    for name, choice in CHOICES.items():
        value = getattr(production.choices, name)
        if choice.problem(value):
            notes.append(f"The {choice.label.lower()} '{value}' is not on this machine.")
            production = with_choices(production, **{name: choice.default})
    return OpenedProduction(production, tuple(notes))


def _known_choices(scene: Scene, number: int, notes: list[str]) -> dict[str, Value]:
    kept = {}
    for name, value in scene.staging.own.items():
        if CHOICES[name].problem(value):
            label = CHOICES[name].label.lower()
            notes.append(f"Scene {number} had the {label} '{value}', which this machine does not have.")
        else:
            kept[name] = value
    return kept
