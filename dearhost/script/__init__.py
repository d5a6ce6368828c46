"""Text into scenes, lines, speakers and words, and what in it is never spoken."""

from dearhost.script.anchors import (
    join_lines,
    put_cue,
    split_line,
    text_with_cues,
    with_text,
    word_index,
)
from dearhost.script.brief import Brief, brief_from_json, brief_to_json
from dearhost.script.comparing import Difference, Run, compare, words_differing
from dearhost.script.cues import KINDS, Cue, CueKind, Parameter, cue_problem, cue_to_json, format_note
from dearhost.script.document import Direction, Line, Scene, Script, Word, from_json, new_id, to_json
from dearhost.script.estimate import SECONDS_PER_WORD, count_words, estimated_seconds
from dearhost.script.findings import Finding, Place, ensure_speakable, findings
from dearhost.script.reading import bytes_of, open_script, read_file, read_script
from dearhost.script.spoken import Unspoken, UnspokenSpan, blanked, placeholders, spoken_lines, unspoken_spans, words_of
from dearhost.script.staging import Spot, Staging, staging_from_json
from dearhost.script.writing import write_fountain, write_markdown, write_plain

__all__ = [
    "KINDS",
    "SECONDS_PER_WORD",
    "Brief",
    "Cue",
    "CueKind",
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
    "brief_from_json",
    "brief_to_json",
    "bytes_of",
    "compare",
    "count_words",
    "cue_problem",
    "cue_to_json",
    "ensure_speakable",
    "estimated_seconds",
    "findings",
    "format_note",
    "from_json",
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
    "text_with_cues",
    "to_json",
    "unspoken_spans",
    "with_text",
    "word_index",
    "words_differing",
    "words_of",
    "write_fountain",
    "write_markdown",
    "write_plain",
]
