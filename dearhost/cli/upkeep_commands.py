"""``backup`` and ``restore``."""

from __future__ import annotations

import argparse
from pathlib import Path

from dearhost.backup import back_up, restore
from dearhost.production import data_folder


def register(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the commands."""
    keep = commands.add_parser("backup", help="keep the data folder in one file, while Dear Host runs")
    keep.add_argument("file", type=Path, help="the file to write, such as dear-host.zip")
    keep.set_defaults(command=_back_up)
    bring = commands.add_parser("restore", help="unpack a backup into a new folder")
    bring.add_argument("file", type=Path)
    bring.add_argument("folder", type=Path, help="a new or empty folder; start with DEAR_HOST_DATA set to it")
    bring.set_defaults(command=_restore)


def _back_up(options: argparse.Namespace) -> None:
    files = back_up(data_folder(), options.file)
    print(f"{options.file}: {files} files, {options.file.stat().st_size / 1e6:.1f} MB")


def _restore(options: argparse.Namespace) -> None:
    files = restore(options.file, options.folder)
    print(f"{options.folder}: {files} files, all as they were kept")
