"""Results kept under a fingerprint of everything that affects them."""

from __future__ import annotations

import dataclasses
import errno
import hashlib
import io
import json
import os
import sys
import tempfile
import threading
import time
from collections.abc import Callable, Collection, Mapping
from enum import Enum
from fractions import Fraction
from pathlib import Path
from typing import Any, Generic, Protocol, TypeVar, runtime_checkable

import numpy as np
from numpy.typing import NDArray

from dearhost.errors import StorageFull

_Value = TypeVar("_Value")
_PART, _PART_LIFE = ".part-", 3600.0
"""What a file is called while it is written, and the seconds after which nobody writes to it any more."""
_TRIM_EVERY = 200
"""Files kept between two looks at the limit."""


@runtime_checkable
class HasDigest(Protocol):
    """A value that is large, and knows a short name of all it holds."""

    def digest(self) -> str:
        """The name: equal values have equal ones, on any machine."""


def to_jsonable(value: Any) -> Any:
    """``value`` as JSON-ready data; dataclasses become lists of their type name and fields, arrays a digest.

    What has a ``digest`` of its own is named by it. Raises TypeError for a value that has no stable form.
    """
    if value is None or type(value) in (str, float, int, bool):  # most of what there is, and quick to tell
        return value
    if isinstance(value, HasDigest):
        return value.digest()
    if dataclasses.is_dataclass(value) and not isinstance(value, type):
        fields = {f.name: to_jsonable(getattr(value, f.name)) for f in dataclasses.fields(value)}
        return [type(value).__name__, fields]
    if isinstance(value, Enum):
        return value.value
    if isinstance(value, Fraction):
        return [value.numerator, value.denominator]
    if isinstance(value, Mapping):
        return {str(k): to_jsonable(v) for k, v in sorted(value.items())}
    if isinstance(value, (list, tuple)):
        return [to_jsonable(v) for v in value]
    if isinstance(value, (set, frozenset)):
        return sorted(to_jsonable(v) for v in value)
    if isinstance(value, Path):
        return str(value)
    if isinstance(value, (bool, int, float, str)):
        return value
    if isinstance(value, np.ndarray):
        data = np.ascontiguousarray(value)
        return [str(data.dtype), list(data.shape), hashlib.blake2b(data.tobytes(), digest_size=12).hexdigest()]
    if isinstance(value, complex):
        return [value.real, value.imag]
    raise TypeError(f"'{type(value).__name__}' has no stable form to take a fingerprint of")


def fingerprint(*parts: Any) -> str:
    """A 24-digit hexadecimal name for ``parts``: equal parts give equal names, on any machine."""
    text = json.dumps([to_jsonable(p) for p in parts], ensure_ascii=False, sort_keys=True, separators=(",", ":"))
    return hashlib.blake2b(text.encode(), digest_size=12).hexdigest()


_reading_arrays = threading.Lock()
"""NumPy reads the head of an array with the ast module, which fails in Python 3.11 when two threads are in it at once
(CPython issue 106905: "AST constructor recursion depth mismatch")."""


def read_array(source: Path | io.BytesIO) -> NDArray[Any]:
    """An array as ``numpy.save`` writes it. Raises ValueError, OSError for anything else."""
    with _reading_arrays, source.open("rb") if isinstance(source, Path) else source as file:
        held: NDArray[Any] = np.lib.format.read_array(file, allow_pickle=False)
    return held


def read_arrays(path: Path, names: Collection[str] | None = None) -> dict[str, NDArray[Any]]:
    """Arrays by their names, all or those named, as ``numpy.savez`` writes them.

    Raises ValueError, OSError for anything else, KeyError for a name that is not there.
    """
    with _reading_arrays, np.load(path, allow_pickle=False) as held:
        return {name: held[name] for name in (held.files if names is None else names)}


def _umask() -> int:
    mask = os.umask(0o022)
    os.umask(mask)
    return mask


_UMASK = _umask()
"""Read once: asking for it changes it for a moment, in every thread."""


def write_text(path: Path, text: str) -> None:
    """Write a text as ``write_whole`` does, in UTF-8."""

    def write(part: Path) -> None:
        part.write_text(text, encoding="utf-8")

    write_whole(path, write)


def write_bytes(path: Path, data: bytes) -> None:
    """Write bytes as ``write_whole`` does."""

    def write(part: Path) -> None:
        part.write_bytes(data)

    write_whole(path, write)


def prepared_folder(name: str) -> Path:
    """The folder of what setting up prepared under a name, shared by everything that runs in this environment."""
    return Path(sys.prefix) / "share" / "dear-host" / name


def write_whole(path: Path, write: Callable[[Path], None]) -> None:
    """Let ``write`` fill a temporary file, then give it its final name in one step.

    A reader never sees half a file. Raises StorageFull when the disk is full, OSError where ``ensure_writable`` does.
    """
    ensure_writable(path)
    path.parent.mkdir(parents=True, exist_ok=True)
    handle, name = tempfile.mkstemp(dir=path.parent, prefix=_PART, suffix=path.suffix)
    os.close(handle)
    part = Path(name)
    try:
        write(part)
        part.chmod(0o666 & ~_UMASK)  # mkstemp keeps it to its owner; a film is like any other file
        part.replace(path)
    except OSError as error:
        raise explained(error, path) from error
    finally:
        part.unlink(missing_ok=True)


def ensure_writable(path: Path) -> None:
    """Raise OSError where no file could be written: in a folder that is closed, or over a device or folder."""
    if path.exists() and not path.is_file():  # whoever may do anything would replace the device
        raise OSError(errno.EINVAL, "it is no file that could be replaced", str(path))
    nearest = next((folder for folder in path.absolute().parents if folder.exists()), path)
    if not os.access(nearest, os.W_OK):
        raise PermissionError(errno.EACCES, os.strerror(errno.EACCES), str(nearest))


def explained(error: OSError, path: Path) -> Exception:
    """A full disk as StorageFull, anything else as it came."""
    if error.errno in (errno.ENOSPC, errno.EDQUOT, errno.EFBIG):
        return StorageFull(
            f"The disk is full: '{path.name}' could not be written. "
            "Finished parts are kept; free some space and start again."
        )
    return error


class ReadFiles(Generic[_Value]):
    """What files hold, each read once and again when it was changed; None for one that cannot be read.

    ``read`` may raise one of ``damaged`` for a file that does not hold what it should. Safe from several threads.
    """

    def __init__(self, read: Callable[[Path], _Value], damaged: tuple[type[Exception], ...]) -> None:
        self._read, self._damaged = read, damaged
        self._known: dict[Path, tuple[int, _Value | None]] = {}
        self._lock = threading.Lock()

    def load(self, path: Path) -> _Value | None:
        """What ``path`` holds now."""
        try:
            changed = path.stat().st_mtime_ns
        except OSError:
            return None
        with self._lock:
            known = self._known.get(path)
        if known and known[0] == changed:
            return known[1]
        try:
            value: _Value | None = self._read(path)
        except self._damaged:
            value = None
        with self._lock:
            self._known[path] = changed, value
        return value


class FolderCache:
    """Files under a folder, named by fingerprint; the least recently used go first.

    ``limit`` is in bytes. A hit marks the file as used now.
    """

    def __init__(self, folder: Path, limit: int) -> None:
        self.folder = folder
        self.limit = limit
        self._kept = 0
        folder.mkdir(parents=True, exist_ok=True)
        self._sweep()

    def path_of(self, name: str) -> Path:
        """Where the file ``name`` lies or would lie."""
        return self.folder / name[:2] / name

    def find(self, name: str) -> Path | None:
        """The file ``name``, or None."""
        path = self.path_of(name)
        try:
            os.utime(path)
        except OSError:
            return None
        return path

    def put(self, name: str, write: Callable[[Path], None]) -> Path:
        """Keep what ``write`` puts into the path it is given."""
        path = self.path_of(name)
        write_whole(path, write)
        self._kept += 1
        if self._kept % _TRIM_EVERY == 0:
            self.trim()
        return path

    def _sweep(self) -> None:
        """Half files that a killed process left; a younger one may still be written."""
        long_ago = time.time() - _PART_LIFE
        for part in self.folder.rglob(f"{_PART}*"):
            try:
                if part.stat().st_mtime < long_ago:
                    part.unlink()
            except OSError:  # it was given its name meanwhile
                continue

    def trim(self) -> int:
        """Remove the least recently used files above the limit; returns how many."""
        files = [(p.stat().st_mtime_ns, p.stat().st_size, p) for p in self.folder.rglob("*") if p.is_file()]
        total = sum(size for _, size, _ in files)
        removed = 0
        for _, size, path in sorted(files):
            if total <= self.limit:
                break
            path.unlink(missing_ok=True)
            total -= size
            removed += 1
        return removed
