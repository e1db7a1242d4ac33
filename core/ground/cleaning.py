"""The order in which layers come off a plate, with the fewest changes of solvent."""

from __future__ import annotations

from collections.abc import Sequence

from core.data.cautions import CAUTIONS
from core.data.plastics import PLASTIC_LABELS, PLASTICS
from core.data.solvents import DISSOLVED_BY, LAYER_LABELS, SOLVENTS, SolventRow
from core.errors import CoreError
from core.ground.shapes import CleaningOrderInput, CleaningOrderOutput, CleaningStep


def cleaning_order(given: CleaningOrderInput) -> CleaningOrderOutput:
    """Return the solvents in order, each with the layers it takes off.

    Parameters
    ----------
    given : CleaningOrderInput

    Returns
    -------
    CleaningOrderOutput

    Raises
    ------
    CoreError
        A layer that only solvents take off that would harm this plate.

    Notes
    -----
    A layer is reached only when all above it are off, so that the layers of one solvent are a run
    from the top. Taking the longest run each time makes the fewest changes.
    """
    steps: list[CleaningStep] = []
    place = 0
    while place < len(given.layers):
        solvent, end = _longest_run(given, place)
        steps.append(_step(solvent, given.layers[place:end]))
        place = end
    return CleaningOrderOutput(steps=steps, changes=len(steps) - 1, spared=_spared(given))


def _longest_run(given: CleaningOrderInput, place: int) -> tuple[SolventRow, int]:
    """Return the solvent that reaches deepest from here, the mildest of equals."""
    runs = []
    for rank, row in enumerate(SOLVENTS.values()):
        if _harm(row, given):
            continue
        end = place
        while end < len(given.layers) and row.key in DISSOLVED_BY[given.layers[end]]:
            end += 1
        runs.append((-end, rank, row))
    end, _, row = min(runs, key=lambda run: run[:2])
    if -end == place:
        raise _no_safe_solvent(given, place)
    return row, -end


def _harm(row: SolventRow, given: CleaningOrderInput) -> str:
    """Return what a solvent does to the plate; of a plastic nobody named, to any of them."""
    harms = dict(row.harms)
    if given.material != "plastic":
        return harms.get(given.material, "")
    named = [given.plastic] if given.plastic else PLASTICS
    return "; ".join(harms[plastic] for plastic in named if plastic in harms)


def _called(given: CleaningOrderInput) -> str:
    return PLASTIC_LABELS[given.plastic] if given.plastic else given.material


def _no_safe_solvent(given: CleaningOrderInput, place: int) -> CoreError:
    layer = given.layers[place]
    known = [SOLVENTS[key] for key in DISSOLVED_BY[layer]]
    why = "; ".join(f"{row.label.lower()}: {_harm(row, given)}" for row in known)
    return CoreError(
        "no-safe-solvent",
        f"Nothing that dissolves {LAYER_LABELS[layer]} is safe on {_called(given)} ({why}). Ease "
        "it off with a wooden edge, and try on the margin first.",
        field=f"layers.{place}",
        value=layer,
        allowed=f"a layer that comes off {_called(given)} unharmed",
    )


def _step(row: SolventRow, layers: Sequence[str]) -> CleaningStep:
    return CleaningStep(
        solvent=row.key,
        label=row.label,
        takes_off=[LAYER_LABELS[layer] for layer in layers],
        how=row.how,
        cautions=[f"{CAUTIONS[k].title}. {CAUTIONS[k].text}" for k in row.cautions],
    )


def _spared(given: CleaningOrderInput) -> list[str]:
    wanted = {key for layer in given.layers for key in DISSOLVED_BY[layer]}
    return [
        f"{row.label}: {_harm(row, given)}"
        for row in SOLVENTS.values()
        if row.key in wanted and _harm(row, given)
    ]
