"""Help for a writer, from the text alone: what is covered, what comes late, what is hard to say."""

from dearhost.writing.advice.cutting import LONG_TEXT, Piece, cuts_by_length, cuts_by_paragraph, pieces_of
from dearhost.writing.advice.notes import Advice
from dearhost.writing.advice.readability import Readability, flesch_kincaid_grade, flesch_reading_ease, readability
from dearhost.writing.advice.report import Report, advise
from dearhost.writing.advice.syllables import syllables_in

__all__ = [
    "LONG_TEXT",
    "Advice",
    "Piece",
    "Readability",
    "Report",
    "advise",
    "cuts_by_length",
    "cuts_by_paragraph",
    "flesch_kincaid_grade",
    "flesch_reading_ease",
    "pieces_of",
    "readability",
    "syllables_in",
]
