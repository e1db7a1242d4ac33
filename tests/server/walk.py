"""Every operation of the schema, with what it takes to be done: the walks go by these."""

import json
import re

from django.core.files.uploadedfile import SimpleUploadedFile

from server.api import api
from tests.server.conftest import Device, furnish, new_id, picture, plan_body
from tests.server.studies import finished_maps, study, study_body

SCHEMA = json.loads(json.dumps(api.get_openapi_schema(), default=str))
METHODS = ("get", "post", "put", "delete", "patch")


COUPON = {"area_cm2": 20, "mass_before_g": 12.431, "mass_after_g": 12.171,
          "seconds": 600, "temperature_c": 18.5}  # fmt: skip


LAMP = {"name": "x", "kind": "tubes", "hours": 400}
METER = {"kind": "irradiance", "hours": 410, "mw_per_cm2": 4.1}
KNOWN = ["uv", "uncured-polymer"]
TRIAL = {"name": "x", "material": "acrylic"}
CHART = {"name": "x", "screen_seconds": 80, "image_seconds": 165}


def operations():
    for path, item in SCHEMA["paths"].items():
        for method in METHODS:
            if method in item and "{room}" in path:
                yield method.upper(), path


def bodies(ids):
    """A good body for each operation that takes one, so that only the room can be refused."""
    conditions = {"mordant": "copper-ferric"}
    plate = {"id": new_id(), "name": "x", "metal": "copper", "route": "aquatint",
             "thickness_mm": 1, "width_mm": 99, "height_mm": 99}  # fmt: skip
    return {
        ("POST", "/plates"): plate,
        ("PUT", "/plates/{plate}"): {"version": 1, "name": "stolen"},
        ("POST", "/plates/{plate}/course"): {"version": 1, "act": "done", "step": "cut"},
        ("POST", "/plates/{plate}/coverage"): {"id": new_id(), "picture": ids["picture"],
                                               "um_per_pixel": 4},
        ("PUT", "/plates/{plate}/study"): study_body(ids, version=1),
        ("POST", "/plates/{plate}/study/maps"): {"id": new_id(), "form": "svg"},
        ("POST", "/plates/{plate}/study/look"): {"id": new_id(), "picture": ids["picture"],
                                                 "bite": 1},
        ("POST", "/maps"): {"id": new_id(), "picture": ids["picture"], "given": {
            "tones_lstar": [90, 50, 20], "lightest_lstar": 94, "darkest_lstar": 20,
            "width_mm": 20, "height_mm": 20}},
        ("POST", "/timers"): {"id": new_id(), "what": "cooling", "seconds": 60,
                              "plate": ids["plate"]},
        ("POST", "/numbers"): {"id": new_id(), "mordant": "copper-ferric", "reason": "x",
                               "column": "undercut", "value": 0.8},
        ("PUT", "/recipes"): {"id": ids["recipe"], "version": 1, "name": "stolen", "kind": "ink",
                              "text": "x"},
        ("PUT", "/supplies"): {"id": ids["supply"], "version": 1, "name": "stolen", "kind": "ink"},
        ("PUT", "/plates/{plate}/plan/curve"): {"version": 1, "own": False},
        ("PUT", "/tools"): {"id": ids["tool"], "version": 1, "name": "stolen", "kind": "needle"},
        ("POST", "/strips"): {"id": new_id(), "name": "x", "conditions": conditions},
        ("PUT", "/strips/{strip}"): {"version": 1, "name": "stolen"},
        ("POST", "/strips/{strip}/ask"): {"lstar": [50]},
        ("POST", "/baths"): {"id": new_id(), "name": "x", "mordant": "copper-ferric",
                             "volume_l": 1, "temperature_c": 20},
        ("PUT", "/baths/{bath}"): {"version": 1, "name": "stolen"},
        ("POST", "/baths/{bath}/readings"): {"id": new_id(), "temperature_c": 30},
        ("PUT", "/baths/{bath}/readings/{reading}"): {"taken_back": True},
        ("POST", "/baths/{bath}/refreshes"): {"id": new_id(), "share": 0.25},
        ("POST", "/baths/{bath}/coupons"): COUPON | {"id": new_id()},
        ("POST", "/baths/{bath}/patches"): {"id": new_id(), "strip": ids["strip"],
                                            "seconds": 120, "lstar": 69},
        ("POST", "/baths/{bath}/hydrometer"): {"id": new_id(), "baume": 41},
        ("PUT", "/baths/{bath}/checks/{check}"): {"version": 1, "taken_back": True},
        ("POST", "/instruments"): {"id": new_id(), "name": "x", "kind": "scale"},
        ("PUT", "/instruments/{instrument}"): {"version": 1, "name": "stolen"},
        ("POST", "/instruments/{instrument}/token"): {"version": 1},
        ("POST", "/plates/{plate}/plan/draft"): plan_body(ids),
        ("POST", "/plates/{plate}/plan/compare"): plan_body(ids),
        ("POST", "/plates/{plate}/plan/bite-on"): {"proof": ids["proof"], "area": "Tone 1"},
        ("PUT", "/plates/{plate}/plan"): plan_body(ids, version=1),
        ("POST", "/runs"): {"id": new_id(), "plate": ids["plate"]},
        ("POST", "/runs/{run}/events"): {"events": []},
        ("POST", "/strips/{strip}/events"): {"events": []},
        ("POST", "/strips/{strip}/end"): {"reason": "tomorrow"},
        ("POST", "/proofs"): {"id": new_id(), "plate": ids["plate"]},
        ("PUT", "/proofs/{proof}"): {"version": 1, "note": "stolen"},
        ("POST", "/proofs/scans"): {"id": new_id(), "plate": ids["plate"],
                                    "picture": ids["picture"]},
        ("PUT", "/pins"): {"id": new_id(), "proof": ids["proof"], "kind": "darker", "x_mm": 20,
                           "y_mm": 20},
        ("POST", "/strips/scans"): {"id": new_id(), "picture": ids["picture"], "patches": 6},
        ("PUT", "/lamps"): LAMP | {"id": ids["lamp"], "version": 1, "name": "stolen"},
        ("POST", "/lamps/{lamp}/measurements"): METER | {"id": new_id()},
        ("PUT", "/lamps/{lamp}/measurements/{measurement}"): {"version": 1, "taken_back": True},
        ("POST", "/exposure-tests"): {"id": new_id(), "name": "x", "lamp": ids["lamp"]},
        ("PUT", "/exposure-tests/{test}"): {"version": 1, "name": "stolen"},
        ("POST", "/exposures"): {"id": new_id(), "test": ids["test"], "acknowledged": KNOWN},
        ("POST", "/exposures/{exposure}/events"): {"events": []},
        ("POST", "/exposures/{exposure}/end"): {},
        ("POST", "/charts"): CHART | {"id": new_id(), "lamp": ids["lamp"], "test": ids["test"]},
        ("POST", "/dot-screens"): {"id": new_id(), "width_mm": 20, "height_mm": 20},
        ("POST", "/exposure-tests/{test}/scan"): {"id": new_id(), "picture": ids["picture"],
                                                  "what": "test"},
        ("POST", "/exposure-tests/{test}/film"): {"id": new_id(), "what": "chart"},
        ("POST", "/plates/{plate}/positive"): {"id": new_id(), "picture": ids["picture"]},
        ("PUT", "/charts/{chart}"): {"version": 1, "name": "stolen"},
        ("POST", "/trials"): TRIAL | {"id": new_id()},
        ("PUT", "/trials/{trial}"): {"version": 1, "name": "stolen"},
        ("PUT", "/plates/{plate}/marks"): {"version": 0, "groups": [{"name": "sky", "lstar": 40}]},
        ("POST", "/plates/{plate}/marks/events"): {"events": []},
        ("POST", "/plates/{plate}/looks"): {"id": new_id(), "pictures": [ids["picture"]],
                                            "inked": True},
        ("POST", "/plates/{plate}/guide"): {"id": new_id()},
        ("PUT", "/papers"): {"id": new_id(), "name": "cotton"},
        ("PUT", "/inks"): {"id": ids["supply"], "version": 1, "name": "stolen"},
        ("POST", "/inks/{ink}/swatch"): {"id": new_id(), "picture": ids["picture"]},
        ("PUT", "/presses"): {"id": new_id(), "name": "x"},
        ("PUT", "/plates/{plate}/press"): {"version": 0, "wipes": ["gauze"]},
        ("POST", "/plates/{plate}/pulls/events"): {"events": []},
        ("PUT", "/plates/{plate}/edition"): {"version": 1, "size": 12},
        ("POST", "/plates/{plate}/edition/sign"): {"id": new_id(), "pull": ids["pull"],
                                                   "reason": "a gift"},
        ("POST", "/plates/{plate}/edition/cancel"): {"version": 1, "how": "scored"},
        ("POST", "/plates/{plate}/template"): {"id": new_id(), "width_mm": 400, "height_mm": 300},
        ("POST", "/works"): {"id": new_id(), "name": "x"},
        ("PUT", "/works/{work}"): work_body(ids, version=2, name="stolen"),
        ("POST", "/works/{work}/events"): {"events": []},
        ("POST", "/works/{work}/preview"): {"id": new_id()},
        ("POST", "/works/{work}/scan"): {"id": new_id(), "sheet": ids["sheet"],
                                         "picture": ids["picture"]},
        ("POST", "/works/{work}/stencils"): {"id": new_id(), "picture": ids["picture"]},
        ("POST", "/works/{work}/tracing"): {"id": new_id(), "layer": ids["layer"],
                                            "picture": ids["picture"]},
        ("POST", "/works/{work}/template"): {"id": new_id()},
        ("POST", "/proofs/{proof}/approvals"): {"id": new_id(), "condition": "dark sky"},
        ("POST", "/record"): {"id": new_id(), "text": "x", "plate": ids["plate"]},
        ("PUT", "/members/{member}"): {"role": "printer"},
        ("POST", "/links"): {"kind": "invite", "role": "keeper"},
    }  # fmt: skip


def furnish_all(keeper):
    """Give a room one of every thing that an address names; return their ids."""
    ids = furnish(keeper)
    upload = SimpleUploadedFile("p.jpg", picture())
    url = f"/api/rooms/{keeper.room.id}/files"
    assert keeper.client.post(url, {"id": ids["picture"], "file": upload}).status_code == 201
    keeper.must("POST", "/proofs", {"id": ids["proof"], "plate": ids["plate"]})
    keeper.must("POST", "/timers", {"id": ids["timer"], "what": "cooling", "seconds": 60})
    keeper.must("PUT", "/recipes", {"id": ids["recipe"], "name": "x", "kind": "ink", "text": "x"})
    keeper.must("PUT", "/tools", {"id": ids["tool"], "name": "x", "kind": "needle"})
    keeper.must("PUT", "/supplies", {"id": ids["supply"], "name": "x", "kind": "ink"})
    bath = f"/baths/{ids['bath']}"
    keeper.must("POST", f"{bath}/readings", {"id": ids["reading"], "temperature_c": 18.4})
    keeper.must("POST", f"{bath}/coupons", COUPON | {"id": ids["check"]})
    probe = {"id": ids["instrument"], "name": "x", "kind": "bath-probe", "bath": ids["bath"]}
    keeper.must("POST", "/instruments", probe)
    keeper.must("PUT", "/lamps", LAMP | {"id": ids["lamp"]})
    reading = METER | {"id": ids["measurement"], "hours": 400}
    keeper.must("POST", f"/lamps/{ids['lamp']}/measurements", reading)
    keeper.must("POST", "/exposure-tests", {"id": ids["test"], "name": "x", "lamp": ids["lamp"],
                                            "planned": {}})  # fmt: skip
    keeper.must("POST", "/exposures", {"id": ids["exposure"], "test": ids["test"],
                                       "acknowledged": KNOWN})  # fmt: skip
    keeper.must("POST", "/trials", TRIAL | {"id": ids["trial"]})
    keeper.must("POST", "/charts", CHART | {"id": ids["chart"], "lamp": ids["lamp"]})
    study(keeper, ids)
    task = {"id": new_id(), "picture": ids["picture"], "um_per_pixel": 4}
    keeper.must("POST", f"/plates/{ids['plate']}/coverage", task)
    ids["task"] = finished_maps(keeper, ids)
    printed(keeper, ids)
    layered(keeper, ids)
    keeper.must("POST", "/links", {"kind": "invite", "role": "printer"})
    ids["link"] = keeper.must("GET", "/links")[0]["id"]
    return ids | {
        "number": "1",
        "left": ids["proof"],
        "other": ids["strip"],
        "ink": ids["supply"],
        "member": str(keeper.user.id),
    }


def printed(keeper, ids):
    """An edition of the plate with one pull, and a note spoken of it."""
    plate = f"/plates/{ids['plate']}"
    keeper.must("PUT", f"{plate}/edition", {"version": 0, "size": 10})
    device = Device(keeper, f"{ids['plate']}/pulls", "plates")
    pulled = device.event("pulled", 0) | {"id": ids["pull"]}
    assert device.send(pulled)[0] == 200
    form = {"id": ids["sound"], "file": SimpleUploadedFile("n.wav", SPOKEN)}
    url = f"/api/rooms/{keeper.room.id}{plate}/sounds"
    assert keeper.client.post(url, form).status_code == 201


def work_body(ids, **more):
    """A work of one plate."""
    layer = {"id": ids["layer"], "name": "Key", "plate": ids["plate"], "picture": ids["picture"]}
    return {"version": 1, "name": "x", "layers": [layer], **more}


def layered(keeper, ids):
    """A work of one plate, one sheet of it printed."""
    keeper.must("POST", "/works", {"id": ids["work"], "name": "x"})
    keeper.must("PUT", f"/works/{ids['work']}", work_body(ids))
    device = Device(keeper, ids["work"], "works")
    begun = device.event("sheet-begun", -9000) | {"id": ids["sheet"]}
    made = device.event("layer-printed", -5000, sheet=ids["sheet"], layer=ids["layer"])
    assert device.send(begun, made)[0] == 200


def filled(path, ids):
    """Return the part of a path behind the room, with ids and with the question it needs."""
    tail = path.split("{room}", 1)[1]
    asks = tail in ("/proofs", "/pins", "/record", "/runs")
    return re.sub(r"\{(\w+)\}", lambda m: ids[m.group(1)], tail) + (
        f"?plate={ids['plate']}" if asks else ""
    )


UPLOADS = {
    ("POST", "/files"): lambda: SimpleUploadedFile("p.jpg", picture()),
    ("POST", "/plates/{plate}/sounds"): lambda: SimpleUploadedFile("n.wav", SPOKEN),
}  # fmt: skip
SPOKEN = b"RIFF\x24\x00\x00\x00WAVE" + bytes(32)


def upload_to(person, room, tail, ids):
    form = {"id": new_id(), "file": UPLOADS["POST", tail]()}
    at = filled("{room}" + tail, ids)
    return person.client.post(f"/api/rooms/{room}{at}", form).status_code
