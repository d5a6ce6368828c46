"""Things of the shelf that go along in a production's file.

What was kept is packed, and taken in anew where it is opened, in a process with limits, as any file of a stranger: its
id there comes of what is in it, so the production is made to name that.
"""

from __future__ import annotations

import filecmp
import json
import tempfile
import zipfile
from collections.abc import Callable, Iterable, Mapping
from pathlib import Path
from typing import Any

from dearhost.assets.shelf import CLIP, Shelf, ShelfItem, kind_of
from dearhost.errors import HostError
from dearhost.speech import ClipStore
from dearhost.speech.clips import TRANSCRIPT

_FOLDER = "shelf/"
_FILES: Mapping[str, str] = {"picture": "picture", "sound": "sound"}
_CLIP_ENDING = ".mkv"
MOST = 200_000_000
"""Bytes of all things together; what is beyond stays behind, and is said."""


def packed_things(
    shelf: Shelf, clips: ClipStore, items: Iterable[str], folder: Path
) -> tuple[dict[str, Path], list[dict[str, Any]]]:
    """The files to pack by their names in the zip, and what is said of them in the document. ``folder``: where clips
    are put together for it."""
    files: dict[str, Path] = {}
    told: list[dict[str, Any]] = []
    whole = 0
    for item in sorted(set(items)):
        known = shelf.item(item)
        path = _file_of(shelf, known, folder) if known else None
        if known is None or path is None:
            continue
        whole += path.stat().st_size
        fits = whole <= MOST
        name = f"{_FOLDER}{item}{path.suffix}"
        if fits:
            files[name] = path
        told.append({"id": item, "file": name if fits else "", "name": known.name})
        if fits and (heard := clips.known(item)):
            told[-1]["words"] = TRANSCRIPT.dump_python(heard, mode="json")
    return files, told


def _file_of(shelf: Shelf, known: ShelfItem, folder: Path) -> Path | None:
    """The one file that holds all of a thing; None where it is not kept any more."""
    if known.kind != CLIP:
        return shelf.file(known.id, _FILES[known.kind])
    path = folder / f"{known.id}{_CLIP_ENDING}"
    try:
        shelf.packed(known.id, path)
    except HostError:
        return None
    return path


def taken_things(
    shelf: Shelf, clips: ClipStore, packed: zipfile.ZipFile, told: object, note: Callable[[str], None]
) -> dict[str, ShelfItem]:
    """The things of a file, taken in; by the ids they had there. What is missing or damaged is noted."""
    taken: dict[str, ShelfItem] = {}
    whole = 0
    for entry in told if isinstance(told, list) else ():
        if not isinstance(entry, dict) or not kind_of(str(entry.get("id", ""))):
            continue
        item, file, name = str(entry["id"]), str(entry.get("file", "")), str(entry.get("name", ""))[-120:]
        if not file:
            note(f"'{name}' was too large to come along: bring its file in, and choose it again.")
            continue
        try:
            whole += packed.getinfo(file).file_size
            if whole > MOST:
                raise HostError(f"'{name}' is too large.")
            with tempfile.NamedTemporaryFile(suffix=Path(file).suffix) as kept:
                with packed.open(file) as source:
                    while block := source.read(1 << 20):
                        kept.write(block)
                kept.flush()
                # only who has the thing itself may have it by its id
                same = _kept_as(shelf, item, Path(kept.name))
                taken[item] = same or shelf.take(Path(kept.name), name or "unnamed")
            if entry.get("words") and clips.known(taken[item].id) is None:
                clips.adopt(taken[item].id, TRANSCRIPT.validate_python(entry["words"]))
        except (HostError, KeyError, RuntimeError, OSError, ValueError, zipfile.BadZipFile) as error:
            note(f"'{name}' could not be taken out of the file ({error}).")
    return taken


def _kept_as(shelf: Shelf, item: str, path: Path) -> ShelfItem | None:
    """The thing of this id, if what is kept of it here is this very file."""
    known = shelf.item(item)
    if known is None:
        return None
    with tempfile.TemporaryDirectory() as folder:
        kept = _file_of(shelf, known, Path(folder))
        return known if kept and filecmp.cmp(kept, path, shallow=False) else None


def renamed(document: Any, taken: Mapping[str, ShelfItem]) -> Any:
    """The document with ids as they are here."""
    text = json.dumps(document)
    for old, item in taken.items():
        text = text.replace(old, item.id)
    return json.loads(text)
