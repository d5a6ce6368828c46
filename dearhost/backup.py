"""A data folder as one file, while it is in use, and back: the database by SQLite's own backup, files with hashes.

What can be computed again is left out.
"""

from __future__ import annotations

import hashlib
import json
import shutil
import sqlite3
import tempfile
import zipfile
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path, PurePosixPath

from dearhost.errors import BackupError
from dearhost.json_data import read_json
from dearhost.storage import write_whole

_FORM, _VERSION = "dear-host-backup", 1
_MANIFEST = "manifest.json"
_LEFT_OUT = ("cache", "fonts", "voices/engine", "room-kept-aside")
_DATABASE_ENDINGS = ("-wal", "-shm", "-journal")
_BLOCK = 1 << 20


def back_up(folder: Path, to: Path) -> int:
    """Write all of a data folder that cannot be computed again into the file ``to``; returns how many files.

    Raises BackupError where there is nothing to keep, StorageFull.
    """
    if not folder.is_dir() or not any(_kept_files(folder)):
        raise BackupError(f"'{folder}' holds nothing to keep. Is it the data folder?")
    if folder.resolve() in to.resolve().parents:
        raise BackupError("A backup does not belong into the folder it is of. Choose another place.")
    hashes: dict[str, str] = {}

    def write(part: Path) -> None:
        with zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED, allowZip64=True) as archive:
            for path in _kept_files(folder):
                name = path.relative_to(folder).as_posix()
                with tempfile.TemporaryDirectory(dir=to.parent) as beside:
                    try:
                        still = _copied(path, Path(beside) / "copy") if _is_database(path) else path
                        archive.write(still, name)
                        hashes[name] = _hash(still)
                    except FileNotFoundError:  # deleted meanwhile
                        continue
            manifest = {"form": _FORM, "version": _VERSION, "files": hashes}
            archive.writestr(_MANIFEST, json.dumps(manifest, indent=1))

    write_whole(to, write)
    return len(hashes)


def restore(file: Path, folder: Path) -> int:
    """Unpack a backup into an empty or new folder, each file checked by its hash; returns how many files.

    Raises BackupError for what is none, is damaged or would write over something; then nothing is left behind.
    """
    if folder.exists() and any(folder.iterdir()):
        raise BackupError(f"'{folder}' is not empty. Restore into a new folder, and name it with DEAR_HOST_DATA.")
    folder.parent.mkdir(parents=True, exist_ok=True)
    beside = Path(tempfile.mkdtemp(dir=folder.parent, prefix=".part-"))
    try:
        with zipfile.ZipFile(file) as archive:
            hashes = _manifest(archive)
            for name, wanted in hashes.items():
                path = beside.joinpath(*_parts(name))
                path.parent.mkdir(parents=True, exist_ok=True)
                with archive.open(name) as packed, path.open("wb") as kept:
                    shutil.copyfileobj(packed, kept, _BLOCK)
                if _hash(path) != wanted:
                    raise BackupError(f"'{file.name}' is damaged: '{name}' is not as it was kept. Use another backup.")
        if folder.exists():
            folder.rmdir()
        beside.replace(folder)
    except (zipfile.BadZipFile, zipfile.LargeZipFile, KeyError, ValueError, EOFError, RuntimeError) as error:
        raise BackupError(f"'{file.name}' is no backup of Dear Host, or it is damaged. Use another one.") from error
    finally:
        shutil.rmtree(beside, ignore_errors=True)
    return len(hashes)


def _kept_files(folder: Path) -> Iterator[Path]:
    for path in sorted(folder.rglob("*")):
        within = path.relative_to(folder)
        left_out = any(within.is_relative_to(name) for name in _LEFT_OUT)
        passing = path.name.startswith(".part-") or path.name.endswith(_DATABASE_ENDINGS)
        if not left_out and not passing and path.is_file() and not path.is_symlink():
            yield path


def _is_database(path: Path) -> bool:
    with path.open("rb") as file:
        return file.read(16) == b"SQLite format 3\0"


def _copied(database: Path, to: Path) -> Path:
    """The database as it stands at one moment, whoever writes to it meanwhile."""
    with closing(sqlite3.connect(database)) as source, closing(sqlite3.connect(to)) as copy:
        source.backup(copy)
    return to


def _hash(path: Path) -> str:
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()


def _manifest(archive: zipfile.ZipFile) -> dict[str, str]:
    manifest = read_json(archive.read(_MANIFEST))
    if not isinstance(manifest, dict) or manifest.get("form") != _FORM or not isinstance(manifest.get("files"), dict):
        raise ValueError("no manifest")
    if manifest.get("version") != _VERSION:
        raise BackupError("The backup was written by a later version of Dear Host. Bring this installation up to date.")
    return {str(name): str(value) for name, value in manifest["files"].items()}


def _parts(name: str) -> tuple[str, ...]:
    path = PurePosixPath(name)
    if path.is_absolute() or ".." in path.parts or "\\" in name or not path.parts:
        raise ValueError("a file that would lie outside")
    return path.parts
