"""Bring back an earlier revision, as a new one."""

from __future__ import annotations

from server.productions.actions.save import save_production
from server.productions.models import Production, Revision


def restore_revision(production: Production, revision: Revision, current: int) -> Production:
    """Save ``revision``'s document as the one after ``current``; nothing is lost. Raises StaleSave."""
    return save_production(production, revision.document, revision.title, current)
