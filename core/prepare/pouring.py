"""The role of what is poured: from the table's names, or said; never guessed."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass

from core.data.pouring import BLEACHES, NAMES, ORDER, ROLES, SOLVENTS, STRENGTH_WORDS, Role
from core.errors import CoreError

_STRENGTH = re.compile(r"(?<![^\W\d_])\d+([.,]\d+)?\s*(%|°?\s*be\b|°|m\b|n\b)?")


@dataclass(frozen=True)
class Part:
    """One part of a mixture, its role settled."""

    name: str
    role: Role
    parts: float


def _unaccented(name: str) -> str:
    low = unicodedata.normalize("NFKD", name.casefold())
    return "".join(sign for sign in low if not unicodedata.combining(sign))


def _words(text: str) -> list[str]:
    return re.sub(r"[^a-z0-9]+", " ", text).split()


def plain(name: str) -> str:
    """Return a name as the table has it: small letters, no accents, no figures of strength.

    Parameters
    ----------
    name : str

    Returns
    -------
    str
    """
    words = _words(_STRENGTH.sub(" ", _unaccented(name)))
    return " ".join(word for word in words if word not in _STRENGTH_WORDS)


def _letters(name: str) -> str:
    return " ".join(_words(_unaccented(name)))


_STRENGTH_WORDS = frozenset(map(_letters, STRENGTH_WORDS))
_ROLE_OF: dict[str, Role] = {_letters(name): role for role in NAMES for name in NAMES[role]}
_BLEACHES, _SOLVENTS = (frozenset(map(_letters, names)) for names in (BLEACHES, SOLVENTS))


def role_by_name(name: str) -> Role | None:
    """Return the role that the table gives a name; None where it does not have it.

    Parameters
    ----------
    name : str

    Returns
    -------
    str or None
    """
    return _ROLE_OF.get(_letters(name)) or _ROLE_OF.get(plain(name))


def settled(place: int, name: str, role: Role | None, parts: float) -> Part:
    """Return a part with its role.

    Parameters
    ----------
    place : int
        Among the parts, for the fault's field.
    name : str
    role : str or None
        As it was said.
    parts : float
        By volume.

    Returns
    -------
    Part

    Raises
    ------
    CoreError
        The table does not have the name and no role was said; or another than the table's was.
    """
    known = role_by_name(name)
    if role is None and known is None:
        raise CoreError(
            "role-unknown",
            f"What is {name}? Say its role: an unknown liquid is not mixed.",
            field=f"parts.{place}.role", value=name, allowed=", ".join(ROLES),
        )  # fmt: skip
    if role is not None and known is not None and role != known:
        raise CoreError(
            "role-against-table",
            f"{name} is poured as {known}, not as {role}.",
            field=f"parts.{place}.role", value=role, allowed=known,
        )  # fmt: skip
    return Part(name, known or role or "other", parts)


def in_order(parts: Sequence[Part]) -> list[Part]:
    """Return parts as they are poured.

    Parameters
    ----------
    parts : sequence of Part

    Returns
    -------
    list of Part
        Water first, acid last.

    Raises
    ------
    CoreError
        What must not come together: bleach, acid or ferric; bleach and ammonia; acid and a solvent;
        acid and alkali.
    """
    _refuse_what_harms(parts)
    return sorted(parts, key=lambda part: ORDER[part.role])


def _refuse_what_harms(parts: Sequence[Part]) -> None:
    roles = {part.role for part in parts}
    names = {plain(part.name) for part in parts}
    if names & _BLEACHES and roles & {"acid", "ferric", "alkali"}:
        raise _never("Bleach never with ammonia, acids or ferric: it gives off chlorine.")
    if names & _SOLVENTS and "acid" in roles:
        raise _never("Alcohol and solvents never near acid: fire, explosion.")
    if {"acid", "alkali"} <= roles:
        raise _never("Acid and alkali heat and foam up together. Use one, rinse, then the other.")


def _never(text: str) -> CoreError:
    return CoreError("never-together", text, field="parts")
