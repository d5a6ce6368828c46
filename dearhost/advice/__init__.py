"""Help for a writer, from the text alone: what is covered, what comes late, what is hard to say."""

from dearhost.advice.notes import Advice
from dearhost.advice.readability import Readability, flesch_kincaid_grade, flesch_reading_ease, readability
from dearhost.advice.report import Report, advise
from dearhost.advice.syllables import syllables_in

__all__ = [
    "Advice",
    "Readability",
    "Report",
    "advise",
    "flesch_kincaid_grade",
    "flesch_reading_ease",
    "readability",
    "syllables_in",
]
