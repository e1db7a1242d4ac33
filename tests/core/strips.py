"""Strips used by several tests."""

from core.stages.shapes import PlanBitesInput
from core.tone.fit_strip import fit_strip
from core.tone.shapes import FitStripInput

PATCHES = [(30, 86.7), (60, 80.1), (120, 69.0), (240, 52.0), (480, 35.0), (960, 21.0)]
CONDITIONS = {"mordant": "copper-ferric", "temperature_c": 20, "load_g_per_l": 5, "baume": 42}
BATH = {**CONDITIONS, "temperature_c": 17, "load_g_per_l": 20, "volume_l": 4, "room_c": 17}


def strip_input(patches=PATCHES, **more):
    """A strip's input from (seconds, L*) pairs."""
    rows = [{"seconds": s, "lstar": lstar} for s, lstar in patches]
    return FitStripInput.model_validate({"patches": rows, "conditions": CONDITIONS, **more})


def curve():
    """The curve of the usual strip."""
    return fit_strip(strip_input()).curve


def plan_input(goals=(85, 68, 50, 35, 25), *, bath=None, **more):
    """A plan for areas named by their place, lightest first; None stays white."""
    areas = [{"name": f"tone {i}", "lstar": g, "open_cm2": 40} for i, g in enumerate(goals, 1)]
    given = {"curve": curve(), "areas": areas, "bath": {**BATH, **(bath or {})}, **more}
    return PlanBitesInput.model_validate(given)
