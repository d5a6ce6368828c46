"""Names of scenes under which pictures are kept: derived from the compiled scene and the table of choices, so that
nothing can be forgotten.

Every field of a scene counts but those listed here. A reading counts by its times and prosody, which
bodies and lips move to, not by its samples.
"""

from __future__ import annotations

from dataclasses import fields
from typing import TYPE_CHECKING

from dearhost.hosts import VERSION as HOSTS_VERSION
from dearhost.lips import VERSION as LIPS_VERSION
from dearhost.production import CHOICES, Touches
from dearhost.storage import fingerprint

if TYPE_CHECKING:
    from dearhost.stage.timeline import SceneTimeline

VERSION = "stage-26"
SETS_VERSION = "sets-9"
NOT_SEEN = frozenset(("id", "start", "choices", "stings", "footage", "bed_marks", "bed_accents", "notes", "lines"))
"""Fields of a scene that do not count as they are. What is seen of lines is in roles and captions; of choices those
count that the table says touch the picture. A transition counts in the chunk that begins the scene."""
_SEEN_CHOICES = tuple(name for name, choice in CHOICES.items() if choice.touches in (Touches.PICTURE, Touches.TIME))


def picture_fingerprint(scene: SceneTimeline) -> str:
    """The name of everything in ``scene`` that affects its pixels, and of the code that draws them."""
    silent = scene.silent()
    seen = {entry.name: getattr(silent, entry.name) for entry in fields(silent) if entry.name not in NOT_SEEN}
    if not scene.choices.captions:
        del seen["captions"]
    seen["choices"] = {name: getattr(scene.choices, name) for name in _SEEN_CHOICES}
    return fingerprint((VERSION, HOSTS_VERSION, LIPS_VERSION, SETS_VERSION), seen)
