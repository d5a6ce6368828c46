"""Hosts: who can be drawn, how they move, and a pose for every moment."""

from dearhost.hosts.alive import LOOKS, Sight
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
from dearhost.hosts.gestures import GESTURES
from dearhost.hosts.gesturing import GestureCue
from dearhost.hosts.holding import ACTS, PropCue, resolved
from dearhost.hosts.host import Host, Part
from dearhost.hosts.liveliness import LIVELINESS, Behaviour
from dearhost.hosts.moving import MOVES, SEATED, MoveCue, Moving
from dearhost.hosts.performance import VERSION, Performance, Role
from dearhost.hosts.pose import Face, Pose
from dearhost.hosts.props import PROPS, Lettering
from dearhost.hosts.rhythm import PlacedReading
from dearhost.hosts.shelf import HostShelf, base_of

__all__ = [
    "ACTS",
    "CAST",
    "EXPRESSIONS",
    "GESTURES",
    "LIVELINESS",
    "LOOKS",
    "MOVES",
    "PROPS",
    "SEATED",
    "VERSION",
    "Behaviour",
    "ExpressionCue",
    "Face",
    "GestureCue",
    "Host",
    "HostShelf",
    "Lettering",
    "MoveCue",
    "Moving",
    "Part",
    "Performance",
    "PlacedReading",
    "Pose",
    "PropCue",
    "Role",
    "Sight",
    "adopt_host",
    "base_of",
    "host_by_id",
    "in_look",
    "is_known",
    "looks_of_host",
    "made_host",
    "resolved",
    "use_host_folder",
]
