"""A data folder kept while it is written to, and brought back whole."""

from __future__ import annotations

import json
import sqlite3
import threading
import zipfile
from contextlib import closing
from pathlib import Path

import pytest

from dearhost.backup import back_up, restore
from dearhost.cli import main
from dearhost.errors import BackupError


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    """A data folder with a database, a recording, a cache and a half-written file."""
    made = tmp_path / "data"
    (made / "recordings" / "ab").mkdir(parents=True)
    (made / "recordings" / "ab" / "a.flac").write_bytes(b"sound" * 1000)
    (made / "cache").mkdir()
    (made / "cache" / "chunk").write_bytes(b"can be computed again")
    (made / ".part-x").write_bytes(b"half")
    with closing(sqlite3.connect(made / "db.sqlite3")) as database:
        database.execute("PRAGMA journal_mode=WAL")
        database.execute("CREATE TABLE pairs (left INTEGER, right INTEGER)")
        database.commit()
    return made


def test_a_backup_comes_back_as_it_was(folder: Path, tmp_path: Path) -> None:
    assert back_up(folder, tmp_path / "kept.zip") == 2
    assert restore(tmp_path / "kept.zip", tmp_path / "again") == 2
    assert (tmp_path / "again" / "recordings" / "ab" / "a.flac").read_bytes() == b"sound" * 1000
    names = {path.name for path in (tmp_path / "again").rglob("*") if path.is_file()}
    assert names == {"a.flac", "db.sqlite3"}, "what can be computed again, and what is half written, is left out"
    assert not list(tmp_path.glob(".part-*"))


def test_the_database_is_of_one_moment_while_somebody_writes(folder: Path, tmp_path: Path) -> None:
    """Each transaction writes a pair; a copy of the files alone would now and then hold half of one."""
    over = threading.Event()

    def write() -> None:
        with closing(sqlite3.connect(folder / "db.sqlite3", timeout=20)) as database:
            number = 0
            while not over.is_set():
                number += 1
                with database:
                    database.execute("INSERT INTO pairs VALUES (?, NULL)", (number,))
                    database.execute("UPDATE pairs SET right = left WHERE left = ?", (number,))

    writer = threading.Thread(target=write)
    writer.start()
    try:
        for number in range(6):
            back_up(folder, tmp_path / f"{number}.zip")
            restore(tmp_path / f"{number}.zip", tmp_path / f"again-{number}")
            with closing(sqlite3.connect(tmp_path / f"again-{number}" / "db.sqlite3")) as database:
                assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)
                assert database.execute("SELECT count(*) FROM pairs WHERE right IS NOT left").fetchone() == (0,)
    finally:
        over.set()
        writer.join()


@pytest.mark.parametrize("fault", ["changed", "missing", "outside", "later", "no zip"])
def test_a_damaged_backup_leaves_nothing_behind(folder: Path, tmp_path: Path, fault: str) -> None:
    good, bad = tmp_path / "good.zip", tmp_path / "bad.zip"
    back_up(folder, good)
    if fault == "no zip":
        bad.write_bytes(good.read_bytes()[:200])
    else:
        with zipfile.ZipFile(good) as before, zipfile.ZipFile(bad, "w") as after:
            for name in before.namelist():
                content = before.read(name)
                if name.endswith(".flac") and fault == "missing":
                    continue
                if name.endswith(".flac") and fault == "changed":
                    content = content[:-1] + b"!"
                if name == "manifest.json":
                    manifest = json.loads(content)
                    if fault == "outside":
                        manifest["files"]["../../x"] = "0"
                    if fault == "later":
                        manifest["version"] = 9
                    content = json.dumps(manifest).encode()
                after.writestr(name, content)
    with pytest.raises(BackupError, match=r"(another|later version)"):
        restore(bad, tmp_path / "again")
    assert not (tmp_path / "again").exists() and not list(tmp_path.glob(".part-*"))


def test_nothing_is_written_over(folder: Path, tmp_path: Path) -> None:
    back_up(folder, tmp_path / "kept.zip")
    with pytest.raises(BackupError, match="not empty"):
        restore(tmp_path / "kept.zip", folder)
    with pytest.raises(BackupError, match="into the folder"):
        back_up(folder, folder / "kept.zip")
    with pytest.raises(BackupError, match="nothing to keep"):
        back_up(tmp_path / "none", tmp_path / "x.zip")


def test_by_the_command_line(folder: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setenv("DEAR_HOST_DATA", str(folder))
    assert main(["backup", str(tmp_path / "kept.zip")]) == 0
    assert main(["restore", str(tmp_path / "kept.zip"), str(tmp_path / "again")]) == 0
    assert main(["restore", str(tmp_path / "kept.zip"), str(folder)]) == 1
    assert (tmp_path / "again" / "db.sqlite3").exists()
