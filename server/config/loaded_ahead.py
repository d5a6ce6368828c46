"""What is loaded ahead: imported, like nothing else, in a thread of its own (see ``warm_up``)."""

from __future__ import annotations

import importlib
from contextlib import suppress

from dearhost.errors import SpeechError
from dearhost.memory import keep_for_good
from dearhost.render.frames import load_machine_code
from dearhost.script import Brief
from dearhost.writing.brief_reading import read_brief
from dearhost.writing.drafts import draft_all
from dearhost.writing.language import ensure_english
from server.room import keep_aside
from server.studio import studio


def load() -> None:
    """Have the first picture, the first sound and the first draft wait for nothing."""
    keep_aside()
    importlib.import_module("dearhost.sound.mastering")
    voices = studio().voices
    with suppress(SpeechError):  # whoever speaks with it is told
        voices.engine(voices.default().id).phones_alone("tide")
    load_machine_code()
    point = "The tide comes to Quillhaven twice a day."
    ensure_english(point)
    draft_all(read_brief(Brief(topic="The tide", points=(point,)), []), 30.0)  # nobody reads it
    keep_for_good()
