"""What to beware of in any plan of bites, each with what to do about it."""

from __future__ import annotations

from core.bath.heat import bath_heat
from core.bath.heat_shapes import BathHeatInput
from core.stages.bench import Bench, Solved, bare_cm2, metal_gained_g_per_l
from core.stages.shapes import PlanWarning
from core.units import SECONDS_PER_MINUTE

SHORTEST_BITE_SECONDS = 10.0
"""No hand times less. ``room-practice``"""
LEAST_MINUTES, MOST_MINUTES, MOST_OPEN_CM2 = 1.0, 360.0, 20_000.0
"""Of a bite whose heat is reckoned."""
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


def heat_of_reaction(bench: Bench, bites: list[Solved]) -> list[PlanWarning]:
    """Return warnings where the metal to be bitten can heat its own bath, or gives off much gas.

    Parameters
    ----------
    bench : Bench
    bites : list of Solved
        Still to come.

    Returns
    -------
    list of PlanWarning
        Of the bite with the most open metal; none where heat is no danger.
    """
    row, tray = bench.speed.row, bench.tray
    if row.hottest_c is None or not bites:
        return []
    areas = bench.given.areas
    worst = max(bites, key=lambda b: bare_cm2(bench, [areas[p] for p in b.is_open]))
    minutes = min(max(worst.facts.seconds / SECONDS_PER_MINUTE, LEAST_MINUTES), MOST_MINUTES)
    open_cm2 = bare_cm2(bench, [areas[place] for place in worst.is_open])
    told = bath_heat(
        BathHeatInput.model_validate(
            {
                "mordant": row.key, "temperature_c": tray.temperature_c,
                "volume_l": tray.volume_l, "load_g_per_l": tray.load_g_per_l,
                "room_c": tray.temperature_c if tray.room_c is None else min(tray.room_c, 50.0),
                "open_cm2": min(open_cm2, MOST_OPEN_CM2), "minutes": minutes,
            }
        )
    )  # fmt: skip
    return [
        PlanWarning(
            code="fumes" if each.code == "fumes" else "heats-itself",
            bite=worst.facts.number,
            params={"rise_c": told.rise_bound_c, "dissolved_g": told.dissolved_g},
            text=f"Bite {worst.facts.number}: {each.text}",
        )
        for each in told.warnings
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
