"""The voices of the full neural model as data: mixtures of its styles, chosen and described by measures."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import NamedTuple

from dearhost.speech.kokoro.mixtures import Mixture
from dearhost.speech.reshaping import Shape
from dearhost.speech.voices import FULL, Voice


@dataclass(frozen=True, slots=True)
class FullVoice:
    """A voice, how it is made, and the stock voice that stands in for it where the model is not there.

    Made of ``mixture`` at ``pace`` (above 1 is faster than the model's own); or of the mixture nearest to a
    ``shape``, as made voices are. ``accent`` is espeak-ng's name of the language, ``onset`` how many seconds before its
    label the first sound of a sentence is heard at most.
    """

    voice: Voice
    accent: str
    stand_in: str
    mixture: Mixture
    pace: float
    onset: float
    shape: Shape | None = None


class _Row(NamedTuple):
    """``hertz``, ``spread`` (semitones), ``quick`` (pace against the usual one, 0 where that is not known) and
    ``slope`` (dB from 100 to 1000 Hz up to 1 to 5 kHz) are measured on a paragraph and on twenty sentences, ``onset``
    on a dozen. ``who`` begins with how old a voice sounds: set by pitch, pace and size of formants, for want of ears.
    """

    id: str
    name: str
    who: str
    hertz: int
    spread: float
    quick: float
    slope: float
    onset: float
    accent: str
    styles: str
    stand_in: str


_ROWS = (
    _Row("hannah", "Hannah", "grown woman", 168, 4.0, 1.10, -9.0, 0.115, "en-us", "af_nova af_heart", "nell"),
    _Row("owen", "Owen", "grown man", 115, 4.0, 1.13, -7.8, 0.12, "en-us", "am_liam am_adam", "joe"),
    _Row("joan", "Joan", "grown woman", 175, 2.1, 1.11, -6.0, 0.14, "en", "bf_emma af_river", "nell"),
    _Row("simon", "Simon", "grown man", 124, 3.3, 1.06, -10.7, 0.12, "en", "bm_daniel bm_george", "hugo"),
    _Row("clara", "Clara", "young woman", 168, 4.1, 1.14, -12.2, 0.105, "en-us", "af_sky af_aoede", "iris"),
    _Row("maeve", "Maeve", "young woman", 193, 5.2, 1.17, -8.1, 0.12, "en-us", "af_jessica af_bella", "pip"),
    _Row("ruth", "Ruth", "young woman", 179, 3.3, 1.10, -8.0, 0.14, "en", "bf_lily af_river", "iris"),
    _Row("rosalind", "Rosalind", "grown woman", 194, 3.1, 1.06, -8.3, 0.13, "en", "bf_isabella af_sarah", "iris"),
    _Row("edith", "Edith", "older woman", 141, 4.1, 1.10, -12.7, 0.08, "en-us", "af_kore af_alloy", "vera"),
    _Row("theo", "Theo", "young man", 122, 4.6, 1.18, -8.9, 0.06, "en-us", "am_fenrir am_puck", "felix"),
    _Row("gareth", "Gareth", "grown man", 124, 4.3, 1.12, -8.2, 0.165, "en", "bm_fable am_eric", "felix"),
    _Row("martin", "Martin", "older man", 105, 4.4, 1.10, -6.9, 0.095, "en", "bm_lewis am_fenrir", "amos"),
    _Row("walter", "Walter", "older man", 99, 2.9, 1.05, -10.5, 0.14, "en-us", "am_michael am_onyx", "amos"),
    _Row("tessa", "Tessa", "child", 266, 3.4, 1.03, -8.0, 0.15, "en-us", "", "wren"),
    _Row("ned", "Ned", "child", 235, 5.1, 1.10, -8.0, 0.13, "en-us", "", "pip"),
    _Row("pilar", "Pilar", "grown woman", 172, 3.4, 0.0, -9.0, 0.045, "es", "ef_dora", "formant-es"),
    _Row("andres", "Andrés", "grown man", 127, 3.7, 0.0, -9.0, 0.045, "es", "em_alex", "formant-es"),
    _Row("helene", "Hélène", "grown woman", 201, 2.4, 0.0, -9.0, 0.155, "fr", "ff_siwis", "formant-fr"),
    _Row("chiara", "Chiara", "grown woman", 216, 2.5, 0.0, -9.0, 0.09, "it", "if_sara", "formant-it"),
    _Row("renzo", "Renzo", "grown man", 90, 2.9, 0.0, -9.0, 0.125, "it", "im_nicola", "formant-it"),
)
"""The first speaks where nobody chose. Two styles are mixed three parts to two, so that no voice is like another."""

_SHAPES = {"tessa": Shape(266, warp=1.33, pace=0.95), "ned": Shape(235, spread=1.3, warp=1.27, pace=1.03)}
_PACE = 0.92
"""Of the model's own: it reads faster than people present."""
_LANGUAGES = {
    "en-us": ("en-US", "English (United States)"),
    "en": ("en-GB", "English (Great Britain)"),
    "es": ("es", "Spanish (Spain)"),
    "fr": ("fr", "French"),
    "it": ("it", "Italian"),
}


def _words(row: _Row) -> str:
    """Who one hears and how, from what was measured."""
    colour = "bright" if row.slope > -7.5 else "warm" if row.slope < -10.0 else "clear"
    tune = "lively" if row.spread >= 4.5 else "even" if row.spread <= 3.0 else ""
    pace = "quick" if row.quick >= 1.14 else "unhurried" if 0 < row.quick <= 1.06 else ""
    who = {"grown": "a ", "older": "an older ", "young": "a young "}.get(row.who.split()[0], "a ")
    traits = [trait for trait in (colour, tune, pace) if trait]
    said = f"{', '.join(traits[:-1])} and {traits[-1]}" if len(traits) > 1 else traits[0]
    return f"{who}{row.who.split()[-1]}, {said}"


def _full(row: _Row) -> FullVoice:
    voice = Voice(row.id, row.name, FULL, *_LANGUAGES[row.accent], _words(row), pitch=row.hertz,
                  age=row.who.split()[0], heard_as=row.who.split()[-1], pace=row.quick or 1.0)  # fmt: skip
    mixture = dict(zip(row.styles.split(), (3.0, 2.0), strict=False))
    return FullVoice(voice, row.accent, row.stand_in, mixture, _PACE, row.onset, _SHAPES.get(row.id))


FULL_VOICES: Mapping[str, FullVoice] = {row.id: _full(row) for row in _ROWS}
