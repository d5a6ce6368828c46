"""Neural voices in the open .onnx + .onnx.json format of piper-tts."""

from __future__ import annotations

import glob
import hashlib
import threading
from collections.abc import Sequence
from functools import lru_cache
from itertools import pairwise
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import SpeechError, VoiceUnavailable
from dearhost.foreign import in_own_process
from dearhost.speech.engine import EnginePhone, Utterance
from dearhost.speech.given_phones import with_given_phones
from dearhost.speech.onnx_runs import FrugalSession
from dearhost.speech.phone_symbols import gather
from dearhost.speech.plan import Sentence
from dearhost.speech.sharing import VOWELS
from dearhost.storage import fingerprint, write_whole

_LATE = {"vowel": 0.017, "nasal": 0.040, "liquid": 0.036, "stop": 0.036}
_LATE_ELSE = 0.030
"""Seconds that the model's phone labels run late, by the phone that begins: measured on 20 sentences against
pocketsphinx, whose own bias is known from voices that are put together from parts (flite)."""
_CLASSES = {"nasal": frozenset("mnŋɲɱ"), "liquid": frozenset("lɹrɫwjɾ"), "stop": frozenset("pbtdkɡgʔ")}
_HUSH = 50.0
"""dB under the loudest, from which on a sentence is heard to begin."""
_LEAD = 0.10
"""Seconds at most that the model is silent before it: they are not the first phone's."""
_SHORT_GAP = 0.120
_NOISE_LENGTH = 1 << 20
_SCALES = (0.3, 3.0)
"""Of a model's own pace: one that says a thousand would fill the memory with a word."""

_TRIAL, _TRIAL_MEMORY, _TRIED = 60.0, 6_000_000_000, 12
"""What a foreign model gets for its trial: seconds, bytes of address space, and sounds to say in a second each."""


class NeuralEngine:
    """One model. ``pace`` stretches time: 1 is the model's own. A ``foreign`` one is tried in a process of its
    own before this one loads it: whatever is in it, it harms nobody."""

    version = "neural-6"

    def __init__(self, model: Path, config: Path, *, scratch: Path, pace: float = 1.0, foreign: bool = False) -> None:
        self._foreign = foreign
        self._model, self._config, self._scratch, self._pace = model, config, scratch, pace
        self._loading = threading.Lock()
        self._voice: Any = None

    def release(self) -> None:
        """The model, about 290 MB."""
        with self._loading:
            self._voice = None

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself."""
        return _alone(self, word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """Phonemize each clause in context, then speak the whole sentence from those phonemes."""
        voice = self._loaded()
        points: list[str] = []
        for number, clause in enumerate(sentence.clauses):
            clause_points = self._phonemize(clause.text)
            while clause_points and clause_points[-1] in " .,;:?!":
                clause_points.pop()
            clause_points = with_given_phones(clause.words, clause_points, self.phones_alone)
            points += clause_points + [clause.mark] + ([" "] if number + 1 < len(sentence.clauses) else [])
        samples, ends = _spoken(voice, points, self._pace)
        rate = int(voice.config.sample_rate)
        starts = np.concatenate([[0.0], ends[:-1]])
        gathered = gather(points)
        spans = [[float(starts[p.first]) / rate, float(ends[p.last]) / rate] for p in gathered]
        _correct_labels(spans, [p.symbol for p in gathered])
        _begin_with_sound(spans, samples, rate)
        timed = tuple(
            EnginePhone(phone.symbol, start, end, phone.stress, phone.breaks)
            for phone, (start, end) in zip(gathered, spans, strict=True)
        )
        return Utterance(rate, samples, timed)

    def _loaded(self) -> Any:
        with self._loading:
            if self._voice is None:
                self._voice = self._load()
        return self._voice

    def _load(self) -> Any:
        if not self._model.exists() or not self._config.exists():
            raise VoiceUnavailable(
                f"The model '{self._model.name}' is not on this machine. Run 'make setup', or choose another voice."
            )
        try:
            return self._open()
        except SpeechError:
            raise
        except Exception as error:  # whatever a file that is no voice makes the libraries say
            raise VoiceUnavailable(
                f"'{self._model.name}' is no voice in the open format of piper-tts, or its .json is of another one. "
                "Take it out of the voices folder, or choose another voice."
            ) from error

    def _open(self) -> Any:
        from piper import PiperVoice  # noqa: PLC0415 - loading the runtime takes a second

        with self._model.open("rb") as file:  # by content: another model under the same name is another model
            content = hashlib.file_digest(file, "blake2b").hexdigest()
        patched = self._scratch / f"{self._model.stem}-{fingerprint(content, self.version)}.onnx"
        if not patched.exists():
            write_whole(patched, self._patch)
            for old in self._scratch.glob(f"{glob.escape(self._model.stem)}-{'?' * 24}.onnx"):
                if old != patched:
                    old.unlink(missing_ok=True)
        voice = PiperVoice.load(patched, self._config)
        voice.session = FrugalSession(voice.session)
        return voice

    def _patch(self, part: Path) -> None:
        if self._foreign:
            in_own_process(_patch_and_try, self._model, self._config, part, seconds=_TRIAL, memory=_TRIAL_MEMORY)
        else:
            _patch(self._model, part)

    def _phonemize(self, text: str) -> list[str]:
        return [point for sentence in self._loaded().phonemize(text) for point in [*sentence, " "]][:-1]


@lru_cache(maxsize=20_000)
def _alone(engine: NeuralEngine, word: str) -> tuple[str, ...]:
    return tuple(p.symbol for p in gather(engine._phonemize(word)))


def _late(symbol: str) -> float:
    first = symbol[0]
    kind = "vowel" if first in VOWELS else next((name for name, own in _CLASSES.items() if first in own), "")
    return _LATE.get(kind, _LATE_ELSE)


def _correct_labels(spans: list[list[float]], symbols: Sequence[str]) -> None:
    """Shift starts to where they are heard and share short gaps out; onsets after a pause stay."""
    gaps = [9.0] + [after[0] - before[1] for before, after in pairwise(spans)]
    for index in range(1, len(spans)):
        if gaps[index] >= _SHORT_GAP:
            continue
        start = spans[index][0] - _late(symbols[index]) - (gaps[index] / 2 if gaps[index] > 0.001 else 0.0)
        start = max(start, spans[index - 1][0] + 0.012)
        spans[index][0] = spans[index - 1][1] = start
    for index in range(len(spans) - 1):
        if gaps[index + 1] >= _SHORT_GAP:
            spans[index][1] = max(spans[index][0] + 0.012, spans[index][1] - 0.02)


def _begin_with_sound(spans: list[list[float]], samples: np.ndarray, rate: int) -> None:
    """The first phone begins where the sound does: the model counts the silence before it to it."""
    if not spans:
        return
    lead = np.abs(samples[: round(_LEAD * rate)])
    loud = np.flatnonzero(lead > np.abs(samples).max(initial=0.0) * 10 ** (-_HUSH / 20))
    start = float(loud[0]) / rate if len(loud) else 0.0
    spans[0][0] = max(spans[0][0], min(start, spans[0][1] - 0.012))


def _spoken(voice: Any, points: list[str], pace: float) -> tuple[np.ndarray, np.ndarray]:
    """Samples in -1..1, and for each point the sample at which it ends."""
    from piper.config import SynthesisConfig  # noqa: PLC0415 - see _open

    table = voice.config.phoneme_id_map
    ids, owner = list(table["^"]), [0] * len(table["^"])
    ids += table["_"]
    owner += [0] * len(table["_"])
    for index, point in enumerate(points):
        known = table.get(point)
        if known is not None:
            ids += [*known, *table["_"]]
            owner += [index] * (len(known) + len(table["_"]))
    ids += table["$"]
    owner += [len(points) - 1] * len(table["$"])
    scale = min(max(float(voice.config.length_scale), _SCALES[0]), _SCALES[1])
    settings = SynthesisConfig(length_scale=scale * pace)
    audio, lengths = voice.phoneme_ids_to_audio(ids, settings, include_alignments=True)
    ends = np.zeros(len(points))
    np.add.at(ends, np.array(owner), np.asarray(lengths, float))
    return np.clip(np.asarray(audio, np.float32).reshape(-1), -1, 1), np.cumsum(ends)


def _patch_and_try(source: Path, config: Path, target: Path) -> None:
    """Patch a model and let it speak a little. Raises VoiceUnavailable where that takes it far too long."""
    from piper import PiperVoice  # noqa: PLC0415 - see _open

    _patch(source, target)
    voice = PiperVoice.load(target, config)
    points = [point for point in voice.config.phoneme_id_map if point not in "^$_"][:_TRIED]
    samples, _ = _spoken(voice, points, 1.0)
    seconds = len(samples) / max(1, int(voice.config.sample_rate))
    if not points or not 0 < seconds < _TRIED:
        raise VoiceUnavailable(
            f"The model '{source.name}' takes {seconds:.0f} s for {len(points)} sounds. It is no voice."
        )


def _patch(source: Path, target: Path) -> None:
    """The model with its phoneme lengths as an output and with fixed noise instead of random numbers.

    With fixed noise the same text always gives the same samples, on any machine with this runtime.
    """
    import onnx  # noqa: PLC0415 - needed once a model
    from onnx import TensorProto, helper, numpy_helper  # noqa: PLC0415
    from piper.patch_voice_with_alignment import add_alignment_output  # noqa: PLC0415

    model = onnx.load(str(source))
    add_alignment_output(model)
    graph = model.graph
    noise = np.random.default_rng(7).standard_normal(_NOISE_LENGTH).astype(np.float32)
    graph.initializer.append(numpy_helper.from_array(noise, "fixed_noise"))
    for name, value in (("fixed_zero", 0), ("fixed_one", 1), ("fixed_length", _NOISE_LENGTH)):
        graph.initializer.append(helper.make_tensor(name, TensorProto.INT64, [], [value]))
    nodes = []
    for number, node in enumerate(graph.node):
        if node.op_type != "RandomNormalLike":
            nodes.append(node)
            continue
        tag = f"fixed_{number}"
        make = helper.make_node
        nodes += [
            make("Shape", [node.input[0]], [f"{tag}_shape"]),
            make("Size", [node.input[0]], [f"{tag}_size"]),
            make("Range", ["fixed_zero", f"{tag}_size", "fixed_one"], [f"{tag}_range"]),
            make("Mod", [f"{tag}_range", "fixed_length"], [f"{tag}_index"]),
            make("Gather", ["fixed_noise", f"{tag}_index"], [f"{tag}_flat"]),
            make("Reshape", [f"{tag}_flat", f"{tag}_shape"], [node.output[0]]),
        ]
    del graph.node[:]
    graph.node.extend(nodes)
    onnx.save(model, str(target))
