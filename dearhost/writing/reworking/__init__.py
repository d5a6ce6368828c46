"""Reworking a script that is there: shorter, in another tone, in shorter sentences. Every change has a name."""
