"""Everything that can go wrong in a way a person can mend.

DearHostError                  the root; its text says what happened and what to do
├── ScriptError                the script cannot be used as it stands
│   ├── UnreadableScript       not text, a wrong encoding, or too big
│   ├── NothingToSay           empty, or directions only
│   └── UnfilledPlaceholder    a slot such as [name] is still open
├── SpeechError                a line cannot be spoken
│   ├── UnknownVoice           no voice has this id
│   ├── VoiceUnavailable       the voice exists but its engine or model is missing
│   └── UnspeakableText        the voice's language cannot read these letters
├── SoundError                 a sound file or recording cannot be used
│   ├── UnreadableSound        no sound in it, damaged, too long, or of a kind that is not known
│   └── UnfitSample            the sample is not good enough to match a voice
├── ConsentError               a real voice is used without consent, or after it was withdrawn or ran out
├── HostError
│   └── UnknownHost            no host has this id
├── StageError                 the picture cannot be made as asked (set, shape, fonts)
├── WritingError               a draft, a rework or comments cannot be had from what is there
│   ├── CommentsError          no comments in it, or no table that can be read
│   └── ModelServerError       the model's server is not on this machine, is silent, or answers nonsense
├── BackupError                a backup cannot be written or restored
└── RenderError                the film cannot be written
    ├── RenderStopped          somebody stopped it; finished chunks are kept
    ├── WorkerLost             a drawing process died
    └── StorageFull            no room left on the disk
"""

from __future__ import annotations


class DearHostError(Exception):
    """The root. ``str(error)`` is one line a person can act on."""


class ScriptError(DearHostError):
    """The script cannot be used as it stands."""


class UnreadableScript(ScriptError):
    """The bytes given are not a script: not text, an unknown encoding, or too long."""


class NothingToSay(ScriptError):
    """The script holds no spoken word."""


class UnfilledPlaceholder(ScriptError):
    """A slot such as ``[name]`` is still open where speech is asked for."""


class SpeechError(DearHostError):
    """A line cannot be spoken."""


class UnknownVoice(SpeechError):
    """No voice has this id."""


class VoiceUnavailable(SpeechError):
    """The voice is known, but its engine or its model is not on this machine."""


class UnspeakableText(SpeechError):
    """The voice's language cannot read the letters of a word."""


class SoundError(DearHostError):
    """A sound file or recording cannot be used."""


class UnreadableSound(SoundError):
    """The file holds no sound, is damaged, too long, or of a kind that is not known."""


class UnfitSample(SoundError):
    """The sample is not good enough, or not long enough, to match a voice."""


class ConsentError(DearHostError):
    """A real voice is used without its owner's consent, or after it was withdrawn or ran out."""


class HostError(DearHostError):
    """A host cannot be drawn as asked."""


class UnknownHost(HostError):
    """No host has this id."""


class StageError(DearHostError):
    """The picture cannot be made as asked."""


class WritingError(DearHostError):
    """A draft, a rework or comments cannot be had from what is there."""


class CommentsError(WritingError):
    """No comments in it, or no table that can be read."""


class ModelServerError(WritingError):
    """The model's server cannot be used."""


class BackupError(DearHostError):
    """A backup cannot be written, or is none."""


class RenderError(DearHostError):
    """The film cannot be written."""


class RenderStopped(RenderError):
    """Rendering was stopped on request; finished chunks are kept for the next time."""


class WorkerLost(RenderError):
    """A drawing process ended before its chunk was finished."""


class StorageFull(RenderError):
    """There is no room left on the disk."""
