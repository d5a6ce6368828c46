"""The file a command is given."""

from __future__ import annotations

import sys
from pathlib import Path

from dearhost.production import Production, Studio, open_production_file


def opened_production(path: Path, studio: Studio) -> Production:
    """What is in a file; what had to be changed or left out is told. Raises UnreadableScript."""
    opened = open_production_file(path, studio)
    for note in opened.notes:
        print(f"dear-host: {note}", file=sys.stderr)
    return opened.production
