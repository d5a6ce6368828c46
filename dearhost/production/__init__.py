"""Productions: what can be chosen, cued and brought along, and productions to and from files."""

from dearhost.production.choices import (
    AS_THE_SET,
    CHOICES,
    DAYLIGHTS,
    FRAMINGS,
    FURNITURE,
    LAYOUTS,
    PALETTES,
    SETS,
    SHAPES,
    TRANSITIONS,
    TYPES,
    WEATHERS,
    Choice,
    Choices,
    Scope,
    Touches,
    own_choices_from_json,
)
from dearhost.production.cue_kinds import CUE_KINDS
from dearhost.production.fitting_voices import language_findings, unlike_findings
from dearhost.production.line_reading import manner_in, manner_of, pauses_of, playable
from dearhost.production.line_voices import voice_of
from dearhost.production.looks import LOOKS, Look, with_look
from dearhost.production.named_files import with_named_files
from dearhost.production.opening import open_production, open_production_file
from dearhost.production.patterns import PATTERNS, Pattern, begun_with
from dearhost.production.production import (
    EFFECT_CHOICES,
    CastEntry,
    Production,
    cast_from_json,
    full_cast,
    production_from_json,
    production_to_json,
    with_captions,
    with_choices,
)
from dearhost.production.project_file import SUFFIX, OpenedProduction, UnreadableProduction, fitted, pack
from dearhost.production.resources import Resources
from dearhost.production.speech_markup import production_as_ssml
from dearhost.production.studio import Studio, data_folder
from dearhost.production.texts import (
    compare,
    ensure_speakable,
    findings,
    open_script,
    read_file,
    read_script,
    text_with_cues,
    write_fountain,
    write_markdown,
)

__all__ = [
    "AS_THE_SET",
    "CHOICES",
    "CUE_KINDS",
    "DAYLIGHTS",
    "EFFECT_CHOICES",
    "FRAMINGS",
    "FURNITURE",
    "LAYOUTS",
    "LOOKS",
    "PALETTES",
    "PATTERNS",
    "SETS",
    "SHAPES",
    "SUFFIX",
    "TRANSITIONS",
    "TYPES",
    "WEATHERS",
    "CastEntry",
    "Choice",
    "Choices",
    "Look",
    "OpenedProduction",
    "Pattern",
    "Production",
    "Resources",
    "Scope",
    "Studio",
    "Touches",
    "UnreadableProduction",
    "begun_with",
    "cast_from_json",
    "compare",
    "data_folder",
    "ensure_speakable",
    "findings",
    "fitted",
    "full_cast",
    "language_findings",
    "manner_in",
    "manner_of",
    "open_production",
    "open_production_file",
    "open_script",
    "own_choices_from_json",
    "pack",
    "pauses_of",
    "playable",
    "production_as_ssml",
    "production_from_json",
    "production_to_json",
    "read_file",
    "read_script",
    "text_with_cues",
    "unlike_findings",
    "voice_of",
    "with_captions",
    "with_choices",
    "with_look",
    "with_named_files",
    "write_fountain",
    "write_markdown",
]
