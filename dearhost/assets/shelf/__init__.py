"""The shelf: pictures, clips and sounds of one's own, taken in once in a process with limits, then our own files."""

from dearhost.assets.shelf.footage import Footage, alpha_of, even
from dearhost.assets.shelf.item import CLIP, PICTURE, SOUND, Light, Loop, ShelfItem, kind_of
from dearhost.assets.shelf.keying import PERSON, KeySettings
from dearhost.assets.shelf.shelf import Shelf

__all__ = [
    "CLIP",
    "PERSON",
    "PICTURE",
    "SOUND",
    "Footage",
    "KeySettings",
    "Light",
    "Loop",
    "Shelf",
    "ShelfItem",
    "alpha_of",
    "even",
    "kind_of",
]
