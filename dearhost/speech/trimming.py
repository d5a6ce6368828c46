"""Takes away the silence an engine puts round a sentence."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from dearhost.speech.engine import Utterance

EDGE = 0.06
"""Seconds of silence that stay before the first phone and after the last."""
_FADE = 0.004


def trimmed(utterance: Utterance) -> Utterance:
    """Without the silence round a sentence, but for its edges; as it is where its engine has trimmed it."""
    if utterance.trimmed or not utterance.phones:
        return utterance
    return cut_out(utterance, utterance.phones[0].start - EDGE, utterance.phones[-1].end + EDGE)


def cut_out(utterance: Utterance, start: float, end: float) -> Utterance:
    """What lies between two moments in seconds, faded in and out; phone times moved along."""
    rate = utterance.sample_rate
    first, last = max(0, round(start * rate)), min(len(utterance.samples), round(end * rate))
    samples = utterance.samples[first:last].copy()
    fade = min(len(samples) // 4, round(_FADE * rate))
    if fade:
        ramp = np.linspace(0, 1, fade, dtype=np.float32)
        samples[:fade] *= ramp
        samples[-fade:] *= ramp[::-1]
    by, whole = first / rate, len(samples) / rate
    phones = tuple(replace(p, start=max(0.0, p.start - by), end=min(p.end - by, whole)) for p in utterance.phones)
    return Utterance(rate, samples, phones, trimmed=True)
