"""The demo's account: its password stands in the README."""

DEMO_ACCOUNT = ("ines", "low-water")
