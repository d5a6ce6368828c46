"""What other parts of the server must know about voices."""

from django.dispatch import Signal

consent_withdrawn = Signal()
"""Sent with ``voice_id`` when a matched voice may not be used any more."""
