"""The command line, as a person or a script would use it."""

from __future__ import annotations

import json
import re
import wave
from pathlib import Path

import av
import pytest

from dearhost.cli import build_parser, main


def run(capsys: pytest.CaptureFixture[str], *arguments: str) -> tuple[int, str, str]:
    """Exit code, output, errors."""
    try:
        code = main(arguments)
    except SystemExit as left:
        code = int(left.code or 0)
    captured = capsys.readouterr()
    return code, captured.out, captured.err


def commands_of(command: str) -> set[str]:
    return set(build_parser(command)._subparsers._group_actions[0].choices or ())  # type: ignore[union-attr]  # argparse keeps its commands there alone


def test_every_command_is_found_by_its_own_name_without_the_others() -> None:
    every = commands_of("")
    alone = {name: commands_of(name) for name in every}
    assert all(name in alone[name] and alone[name] < every for name in every)
    assert set.union(*alone.values()) == commands_of("--help") == commands_of("unknown") == every


def test_wrong_use_names_what_can_be_asked(capsys: pytest.CaptureFixture[str]) -> None:
    code, _, told = run(capsys, "rendre", "script.md")
    assert code == 2 and "rendre" in told and "render" in told and "shorten" in told


def test_speak_and_mouth_make_what_they_promise(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    text = "Maybe it costs $5.99, Bob!"
    sound, times, track = tmp_path / "a.wav", tmp_path / "t.json", tmp_path / "m.json"
    assert run(capsys, "speak", text, "--out", str(sound), "--timings", str(times), "--voice", "fake")[0] == 0
    data = json.loads(times.read_text())
    with wave.open(str(sound)) as file:
        assert file.getframerate() == data["sample_rate"]
        assert file.getnframes() / file.getframerate() == pytest.approx(data["duration"], abs=1e-3)
    assert [text[w["from"] : w["to"]] for w in data["words"]] == [w["text"] for w in data["words"]]
    assert all(0 <= p["viseme"] <= 14 and p["start"] < p["end"] for p in data["phones"])
    assert run(capsys, "mouth", str(times), "--fps", "25", "--out", str(track))[0] == 0
    made = json.loads(track.read_text())
    assert made["fps"] == 25 and made["parameters"][:4] == ["open", "wide", "round", "press"]
    assert len(made["frames"]) == pytest.approx(data["duration"] * 25, abs=1.5)
    assert all(len(row) == len(made["parameters"]) for row in made["frames"])


def test_speaking_a_file_gives_offsets_into_the_file(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script = tmp_path / "s.txt"
    script.write_text("Scene 1: No heading is spoken\n\nMAREN: (smiling) The tide room.\n\nSKERRY: [waves] Dry feet.\n")
    times = tmp_path / "t.json"
    run(capsys, "speak", str(script), "--out", str(tmp_path / "a.wav"), "--timings", str(times), "--voice", "fake")
    words = json.loads(times.read_text())["words"]
    assert [w["text"] for w in words] == ["The", "tide", "room", "Dry", "feet"]
    assert [script.read_text()[w["from"] : w["to"]] for w in words] == [w["text"] for w in words]


def test_check_tells_words_time_scenes_and_findings(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script = tmp_path / "s.fountain"
    script.write_text("Title: T\n\n# One\n\nMAREN\n(soft)\nHello [name], welcome.\n")
    code, out, _ = run(capsys, "check", str(script), "--json")
    data = json.loads(out)
    assert code == 0 and data["words"] == 2 and data["estimated"] is True
    line = data["scenes"][0]["lines"][0]
    assert line["speaker"] == "MAREN"
    assert [line["text"][w["from"] : w["to"]] for w in line["words"]] == ["Hello", "welcome"]
    assert data["findings"][0]["kind"] == "placeholder" and data["findings"][0]["at"]["scene"] == 1
    assert "still open" in run(capsys, "check", str(script))[1]


def test_render_makes_a_film_and_its_caption_files(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script = tmp_path / "s.md"
    script.write_text("# A scene\n\nMama may. Papa mends.\n")
    film = tmp_path / "film.mp4"
    order = ["render", str(script), "--out", str(film), "--voice", "fake", "--host", "skerry", "--shape", "1:1"]
    code, out, _ = run(capsys, *order, "--height", "360", "--fps", "24", "--captions", "file", "--json")
    made = json.loads(out)
    assert code == 0 and (made["width"], made["height"], made["fps"]) == (360, 360, 24)
    with av.open(str(film)) as opened:
        assert sum(1 for _ in opened.decode(video=0)) == made["frames"]
    assert film.with_suffix(".srt").read_text().startswith("1\n00:00:00,550 --> ")
    assert film.with_suffix(".vtt").read_text().startswith("WEBVTT")


@pytest.mark.parametrize(
    ("arguments", "reason"),
    [
        (["render", "none.txt", "--out", "x.mp4"], "there is no such file"),
        (["render", "empty.txt", "--out", "x.mp4"], "is empty"),
        (["render", "slot.txt", "--out", "x.mp4"], r"'\[name\]' is still open at scene 1, line 1"),
        (["render", "good.txt", "--out", "x.avi", "--voice", "fake"], "cannot be a '.avi'"),
        (["render", "good.txt", "--out", "x.webm", "--voice", "fake", "--captions", "soft"], "captions to switch on"),
        (["render", "good.txt", "--out", "x.mp4", "--host", "nobody"], "no host 'nobody'"),
        (["render", "good.txt", "--out", "x.mp4", "--voice", "nobody"], "no voice 'nobody'"),
        (["render", "good.txt", "--out", "/proc/x/y.mp4", "--voice", "fake", "--height", "360"], "proc"),
        (["render", "good.txt", "--out", "/dev/full", "--voice", "fake"], "no file that could be replaced"),
        (["speak", "Mama may.", "--out", "/dev/full", "--voice", "fake"], "no file that could be replaced"),
        (["check", "binary.txt"], "NUL bytes"),
        (["speak", "潮", "--out", "x.wav", "--voice", "formant-es"], "letters"),
        (["mouth", "good.txt", "--out", "m.json"], "no timings file"),
    ],
)
def test_bad_input_is_one_clear_line_and_leaves_nothing(
    tmp_path: Path,
    capsys: pytest.CaptureFixture[str],
    monkeypatch: pytest.MonkeyPatch,
    arguments: list[str],
    reason: str,
) -> None:
    monkeypatch.chdir(tmp_path)
    (tmp_path / "empty.txt").write_text("")
    (tmp_path / "slot.txt").write_text("Dear [name], come in.")
    (tmp_path / "good.txt").write_text("Mama may.")
    (tmp_path / "binary.txt").write_bytes(b"\0\1\2")
    code, out, errors = run(capsys, *arguments)
    assert code == 1 and out == ""
    assert len(errors.strip().splitlines()) == 1 and errors.startswith("dear-host: ")
    assert re.search(reason, errors), errors
    assert not list(tmp_path.glob("x.*")) and not list(tmp_path.glob("m.json"))


@pytest.mark.parametrize("wrong", ["render", "nonsense", "render a --out b --height 20", "mouth t --fps 31"])
def test_wrong_use_exits_with_two(capsys: pytest.CaptureFixture[str], wrong: str) -> None:
    assert run(capsys, *wrong.split())[0] == 2


def test_voices_and_hosts_list_what_there_is(capsys: pytest.CaptureFixture[str]) -> None:
    voices = json.loads(run(capsys, "voices", "--json")[1])["voices"]
    assert {"joe", "nell", "pip", "formant-es", "formant-fr", "formant-de"} <= {v["id"] for v in voices}
    assert all({"id", "name", "engine", "language"} <= v.keys() for v in voices)
    hosts = json.loads(run(capsys, "hosts", "--json")[1])
    assert {"maren", "skerry"} <= {h["id"] for h in hosts["hosts"]}
    assert "wave" in hosts["gestures"] and "happy" in hosts["expressions"]


def test_cues_are_listed_with_their_words(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script = tmp_path / "a.fountain"
    script.write_text("MAREN\nGood [[cue: wave left strength=0.8]]morning, and [[cue: point up]]look.\n")
    assert main(["check", str(script), "--json"]) == 0
    (line,) = json.loads(capsys.readouterr().out)["scenes"][0]["lines"]
    assert line["text"] == "Good morning, and look."
    assert line["cues"] == [
        {"kind": "wave", "parameters": {"side": "left", "strength": 0.8}, "word": 1},
        {"kind": "point-up", "parameters": {}, "word": 3},
    ]


def test_a_text_lasts_as_long_as_is_asked_or_it_is_said_why_not(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "line.wav"
    asked = ["speak", "The sea comes back twice a day.", "--out", str(out), "--voice", "joe", "--lasts"]
    code, _, errors = run(capsys, *asked, "3.5")
    assert code == 0 and "cannot be said" not in errors
    with wave.open(str(out)) as sound:
        assert sound.getnframes() / sound.getframerate() == pytest.approx(3.5, abs=1 / sound.getframerate())
    assert "cannot be said in 0.5 s" in run(capsys, *asked, "0.5")[2]
