"""Names of scenes under which pictures are kept: derived from the compiled scene itself, so that none can be forgotten.

Every field of a scene counts but those listed here as not seen. A reading counts by its times and prosody, which
bodies and lips move to, not by its samples.
"""

from __future__ import annotations

from dataclasses import fields
from typing import TYPE_CHECKING

from dearhost.hosts import VERSION as HOSTS_VERSION
from dearhost.lips import VERSION as LIPS_VERSION
from dearhost.storage import fingerprint

if TYPE_CHECKING:
    from dearhost.stage.timeline import SceneTimeline

VERSION = "stage-20"
SETS_VERSION = "sets-3"
NOT_SEEN = frozenset(("id", "start", "transition", "stings", "notes", "lines"))
"""Fields of a scene that change none of its own pixels. What is seen of lines is in roles and captions; a transition
counts where it is seen, in the chunk that begins the scene."""


def picture_fingerprint(scene: SceneTimeline) -> str:
    """The name of everything in ``scene`` that affects its pixels, and of the code that draws them."""
    silent = scene.silent()
    seen = {entry.name: getattr(silent, entry.name) for entry in fields(silent) if entry.name not in NOT_SEEN}
    if not scene.burned:
        del seen["captions"]
    return fingerprint((VERSION, HOSTS_VERSION, LIPS_VERSION, SETS_VERSION), seen)
