"""Figures without the ground they were taken before: green, blue, any other colour, or whatever is behind
a person."""

from dearhost.assets.shelf.keying.key import PERSON, KeySettings
from dearhost.assets.shelf.keying.taking import key_still, key_thing, keyed_id

__all__ = ["PERSON", "KeySettings", "key_still", "key_thing", "keyed_id"]
