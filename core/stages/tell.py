"""A solved plan for tones in the shape that every door shows."""

from __future__ import annotations

from core.stages.shapes import BittenArea, PlannedBite
from core.stages.state import Exposure, Immersion, ToneBench
from core.tone.table import band


def planned_bite(bench: ToneBench, dip: Immersion) -> PlannedBite:
    """Return an immersion with the tones it comes to."""
    return PlannedBite(
        number=dip.number,
        seconds=dip.seconds,
        cumulative_seconds=dip.cumulative_seconds,
        reference_seconds=dip.reference_seconds,
        stop_out_before=dip.stop_out_before,
        open_before=dip.open_before,
        areas=bitten_areas(bench, dip.after, dip.is_open, dip.finished),
    )


def bitten_areas(
    bench: ToneBench, at: Exposure, places: list[int], finished: list[int]
) -> list[BittenArea]:
    """Return the expected tones of areas with their 95 % bands."""
    alike: dict[bytes, tuple[float, float, float, float]] = {}
    result = []
    for place in places:
        seconds = at.seconds[place]
        key = seconds.tobytes()
        if key not in alike:
            tones = bench.table.at(seconds)
            alike[key] = (float(tones.mean()), *band(tones), float(seconds.mean()))
        lstar, low, high, reference = (round(value, 1) for value in alike[key])
        result.append(
            BittenArea(
                name=bench.given.areas[place].name,
                lstar=lstar,
                lstar_low=low,
                lstar_high=high,
                finished=place in finished,
                reference_seconds=reference,
            )
        )
    return result
