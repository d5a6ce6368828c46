"""Take in a sentence of a sample, and judge it."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from dearhost.errors import UnfitSample
from dearhost.production.uses import RECORDING, Use
from dearhost.sound.examining import examine, faults
from dearhost.sound.files import Sound
from dearhost.sound.tidying import trimmed
from dearhost.speech.matching import SENTENCES, Heard, judge_sentence
from server.assets.ownership import belongs_to
from server.studio import studio
from server.voices.models import SampleSentence, VoiceMatch

FREE_FROM = 100
"""Numbers from here on are recordings of free words."""
_MOST_FREE = 12


def add_sentence(match: VoiceMatch, number: int, sound: Sound) -> SampleSentence:
    """Keep a recording of guided sentence ``number``, in place of an earlier one. Raises UnfitSample."""
    if not 0 <= number < len(SENTENCES):
        raise UnfitSample(f"There are {len(SENTENCES)} sentences to read.")
    _still_open(match)
    speaker = studio().speaker
    heard = judge_sentence(sound.samples, sound.rate, SENTENCES[number], speaker.aligner)
    return _keep(match, number, SENTENCES[number], sound, heard.good, _report(heard, sound))


def add_free_recording(match: VoiceMatch, sound: Sound) -> SampleSentence:
    """Keep a recording of any words of the person. Raises UnfitSample."""
    _still_open(match)
    taken = [s.number for s in match.sentences.all() if s.number >= FREE_FROM]
    if len(taken) >= _MOST_FREE:
        raise UnfitSample(f"A sample holds up to {_MOST_FREE} files. Remove one first.")
    quality = examine(sound.samples, sound.rate)
    found = faults(quality)
    report = {"quality": asdict(quality), "faults": [f.says for f in found], "skipped": [], "note": sound.note}
    return _keep(match, max(taken, default=FREE_FROM - 1) + 1, "", sound, not any(f.grave for f in found), report)


def _still_open(match: VoiceMatch) -> None:
    if match.job and match.job.waiting:
        raise UnfitSample("This voice is being fitted. Wait until it is done, or begin another match.")


def _keep(match: VoiceMatch, number: int, text: str, sound: Sound, good: bool,
          report: dict[str, Any]) -> SampleSentence:  # fmt: skip
    kept = trimmed(sound.samples, sound.rate)[0] if text else sound.samples
    recording = studio().speaker.recordings.add(_with_room(sound, kept))
    belongs_to(match.owner_id, Use(RECORDING, recording))
    made, _ = SampleSentence.objects.update_or_create(
        match=match,
        number=number,
        defaults={
            "text": text,
            "recording": recording,
            "seconds": round(len(kept) / sound.rate, 2),
            "good": good,
            "report": report,
        },
    )
    return made


def _with_room(sound: Sound, kept: Any) -> Any:
    """The sentence as it came, with the silence that tells how loud the room is."""
    return sound.samples if len(sound.samples) < 3 * len(kept) else kept


def _report(heard: Heard, sound: Sound) -> dict[str, Any]:
    return {
        "quality": asdict(heard.quality),
        "faults": [fault.says for fault in heard.faults],
        "skipped": list(heard.skipped),
        "note": sound.note,
    }
