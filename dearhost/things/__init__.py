"""Things that pictures show: drawings by hand and cut shapes, found by name or proposed for words."""

from dearhost.things.finding import ThingIndex
from dearhost.things.glosses import UNDERSTOOD
from dearhost.things.proposing import Proposal, propose
from dearhost.things.shapes import shape_things
from dearhost.things.table import DRAWN
from dearhost.things.thing import Thing

__all__ = ["DRAWN", "UNDERSTOOD", "Proposal", "Thing", "ThingIndex", "propose", "shape_things"]
