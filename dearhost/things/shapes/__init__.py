"""Shapes of nearly a thousand more things, after the duotone drawings of Phosphor (MIT licence), cut as paper."""

from dearhost.things.shapes.cutting import shape_things
from dearhost.things.shapes.prepared import LICENCE, VERSION, folder

__all__ = ["LICENCE", "VERSION", "folder", "shape_things"]
