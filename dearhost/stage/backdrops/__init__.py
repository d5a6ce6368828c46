"""Backdrops: what is behind the hosts, a frame at a time. A set is a backdrop that never changes."""

from dearhost.stage.backdrops.backdrop import Backdrop, Nothing
from dearhost.stage.backdrops.registry import DRAWN_SETS, backdrop_for, draw_set

__all__ = ["DRAWN_SETS", "Backdrop", "Nothing", "backdrop_for", "draw_set"]
