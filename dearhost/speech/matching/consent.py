"""A person's consent to a voice made from theirs. Without it there is no voice; withdrawn, it speaks no more."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass, fields, replace
from datetime import date
from typing import Any

from dearhost.errors import ConsentError


@dataclass(frozen=True, slots=True)
class Consent:
    """Dates are ISO 8601 (2028-06-30). ``until`` "" means without an end. ``statement`` is what was said or
    signed, ``spoken`` names the recording of it, "" when it was written. ``by`` is who recorded the consent."""

    person: str
    given_on: str
    purpose: str
    statement: str
    until: str = ""
    spoken: str = ""
    by: str = ""
    withdrawn_on: str = ""

    def checked(self) -> Consent:
        """The same, complete. Raises ConsentError naming what is missing or wrong."""
        for name, what in (
            ("person", "whose voice it is"),
            ("given_on", "the day it was given"),
            ("purpose", "what the voice may be used for"),
            ("statement", "the words of the consent"),
        ):
            if not getattr(self, name).strip():
                raise ConsentError(f"The consent does not say {what}. A voice is matched only with it.")
        if self.person.split()[0].casefold() not in self.statement.casefold():
            raise ConsentError(
                f"The statement does not name {self.person}. Write or say it with the name of who gives consent."
            )
        for name in ("given_on", "until", "withdrawn_on"):
            value = getattr(self, name)
            if value:
                _day(value, name)
        if self.until and _day(self.until, "until") < _day(self.given_on, "given_on"):
            raise ConsentError("The consent ends before it was given. Correct one of the two days.")
        return self

    def problem(self, today: date) -> str:
        """Why the voice may not be used on a day, or ""."""
        if self.withdrawn_on and _day(self.withdrawn_on, "withdrawn_on") <= today:
            return f"{self.person} withdrew consent on {self.withdrawn_on}. Choose another voice."
        if self.until and _day(self.until, "until") < today:
            return f"The consent of {self.person} ran out on {self.until}. Ask for it anew, or choose another voice."
        if _day(self.given_on, "given_on") > today:
            return f"The consent of {self.person} begins on {self.given_on}."
        return ""

    def withdrawn(self, day: date) -> Consent:
        """The same, withdrawn."""
        return replace(self, withdrawn_on=day.isoformat())

    def record(self) -> str:
        """As a readable text to print and to keep."""
        rows = [
            ("Person", self.person),
            ("Given on", self.given_on),
            ("For", self.purpose),
            ("Until", self.until or "no end was set"),
            ("How", "said aloud and recorded" if self.spoken else "in writing"),
            ("Recorded by", self.by or "not noted"),
            ("Withdrawn on", self.withdrawn_on or "not withdrawn"),
        ]
        width = max(len(name) for name, _ in rows)
        table = "\n".join(f"{name.ljust(width)}  {value}" for name, value in rows)
        return f"Consent to a matched voice\n\n{table}\n\nIn these words:\n{self.statement}\n"

    def to_json(self) -> dict[str, Any]:
        """As plain data."""
        return asdict(self)


def consent_from_json(data: Mapping[str, Any]) -> Consent:
    """A checked consent from plain data. Raises ConsentError."""
    names = {f.name for f in fields(Consent)}
    unknown = sorted(set(data) - names)
    if unknown:
        raise ConsentError(f"The consent has '{unknown[0]}', which is not known. It holds: {', '.join(sorted(names))}.")
    missing = [n for n in ("person", "given_on", "purpose", "statement") if n not in data]
    if missing:
        raise ConsentError(f"The consent lacks '{missing[0]}'.")
    return Consent(**{name: str(value or "") for name, value in data.items()}).checked()


def _day(text: str, name: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError:
        raise ConsentError(f"'{name}' must be a day such as 2028-06-30 (got '{text[:20]}').") from None
