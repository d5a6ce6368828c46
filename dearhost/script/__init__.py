"""Text into scenes, lines, speakers and words, and what in it is never spoken."""

from dearhost.script.document import Direction, Line, Scene, Script, Word, from_json, new_id, to_json
from dearhost.script.estimate import SECONDS_PER_WORD, count_words, estimated_seconds
from dearhost.script.findings import Finding, Place, ensure_speakable, findings
from dearhost.script.reading import decode, open_script, read_script
from dearhost.script.spoken import Unspoken, UnspokenSpan, blanked, placeholders, unspoken_spans, words_of

__all__ = [
    "SECONDS_PER_WORD",
    "Direction",
    "Finding",
    "Line",
    "Place",
    "Scene",
    "Script",
    "Unspoken",
    "UnspokenSpan",
    "Word",
    "blanked",
    "count_words",
    "decode",
    "ensure_speakable",
    "estimated_seconds",
    "findings",
    "from_json",
    "new_id",
    "open_script",
    "placeholders",
    "read_script",
    "to_json",
    "unspoken_spans",
    "words_of",
]
