"""What is drawn before one's eyes: outlines and words in the order of a hand, then their colours."""

from dearhost.stage.painting.ink.inked import Board, Inked

__all__ = ["Board", "Inked"]
