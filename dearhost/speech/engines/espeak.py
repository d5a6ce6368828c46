"""The espeak-ng library, by ``espeakng-loader``: text to phones for about a hundred languages, and formant speech.

The library keeps its state in the process: one lock guards every call.
"""

from __future__ import annotations

import ctypes
import threading
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import VoiceUnavailable

_PHONEME_EVENT = 7
_END_OF_LIST = 0
_CLEARING = b"a"


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


class Library:
    """The loaded library; collects what its callback hands over."""

    def __init__(self) -> None:
        import espeakng_loader  # noqa: PLC0415 - a data package, asked for only when a voice is used

        self.lock = threading.Lock()
        self.sound: list[np.ndarray] = []
        self.events: list[tuple[str, int]] = []
        self.has_phonemized = False
        """Whether phones were asked for since it last spoke: what it says next then may lack the first event."""
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

    def select(self, voice: str) -> None:
        """Speak by a voice's name from now on; ask under the lock. Raises VoiceUnavailable: the library itself would
        go on in the language before without a word."""
        if self.call.espeak_SetVoiceByName(voice.encode()) != 0:
            raise VoiceUnavailable(f"The formant engine has no voice '{voice}'.")

    def speak(self, text: str) -> bool:
        """Say a text with the voice that was selected, into ``sound`` and ``events``; ask under the lock."""
        if self.has_phonemized:
            self.has_phonemized = False
            self._said(_CLEARING)
        self.sound.clear()
        self.events.clear()
        return self._said(text.encode())

    def _said(self, text: bytes) -> bool:
        utf8_with_phonemes = 1 | 0x100
        if self.call.espeak_Synth(text, len(text) + 1, 0, 1, 0, utf8_with_phonemes, None, None) != 0:
            return False
        self.call.espeak_Synchronize()
        return True

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
_loaded: list[Library] = []


def library() -> Library:
    """The one library of this process: a second start would pull it from under whoever speaks."""
    with _loading:
        if not _loaded:
            _loaded.append(Library())
        return _loaded[0]


def phonemes_of(text: str, voice: str) -> str:
    """The phones of a text in IPA with stress marks, as the rules of a voice's language have them.

    Raises VoiceUnavailable.
    """
    loaded = library()
    ipa, characters_utf8 = 0x02, 1
    with loaded.lock:
        loaded.has_phonemized = True
        loaded.select(voice)
        buffer = ctypes.create_string_buffer(text.encode())
        rest = ctypes.c_void_p(ctypes.addressof(buffer))
        said = []
        while rest.value:
            part = loaded.call.espeak_TextToPhonemes(ctypes.byref(rest), characters_utf8, ipa)
            said.append(part.decode() if part else "")
    return " ".join(said)


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
