"""A pair that the table refuses is neither planned, begun nor forced, by whatever door."""

import pytest

from core.data.pairs import PAIRS
from server.baths.models import Bath
from server.plans.models import Plan
from server.plates.models import Plate
from server.runs.models import Run
from server.strips.models import Strip
from tests.server.conftest import new_id

LINES = [{"name": "rain", "depth_um": 30, "open_cm2": 10}]
EVERY_CAUTION = sorted({row.caution for row in PAIRS if row.caution})


def bath(person, mordant, **more):
    made = {"id": new_id(), "name": f"Bath {mordant}", "mordant": mordant, "volume_l": 3,
            "temperature_c": 18, "fumes_known": True, **more}  # fmt: skip
    return person.must("POST", "/baths", made)["id"]


def plate(person, metal, route="etched line"):
    made = {"id": new_id(), "name": f"A {metal}", "metal": metal, "route": route,
            "thickness_mm": 1.5, "width_mm": 150, "height_mm": 100}  # fmt: skip
    return person.must("POST", "/plates", made)["id"]


def planned(person, plate_id, bath_id, **more):
    body = {"id": new_id(), "bath": bath_id, "part": "lines", "areas": LINES, **more}
    return person.ask("PUT", f"/plates/{plate_id}/plan", body)


def begun(person, plate_id, **more):
    return person.ask("POST", "/runs", {"id": new_id(), "plate": plate_id, **more})


def doors(person, zinc, ferric):
    """Every way by which zinc might come into a ferric bath, each with its answer."""
    body = {"id": new_id(), "bath": ferric, "part": "lines", "areas": LINES}
    at = f"/plates/{zinc}"
    strip = {"id": new_id(), "name": "x", "bath": ferric, "planned": [30, 60, 120],
             "conditions": {"mordant": "zinc-nitric-10"}}  # fmt: skip
    yield "plan", person.ask("PUT", f"{at}/plan", body)
    yield "draft", person.ask("POST", f"{at}/plan/draft", body)
    yield "compare", person.ask("POST", f"{at}/plan/compare", body)
    yield "strip", person.ask("POST", "/strips", strip)
    # the plan is forced past its door: into the table, and by a plate whose metal was set right
    safe = bath(person, "zinc-nitric-10")
    assert planned(person, zinc, safe)[0] == 200
    Plan.objects.filter(plate_id=zinc).update(bath_id=ferric)
    yield "run", begun(person, zinc, acknowledged=EVERY_CAUTION)
    copper = plate(person, "copper")
    assert planned(person, copper, ferric)[0] == 200
    Plate.objects.filter(id=copper).update(metal="zinc")
    yield "run of a plate set right", begun(person, copper, acknowledged=EVERY_CAUTION)
    yield "going on", begun(person, copper, goes_on=True, acknowledged=EVERY_CAUTION)


@pytest.mark.parametrize("mordant", ["copper-ferric", "copper-ferric-citric"])
def test_zinc_goes_into_no_ferric_that_held_copper_by_any_door(keeper, mordant):
    ferric, zinc = bath(keeper, mordant), plate(keeper, "zinc")
    for door, (status, reply) in doors(keeper, zinc, ferric):
        assert status == 422, door
        assert reply["error"]["code"] == "wrong-bath", door
        assert "copper" in reply["error"]["text"]
    assert not Run.objects.exists()
    assert not Strip.objects.exists()


def test_the_refusal_stays_after_a_refresh_and_goes_with_what_is_decanted(keeper):
    old = bath(keeper, "copper-ferric")
    keeper.must("POST", f"/baths/{old}/refreshes", {"id": new_id(), "share": 0.9})
    decanted = bath(keeper, "copper-ferric", made_from=old, held_copper=False)
    for each in (old, decanted):
        status, reply = planned(keeper, plate(keeper, "zinc"), each)
        assert status == 422 and "topping up or decanting" in reply["error"]["text"]
    assert Bath.objects.get(id=decanted).held_copper


def test_no_one_takes_back_that_copper_was_in_it(keeper):
    ferric = bath(keeper, "copper-ferric")
    status, _ = keeper.ask("PUT", f"/baths/{ferric}", {"version": 1, "held_copper": False})
    assert status == 422
    assert Bath.objects.get(id=ferric).held_copper


def test_a_ferric_kept_for_zinc_is_offered_under_its_caution_until_copper_goes_in(keeper):
    ferric = bath(keeper, "copper-ferric", held_copper=False)
    zinc = plate(keeper, "zinc")
    assert planned(keeper, zinc, ferric)[0] == 200
    status, reply = begun(keeper, zinc)
    assert status == 422 and reply["error"]["allowed"] == "zinc-in-clean-ferric"
    assert keeper.must("GET", f"/plates/{zinc}")["asks"]["lines"][0]["key"] == (
        "zinc-in-clean-ferric"
    )
    status, run = begun(keeper, zinc, acknowledged=["zinc-in-clean-ferric"])
    assert status == 201
    record = keeper.must("GET", f"/record?plate={zinc}")["items"]
    assert any("Known: Zinc in ferric heats up and gasses" in each["text"] for each in record)
    keeper.must("POST", f"/runs/{run['id']}/end", {})
    copper = plate(keeper, "copper")
    assert planned(keeper, copper, ferric)[0] == 200
    assert begun(keeper, copper)[0] == 201
    assert Bath.objects.get(id=ferric).held_copper
    status, reply = begun(keeper, zinc, acknowledged=EVERY_CAUTION)
    assert status == 422 and reply["error"]["code"] == "wrong-bath"


def test_nitric_that_held_copper_warns_for_zinc_and_the_answer_is_recorded(keeper):
    nitric = bath(keeper, "zinc-nitric-10", held_copper=True)
    zinc = plate(keeper, "zinc")
    assert planned(keeper, zinc, nitric)[0] == 200
    status, reply = begun(keeper, zinc)
    assert status == 422 and "plates out" in reply["error"]["text"]
    assert begun(keeper, zinc, acknowledged=["zinc-in-coppered-nitric"])[0] == 201


def test_copper_in_nitric_asks_that_its_fumes_are_known(keeper):
    nitric, copper = bath(keeper, "copper-nitric"), plate(keeper, "copper")
    assert planned(keeper, copper, nitric)[0] == 200
    assert begun(keeper, copper)[0] == 422
    assert begun(keeper, copper, acknowledged=["nitric"])[0] == 201


@pytest.mark.parametrize("mordant", ["zinc-nitric-10", "zinc-nitric-16", "zinc-copper-sulphate"])
def test_copper_goes_into_no_bath_for_zinc(keeper, mordant):
    status, reply = planned(keeper, plate(keeper, "copper"), bath(keeper, mordant))
    assert status == 422 and reply["error"]["code"] == "wrong-bath"


def test_one_mordant_is_not_poured_into_another(keeper):
    made = {"id": new_id(), "name": "x", "mordant": "zinc-nitric-10", "volume_l": 1,
            "temperature_c": 18, "fumes_known": True,
            "made_from": bath(keeper, "copper-ferric")}  # fmt: skip
    status, reply = keeper.ask("POST", "/baths", made)
    assert status == 422 and reply["error"]["code"] == "other-mordant"
