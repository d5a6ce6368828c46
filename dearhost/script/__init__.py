"""Text into scenes, lines, speakers and words, and what in it is never spoken."""

from dearhost.script.anchors import (
    join_lines,
    put_cue,
    split_line,
    with_text,
    word_index,
    word_indices,
)
from dearhost.script.brief import LONGEST_TARGET, Brief
from dearhost.script.comparing import Difference, Run, compare, words_differing
from dearhost.script.cue_notes import text_with_cues
from dearhost.script.cues import COLOUR, Cue, CueKind, CueKinds, Parameter, cue_to_json, is_colour
from dearhost.script.document import Direction, Line, Scene, Script, Word, display_name, from_json, new_id, to_json
from dearhost.script.estimate import SECONDS_PER_WORD, count_words, estimated_seconds
from dearhost.script.findings import Finding, Place, ensure_speakable, findings
from dearhost.script.reading import bytes_of, ensure_workable, open_script, read_file, read_script, text_of_file
from dearhost.script.spoken import Unspoken, UnspokenSpan, blanked, placeholders, spoken_lines, unspoken_spans, words_of
from dearhost.script.staging import Spot, Staging, staging_from_json
from dearhost.script.writing import write_fountain, write_markdown, write_plain

__all__ = [
    "COLOUR",
    "LONGEST_TARGET",
    "SECONDS_PER_WORD",
    "Brief",
    "Cue",
    "CueKind",
    "CueKinds",
    "Difference",
    "Direction",
    "Finding",
    "Line",
    "Parameter",
    "Place",
    "Run",
    "Scene",
    "Script",
    "Spot",
    "Staging",
    "Unspoken",
    "UnspokenSpan",
    "Word",
    "blanked",
    "bytes_of",
    "compare",
    "count_words",
    "cue_to_json",
    "display_name",
    "ensure_speakable",
    "ensure_workable",
    "estimated_seconds",
    "findings",
    "from_json",
    "is_colour",
    "join_lines",
    "new_id",
    "open_script",
    "placeholders",
    "put_cue",
    "read_file",
    "read_script",
    "split_line",
    "spoken_lines",
    "staging_from_json",
    "text_of_file",
    "text_with_cues",
    "to_json",
    "unspoken_spans",
    "with_text",
    "word_index",
    "word_indices",
    "words_differing",
    "words_of",
    "write_fountain",
    "write_markdown",
    "write_plain",
]
