"""Made and matched voices as they are listed among the others."""

from __future__ import annotations

from collections.abc import Iterable

from dearhost.languages import main_code
from dearhost.speech.full_voices import FULL_VOICES, FullVoice
from dearhost.speech.kokoro import prepared
from dearhost.speech.made_voices import MadeVoice
from dearhost.speech.matching import MatchedVoice
from dearhost.speech.models_present import neural_model_present, quick_by_default
from dearhost.speech.voices import BASE_VOICE, FORMANT, FORMANT_VOICES, FULL, MADE, MATCHED, NEURAL, Voice


def made_as_listed(made: MadeVoice, formant: Iterable[Voice]) -> Voice | None:
    """A made voice, in the language of the voice it is made from; None while that one is not there."""
    base_id = base_of(made)
    quick = {BASE_VOICE.id: BASE_VOICE} if neural_model_present() else {}
    stock = quick | {id_: row.voice for id_, row in FULL_VOICES.items()}
    base = stock.get(base_id) or next((voice for voice in formant if voice.id == base_id), None)
    if base is None:
        return None
    words = f"{made.description}; {'a mixture' if base.engine == FULL else f'made from {base.name}'}"
    pace = (BASE_VOICE.pace if base.engine == FULL else base.pace) * made.shape.pace
    return Voice(made.id, made.name, MADE, base.language, base.language_name, words, base.scripts,
                 round(made.shape.mean or 100), made.age, pace=pace)  # fmt: skip


def base_of(made: MadeVoice) -> str:
    """The id of what a voice is made from here: where the full model is missing, what its recipe was made for."""
    row = FULL_VOICES.get(made.base)
    return made.base if row is None or prepared.is_prepared() else quickest(row)


def quickest(full: FullVoice) -> str:
    """The id of the voice that reads the language of a full one in the least time."""
    return BASE_VOICE.id if main_code(full.voice.language) == "en" else full.stand_in


def matched_from(matched: MatchedVoice) -> str:
    """The kind of voice that a matched one speaks English with here: the id of a full one, or 'neural', or 'formant'
    where neither is there, or where it was not fitted to them."""
    full = next((kind for kind in matched.models if kind in FULL_VOICES), "")
    if full and prepared.is_prepared() and not quick_by_default():
        return full
    return NEURAL if NEURAL in matched.models and neural_model_present() else FORMANT


def matched_as_listed(matched: MatchedVoice) -> list[Voice]:
    """A matched voice in English, and in each language that a formant voice with a name has."""
    kind = matched_from(matched)
    base = FULL_VOICES[kind].voice if kind in FULL_VOICES else BASE_VOICE
    model = matched.models.get(kind) or next(iter(matched.models.values()))
    pitch = round(model.mean_pitch)
    until = f", with consent until {matched.consent.until}" if matched.consent.until else ", with consent"
    words = f"matched to {matched.consent.person}{until}"
    listed = [Voice(matched.id, matched.name, MATCHED, base.language, base.language_name, words,
                    pitch=pitch, pace=0.0 if kind == FORMANT else base.pace * model.pace)]  # fmt: skip
    if FORMANT in matched.models:
        for voice, tag in FORMANT_VOICES.values():
            if not voice.language.startswith("en"):
                listed.append(Voice(f"{matched.id}:{tag}", matched.name, MATCHED, voice.language,
                                    voice.language_name, words, scripts=voice.scripts, pitch=pitch))  # fmt: skip
    return listed
