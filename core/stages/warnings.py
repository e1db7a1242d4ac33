"""What to beware of in any plan of bites, each with what to do about it."""

from __future__ import annotations

from core.stages.bench import Bench, Solved, metal_gained_g_per_l
from core.stages.shapes import PlanWarning

SHORTEST_BITE_SECONDS = 10.0
"""No hand times less. ``room-practice``"""
NEAR_END_SHARE = 0.8
"""Of the end of life: from here a bath bites slowly and unevenly. ``room-practice``"""


def bath_near_end(bench: Bench, bites: list[Solved]) -> list[PlanWarning]:
    """Return a warning where the bites to come load the bath to near its end of life.

    Parameters
    ----------
    bench : Bench
    bites : list of Solved
        Still to come.

    Returns
    -------
    list of PlanWarning
        One, or none.
    """
    areas = bench.given.areas
    load = bench.tray.load_g_per_l + sum(
        metal_gained_g_per_l(bench, [areas[place] for place in bite.is_open], bite.facts.seconds)
        for bite in bites
    )
    end = bench.speed.row.end_g_per_l
    if load < NEAR_END_SHARE * end:
        return []
    return [
        PlanWarning(
            code="bath-near-end",
            params={"load_g_per_l": round(load, 1), "end_g_per_l": end},
            text=f"The bath will hold {load:.0f} g/L of {bench.speed.row.metal}; it tires near "
            f"{end:.0f} g/L. Expect it slow and uneven: make up a fresh one, or bite a check patch "
            "first. Keep the old bath for hazardous waste.",
        )
    ]


def too_short(bench: Bench, bites: list[Solved]) -> list[PlanWarning]:
    """Return a warning for each bite too short to be timed by hand, naming what to merge.

    Parameters
    ----------
    bench : Bench
    bites : list of Solved
        Still to come.

    Returns
    -------
    list of PlanWarning
    """
    found = []
    for i, bite in enumerate(bites):
        if bite.facts.seconds >= SHORTEST_BITE_SECONDS:
            continue
        places = [place for each in bites[i : i + 2] for place in each.finished]
        names = [bench.given.areas[place].name for place in dict.fromkeys(places)]
        together = " and ".join(names) or "the neighbouring areas"
        found.append(
            PlanWarning(
                code="bite-too-short",
                bite=bite.facts.number,
                params={"seconds": bite.facts.seconds, "least": SHORTEST_BITE_SECONDS},
                text=f"Bite {bite.facts.number} lasts only {bite.facts.seconds:.0f} s, too short "
                f"to time by hand. Give {together} one bite, or use a cooler or weaker bath.",
            )
        )
    return found
