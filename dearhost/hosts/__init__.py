"""Hosts: who can be drawn, how they move, and a pose for every moment."""

from dearhost.hosts.abilities import Abilities
from dearhost.hosts.cast import CAST
from dearhost.hosts.host import Host, Part
from dearhost.hosts.library import HostLibrary
from dearhost.hosts.motion.expressions import EXPRESSIONS, ExpressionCue
from dearhost.hosts.motion.gestures import GESTURES, moves_hands
from dearhost.hosts.motion.gesturing import GestureCue
from dearhost.hosts.motion.holding import ACTS, DESK_TOP, Handling, OnDesk, PropCue, hands_full, resolved
from dearhost.hosts.motion.idle_motion import LOOKS, Listened, Sight
from dearhost.hosts.motion.liveliness import LIVELINESS, Behaviour
from dearhost.hosts.motion.moving import MOVES, SEATED, MoveCue, Moving
from dearhost.hosts.motion.performance import VERSION, Performance, Role
from dearhost.hosts.motion.rhythm import PlacedReading
from dearhost.hosts.pose import Face, Pose
from dearhost.hosts.props import OWN_PICTURE, PROPS, TABLET, Contents, draw_laid, prop_reach
from dearhost.hosts.shelf import HostShelf, base_of
from dearhost.hosts.things import THINGS, draw_thing, thing_index, things_for

__all__ = [
    "ACTS",
    "CAST",
    "DESK_TOP",
    "EXPRESSIONS",
    "GESTURES",
    "LIVELINESS",
    "LOOKS",
    "MOVES",
    "OWN_PICTURE",
    "PROPS",
    "SEATED",
    "TABLET",
    "THINGS",
    "VERSION",
    "Abilities",
    "Behaviour",
    "Contents",
    "ExpressionCue",
    "Face",
    "GestureCue",
    "Handling",
    "Host",
    "HostLibrary",
    "HostShelf",
    "Listened",
    "MoveCue",
    "Moving",
    "OnDesk",
    "Part",
    "Performance",
    "PlacedReading",
    "Pose",
    "PropCue",
    "Role",
    "Sight",
    "base_of",
    "draw_laid",
    "draw_thing",
    "hands_full",
    "moves_hands",
    "prop_reach",
    "resolved",
    "thing_index",
    "things_for",
]
