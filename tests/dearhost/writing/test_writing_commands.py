"""The writing commands as a person types them."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from dearhost.cli import main
from dearhost.cli.writing_commands import read_brief_file
from dearhost.errors import WritingError
from dearhost.production.texts import open_script
from dearhost.script import placeholders
from dearhost.writing.structures import STRUCTURES
from tests.dearhost.writing.briefs import LANTERN
from tests.dearhost.writing.public_texts import WILLOWS
from tests.dearhost.writing.test_key_points import ARTICLE


def _toml(folder: Path, **more: Any) -> Path:
    values: dict[str, Any] = {
        "topic": LANTERN.topic,
        "purpose": LANTERN.purpose,
        "audience": LANTERN.audience,
        "seconds": 60,
        "call": LANTERN.call_to_action,
        "points": list(LANTERN.points),
        "comments": LANTERN.own_words.split("\n"),
        **more,
    }
    path = folder / "brief.toml"
    path.write_text("\n".join(f"{name} = {json.dumps(value, ensure_ascii=False)}" for name, value in values.items()))
    return path


def _printed(capsys: pytest.CaptureFixture[str]) -> Any:
    return json.loads(capsys.readouterr().out)


def test_drafts_best_first_and_what_is_held_back(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    out = tmp_path / "script.md"
    assert main(["draft", str(_toml(tmp_path)), "--json", "--out", str(out)]) == 0
    made = _printed(capsys)
    assert len(made["drafts"]) >= 6
    assert {draft["structure"] for draft in made["drafts"]} <= set(STRUCTURES)
    assert all(set(held) == {"structure", "reason"} for held in made["held_back"])
    for draft in made["drafts"]:
        assert set(draft) == {"structure", "seconds", "text", "points", "open"}
        assert set(draft["points"]) <= set(range(1, len(LANTERN.points) + 1))
        assert draft["open"] == [draft["text"][s.start : s.end] for s in placeholders(draft["text"])]
    assert out.read_text() == made["drafts"][0]["text"]
    script = open_script(out)
    assert script.title == "Harbour lantern"
    assert [scene.heading for scene in script.scenes]


def test_one_structure_another_length_and_seed(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    texts = set()
    for seed in ("1", "2", "3"):
        path = str(_toml(tmp_path))
        assert main(["draft", path, "--structure", "hook", "--seconds", "45", "--seed", seed, "--json"]) == 0
        made = _printed(capsys)
        assert [draft["structure"] for draft in made["drafts"]] == ["hook"]
        assert abs(made["drafts"][0]["seconds"] - 45) <= 2.25
        texts.add(made["drafts"][0]["text"])
    assert len(texts) > 1


def test_drafts_in_words(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["draft", str(_toml(tmp_path)), "--speakers", "Maren, Skerry"]) == 0
    said = capsys.readouterr().out
    assert "== Two speakers: " in said
    assert "Skerry: " in said
    assert "Nine steps: It is a lesson" in said


@pytest.mark.parametrize(
    ("text", "why"),
    [
        ("topic = ", "is not TOML"),
        ('purpose = "x"', "does not say what it is about"),
        ("topic = 3", "must be a text"),
        ('topic = "x"\npoints = "one"', "must be a list of texts"),
        ('topic = "x"\nseconds = "ten"', "must be a number"),
        ('topic = "x"\nseconds = true', "must be a number"),
        ('topic = "x"\nlength = 3', "holds “length”"),
    ],
)
def test_a_brief_that_is_wrong_is_told_what_is(
    tmp_path: Path, text: str, why: str, capsys: pytest.CaptureFixture[str]
) -> None:
    path = tmp_path / "brief.toml"
    path.write_text(text)
    assert main(["draft", str(path)]) == 1
    assert why in capsys.readouterr().err
    with pytest.raises(WritingError):
        read_brief_file(path)


def test_drafts_are_in_english_and_say_so(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    points = ["Die Laterne leuchtet vierzig Stunden", "Sie braucht keinen Strom und kein Ladegerät", "Sie wiegt wenig"]
    assert main(["draft", str(_toml(tmp_path, points=points, purpose="die Laterne verkaufen"))]) == 1
    assert "reads like German" in capsys.readouterr().err


def test_a_thin_brief_writes_no_file(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    out = tmp_path / "script.md"
    path = _toml(tmp_path, points=["Friday at eight"], comments=[])
    assert main(["draft", str(path), "--seconds", "180", "--out", str(out)]) == 1
    assert "No draft can be offered" in capsys.readouterr().err
    assert not out.exists()


def test_a_script_made_shorter(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    script, out = tmp_path / "long.md", tmp_path / "short.md"
    script.write_text(f"# The river\n\nMaren: {' '.join(WILLOWS.split())}\n")
    assert main(["shorten", str(script), "--seconds", "90", "--out", str(out), "--json"]) == 0
    made = _printed(capsys)
    assert made["before"] > 200
    assert abs(made["after"] - 90) <= 4.5
    assert all(set(sentence) == {"before", "after", "rule"} for sentence in made["sentences"])
    assert all(sentence["rule"] for sentence in made["sentences"] if sentence["after"] != sentence["before"])
    kept = " ".join(line.text for _, _, line in open_script(out).lines())
    assert kept == " ".join(sentence["after"] for sentence in made["sentences"] if sentence["after"])


def test_the_points_of_a_web_page_never_hold_its_code(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    paragraphs = "".join(f"<p>{block}</p>" for block in ARTICLE.split("\n\n")[2:])
    page = tmp_path / "rope_walk.html"
    page.write_text(
        f"<html><head><script>x=1</script></head><body><nav>Home</nav><h1>Rope</h1>{paragraphs}</body></html>"
    )
    assert main(["points", str(page), "--json", "--most", "5"]) == 0
    points = _printed(capsys)["points"]
    assert len(points) == 5
    assert all(set(point) == {"text", "source"} for point in points)
    assert not any("<" in point["text"] or "x=1" in point["source"] for point in points)


def test_a_document_without_sentences(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    path = tmp_path / "list.txt"
    path.write_text("one\ntwo\n")
    assert main(["points", str(path)]) == 1
    assert "no whole sentence" in capsys.readouterr().err


def test_comments_of_a_table(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    path = tmp_path / "comments.csv"
    rows = ["I wish it opened on Mondays.", "Please open on Mondays!", "The stairs are too steep.", "Too steep for me."]
    path.write_text("id,text\n" + "\n".join(f'{number},"{row}"' for number, row in enumerate(rows)))
    assert main(["comments", str(path), "--column", "text", "--json"]) == 0
    made = _printed(capsys)
    assert made["unserved"] == rows[:2]
    steep = next(theme for theme in made["themes"] if theme["name"] == "too steep")
    assert (steep["kind"], steep["count"], steep["comments"]) == ("puzzle", 2, rows[2:])
    assert main(["comments", str(path), "--column", "stars"]) == 1
    assert "There are: id, text." in capsys.readouterr().err


def test_comments_of_a_list_answered_by_a_brief(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    path = tmp_path / "comments.txt"
    path.write_text("I wish I could see my own boat from the pier.\nI wish it opened on Mondays.\n")
    assert main(["comments", str(path), "--brief", str(_toml(tmp_path))]) == 0
    said = capsys.readouterr().out
    assert "Nobody answers: “I wish it opened on Mondays.”" in said
    assert "Nobody answers: “I wish I could see" not in said
