"""The commands about music, sounds, captions and the shelf."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import av
import docx
import numpy as np
import pytest
import skia
from pysubs2 import SSAFile

from dearhost.cli import main
from tests.clips import write_sound_file


def told(capsys: pytest.CaptureFixture[str]) -> Any:
    return json.loads(capsys.readouterr().out)


def sound_of(path: Path) -> tuple[int, int, int]:
    """(samples, channels, rate) of a sound file."""
    with av.open(str(path)) as file:
        stream = file.streams.audio[0]
        count = sum(frame.samples for frame in file.decode(stream))
        return count, stream.codec_context.channels, stream.rate


@pytest.mark.parametrize("ending", ["wav", "flac"])
def test_a_bed_is_made_as_asked(tmp_path: Path, capsys: pytest.CaptureFixture[str], ending: str) -> None:
    out = tmp_path / f"bed.{ending}"
    asked = [
        "bed",
        "--mood",
        "calm",
        "--style",
        "felt piano",
        "--seconds",
        "12.2",
        "--accents",
        "4.0",
        "--out",
        str(out),
    ]
    assert main([*asked, "--json"]) == 0
    made = told(capsys)
    assert made["duration"] == pytest.approx(12.2, abs=1e-4) and made["accents"] == [4.0]
    assert made["bars"] >= 2 and 55 < made["tempo"] < 85 and made["key"]
    assert sound_of(out) == (round(12.2 * 48_000), 2, 48_000)


@pytest.mark.parametrize(
    ("arguments", "says"),
    [(["--seconds", "1"], "seconds"), (["--seconds", "30", "--style", "kazoo"], "style"),
     (["--seconds", "30", "--accents", "now"], "now")],
)  # fmt: skip
def test_what_cannot_be_made_is_told_in_one_line(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], arguments: list[str], says: str
) -> None:
    out = tmp_path / "bed.wav"
    assert main(["bed", *arguments, "--out", str(out)]) == 1
    error = capsys.readouterr().err
    assert says in error and error.count("\n") == 1 and not out.exists()
    assert main(["bed", "--seconds", "8", "--out", str(tmp_path / "bed.mp9")]) == 1
    assert ".wav or .flac" in capsys.readouterr().err


def test_own_music_is_fitted(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    time = np.arange(10 * 48_000) / 48_000
    beat = np.exp(-8 * (time % 0.5)) * np.sin(2 * np.pi * 220 * time)
    music, out = write_sound_file(tmp_path / "m.flac", 0.4 * beat), tmp_path / "f.wav"
    assert main(["fit", str(music), "--seconds", "16.5", "--out", str(out), "--json"]) == 0
    made = told(capsys)
    assert made["duration"] == pytest.approx(16.5) and made["joins"]
    assert min(abs(made["tempo"] / 120 - times) for times in (0.5, 1, 2)) < 0.03
    assert sound_of(out)[0] == round(16.5 * 48_000)
    assert main(["fit", str(tmp_path / "none.flac"), "--seconds", "9", "--out", str(out)]) == 1


def test_sounds_are_listed(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["stings", "--json"]) == 0
    rows = told(capsys)["stings"]
    assert len(rows) >= 40 and {"bell", "rain", "applause"} <= {row["name"] for row in rows}
    assert main(["stings"]) == 0
    assert "applause" in capsys.readouterr().out


def test_captions_are_written_in_every_kind(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script = tmp_path / "script.md"
    script.write_text("Maren: Mama mends the map today.\n")
    for kind in ("srt", "vtt", "ttml", "ass", "txt", "html"):
        out = tmp_path / f"captions.{kind}"
        assert main(["captions", str(script), "--format", kind, "--out", str(out), "--voice", "fake"]) == 0
        assert "Mama mends the map today." in out.read_text()
    word = tmp_path / "captions.docx"
    assert main(["captions", str(script), "--format", "docx", "--out", str(word), "--voice", "fake"]) == 0
    assert "Mama mends the map today." in "".join(p.text for p in docx.Document(str(word)).paragraphs)
    assert len(SSAFile.load(str(tmp_path / "captions.ass"))) == len(SSAFile.load(str(tmp_path / "captions.srt"))) == 1
    capsys.readouterr()


def test_files_are_brought_to_the_shelf_once(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    pixels = np.full((20, 30, 4), 255, np.uint8)
    picture = tmp_path / "white.png"
    picture.write_bytes(bytes(skia.Image.fromarray(pixels).encodeToData()))
    ids = []
    for _ in range(2):
        assert main(["import", str(picture), "--json"]) == 0
        [item] = told(capsys)["items"]
        ids.append(item["id"])
    assert ids[0] == ids[1] and item["kind"] == "picture"
    (tmp_path / "words.mp4").write_text("no clip")
    assert main(["import", str(tmp_path / "words.mp4")]) == 1
    assert "words.mp4" in capsys.readouterr().err


def test_a_film_is_rendered_with_music_and_a_style_of_captions(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    script, out = tmp_path / "script.md", tmp_path / "film.mp4"
    script.write_text("Maren: Mama mends the map of the bay today, and Papa may bring a boat.\n")
    asked = ["render", str(script), "--out", str(out), "--height", "360", "--fps", "24", "--voice", "fake",
             "--bed", "calm", "--bed-style", "nylon", "--captions-style", "box"]  # fmt: skip
    assert main(asked) == 0
    with av.open(str(out)) as film:
        resampler = av.AudioResampler("fltp", "stereo", 48_000)
        blocks = [made.to_ndarray() for frame in film.decode(audio=0) for made in resampler.resample(frame)]
    sound = np.concatenate(blocks, axis=1)
    assert np.abs(sound[0] - sound[1]).max() > 1e-3 and np.sqrt((sound[:, :19_200] ** 2).mean()) > 1e-4
