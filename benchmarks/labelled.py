"""Speech whose words are known to the sample: put together from parts by flite (English) and festival."""

from __future__ import annotations

import shutil
import subprocess
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

import numpy as np

from dearhost.sound.files import read_sound
from dearhost.speech.reading import Samples
from dearhost.speech.sharing import VOWELS

SPEAKERS = ("slt", "rms", "awb", "kal16")
"""Voices of flite (CMU): recordings of four speakers put together from their diphones."""


@dataclass(frozen=True, slots=True)
class Labelled:
    """A text, its sound, and seconds at which each of its words begins; None where that is not known."""

    text: str
    language: str
    samples: Samples
    rate: int
    starts: tuple[float | None, ...]


_TEXTS = {
    "it": (
        "(voice_lp_diphone)",
        "latin-1",
        (
            "Domani mattina partiamo presto per il mare.",
            "Due volte al giorno il porto si svuota e le barche restano nel fango.",
            "Vorrei sapere quanto tempo serve per arrivare alla stazione.",
            "La luna tira il mare verso di noi, sempre con un piccolo ritardo.",
        ),
    ),
    "fi": (
        "(voice_hy_fi_mv_diphone)",
        "latin-1",
        (
            "Huomenna aamulla lähdemme aikaisin merelle.",
            "Kaksi kertaa päivässä satama tyhjenee ja veneet jäävät mutaan.",
            "Haluaisin tietää, kuinka kauan matka asemalle kestää.",
            "Kuu vetää merta puoleensa, mutta aina hieman myöhässä.",
        ),
    ),
    "cs": (
        "(voice_czech_dita)",
        "iso-8859-2",
        (
            "Zítra ráno odjedeme brzy k moři.",
            "Dvakrát za den se přístav vyprázdní a lodě zůstanou v bahně.",
            "Chtěla bych vědět, jak dlouho trvá cesta na nádraží.",
            "Měsíc přitahuje moře, ale vždycky s malým zpožděním.",
        ),
    ),
    "ca": (
        "(voice_upc_ca_ona_hts)",
        "latin-1",
        (
            "Demà al matí sortim aviat cap al mar.",
            "Dues vegades al dia el port es buida i les barques queden al fang.",
            "Voldria saber quant de temps cal per arribar a la plaça.",
            "La lluna estira el mar cap a nosaltres, sempre una mica tard.",
        ),
    ),
}


_SCRIPT = """{voice}
(set! said (utt.synth (Utterance Text "{text}")))
(utt.save.wave said "{wave}" 'riff)
(mapcar (lambda (w) (format t "%f\\n" (item.feat w 'word_start))) (utt.relation.items said 'Word))
"""


def other_languages(folder: Path) -> Iterator[Labelled]:
    """Sentences in the languages that festival has voices for here."""
    if not shutil.which("festival"):
        return
    for language, (voice, encoding, texts) in _TEXTS.items():
        for text in texts:
            wave = folder / "festival.wav"
            script = folder / "festival.scm"
            script.write_bytes(_SCRIPT.format(voice=voice, text=text, wave=wave).encode(encoding))
            run = subprocess.run(["festival", "-b", str(script)], capture_output=True, text=True, errors="replace")
            starts = [float(line) for line in run.stdout.split()] if run.returncode == 0 else []
            if len(starts) == len(text.split()):
                sound = read_sound(wave)
                yield Labelled(text, language, sound.samples, sound.rate, tuple(starts))


def english(folder: Path, speaker: str, text: str) -> Labelled:
    """A text by one of flite's speakers. Needs flite."""
    path = folder / "flite.wav"
    spoken = [phone for phone in _phones(speaker, text, path) if phone[0] != "pau"]
    words = text.split()
    wanted = [(phone, index) for index, word in enumerate(words) for phone, _ in _alone(speaker, word)]
    starts: dict[int, float] = {}
    for (_, index), (_, start) in _paired(wanted, spoken):
        starts.setdefault(index, start)
    sound = read_sound(path)
    return Labelled(text, "en-US", sound.samples, sound.rate, tuple(starts.get(i) for i in range(len(words))))


def _phones(speaker: str, text: str, path: Path) -> list[tuple[str, float]]:
    """Each phone and its start."""
    command = ["flite", "-voice", speaker, "-psdur", "-t", text, "-o", str(path)]
    said = subprocess.run(command, check=True, capture_output=True, text=True).stdout.split()
    ends = [float(entry.split(":")[1]) for entry in said]
    return [(entry.split(":")[0], start) for entry, start in zip(said, [0.0, *ends], strict=False)]


@lru_cache(maxsize=1024)
def _alone(speaker: str, word: str) -> tuple[tuple[str, float], ...]:
    return tuple(phone for phone in _phones(speaker, word, Path("none")) if phone[0] != "pau")


def _paired(
    wanted: list[tuple[str, int]], spoken: list[tuple[str, float]]
) -> list[tuple[tuple[str, int], tuple[str, float]]]:
    """Phones of words said alone and in a sentence, put side by side (edit distance)."""

    def cost(a: str, b: str) -> float:
        return 0.0 if a == b else 0.6 if (a[0] in VOWELS) == (b[0] in VOWELS) else 1.5

    table = np.zeros((len(wanted) + 1, len(spoken) + 1))
    table[:, 0], table[0] = np.arange(len(wanted) + 1), np.arange(len(spoken) + 1)
    for i, (a, _) in enumerate(wanted, 1):
        for j, (b, _) in enumerate(spoken, 1):
            table[i, j] = min(table[i - 1, j - 1] + cost(a, b), table[i - 1, j] + 1, table[i, j - 1] + 1)
    pairs, i, j = [], len(wanted), len(spoken)
    while i and j:
        if table[i, j] == table[i - 1, j - 1] + cost(wanted[i - 1][0], spoken[j - 1][0]):
            i, j = i - 1, j - 1
            pairs.append((wanted[i], spoken[j]))
        elif table[i, j] == table[i - 1, j] + 1:
            i -= 1
        else:
            j -= 1
    return pairs[::-1]
