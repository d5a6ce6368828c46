"""A film as it lies on the disk, decoded and measured by others' rules and tools."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise
from pathlib import Path

import av
import numpy as np
import pyloudnorm
import pysubs2
import pytest
import webvtt

from dearhost.drawing.colours import contrast
from dearhost.films import FilmOrder, make_film
from dearhost.hosts import CAST
from dearhost.production import CastEntry, Studio, open_script, read_script, with_choices
from dearhost.render import captions_of
from dearhost.sound.loudness import true_peak
from dearhost.stage import Picture, PlacedLine, compile_timeline
from dearhost.stage.caption_styles import HIGHLIGHT, INK, PAPER
from dearhost.timebase import FrameRate
from tests.conftest import ROOT, with_tones

SPOKEN = """# The bell

MAREN: Mama, Papa, and Bob may come by the map room. Papa puts a pop-up map up.

MAREN: Baby Bob may bump a big pipe. Maybe Mama may mop up.
"""


def order(text: str, captions: str, fps: int = 30, **choices: object) -> FilmOrder:
    production = with_tones(read_script(text), "joe", **choices)
    return FilmOrder(production, Picture.of("16:9", 360), FrameRate.of(fps), captions)


def decoded(path: Path) -> tuple[np.ndarray, np.ndarray, int]:
    """Luma frames (n, height, width), mono sound, samples a second."""
    with av.open(str(path)) as film:
        frames = np.stack([f.to_ndarray(format="gray") for f in film.decode(video=0)])
    with av.open(str(path)) as film:
        rate = film.streams.audio[0].rate
        sound = np.concatenate([f.to_ndarray().mean(axis=0) for f in film.decode(film.streams.audio[0])])
    return frames, sound, rate


def test_loudness_and_peak_of_the_file(studio: Studio, tmp_path: Path) -> None:
    make_film(order(SPOKEN, "none"), tmp_path / "film.mp4", studio)
    _, sound, rate = decoded(tmp_path / "film.mp4")
    # ITU-R BS.1770-4 as measured by pyloudnorm; both channels carry the voice, which sums to +3 LU
    stereo = np.stack([sound, sound], axis=1)
    measured = pyloudnorm.Meter(rate).integrated_loudness(stereo)
    print(f"{measured:.2f} LUFS, {true_peak(sound):.2f} dBTP")
    assert measured == pytest.approx(-16, abs=0.5)
    assert true_peak(sound) <= -1.0


def test_picture_and_sound_agree_within_20_ms(studio: Studio, tmp_path: Path) -> None:
    """ITU-R BT.1359-1: detectable from +45 to -125 ms; EBU R 37 allows +40 to -60. Here at most 20 ms."""
    fps = 60
    wanted = order(SPOKEN, "none", fps, framing="close-up", liveliness="still", titles=False)
    make_film(wanted, tmp_path / "film.mp4", studio)
    frames, sound, rate = decoded(tmp_path / "film.mp4")
    opening = mouth_opening(frames)
    hop = rate // 1000
    envelope = np.sqrt(np.convolve(sound**2, np.ones(16 * hop) / (16 * hop), "same"))[::hop]
    loud = np.clip(20 * np.log10(envelope + 1e-6) + 45, 0, None)  # dB above a floor, one value a millisecond
    at = np.arange(len(loud)) / 1000
    shown = np.interp(at, (np.arange(len(opening)) + 0.5) / fps, opening)  # a frame is seen for its whole time
    lags = np.arange(-150, 151)
    likeness = [np.corrcoef(shown[200 + lag : len(shown) - 200 + lag], loud[200:-200])[0, 1] for lag in lags]
    best = int(lags[int(np.argmax(likeness))])
    print(f"the mouth is {best} ms after the sound (correlation {max(likeness):.2f})")
    assert max(likeness) > 0.5
    assert abs(best) <= 20


def mouth_opening(frames: np.ndarray) -> np.ndarray:
    """How far the lips are apart, frame by frame: teeth seen in the lower face of a close-up."""
    height, width = frames.shape[1:]
    face = frames[:, int(height * 0.46) : int(height * 0.62), int(width * 0.4) : int(width * 0.6)]
    row, column = np.unravel_index(int(np.argmax(face.std(axis=0))), face.shape[1:])
    box = face[:, max(0, row - 20) : row + 20, max(0, column - 32) : column + 32]
    return (box > 170).mean(axis=(1, 2))


def test_caption_files_are_read_back_by_others(studio: Studio, tmp_path: Path) -> None:
    wanted = order(SPOKEN, "file")
    make_film(wanted, tmp_path / "film.mp4", studio)
    captions = captions_of(compile_timeline(wanted.production, studio, wanted.frame_rate))
    srt, vtt = pysubs2.load(str(tmp_path / "film.srt")), webvtt.read(str(tmp_path / "film.vtt"))
    assert len(srt) == len(vtt) == len(captions) > 3
    for ours, first, second in zip(captions, srt, vtt, strict=True):
        assert (first.start, first.end) == (round(ours.start * 1000), round(ours.end * 1000))
        assert second.start == "0" + pysubs2.time.ms_to_str(first.start, fractions=True).replace(",", ".")
        assert first.plaintext == second.text == "\n".join(ours.lines)


def test_captions_keep_a_readers_pace(studio: Studio) -> None:
    """BBC subtitle guidelines: 160 to 180 words a minute; faster only while the speech itself is."""
    script = open_script(ROOT / "demo" / "why-the-sea-comes-back.fountain")
    timeline = compile_timeline(with_tones(script, "joe"), studio, FrameRate.of(30))
    paces = []
    for scene in timeline.scenes:
        for caption, following in pairwise(scene.captions):
            pace = len(caption.words) / (caption.end - caption.start) * 60
            heard = caption.words[-1].end - caption.words[0].start
            paces.append(pace)
            if pace > 180:  # then it stays until the next begins
                assert following.start - caption.end < 0.1, (caption.texts(), pace, heard)
            assert len(caption.lines) <= 2 and max(map(len, caption.texts())) <= 40
    print(f"captions: median {np.median(paces):.0f} words a minute, {np.mean(np.array(paces) <= 180):.0%} up to 180")
    assert np.median(paces) <= 180


def test_caption_colours_by_the_wcag_formula() -> None:
    # WCAG 2.2, 1.4.3: 4.5:1 for text, against the caption's own paper, whatever the picture is
    def rgb(colour: str) -> tuple[int, int, int]:
        return int(colour[1:3], 16), int(colour[3:5], 16), int(colour[5:7], 16)

    assert contrast((255, 255, 255), (0, 0, 0)) == pytest.approx(21)  # the formula's own ends
    assert contrast((0x76, 0x76, 0x76), (255, 255, 255)) == pytest.approx(4.54, abs=0.01)  # from memory, WebAIM
    assert contrast(rgb(INK), rgb(PAPER)) >= 7
    assert contrast(rgb(INK), rgb(HIGHLIGHT)) >= 4.5


def test_every_host_shuts_the_lips_on_p_b_m_and_opens_them_on_a_in_decoded_frames(
    studio: Studio, tmp_path: Path
) -> None:
    """speech.md 6: closures are seen as closures in the finished picture, with every face of the cast."""
    text = "\n\n".join(f"# {host}\n\n{host.upper()}: Papa, mama, Bob's map." for host in CAST)
    production = read_script(text)
    cast = {host.upper(): CastEntry(host, "joe", head=0.0, blinks=0.0, eye_contact=1.0) for host in CAST}
    staged = replace(with_tones(production, "joe", framing="close-up", liveliness="still", titles=False), cast=cast)
    staged = with_choices(staged, directed=False, transition="cut")
    make_film(FilmOrder(staged, Picture.of("16:9", 360), FrameRate.of(30), "none"), tmp_path / "film.mp4", studio)
    frames, _, _ = decoded(tmp_path / "film.mp4")
    timeline = compile_timeline(staged, studio, FrameRate.of(30))
    seen = {}
    for scene in timeline.scenes:
        (line,), (host,) = scene.lines, scene.shots[0].hosts
        x, y, head = host.x * 640, (host.y + 0.29 * host.head) * 360, host.head * 360
        rows, columns = (y - 0.14 * head, y + 0.20 * head), (x - 0.22 * head, x + 0.22 * head)
        mouths = frames[:, round(rows[0]) : round(rows[1]), round(columns[0]) : round(columns[1])].astype(int)
        begins = scene.start + line.span.start

        def at(symbols: str, line: PlacedLine = line, begins: float = begins) -> list[int]:
            phones = [p for p in line.reading.phones if p.symbol[0] in symbols]
            return [round((begins + (p.start + p.end) / 2) * 30 - 0.5) for p in phones]

        shut, wide = mouths[at("pbm")], mouths[at("aɑæ")]
        still = np.median(shut, axis=0)
        opened = np.median([np.abs(mouth - still).mean() for mouth in wide])
        seen[host.host] = float(max(np.abs(mouth - still).mean() for mouth in shut) / opened)
    print({host: round(value, 2) for host, value in seen.items()})
    assert len(seen) == len(CAST)
    assert all(value < 0.6 for value in seen.values()), seen
