"""Scripts in and out of text, with the product's own table of cues."""

from __future__ import annotations

from functools import partial

from dearhost import script
from dearhost.production.cue_kinds import CUE_KINDS

read_script = partial(script.read_script, kinds=CUE_KINDS)
read_file = partial(script.read_file, kinds=CUE_KINDS)
open_script = partial(script.open_script, kinds=CUE_KINDS)
write_fountain = partial(script.write_fountain, kinds=CUE_KINDS)
write_markdown = partial(script.write_markdown, kinds=CUE_KINDS)
text_with_cues = partial(script.text_with_cues, kinds=CUE_KINDS)
compare = partial(script.compare, kinds=CUE_KINDS)
findings = partial(script.findings, kinds=CUE_KINDS)
ensure_speakable = partial(script.ensure_speakable, kinds=CUE_KINDS)
