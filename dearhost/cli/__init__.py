"""``dear-host``: the main job without a browser."""

from __future__ import annotations

import argparse
import signal
import sys
from collections.abc import Sequence
from pathlib import Path

from dearhost.cli import (
    film_commands,
    shelf_commands,
    sound_commands,
    speech_commands,
    staging_commands,
    upkeep_commands,
    writing_commands,
)
from dearhost.errors import DearHostError
from dearhost.storage import ensure_writable, explained


def main(arguments: Sequence[str] | None = None) -> int:
    """Run a command; returns 0 done, 1 failed with one line on stderr. Wrong use exits with 2."""
    options = build_parser().parse_args(arguments)
    for end in (signal.SIGTERM, signal.SIGHUP):  # as Ctrl+C: nothing half done stays
        signal.signal(end, _interrupt)
    try:
        out = getattr(options, "out", None)
        if out is not None:  # before anybody waits for what cannot be kept
            ensure_writable(out)
        options.command(options)
    except DearHostError as error:
        print(f"dear-host: {error}", file=sys.stderr)
        return 1
    except OSError as error:
        better = explained(error, Path(str(error.filename or "the file")))
        reason = (
            better if isinstance(better, DearHostError) else f"{error.filename or 'a file'}: {error.strerror or error}"
        )
        print(f"dear-host: {reason}", file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        print("dear-host: stopped. Finished parts are kept; the same command goes on from there.", file=sys.stderr)
        return 1
    return 0


def _interrupt(*_: object) -> None:
    raise KeyboardInterrupt


def build_parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="dear-host", description="A written script becomes a film in which a host speaks it."
    )
    commands = parser.add_subparsers(required=True, metavar="COMMAND")

    film_commands.register(commands)
    speech_commands.register(commands)
    staging_commands.register(commands)
    shelf_commands.register(commands)
    sound_commands.register(commands)
    writing_commands.register(commands)
    upkeep_commands.register(commands)
    return parser
