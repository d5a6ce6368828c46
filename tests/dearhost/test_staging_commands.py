"""The commands about what can be staged."""

from __future__ import annotations

import json
from pathlib import Path

import pytest
import skia

from dearhost.cli import main


@pytest.mark.parametrize("what", ["sets", "layouts", "transitions", "looks", "patterns"])
def test_what_there_is_is_listed(what: str, capsys: pytest.CaptureFixture[str]) -> None:
    assert main([what, "--json"]) == 0
    [(name, rows)] = json.loads(capsys.readouterr().out).items()
    assert name == what and len(rows) >= 4
    assert all(set(row) == {"id", "name"} and row["name"] for row in rows)
    assert main([what]) == 0
    assert rows[0]["id"] in capsys.readouterr().out


def test_pictures_name_their_words_and_runners_up(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["pictures", "The Moon pulls the sea", "--n", "4", "--json"]) == 0
    rows = json.loads(capsys.readouterr().out)["suggestions"]
    assert rows[0] == {"picture": "moon+wave", "template": "pull", "things": ["moon", "wave"], "from": ["Moon", "sea"]}
    assert len(rows) == 4 and all(row["template"] == "solo" for row in rows[1:])
    assert main(["pictures", "Quietude is a virtue", "--json"]) == 0
    assert json.loads(capsys.readouterr().out)["suggestions"][0]["template"] == "words"


def test_pictures_for_words_of_another_language(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["pictures", "El faro guía a los barcos de noche", "--json"]) == 0
    first = json.loads(capsys.readouterr().out)["suggestions"][0]
    assert (first["things"], first["from"]) == (["lighthouse", "boat", "lantern"], ["faro", "barcos", "noche"])


def test_a_still_is_a_frame_of_the_film_in_a_look(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script = tmp_path / "script.md"
    script.write_text("Maren: Mama mends the map today.\n")
    pictures = []
    for look in ("", "night-quay"):
        out = tmp_path / f"still{look}.png"
        asked = [
            "still",
            str(script),
            "--at",
            "0.8",
            "--out",
            str(out),
            "--voice",
            "fake",
            *(["--look", look] if look else []),
        ]
        assert main(asked) == 0, capsys.readouterr().err
        pictures.append(skia.Image.open(str(out)))
    assert (pictures[0].width(), pictures[0].height()) == (1920, 1080)
    day, night = (float(picture.toarray()[..., :3].mean()) for picture in pictures)
    assert night < 0.6 * day
    assert main(["still", str(tmp_path / "none.md"), "--at", "1", "--out", str(tmp_path / "a.png")]) == 1
