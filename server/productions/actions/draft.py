"""Begin a production from a recording nobody has a script of."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.db import transaction

from dearhost.production.uses import RECORDING, Use
from dearhost.script import Cue, Direction, Line, Scene, Script, new_id
from dearhost.sound.files import Sound
from dearhost.speech import draft_lines
from server.assets.ownership import belongs_to
from server.productions.actions.create import create_production
from server.productions.models import Production, Take
from server.studio import studio

_NOTE = "A draft of a recording: correct the words against the sound. The lips follow what stands here."


def production_from_recording(owner: User, sound: Sound, title: str) -> Production:
    """A production whose lines are a draft of what is said, each heard from its piece of the recording.

    Raises UnreadableSound.
    """
    speaker = studio().speaker
    drafted = draft_lines(sound, speaker.recordings, speaker.aligner)
    for item in drafted:
        belongs_to(owner.pk, Use(RECORDING, item.recording))
    lines = [Line(new_id(), "", d.text, (Cue(new_id(), "recording", 0, {"recording": d.recording}),)) for d in drafted]
    scene = Scene(new_id(), "Draft of a recording", (Direction(new_id(), _NOTE), *lines))
    with transaction.atomic():
        production = create_production(owner, Script(title, (scene,)), title)
        voice = next(iter(production.document["cast"].values()))["voice"]
        Take.objects.bulk_create(
            Take(production=production, line=line.id, number=1, text=line.text, voice=voice, recording=d.recording,
                 seconds=round(d.seconds, 3))
            for line, d in zip(lines, drafted, strict=True)
        )  # fmt: skip
    return production
