"""Drawings of things by hand, each in a box of 100 units round the origin."""
