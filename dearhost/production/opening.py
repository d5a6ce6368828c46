"""A file of any kind that holds a script, as a production."""

from __future__ import annotations

from pathlib import Path

from dearhost.production.production import Production
from dearhost.production.project_file import SUFFIX, OpenedProduction, unpack
from dearhost.production.speech_markup import ENDINGS, open_ssml
from dearhost.production.studio import Studio
from dearhost.production.texts import read_file
from dearhost.script import bytes_of


def open_production(data: bytes, name: str, studio: Studio) -> OpenedProduction:
    """The production in the bytes of a file called ``name``: a script (.txt, .md, .fountain, .docx), speech markup
    (.ssml), or a whole production. Not yet checked: not everybody need be cast.

    Raises UnreadableScript, UnreadableProduction.
    """
    ending = Path(name).suffix.lower()
    if ending == SUFFIX:
        return unpack(data, name, studio)
    if ending in ENDINGS:
        return open_ssml(data, studio)
    return OpenedProduction(Production(read_file(data, name)), ())


def open_production_file(path: Path, studio: Studio) -> OpenedProduction:
    """The same from a file. Raises UnreadableScript when it cannot be read."""
    return open_production(bytes_of(path), path.name, studio)
