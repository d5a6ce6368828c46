"""What one would type to find a cue, besides its name."""

from __future__ import annotations

from collections.abc import Mapping

ALSO: Mapping[str, str] = {
    "nod": "yes agree right ok",
    "shake": "no disagree never deny",
    "wave": "hello hi goodbye bye greet",
    "point-left": "there over there that left",
    "point-right": "there over there that right",
    "point-up": "above up important attention",
    "thumb-up": "good like yes approve well done",
    "thumb-down": "bad dislike no disapprove",
    "explain": "describe both hands talk",
    "count": "one two three list numbers",
    "shrug": "don't know do not know maybe unsure",
    "lean-in": "secret closer confide",
    "listen": "hear attend",
    "present": "show introduce over here this side reveal",
    "heart": "love thank sincere feel hand on heart",
    "together": "please pray hands together thank",
    "think": "wonder consider hm chin",
    "clap": "applaud bravo praise",
    "big": "large huge wide much",
    "small": "tiny little narrow few",
    "stop": "halt wait no palm hold on",
    "look": "glance see turn head aside",
    "laugh": "funny joke haha giggle",
    "sigh": "tired sad relief breathe",
    "beckon": "come here come closer invite",
    "wag": "no no warning careful mind finger",
    "welcome": "open arms greet hello everybody",
    "you": "viewer audience address",
    "happy": "smile glad pleased",
    "excited": "thrilled great",
    "concerned": "worried anxious",
    "sad": "unhappy sorry",
    "angry": "cross furious",
    "surprised": "wow astonished oh",
    "thoughtful": "thinking wonder hm",
    "neutral": "plain rest",
}
