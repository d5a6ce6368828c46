"""Recordings of screens: where things happen in them, where the pointer is, and how near they are to be seen."""

from dearhost.assets.shelf.screens.happening import STEP, WHOLE, Happening, happening_in
from dearhost.assets.shelf.screens.looking import known_happening, look
from dearhost.assets.shelf.screens.windows import Window, nearness, windows_on

__all__ = ["STEP", "WHOLE", "Happening", "Window", "happening_in", "known_happening", "look", "nearness", "windows_on"]
