"""Sets: what is behind the host, drawn once a picture size."""

from dearhost.stage.sets.registry import SETS, SetDescription, draw_set, set_by_id

__all__ = ["SETS", "SetDescription", "draw_set", "set_by_id"]
