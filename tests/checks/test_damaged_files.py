"""Files of every kind with bytes changed, cut off, doubled, and with hostile values in them: each is read or refused in
a sentence, and nothing else happens."""

from __future__ import annotations

import io
import json
import random
import zipfile
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import docx
import numpy as np
import pytest

from dearhost.assets.pictures import small_png
from dearhost.errors import DearHostError, SpeechError, UnreadableScript, UnreadableSound
from dearhost.formats.pls import Lexeme, read_pls, write_pls
from dearhost.hosts.cast import CAST
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.sheet_file import host_from_json, host_to_json
from dearhost.json_data import read_json
from dearhost.production import Studio, open_production
from dearhost.script import text_of_file
from dearhost.sound.files import read_sound, write_sound
from dearhost.speech.matching import Closeness, Consent, MatchedVoice, load_voice, save_voice
from dearhost.speech.matching.converting import Mixture, VoiceModel
from dearhost.writing.comments import cleaned_comments, read_table
from tests.data_folder import ROOT
from tests.dearhost.script.test_documents import PAGE, SRT, VTT, pdf

TIMES = 500
FEWER = {"a.docx": 18, "a.pdf": 8, "a.html": 6}
"""Documents are read in a process each."""
NEVER_REFUSED = ("a.json", "a.html", "a.srt", "a.md", "a.fountain", "a.txt", "a.csv", "a.mp3", "a.opus", "a.flac")
"""Where what is left can always be read."""
HOSTILE: tuple[Any, ...] = (
    None, True, -1, 0, 10**15, 1e300, "", "x" * 5000, "\ud83d", "\x00\x08", [], {}, [[]], {"a": {}}, "NaN", [1] * 500,
)  # fmt: skip


def changed(data: bytes, chance: random.Random) -> bytes:
    """``data`` with some bytes changed, left out, doubled, or cut off."""
    made = bytearray(data)
    for _ in range(chance.randint(1, 8)):
        at = chance.randrange(len(made) or 1)
        kind = chance.randrange(5)
        if kind == 0 and made:
            made[at] = chance.randrange(256)
        elif kind == 1:
            del made[at : at + chance.randint(1, 40)]
        elif kind == 2:
            made[at:at] = made[at : at + chance.randint(1, 200)]
        elif kind == 3:
            made[at:at] = bytes(chance.randrange(256) for _ in range(chance.randint(1, 6)))
        elif chance.random() < 0.2:
            del made[at:]
    return bytes(made)


def changed_inside(data: bytes, chance: random.Random) -> bytes:
    """A zip whose parts were changed and packed again, so that it opens; now and then one is missing."""
    buffer = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as before, zipfile.ZipFile(buffer, "w", zipfile.ZIP_DEFLATED) as after:
        names = before.namelist()
        chosen = chance.choice(names)
        for name in names:
            content = before.read(name)
            if name == chosen:
                if chance.random() < 0.1:
                    continue
                content = hostile_json(content, chance) if name.endswith(".json") else changed(content, chance)
            after.writestr(name, content)
    return buffer.getvalue()


def hostile_json(data: bytes, chance: random.Random) -> bytes:
    """JSON with one of its values replaced by a hostile one, or one left out."""
    whole = json.loads(data)
    places: list[tuple[Any, Any]] = []

    def walk(value: Any) -> None:
        for key in value if isinstance(value, dict) else range(len(value)) if isinstance(value, list) else ():
            places.append((value, key))
            walk(value[key])

    walk(whole)
    holder, key = chance.choice(places)
    if chance.random() < 0.15:
        del holder[key]
    else:
        holder[key] = chance.choice(HOSTILE)
    text = json.dumps(whole)
    return text.replace('"NaN"', chance.choice(("NaN", "Infinity", "9" * 400))).encode()


def spoiled(data: bytes, name: str) -> Iterator[bytes]:
    """As many spoiled files as there are to be, the same ones in every run."""
    chance = random.Random(name)
    for number in range(FEWER.get(name, TIMES)):
        if zipfile.is_zipfile(io.BytesIO(data)) and number % 3:
            yield changed_inside(data, chance)
        elif name.endswith(".json") and number % 2:
            yield hostile_json(data, chance)
        else:
            yield changed(data, chance)


def word_file() -> bytes:
    document = docx.Document()
    document.add_heading("The lesson", 0)
    document.add_paragraph("MAREN: Good morning.")
    table = document.add_table(rows=2, cols=2)
    table.cell(0, 0).merge(table.cell(0, 1)).text = "Visual: the wall"
    table.cell(1, 1).text = "SKERRY: I sat above it."
    buffer = io.BytesIO()
    document.save(buffer)
    return buffer.getvalue()


def matched_voice() -> MatchedVoice:
    """A small voice that fits together."""
    chance = np.random.default_rng(4)
    mixture = Mixture(np.full(2, 0.5), chance.normal(size=(2, 6)), np.stack([np.eye(6), 2 * np.eye(6)]))
    model = VoiceModel(
        1.1,
        (4.8, 0.2),
        (5.2, 0.2),
        mixture,
        np.ones(3),
        np.zeros(64),
        np.zeros(4),
        np.zeros(64),
        1.0,
        {"a": np.ones(3)},
    )
    consent = Consent("Ines Tarrow", "2026-03-01", "films of the museum", "Ines lets her voice be used.")
    return MatchedVoice("match-0123456789ab", "Ines", consent, Closeness(6.0, 3.0, 180.0, 182.0, 4), {"neural": model})


@pytest.fixture(scope="module")
def originals(tmp_path_factory: pytest.TempPathFactory) -> dict[str, bytes]:
    """A sound file of every kind, by its name."""
    folder = tmp_path_factory.mktemp("originals")
    save_voice(folder / "a.dhvoice", matched_voice())
    tone = np.sin(np.arange(4800) / 20).astype(np.float32) / 4
    for kind in ("wav", "flac", "mp3", "opus", "m4a"):
        write_sound(folder / f"a.{kind}", tone, 48000)
    person = next(host for host in CAST.values() if isinstance(host, Person))
    saved = ROOT / "tests" / "saved" / "everything-at-once.dearhost"
    return {
        **{path.name: path.read_bytes() for path in folder.iterdir()},
        "a.docx": word_file(),
        "a.pdf": pdf(["The sea comes back to the harbour.", "MAREN: Good morning."], ["It goes again."]),
        "a.html": PAGE.encode(),
        "a.srt": SRT.encode(),
        "a.vtt": VTT.encode(),
        "a.md": b"# The lesson\n\nMaren: Mind [[cue: wave]]the **mud**.\n\n- one\n\n| a | b |\n|---|---|\n| c | d |\n",
        "a.fountain": b"Title: Mud\n\nINT. QUAY - DAY\n\nMAREN\n(calm)\nMind the *mud*. [[cue: wave]]\n\n> CUT TO:\n",
        "a.txt": "MAREN: Mind the mud.\n\n[She points]\n\nSKERRY: Why – who fell in?\n".encode(),
        "a.csv": b'who,when,comment\r\nanna,1 May,"The stairs, they say, are ""steep""."\r\nben,2 May,=SUM(A1)\r\n',
        "a.json": json.dumps(host_to_json(person.name, person.card, person.sheet)).encode(),
        "a.dearhost": saved.read_bytes(),
        "a.pls": write_pls("en", [Lexeme("Skerry", "sker-ree", "")]),
        "a.ssml": b'<speak version="1.1" xmlns="http://www.w3.org/2001/10/synthesis" xml:lang="en">'
        b'<p><s>Mind <emphasis>the</emphasis> mud.<break time="300ms"/></s></p></speak>',
        "a.png": (ROOT / "docs" / "screenshots" / "desk.png").read_bytes()[:60_000],
    }


def from_disk(read: Callable[[Path], Any], folder: Path) -> Callable[[bytes], Any]:
    def opened(data: bytes) -> Any:
        path = folder / "spoiled"
        path.write_bytes(data)
        return read(path)

    return opened


@pytest.mark.parametrize(
    "name",
    ["a.docx", "a.pdf", "a.html", "a.srt", "a.vtt", "a.md", "a.fountain", "a.txt", "a.csv",
     "a.dhvoice", "a.json", "a.dearhost", "a.pls", "a.ssml", "a.png",
     "a.wav", "a.flac", "a.mp3", "a.opus", "a.m4a"],
)  # fmt: skip
def test_spoiled_files_are_read_or_refused(
    name: str, originals: dict[str, bytes], studio: Studio, tmp_path: Path
) -> None:
    def script(data: bytes) -> Any:
        return open_production(data, name, studio)

    def host(data: bytes) -> Any:
        try:
            parsed = read_json(data)
        except ValueError:
            return None
        made = host_from_json(parsed)
        return json.dumps(host_to_json(*made[:3]), allow_nan=False).encode()

    readers: dict[str, Callable[[bytes], Any]] = {
        **dict.fromkeys(("docx", "pdf", "html", "srt", "vtt", "md", "fountain", "txt"), script),
        "csv": lambda data: cleaned_comments(read_table(text_of_file(data, name)).column()),
        "dearhost": script,
        "ssml": script,
        "json": host,
        "pls": read_pls,
        "png": lambda data: small_png(data, 512),
        "dhvoice": from_disk(load_voice, tmp_path),
    }
    read = readers.get(name.split(".")[1]) or from_disk(read_sound, tmp_path)
    assert read(originals[name]) is not None or name == "a.png"
    refused = 0
    for data in spoiled(originals[name], name):
        try:
            read(data)
        except DearHostError as error:
            refused += 1
            assert str(error).endswith((".", "?")), error
    assert refused or name in NEVER_REFUSED, "nothing was ever refused: what was tested?"


@pytest.mark.parametrize(
    "pitch", [[float("nan"), 0.2], [float("inf"), 0.2], [1e300, 0.2], [800, 0.2], [5, -1], "x", [5]]
)
def test_a_voice_at_a_pitch_nobody_has_is_refused(originals: dict[str, bytes], tmp_path: Path, pitch: Any) -> None:
    path = tmp_path / "a.dhvoice"
    with zipfile.ZipFile(io.BytesIO(originals["a.dhvoice"])) as before, zipfile.ZipFile(path, "w") as after:
        for name in before.namelist():
            content = before.read(name)
            if name == "voice.json":
                head = json.loads(content)
                head["models"]["neural"]["pitch_to"] = pitch
                content = json.dumps(head).encode()
            after.writestr(name, content)
    with pytest.raises(SpeechError, match="Export the voice again"):
        load_voice(path)


def test_a_word_file_that_unpacks_to_gigabytes_or_spans_millions_of_columns(originals: dict[str, bytes]) -> None:
    buffer = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(originals["a.docx"])) as before, zipfile.ZipFile(buffer, "w") as after:
        for name in before.namelist():
            content = before.read(name)
            if name == "word/document.xml":
                content = content.replace(b'<w:gridSpan w:val="2"/>', b'<w:gridSpan w:val="200000000"/>')
                assert b"200000000" in content
            after.writestr(name, content)
    read = open_production(buffer.getvalue(), "wide.docx", Studio()).production.script
    assert [line.speaker for _, _, line in read.lines()] == ["MAREN", "SKERRY"]

    bomb = io.BytesIO()
    with zipfile.ZipFile(bomb, "w", zipfile.ZIP_DEFLATED) as packed, packed.open("word/document.xml", "w") as part:
        for _ in range(80):
            part.write(b"<w:p>" * 200_000)
    with pytest.raises(UnreadableScript, match=r"bomb\.docx.*(unpacks to|not a Word document|memory)"):
        open_production(bomb.getvalue(), "bomb.docx", Studio())


def test_a_playlist_is_no_recording_and_opens_no_other_file(tmp_path: Path) -> None:
    secret = tmp_path / "somebody-elses.wav"
    write_sound(secret, np.zeros(4800, np.float32), 48000)
    playlist = tmp_path / "list.wav"
    for text in (f"ffconcat version 1.0\nfile '{secret.name}'\n", f"#EXTM3U\n#EXTINF:1,\n{secret.name}\n"):
        playlist.write_text(text)
        with pytest.raises(UnreadableSound, match="no sound file"):
            read_sound(playlist)
