"""Hosts: who can be drawn, how they move, and a pose for every moment."""

from dearhost.hosts.alive import LOOKS, Listened, Sight
from dearhost.hosts.cast import (
    CAST,
    adopt_host,
    host_by_id,
    in_look,
    is_known,
    looks_of_host,
    made_host,
    use_host_folder,
)
from dearhost.hosts.expressions import EXPRESSIONS, ExpressionCue
from dearhost.hosts.gestures import GESTURES, moves_hands
from dearhost.hosts.gesturing import GestureCue
from dearhost.hosts.holding import ACTS, DESK_TOP, Handling, OnDesk, PropCue, hands_full, resolved
from dearhost.hosts.host import Host, Part
from dearhost.hosts.liveliness import LIVELINESS, Behaviour
from dearhost.hosts.moving import MOVES, SEATED, MoveCue, Moving
from dearhost.hosts.own_pictures import picture_folder
from dearhost.hosts.performance import VERSION, Performance, Role
from dearhost.hosts.pose import Face, Pose
from dearhost.hosts.props import OWN_PICTURE, PROPS, Lettering, draw_laid, prop_reach
from dearhost.hosts.rhythm import PlacedReading
from dearhost.hosts.shelf import HostShelf, base_of

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
    "VERSION",
    "Behaviour",
    "ExpressionCue",
    "Face",
    "GestureCue",
    "Handling",
    "Host",
    "HostShelf",
    "Lettering",
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
    "adopt_host",
    "base_of",
    "draw_laid",
    "hands_full",
    "host_by_id",
    "in_look",
    "is_known",
    "looks_of_host",
    "made_host",
    "moves_hands",
    "picture_folder",
    "prop_reach",
    "resolved",
    "use_host_folder",
]
