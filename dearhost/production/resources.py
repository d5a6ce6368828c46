"""What drawing needs of a data folder: fonts, hosts, own pictures and the shelf, without any voice."""

from __future__ import annotations

from dataclasses import dataclass
from pathlib import Path

from dearhost.assets import PictureFolder
from dearhost.assets.shelf import Shelf
from dearhost.hosts import HostLibrary, HostShelf


@dataclass(frozen=True, slots=True)
class Resources:
    """``fonts`` is the folder of the fonts that ship with the application."""

    folder: Path
    fonts: Path
    hosts: HostLibrary
    pictures: PictureFolder
    shelf: Shelf

    @classmethod
    def at(cls, folder: Path) -> Resources:
        """Those of a data folder."""
        made = folder / "hosts"
        return cls(folder, folder / "fonts", HostLibrary(HostShelf(made)), PictureFolder(made / "pictures"),
                   Shelf(folder / "shelf"))  # fmt: skip
