"""From a sample to a matched voice: pairs its sentences with the base voice's, fits, and measures on held-out ones."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from datetime import date

from dearhost.errors import ConsentError, UnfitSample, UnreadableSound
from dearhost.sound.examining import examine
from dearhost.speech.engine import Engine
from dearhost.speech.matching.closeness import Closeness, measure_closeness, said_distance
from dearhost.speech.matching.consent import Consent
from dearhost.speech.matching.converting import VoiceModel, converted
from dearhost.speech.matching.fitting import Pair, fit_voice
from dearhost.speech.matching.guide import SENTENCES, ensure_fit
from dearhost.speech.matching.nearest import NearVoice, nearest_of, said_by
from dearhost.speech.matching.sample import Draft, SampleSentence, pieces_of
from dearhost.speech.matching.spectra import RATE, Spectra, spectra_of
from dearhost.speech.matching.understood import words_lost
from dearhost.speech.matching.voice_file import MatchedVoice
from dearhost.storage import fingerprint

Progress = Callable[[float, str], None]
"""Called with the part done (0 to 1) and what is being done; may raise to stop."""
_HELD_OUT = 2
_ENOUGH_TO_HOLD_OUT = 5
_ENOUGH_TO_COMPARE = 2
_LISTENED_TO = 20
"""Sentences in which it is heard whether the words of a match are understood."""
_SAME_WORDS = 0.89
"""Of the distance of other words, below which a draft says what its recording says. By trial: drafts of four speakers
of English lie at .72 to .85 of it, English drafts of Spanish and German at .92 and .93."""


def match_voice(name: str, sample: Sequence[SampleSentence], consent: Consent, bases: Mapping[str, Engine],
                progress: Progress | None = None, draft: Draft | None = None,
                near: Mapping[str, NearVoice] | None = None) -> MatchedVoice:  # fmt: skip
    """Fit a voice called ``name`` for each of ``bases`` (English engines by kind), and before them for the one of
    the ``near`` voices that the person is nearest to, if more is closed from there and no more words are lost. The
    first is the one measured.

    ``draft`` finds words for what of the sample has none, and tells which are understood.

    Raises ConsentError without a complete consent that holds today, and UnfitSample for a sample that is too
    short, too noisy or clipped.
    """
    if not name.strip():
        raise UnfitSample("The voice has no name. Give it one, such as the person's.")
    problem = consent.checked().problem(date.today())
    if problem:
        raise ConsentError(problem)
    tell = progress or (lambda part, what: None)
    tell(0.01, "listening to the sample")
    ensure_fit([examine(s.samples, s.rate) for s in sample])
    sentences = pieces_of(sample, draft)
    spoken = [spectra_of(s.samples, s.rate) for s in sentences]
    tell(0.15, "looking for the nearest voice")
    near = near or {}
    if nearest := nearest_of(near, sentences, spoken):
        bases = {nearest: near[nearest].engine, **bases}
    models: dict[str, VoiceModel] = {}
    closeness: dict[str, Closeness] = {}
    said: dict[str, list[Spectra]] = {}
    trusted = True
    for number, (kind, engine) in enumerate(bases.items()):
        begun, share = 0.3 + 0.7 * number / len(bases), 0.7 / len(bases)
        pairs: list[Pair] = []
        for index, (sentence, sound) in enumerate(zip(sentences, spoken, strict=True)):
            tell(begun + share * 0.4 * index / len(sentences), "reading the same sentences")
            text = sentence.text or SENTENCES[index % len(SENTENCES)]
            pairs.append(Pair(said_by(engine, text), sound, bool(sentence.text)))
        if number == 0 and any(s.drafted for s in sentences):
            trusted = _same_words(pairs)
        if not trusted:
            pairs = [replace(pair, same=False) for pair in pairs]
        is_measured = number < (2 if nearest else 1)
        held = _held_out(len(pairs)) if is_measured else []
        tell(begun + share * 0.45, "fitting")
        models[kind] = fit_voice([p for i, p in enumerate(pairs) if i not in held])
        if is_measured:
            tell(begun + share * 0.9, "measuring how close it came")
            closeness[kind] = _measured(models[kind], pairs, held)
            said[kind] = [pair.base for pair in pairs]
    if not models:
        raise ValueError("'bases' must hold at least one engine")
    closest = min(closeness, key=lambda kind: closeness[kind].after)
    if closest == nearest and draft and len(closeness) > 1:
        tell(0.97, "listening whether its words are understood")
        texts = [sentence.text for sentence in sentences]
        nearest_lost, usual_lost = (_lost(texts, said[kind], models[kind], draft) for kind in closeness)
        if nearest_lost > usual_lost:
            closest = next(kind for kind in closeness if kind != nearest)
    if closest != nearest:
        models.pop(nearest, None)
    tell(1.0, "done")
    seconds = sum(len(s.samples) / s.rate for s in sentences)
    id_ = "match-" + fingerprint(name, consent, [[len(s.samples), s.text] for s in sentences], seconds)[:12]
    return MatchedVoice(id_, name.strip(), consent, closeness[closest], models, round(seconds, 1))


def _lost(texts: Sequence[str], said: Sequence[Spectra], model: VoiceModel, draft: Draft) -> int:
    """How many words of the first sentences are not understood in a match; 0 where nobody can tell."""
    made = [(text, converted(base, model)) for text, base in zip(texts, said, strict=True) if text]
    try:
        return words_lost(made[:_LISTENED_TO], RATE, draft)
    except UnreadableSound:  # the model that hears words is not installed
        return 0


def _measured(model: VoiceModel, pairs: Sequence[Pair], held: Sequence[int]) -> Closeness:
    chosen = [pairs[i] for i in held] or list(pairs[:_HELD_OUT])
    made = [spectra_of(converted(pair.base, model), RATE) for pair in chosen]
    same = all(pair.same for pair in chosen)
    return measure_closeness([p.base for p in chosen], made, [p.sample for p in chosen], len(held), same=same)


def _same_words(pairs: Sequence[Pair]) -> bool:
    """Whether the base voice says nearly what the samples say: they lie closer than to the next piece's sample."""
    own = sum(said_distance(pair.base, pair.sample) for pair in pairs)
    others = sum(said_distance(a.base, b.sample) for a, b in zip(pairs, [*pairs[1:], pairs[0]], strict=True))
    return len(pairs) < _ENOUGH_TO_COMPARE or own < _SAME_WORDS * others


def _held_out(count: int) -> list[int]:
    """Which sentences the voice is not fitted to but measured by."""
    return [count // 3, 2 * count // 3][:_HELD_OUT] if count >= _ENOUGH_TO_HOLD_OUT else []
