"""The file a command is given."""

from __future__ import annotations

import sys
from pathlib import Path

from dearhost.production import Production, Studio, open_production_file, with_named_files


def opened_production(path: Path, studio: Studio) -> Production:
    """What is in a file; what had to be changed or left out is told. Raises UnreadableScript."""
    opened = open_production_file(path, studio)
    production, missing = with_named_files(opened.production, studio, path.parent)
    for note in [*opened.notes, *missing]:
        print(f"dear-host: {note}", file=sys.stderr)
    return production
