"""Beds: music under a voice, composed by rule and made by synthesis, exactly as long as is asked for. What makes the
sound, ``rendering``, is expensive to load."""

from dearhost.sound.beds.composing import LONGEST, SHORTEST, VERSION, BedSpec, Score, compose, last_chord_of
from dearhost.sound.beds.moods import MOODS, STYLES

__all__ = ["LONGEST", "MOODS", "SHORTEST", "STYLES", "VERSION", "BedSpec", "Score", "compose", "last_chord_of"]
