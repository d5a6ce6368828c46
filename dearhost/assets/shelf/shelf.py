"""The shelf: a folder of what people brought, each thing in a folder of its own under an id of its file's bytes."""

from __future__ import annotations

import shutil
import threading
from collections import OrderedDict
from collections.abc import Callable
from pathlib import Path
from tempfile import mkdtemp
from typing import Any

import av
import skia
from pydantic import ValidationError

from dearhost.assets.shelf.footage import Footage
from dearhost.assets.shelf.item import CLIP, ITEM, PICTURE, SOUND, ShelfItem, kind_of
from dearhost.assets.shelf.keying import KeySettings, key_still, key_thing, keyed_id
from dearhost.assets.shelf.packing import write_packed
from dearhost.assets.shelf.pieces import Pieces
from dearhost.assets.shelf.screens import Happening, known_happening, look
from dearhost.assets.shelf.taking import THUMBNAIL, take_file
from dearhost.errors import HostError
from dearhost.foreign import ForeignFailure, in_own_process
from dearhost.storage import explained, write_text

_FACTS = "item.json"
_SECONDS, _MEMORY = 1800.0, 2_500_000_000
"""Limits for what reads a stranger's file."""
_SMALL_ENOUGH = 400
"""Lines up to which the small film of a clip, of 360, is as good as the full one."""
_LARGE = 1080
_OPENED = 4
"""Pictures kept decoded."""
Progress = Callable[[float], None]


class Shelf:
    """The things of one data folder."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self._pieces = Pieces(folder.parent / "cache" / "pieces")
        self._images: OrderedDict[str, Any] = OrderedDict()
        self._lock = threading.Lock()
        self._looking = threading.Lock()

    def take(self, path: Path, name: str, progress: Progress = lambda part: None) -> ShelfItem:
        """Take a file called ``name`` in; the same file a second time is the same thing. ``progress`` hears 0 to 1 and
        may raise to stop. Raises HostError for what cannot be read, StorageFull."""
        return self._made(name, progress, lambda part: (take_file, path, name, part))

    def key(self, item: str, settings: KeySettings, progress: Progress = lambda part: None) -> ShelfItem:
        """A picture or clip without its ground, as a thing of its own; the same with the same settings is the same.
        Raises HostError, StorageFull."""
        source = self._keyable(item)
        known = self.item(keyed_id(source, settings))
        return known or self._made(
            source.name, progress, lambda part: (key_thing, source, self.path(item), part, settings)
        )

    def _made(self, name: str, progress: Progress, work: Callable[[Path], tuple[Any, ...]]) -> ShelfItem:
        """What comes of ``work``, a function and what it is given, done in a process with limits in a folder that is a
        thing's once it is whole."""
        self.folder.mkdir(parents=True, exist_ok=True)
        part = Path(mkdtemp(prefix=".part-", dir=self.folder))
        try:
            item: ShelfItem = in_own_process(*work(part), seconds=_SECONDS, memory=_MEMORY, progress=progress)
            if not self.path(item.id).exists():
                write_text(part / _FACTS, ITEM.dump_json(item).decode())
                part.rename(self.path(item.id))
            return self.item(item.id) or item
        except ForeignFailure as failure:
            raise HostError(f"'{name}' {failure}. Choose another file, or save it again.") from failure
        except OSError as error:
            raise explained(error, part) from error
        finally:
            shutil.rmtree(part, ignore_errors=True)

    def key_still(self, item: str, settings: KeySettings, moment: float = 0.0, side: int = 640) -> Any:
        """What comes of it at a moment, as a Skia image at most ``side`` pixels wide or high. Raises HostError."""
        pixels = key_still(self._keyable(item), self.path(item), settings, moment, side)
        return skia.Image.fromarray(pixels, colorType=skia.kBGRA_8888_ColorType, alphaType=skia.kPremul_AlphaType)

    def _keyable(self, item: str) -> ShelfItem:
        known = self.item(item)
        if known is None or known.kind == SOUND:
            raise HostError("There is no such picture or clip on the shelf.")
        if known.transparent:
            raise HostError(f"'{known.name}' has no ground any more. Take the one it came from.")
        return known

    def item(self, item: str) -> ShelfItem | None:
        """What is known of a thing; None where there is none."""
        if not kind_of(item):
            return None
        try:
            return ITEM.validate_json((self.path(item) / _FACTS).read_bytes())
        except (OSError, ValidationError):
            return None

    def items(self) -> list[ShelfItem]:
        """Everything there is, by id."""
        folders = sorted(self.folder.iterdir()) if self.folder.is_dir() else []
        return [item for folder in folders if (item := self.item(folder.name))]

    def named(self, name: str) -> str:
        """The id of a thing whose file was called ``name``; "" for none."""
        return next((item.id for item in self.items() if item.name == name), "")

    def path(self, item: str) -> Path:
        """The folder of a thing. Raises HostError for what is no id."""
        if not kind_of(item):
            raise HostError("There is no such thing on the shelf.")
        return self.folder / item

    def file(self, item: str, name: str) -> Path | None:
        """A file of a thing, one of ``picture``, ``thumbnail``, ``small``, ``full``, ``sound``; None where there is
        none."""
        endings = {"picture": ("picture.png", "picture.jpg"), "thumbnail": (THUMBNAIL,), "small": ("small.mp4",),
                   "full": ("full.mp4",), "sound": ("sound.flac",), "matte": ("matte.mp4",),
                   "small-matte": ("small-matte.mp4",)}  # fmt: skip
        found = (self.path(item) / one for one in endings[name]) if kind_of(item) else ()
        return next((path for path in found if path.exists()), None)

    def packed(self, item: str, path: Path) -> None:
        """Write a clip with all that belongs to it as one file, which ``take`` reads again. Raises HostError."""
        try:
            write_packed(self.path(item), path)
        except (OSError, ValueError, av.FFmpegError) as error:
            raise HostError("A clip of the shelf cannot be read any more. Bring its file in again.") from error

    def image(self, item: str) -> Any:
        """A picture as a Skia image; None where there is none."""
        if kind_of(item) != PICTURE:
            return None
        with self._lock:
            if item not in self._images:
                path = self.file(item, "picture")
                image = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(path.read_bytes())) if path else None
                if image is None:
                    return None  # asked again the next time: it may be brought in meanwhile
                self._images[item] = image.makeRasterImage()
                while len(self._images) > _OPENED:
                    self._images.popitem(last=False)
            self._images.move_to_end(item)
            return self._images[item]

    def footage(self, item: str, lines: float) -> Footage | None:
        """The frames of a clip that is seen ``lines`` high: of its small film where that is as good; None where there
        is none."""
        path = self.file(item, "small" if lines <= _SMALL_ENOUGH else "full")
        return Footage(path, self.path(item) / "times.npy", self._pieces) if path else None

    def matte(self, item: str, lines: float) -> Footage | None:
        """The frames that say how far each pixel of a clip belongs to its figure; None for one that has a ground."""
        path = self.file(item, "small-matte" if lines <= _SMALL_ENOUGH else "matte")
        return Footage(path, self.path(item) / "times.npy", self._pieces) if path else None

    def happening(self, item: str, progress: Progress = lambda part: None) -> Happening | None:
        """Where things happen in a clip, looked at now if need be; None where there is none. ``progress`` hears 0 to 1
        and may raise to stop. Raises HostError for one that cannot be read."""
        if known := self.known_happening(item):
            return known
        footage = self.footage(item, _LARGE) if kind_of(item) == CLIP else None
        if footage is None:
            return None
        with self._looking:  # somebody else may have looked meanwhile
            return self.known_happening(item) or look(self.path(item), footage, progress)

    def known_happening(self, item: str) -> Happening | None:
        """The same, where it has been looked at."""
        return known_happening(self.path(item)) if kind_of(item) == CLIP else None

    def remove(self, item: str) -> None:
        """Forget a thing for good."""
        shutil.rmtree(self.path(item), ignore_errors=True)
        self._pieces.forget(item)
        self._images.pop(item, None)
