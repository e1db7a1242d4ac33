"""The script door to the calculators: ``keen calc``."""

from __future__ import annotations

import json
import os
import sys
from typing import TYPE_CHECKING, TextIO

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")  # small matrices: threads only wait


from core.budget import within
from core.calculators import REGISTRY, calculator, compute_text
from core.errors import CoreError
from core.progress import Tell, untold

if TYPE_CHECKING:
    from pydantic import BaseModel

GOOD, BAD_INPUT = 0, 2


def main(arguments: list[str], source: TextIO, result: TextIO, said: TextIO) -> int:
    """Run one calculator on ``source`` and return the exit code: 0, or 2 for bad input.

    Parameters
    ----------
    arguments : list of str
    source, result, said : text streams
        Data come from the first, answers go to the second, faults to the third.

    Returns
    -------
    int
        The exit code.
    """
    flags = {argument for argument in arguments if argument.startswith("--")}
    names = [argument for argument in arguments if not argument.startswith("--")]
    if "--list" in flags:
        for each in REGISTRY.values():
            print(f"{each.name}: {each.summary}", file=result)
        return GOOD
    try:
        chosen = calculator(names[0] if names else "")
    except CoreError as error:
        _say(error, said)
        return BAD_INPUT
    if "--schema" in flags:
        print(json.dumps(chosen.schema(), indent=1), file=result)
        return GOOD
    if "--lines" in flags:
        return _lines(chosen.name, source, result, said)
    tell = _teller(said) if "--progress" in flags else untold
    return _one(chosen.name, source.read(), result, said, tell)


def _one(name: str, text: str, result: TextIO, said: TextIO, tell: Tell) -> int:
    try:
        with within(calculator(name).budget):
            print(_json(compute_text(name, text, tell)), file=result)
    except CoreError as error:
        _say(error, said)
        return BAD_INPUT
    return GOOD


def _teller(said: TextIO) -> Tell:
    """Return who writes the share done to the stream of faults, a line each time."""

    def tell(share: float) -> None:
        print(json.dumps({"progress": round(share, 3)}), file=said, flush=True)

    return tell


def _lines(name: str, source: TextIO, result: TextIO, said: TextIO) -> int:
    code = GOOD
    for line in source:
        if not line.strip():
            continue
        try:
            print(_json(compute_text(name, line)), file=result, flush=True)
        except CoreError as error:
            print(json.dumps({"error": error.as_dict()}, ensure_ascii=False), file=result)
            _say(error, said)
            code = BAD_INPUT
    return code


def _json(output: BaseModel) -> str:
    return output.model_dump_json()


def _say(error: CoreError, said: TextIO) -> None:
    print(json.dumps({"error": error.as_dict()}, ensure_ascii=False), file=said)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:], sys.stdin, sys.stdout, sys.stderr))
