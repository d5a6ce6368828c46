"""A manner said inside an engine's model, where the model can: nothing is changed in the sound afterwards."""

from __future__ import annotations

from dataclasses import replace

from dearhost.speech.delivery import AS_EVER, Delivery
from dearhost.speech.engine import DirectedEngine, Direction, Utterance
from dearhost.speech.intonation import ENDINGS
from dearhost.speech.manner import Manner
from dearhost.speech.plan import Sentence, WordPlan
from dearhost.speech.reading import Reading
from dearhost.speech.saying import Said, speak_plan

_HUSHED_PACE = 1.1 / 0.93
"""The whispering style is slow, and a hushed manner is slowed already."""


def speak_directed(
    plan: WordPlan, engine: DirectedEngine, manner: Manner, *, hummed: bool = False, said: Said | None = None
) -> Reading:
    """Speak a plan in a manner: its pace, pitch, endings and words that stand out; or hum it.

    Level, effect and another reading of the same kind are left to be done (see ``left_to_do``). Raises KeyError for
    a manner or an ending there is not.
    """
    whole = _direction(manner.delivery)
    last = len(plan.sentences) - 1

    def speak(sentence: Sentence, number: int) -> Utterance:
        emphasis = {i: manner.emphasis[w.written] for i, w in enumerate(sentence.words) if w.written in manner.emphasis}
        turn = ENDINGS[manner.delivery.ending] if number == last and not manner.delivery.variation else 0.0
        direction = replace(whole, emphasis=emphasis, ending=turn)
        return engine.hummed(sentence, direction) if hummed else engine.direct(sentence, direction)

    return speak_plan(plan, engine, speak, said)


def left_to_do(delivery: Delivery) -> Delivery:
    """What of a delivery the sound itself is still changed for."""
    ending = delivery.ending if delivery.variation else AS_EVER.ending
    return replace(AS_EVER, level=delivery.level, variation=delivery.variation, effect=delivery.effect, ending=ending)


def _direction(delivery: Delivery) -> Direction:
    shape = delivery.shape
    return Direction(
        pace=shape.pace * _HUSHED_PACE**shape.breath,
        raised=shape.raised,
        spread=shape.spread,
        tilt=shape.tilt,
        hushed=shape.breath,
    )
