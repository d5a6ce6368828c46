"""What commands print and write."""

from __future__ import annotations

import json
import sys
from pathlib import Path
from typing import Any

from dearhost.storage import write_text


def print_json(data: Any) -> None:
    print(json.dumps(data, ensure_ascii=False, indent=2))


def write_json(path: Path, data: Any) -> None:
    write_text(path, json.dumps(data, ensure_ascii=False))


class ProgressLine:
    """One line on a terminal that is written over."""

    def __call__(self, fraction: float, seconds_left: float | None) -> None:
        left = "" if seconds_left is None else f", about {seconds_left:.0f} s left"
        end = "\n" if fraction >= 1 else ""
        print(f"\r{fraction:4.0%}{left}          ", end=end, file=sys.stderr, flush=True)
