"""The mouth closes where it must, at any frame rate, and moves with the voice."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.lips import PARAMETERS, MouthPhone, build_track, gaussian, viseme_parts
from dearhost.production import Studio
from dearhost.timebase import FrameRate

OPEN, PRESS, TUCK = (PARAMETERS.index(n) for n in ("open", "press", "tuck"))
LINE = "Maybe Papa Bob may bring five more maps of the bay before Fiona moves the moped."


@pytest.mark.parametrize("rate", [24, 25, 30, 50, 60])
def test_every_p_b_m_closes_and_every_f_v_tucks_on_some_frame(studio: Studio, rate: int) -> None:
    reading = studio.speaker.read(LINE, "joe")
    frame_rate = FrameRate.of(rate)
    phones = [MouthPhone(p.symbol, p.start, p.end, p.stress) for p in reading.phones]
    track = build_track(
        phones, reading.duration, loudness=reading.prosody.loudness.astype(float),
        loudness_rate=reading.prosody.rate, frame_rate=frame_rate,
    )  # fmt: skip
    rows = track.frames(frame_rate)
    centres = np.array([frame_rate.centre_of(i) for i in range(len(rows))])
    seen = 0
    for phone in phones:
        shown = (centres >= phone.start - 0.6 / rate) & (centres <= phone.end + 0.6 / rate)
        if phone.symbol[0] in "pbm":
            seen += 1
            assert rows[shown, OPEN].min() < 0.023, phone
        elif phone.symbol[0] in "fv":
            seen += 1
            assert ((rows[shown, TUCK] > 0.7) & (rows[shown, OPEN] < 0.22)).any(), phone
    assert seen > 15


def test_the_opening_follows_the_voice(studio: Studio) -> None:
    reading = studio.speaker.read("Twice a day, the whole harbour empties, and the boats sit down in the mud.", "joe")
    phones = [MouthPhone(p.symbol, p.start, p.end, p.stress) for p in reading.phones]
    prosody = reading.prosody
    track = build_track(phones, reading.duration, loudness=prosody.loudness.astype(float), loudness_rate=prosody.rate)
    rate = FrameRate.of(30)
    rows = track.frames(rate)
    energy = 10 ** (gaussian(np.clip(prosody.loudness.astype(float), -60, 0), 0.015, prosody.rate) / 40)
    centres = (np.arange(len(rows)) + 0.5) / 30
    loud = np.interp(centres, np.arange(len(energy)) / prosody.rate, energy)
    assert np.corrcoef(rows[:, OPEN], loud)[0, 1] > 0.50
    assert np.abs(np.diff(rows[:, OPEN])).max() < 0.45


symbols = st.sampled_from(["p", "b", "m", "f", "t", "s", "k", "l", "ɹ", "w", "a", "iː", "uː", "ə", "aɪ", "oʊ", "tʃ"])


@settings(deadline=None)
@given(st.lists(st.tuples(symbols, st.floats(0.02, 0.3), st.floats(0, 0.6)), min_size=1, max_size=12))
def test_any_phones_keep_the_mouth_in_its_space(parts: list[tuple[str, float, float]]) -> None:
    now, phones = 0.0, []
    for symbol, length, gap in parts:
        phones.append(MouthPhone(symbol, now + gap, now + gap + length, 1))
        now += gap + length
    track = build_track(phones, now + 0.3)
    assert np.isfinite(track.parameters).all()
    assert track.parameters[OPEN].min() >= -1e-9 and track.parameters[OPEN].max() <= 1.1
    for phone in phones:
        if phone.symbol in "pbm":
            inside = slice(int(phone.start * 500), int(phone.end * 500) + 1)
            assert track.parameters[OPEN, inside].min() < 1e-3
            assert track.parameters[PRESS, inside].max() > 0.5


@given(st.text(max_size=6), st.text(max_size=3))
def test_every_symbol_has_visemes_that_fill_its_time(symbol: str, following: str) -> None:
    parts = viseme_parts(symbol, following)
    assert sum(p.share for p in parts) == pytest.approx(1)
    assert all(0 <= p.viseme <= 14 for p in parts)
