"""The one family of errors of the core: what was wrong, with its field, value, limit and unit."""

from __future__ import annotations


class CoreError(ValueError):
    """Input that a rule of the job cannot take.

    Parameters
    ----------
    code : str
        Stable name of the kind of fault, such as ``"out-of-range"``.
    text : str
        What is wrong and what to do, for the person at the bench.
    field : str
        Path of the field, such as ``"patches.2.seconds"``; empty for the whole input.
    value : object
        What was given.
    allowed : str
        What would have been taken.
    unit : str
        Unit of ``value`` and ``allowed``; empty where there is none.
    """

    def __init__(
        self,
        code: str,
        text: str,
        *,
        field: str = "",
        value: object = None,
        allowed: str = "",
        unit: str = "",
    ) -> None:
        super().__init__(text)
        self.code = code
        self.text = text
        self.field = field
        self.value = value
        self.allowed = allowed
        self.unit = unit

    def as_dict(self) -> dict[str, object]:
        """Return the error in the form every door shows."""
        return {
            "code": self.code,
            "field": self.field,
            "value": self.value,
            "allowed": self.allowed,
            "unit": self.unit,
            "text": self.text,
        }


class StripError(CoreError):
    """A strip that gives no curve."""


class UnknownCalculator(CoreError):
    """A calculator name that the registry does not hold."""
