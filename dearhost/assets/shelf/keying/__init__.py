"""Figures without the ground they were taken before: green, blue or any other colour."""

from dearhost.assets.shelf.keying.key import KeySettings
from dearhost.assets.shelf.keying.taking import key_still, key_thing, keyed_id

__all__ = ["KeySettings", "key_still", "key_thing", "keyed_id"]
