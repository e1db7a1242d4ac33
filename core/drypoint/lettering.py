"""Words as they shall read → letter by letter as they stand on the plate."""

from __future__ import annotations

from core.drypoint.mark_shapes import Letter, LetteringInput, LetteringOutput

_ALIKE = frozenset("AHIMOTUVWXYilovwx08.:|+-=*!'\" ")
"""Look the same in the mirror."""
_MISSED = {
    "S": "S is easily cut the way it reads", "N": "N turns its slant", "Z": "Z turns its slant",
    "b": "b becomes d", "d": "d becomes b", "p": "p becomes q", "q": "q becomes p",
    "J": "J hooks to the right", "2": "2 begins on the right", "3": "3 opens to the right",
    "5": "5 begins on the left", "6": "6 turns the other way", "9": "9 turns the other way",
    "E": "E opens to the left", "s": "s is easily cut the way it reads", "z": "z turns its slant",
}  # fmt: skip
"""What engravers cut wrong most. ``room-practice``"""


def lettering(given: LetteringInput) -> LetteringOutput:
    """Return words as they must stand on the plate to read in print.

    Parameters
    ----------
    given : LetteringInput

    Returns
    -------
    LetteringOutput
        Letters from left to right on the plate: the last of the words first, each mirrored.

    Notes
    -----
    A print is the plate's mirror image once. Source: ``room-practice``.
    """
    words = " ".join(given.words.split()) or given.words
    letters = [
        Letter(place=len(words) - back, letter=letter, turns=letter not in _ALIKE)
        for back, letter in enumerate(reversed(words))
    ]
    turning = sum(each.turns for each in letters)
    missed = [_MISSED[each] for each in dict.fromkeys(words) if each in _MISSED]
    return LetteringOutput(
        plate=words[::-1], letters=letters, turning=turning, easily_missed=missed,
        text=_text(letters, turning),
    )  # fmt: skip


def _text(letters: list[Letter], turning: int) -> str:
    count = sum(not each.letter.isspace() for each in letters)
    if not turning:
        return f"{count} letters, none of which the mirror changes; only their order turns."
    what = "1 of them turns" if turning == 1 else f"{turning} of them turn"
    return f"{count} letters, from the last to the first; {what} in the mirror."
