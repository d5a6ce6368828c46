"""Formant voices: espeak-ng through ``espeakng-loader``, about a hundred languages, at once.

The library keeps its state in the process: one lock guards every call.
"""

from __future__ import annotations

import ctypes
import threading
from functools import lru_cache
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import VoiceUnavailable
from dearhost.speech.engine import EnginePhone, Utterance
from dearhost.speech.given_phones import as_mnemonics
from dearhost.speech.phone_symbols import gather, split_points
from dearhost.speech.plan import Clause, Sentence

_PHONEME_EVENT = 7
_END_OF_LIST = 0
_RATE, _PITCH, _RANGE = 1, 3, 4


class _EventId(ctypes.Union):
    _fields_ = [("number", ctypes.c_int), ("name", ctypes.c_char_p), ("string", ctypes.c_char * 8)]


class _Event(ctypes.Structure):
    _fields_ = [
        ("type", ctypes.c_int),
        ("unique_identifier", ctypes.c_uint),
        ("text_position", ctypes.c_int),
        ("length", ctypes.c_int),
        ("audio_position", ctypes.c_int),
        ("sample", ctypes.c_int),
        ("user_data", ctypes.c_void_p),
        ("id", _EventId),
    ]


_Callback = ctypes.CFUNCTYPE(ctypes.c_int, ctypes.POINTER(ctypes.c_short), ctypes.c_int, ctypes.POINTER(_Event))


class _Library:
    """The loaded library; collects what its callback hands over."""

    def __init__(self) -> None:
        import espeakng_loader  # noqa: PLC0415 - a data package, asked for only when a voice is used

        self.lock = threading.Lock()
        self.sound: list[np.ndarray] = []
        self.events: list[tuple[str, int]] = []
        self.call = ctypes.CDLL(espeakng_loader.get_library_path())
        synchronous, with_ipa_events = 2, 1 | 2
        self.rate = int(
            self.call.espeak_Initialize(synchronous, 0, espeakng_loader.get_data_path().encode(), with_ipa_events)
        )
        if self.rate <= 0:
            raise VoiceUnavailable("The formant engine did not start. Run 'make setup' again.")
        self._callback = _Callback(self._take)
        self.call.espeak_SetSynthCallback(self._callback)
        self.call.espeak_Synth.argtypes = [
            ctypes.c_char_p, ctypes.c_size_t, ctypes.c_uint, ctypes.c_int, ctypes.c_uint, ctypes.c_uint,
            ctypes.c_void_p, ctypes.c_void_p,
        ]  # fmt: skip
        self.call.espeak_TextToPhonemes.restype = ctypes.c_char_p
        self.call.espeak_TextToPhonemes.argtypes = [ctypes.POINTER(ctypes.c_void_p), ctypes.c_int, ctypes.c_int]

    def _take(self, wave: Any, count: int, events: Any) -> int:
        if wave and count > 0:
            self.sound.append(np.ctypeslib.as_array(wave, (count,)).copy())
        index = 0
        while events[index].type != _END_OF_LIST:
            event = events[index]
            if event.type == _PHONEME_EVENT:
                name = bytes(event.id.string).split(b"\0")[0].decode("utf-8", "replace")
                self.events.append((name, int(event.sample)))
            index += 1
        return 0


_loading = threading.Lock()
_loaded: list[_Library] = []


def _library() -> _Library:
    """The one library of this process: a second start would pull it from under whoever speaks."""
    with _loading:
        if not _loaded:
            _loaded.append(_Library())
        return _loaded[0]


def listed_languages() -> list[tuple[str, str]]:
    """The engine's languages and accents as (name, tag), from its data; [] where it is not installed.

    Those without a dictionary cannot speak, and are left out; so are names longer than the engine accepts.
    """
    try:
        import espeakng_loader  # noqa: PLC0415 - a data package that may be absent
    except ImportError:
        return []
    found = []
    data = Path(espeakng_loader.get_data_path())
    for path in sorted(p for p in (data / "lang").rglob("*") if p.is_file()):
        fields: dict[str, str] = {}
        for row in path.read_text(encoding="utf-8", errors="replace").splitlines():
            key, _, value = row.strip().partition(" ")
            fields.setdefault(key, value.split("//")[0].strip())
        tag = (fields.get("language") or "").split(" ")[0]
        dictionary = fields.get("dictionary") or tag.split("-")[0]
        if fields.get("name") and 0 < len(tag) <= 15 and (data / f"{dictionary}_dict").exists():
            found.append((fields["name"], tag))
    return found


class FormantEngine:
    """One espeak-ng voice name. ``rate`` in words a minute; ``pitch`` and ``spread`` 0 to 99."""

    version = "formant-2"

    def __init__(self, voice: str, *, rate: int = 150, pitch: int = 50, spread: int = 50) -> None:
        self._voice, self._rate, self._pitch, self._spread = voice, rate, pitch, spread

    def _select(self, library: _Library) -> None:
        if library.call.espeak_SetVoiceByName(self._voice.encode()) != 0:
            raise VoiceUnavailable(f"The formant engine has no voice '{self._voice}'.")
        for parameter, value in ((_RATE, self._rate), (_PITCH, self._pitch), (_RANGE, self._spread)):
            library.call.espeak_SetParameter(parameter, value, 0)

    def release(self) -> None:
        """Nothing is held."""

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself."""
        return _alone(self._voice, word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """Speak the sentence as text; phones and times come from the engine's events."""
        library = _library()
        text = " ".join(_written(clause) for clause in sentence.clauses).encode()
        with library.lock:
            self._select(library)
            library.sound.clear()
            library.events.clear()
            utf8_with_phonemes = 1 | 0x100
            if library.call.espeak_Synth(text, len(text) + 1, 0, 1, 0, utf8_with_phonemes, None, None) != 0:
                raise VoiceUnavailable("The formant engine could not speak the sentence.")
            library.call.espeak_Synchronize()
            parts, events = list(library.sound), list(library.events)
        samples = np.concatenate(parts) if parts else np.zeros(1, np.int16)
        return Utterance(
            library.rate, (samples / 32768).astype(np.float32), _phones(events, len(samples), library.rate)
        )


def _written(clause: Clause) -> str:
    """The clause as the engine reads it: words whose phones are given in its double brackets."""
    words = [f"[[{as_mnemonics(word.ipa)}]]" if word.ipa else word.text.replace("[[", "") for word in clause.words]
    return " ".join(words) + clause.mark


def _phones(events: list[tuple[str, int]], total: int, rate: int) -> tuple[EnginePhone, ...]:
    """Events are (IPA, first sample); an empty or punctuation name is a pause."""
    phones: list[EnginePhone] = []
    breaks = True
    for index, (name, start) in enumerate(events):
        end = events[index + 1][1] if index + 1 < len(events) else total
        gathered = gather(split_points(name))
        if not gathered or end <= start:
            breaks = breaks or not gathered
            continue
        width = (end - start) / rate / len(gathered)
        for number, phone in enumerate(gathered):
            begin = start / rate + number * width
            phones.append(EnginePhone(phone.symbol, begin, begin + width, phone.stress, breaks and number == 0))
        breaks = False
    return tuple(phones)


@lru_cache(maxsize=20_000)
def _alone(voice: str, word: str) -> tuple[str, ...]:
    library = _library()
    ipa, characters_utf8 = 0x02, 1
    with library.lock:
        library.call.espeak_SetVoiceByName(voice.encode())
        buffer = ctypes.create_string_buffer(word.encode())
        rest = ctypes.c_void_p(ctypes.addressof(buffer))
        said = []
        while rest.value:
            part = library.call.espeak_TextToPhonemes(ctypes.byref(rest), characters_utf8, ipa)
            said.append(part.decode() if part else "")
    return tuple(p.symbol for p in gather(split_points(" ".join(said))))
