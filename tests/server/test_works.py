"""Works: layers kept, sheets logged by two devices, numbers, what differs, tasks."""

import uuid

import pytest

from server.record.models import Entry
from server.tasks.actions.work import work_on
from server.tasks.models import Task
from server.works.models import SignedSheet
from tests.server.conftest import Device, new_id
from tests.server.works import approve, keep, plate_of, printed, row, shown, uploaded

INKS = {"Ochre": (68, 12, 55), "Blue": (50, -8, -34), "Key": (18, 0, 0)}


@pytest.fixture
def awning(keeper):
    """A work of three plates, and two devices at the press."""
    keeper.work = new_id()
    keeper.at = f"/works/{keeper.work}"
    keeper.must("POST", "/works", {"id": keeper.work, "name": "Awnings at Nine"})
    keeper.layers = [
        {"id": new_id(), "name": name, "plate": plate_of(keeper, name), "ink_lab": lab,
         "key": name == "Key", "covers": 0.2}
        for name, lab in INKS.items()
    ]  # fmt: skip
    keep(keeper)
    keeper.phone, keeper.slate = (Device(keeper, keeper.work, "works") for _ in range(2))
    return keeper


def test_a_work_tells_its_layers_order_and_name(awning):
    told = shown(awning)
    assert [each["name"] for each in told["layers_out"]] == ["Ochre", "Blue", "Key"]
    assert told["stack"]["called"] == "edition" and told["plates_order"]["keeps"]
    key = told["layers_out"][2]
    assert key["hex"] == "#2c2c2c" and len(key["places"]) == 4 and key["lets"] == 0.6
    assert Entry.objects.filter(text__contains="Ochre, Blue, Key").exists()


def test_the_list_tells_how_far_each_is(awning):
    sheet, events = printed(awning.phone, awning, -9000)
    awning.phone.send(*events)
    (told,) = awning.must("GET", "/works")["items"]
    assert (told["name"], told["sheets"], told["signed"]) == ("Awnings at Nine", 1, 0)
    keep(awning, put_away=True)
    assert awning.must("GET", "/works")["items"] == []
    assert len(awning.must("GET", "/works?put_away=true")["items"]) == 1


def test_sheets_signed_by_two_devices_are_numbered_once_each(awning):
    sheets = []
    for n, device in enumerate((awning.phone, awning.slate, awning.phone)):
        sheet, events = printed(device, awning, -20_000 + 3000 * n)
        sheets.append((sheet, events, device))
        device.send(*events)
    approve(awning, sheets[0][0])
    signatures = [
        (device, device.event("signed", (-4000 + n) * 1000, pull=sheet))
        for n, (sheet, _, device) in enumerate(sheets)
    ]
    for device, event in (signatures[2], signatures[0], signatures[1], signatures[0]):
        device.send(event)
    numbers = [row(awning, sheet)["number"] for sheet, *_ in sheets]
    assert sorted(numbers) == [1, 2, 3] and len(set(numbers)) == 3
    assert shown(awning)["next_number"] == 4
    assert SignedSheet.objects.filter(layering=awning.work).count() == 3


def test_nothing_is_numbered_before_the_ok_but_with_a_reason(awning):
    one, events = printed(awning.phone, awning, -20_000)
    two, more = printed(awning.phone, awning, -15_000)
    awning.phone.send(*events, *more)
    awning.phone.send(
        awning.phone.event("signed", -4000_000, pull=one),
        awning.phone.event("signed", -3000_000, pull=two, reason="a gift"),
    )
    assert row(awning, one)["label"] == "waits for the OK"
    assert row(awning, two)["label"] == "1"
    approve(awning, one)
    assert row(awning, one)["label"] == "2"


def test_a_plate_swapped_in_the_middle_of_an_edition_is_told(awning):
    one, events = printed(awning.phone, awning, -20_000)
    awning.phone.send(*events)
    approve(awning, one)
    other = plate_of(awning, "Blue again")
    layers = [
        {**each, "plate": other} if each["name"] == "Blue" else each for each in awning.layers
    ]
    two, more = printed(awning.slate, awning, -15_000, layers)
    awning.slate.send(awning.slate.event(
        "plate-changed", -15_100_000, layer=awning.layers[1]["id"], name="Blue", plate=other,
        plate_name="Blue again", reason="scratched"), *more)  # fmt: skip
    told = row(awning, two)
    assert told["state"] == "variant" and told["differs"] == ["Blue from another plate"]
    awning.phone.send(awning.phone.event("signed", -3000_000, pull=one),
                      awning.phone.event("signed", -2000_000, pull=two))  # fmt: skip
    assert (row(awning, one)["label"], row(awning, two)["label"]) == ("1", "waits for the OK")
    assert len(shown(awning)["state"]["sheets"]) == 2  # nothing is lost


def test_another_state_of_a_plate_is_told(awning):
    one, events = printed(awning.phone, awning, -20_000, state="State II")
    two, more = printed(awning.phone, awning, -15_000, state="State III")
    awning.phone.send(*events, *more)
    approve(awning, one)
    assert row(awning, two)["differs"][0] == "Ochre in State III, not State II"


def test_an_unfinished_sheet_names_what_is_left(awning):
    sheet, events = printed(awning.phone, awning, -9000, awning.layers[:1])
    awning.phone.send(*events)
    told = row(awning, sheet)
    assert told["state"] == "unfinished"
    assert told["left"] == [each["id"] for each in awning.layers[1:]]


def test_a_sheet_redamped_and_grown_is_told(awning):
    begun = awning.phone.event("sheet-begun", -9_000_000)
    first, second = awning.layers[:2]
    awning.phone.send(
        begun,
        awning.phone.event("layer-printed", -8_000_000, sheet=begun["id"], layer=first["id"],
                           sheet_mm=[282.5, 381]),
        awning.phone.event("layer-printed", -5_000_000, sheet=begun["id"], layer=second["id"],
                           damp="redamped", sheet_mm=[284.5, 381.2]),
    )  # fmt: skip
    grown = row(awning, begun["id"])["growth"]
    assert not grown["colours"][1]["within"]
    assert grown["text"].startswith("Let it dry until it measures 282.5 × 381")


def test_crosses_read_by_loupe_name_the_plate_and_its_move(awning):
    sheet, events = printed(awning.phone, awning, -9000)
    blue, key = awning.layers[1], awning.layers[2]
    crosses = [{"x_mm": x, "y_mm": 5, "right_mm": 0.6, "down_mm": 0.3} for x in (15, 185)]
    awning.phone.send(*events, awning.phone.event(
        "crosses-read", -3_000_000, sheet=sheet, key=key["id"],
        layers=[{"layer": blue["id"], "name": "Blue", "crosses": crosses}],
    ))  # fmt: skip
    (told,) = shown(awning)["registers"]
    assert told["told"]["blame"] == "Blue"
    assert told["told"]["plates"][0]["right_mm"] == pytest.approx(0.6, abs=0.02)


@pytest.mark.parametrize(
    ("change", "code", "field"),
    [
        (lambda layers: [{**layers[0], "name": "ochre "}, {**layers[1], "name": "Ochre"}],
         "name-twice", "layers.1.name"),
        (lambda layers: [{**each, "key": True} for each in layers], "two-keys", "layers.1.key"),
        (lambda layers: [*layers, {"id": new_id(), "name": "Mask", "kind": "stencil",
                                   "width_mm": 220, "height_mm": 100}],
         "stencil-larger-than-plate", "layers.3.size_mm"),
    ],
)  # fmt: skip
def test_layers_that_cannot_be_are_refused(awning, change, code, field):
    told = shown(awning)
    status, data = awning.ask("PUT", awning.at, {
        "version": told["version"], "name": "x", "layers": change(awning.layers),
    })  # fmt: skip
    assert status == 422 and (data["error"]["code"], data["error"]["field"]) == (code, field)


def test_a_layer_that_is_printed_stays_and_an_edition_grows_only(awning):
    sheet, events = printed(awning.phone, awning, -9000)
    awning.phone.send(*events)
    approve(awning, sheet)
    awning.phone.send(awning.phone.event("signed", -1000_000, pull=sheet))
    told = shown(awning)
    body = {"version": told["version"], "name": "x", "layers": awning.layers[1:]}
    status, data = awning.ask("PUT", awning.at, body)
    assert status == 422 and data["error"]["code"] == "layer-printed"
    assert data["error"]["value"] == "Ochre"


def test_a_plate_of_another_room_is_not_found(awning, stranger):
    foreign = plate_of(stranger, "Theirs")
    told = shown(awning)
    layers = [{**awning.layers[0], "plate": foreign}]
    status, _ = awning.ask("PUT", awning.at, {
        "version": told["version"], "name": "x", "layers": layers})  # fmt: skip
    assert status == 404


def test_a_stale_change_is_refused(awning):
    status, data = awning.ask("PUT", awning.at, {
        "version": 1, "name": "x", "layers": awning.layers})  # fmt: skip
    assert status == 409 and data["error"]["field"] == "version"


def test_two_plates_of_different_size_and_an_opaque_order_are_said(awning):
    small = plate_of(awning, "Small", width_mm=190)
    awning.layers.append({"id": new_id(), "name": "Veil", "plate": small, "lets_through": 0.1,
                          "covers": 0.9, "ink_lab": (80, 0, 4)})  # fmt: skip
    told = keep(awning)
    assert {each["code"] for each in told["stack"]["warnings"]} >= {
        "plates-differ", "opaque-over-all"}  # fmt: skip
    assert told["plates_order"]["order"][0] == "Veil" and not told["plates_order"]["keeps"]


def test_a_preview_is_drawn_and_its_files_are_fetched(awning):
    status, data = awning.ask("POST", f"{awning.at}/preview", {"id": new_id()})
    assert status == 422 and data["error"]["code"] == "no-pictures"
    own = uploaded(awning)
    awning.layers = [{**each, "picture": own} for each in awning.layers]
    keep(awning)
    task = new_id()
    awning.must("POST", f"{awning.at}/preview", {"id": task})
    work_on(uuid.UUID(task))
    told = shown(awning)
    assert told["preview"] == task and told["preview_fresh"]
    made = awning.must("GET", f"/tasks/{task}")["result"]
    assert made["path"] == "print.png" and [p["name"] for p in made["previews"]] == list(INKS)
    for number in (1, 2, 4):
        url = f"/api/rooms/{awning.room.id}/tasks/{task}/files/{number}"
        assert awning.client.get(url)["Content-Type"] == "image/png"
    awning.layers[0] = {**awning.layers[0], "lets_through": 0.3}
    assert not keep(awning)["preview_fresh"]


def test_the_template_is_shared_with_every_plates_crosses_mirrored(awning):
    task = awning.must("POST", f"{awning.at}/template", {"id": new_id()})
    marks = task["given"]["marks"]
    assert {each["name"] for each in marks} == set(INKS) and len(marks) == 12
    x, y = shown(awning)["layers_out"][0]["places"][0]
    own = [(each["x_mm"], each["y_mm"]) for each in marks if each["name"] == "Ochre"]
    assert (200 - x, y) in own
    awning.must("PUT", awning.at, {"version": 2, "name": "x", "layers": awning.layers,
                                   "sheet_width_mm": 150})  # fmt: skip
    status, data = awning.ask("POST", f"{awning.at}/template", {"id": new_id()})
    assert (status, data["error"]["code"]) == (422, "paper-smaller-than-plate")


def test_a_scan_of_a_sheet_without_prints_is_refused(awning):
    own = uploaded(awning)
    awning.layers = [{**each, "picture": own} for each in awning.layers]
    keep(awning)
    begun = awning.phone.event("sheet-begun", -1000)
    awning.phone.send(begun)
    status, data = awning.ask("POST", f"{awning.at}/scan", {
        "id": new_id(), "sheet": begun["id"], "picture": own})  # fmt: skip
    assert status == 422 and data["error"]["code"] == "nothing-printed"
    awning.phone.send(awning.phone.event(
        "layer-printed", -500, sheet=begun["id"], layer=awning.layers[0]["id"]))  # fmt: skip
    task = awning.must("POST", f"{awning.at}/scan", {
        "id": new_id(), "sheet": begun["id"], "picture": own})  # fmt: skip
    assert [each["name"] for each in task["given"]["plates"]] == ["Ochre"]
    assert Task.objects.filter(kind="read-print").count() == 1


def test_sheets_leave_as_csv(awning):
    sheet, events = printed(awning.phone, awning, -9000)
    awning.phone.send(*events)
    text = awning.client.get(f"/api/rooms/{awning.room.id}{awning.at}/sheets.csv").content.decode()
    head, first = text.splitlines()
    assert head.startswith("place,label,series") and first.startswith("1,not signed,")
    assert "Ochre; Blue; Key" in first


def test_spoiled_stays_in_the_series_and_a_void_number_is_never_given_again(awning):
    one, events = printed(awning.phone, awning, -20_000)
    two, more = printed(awning.phone, awning, -15_000)
    awning.phone.send(*events, *more)
    approve(awning, one)
    awning.phone.send(awning.phone.event("signed", -4000_000, pull=one))
    awning.phone.send(awning.phone.event("spoiled", -3000_000, pull=one, reason="torn"))
    awning.phone.send(awning.phone.event("signed", -2000_000, pull=two))
    assert (row(awning, one)["state"], row(awning, one)["number"]) == ("void", 1)
    assert row(awning, two)["number"] == 2 and shown(awning)["done"] == 1


def test_a_plate_tells_which_work_it_is_part_of(awning):
    blue = awning.layers[1]["plate"]
    told = awning.must("GET", f"/plates/{blue}")["works"]
    assert told == [{"id": awning.work, "name": "Awnings at Nine", "place": 2, "of": 3}]
    keep(awning, put_away=True)
    assert awning.must("GET", f"/plates/{blue}")["works"] == []


def test_what_a_work_prints_of_a_scratched_plate_wears_it(awning):
    dry = plate_of(awning, "Needle", metal="plastic", route="drypoint",
                   facts={"plastic": "acrylic"})  # fmt: skip
    awning.layers[1] = {**awning.layers[1], "plate": dry}
    keep(awning)
    for n in range(2):
        _, events = printed(awning.phone, awning, -20_000 + 5000 * n)
        awning.phone.send(*events)
    lines = awning.client.get(f"/api/rooms/{awning.room.id}/plates/{dry}/wear.csv").content
    assert len(lines.decode().splitlines()) == 3


def test_a_sheet_that_grew_is_told_before_the_next_colour(awning):
    begun = awning.phone.event("sheet-begun", -9_000_000)
    awning.phone.send(
        begun,
        awning.phone.event("layer-printed", -8_000_000, sheet=begun["id"],
                           layer=awning.layers[0]["id"], sheet_mm=[282.5, 381]),
    )  # fmt: skip
    assert row(awning, begun["id"])["growth"] is None
    awning.phone.send(awning.phone.event("sheet-measured", -1_000_000, sheet=begun["id"],
                                         sheet_mm=[284.5, 381.2]))  # fmt: skip
    grown = row(awning, begun["id"])["growth"]["colours"]
    assert [each["name"] for each in grown] == ["Ochre", "Blue"] and not grown[1]["within"]


def test_a_larger_edition_numbers_what_was_beyond_it(awning):
    keep(awning, size=1)
    sheets = []
    for n in range(2):
        sheet, events = printed(awning.phone, awning, -20_000 + 5000 * n)
        awning.phone.send(*events)
        sheets.append(sheet)
    approve(awning, sheets[0])
    for n, sheet in enumerate(sheets):
        awning.phone.send(awning.phone.event("signed", (-4000 + n) * 1000, pull=sheet))
    assert row(awning, sheets[1])["label"] == "beyond the edition"
    keep(awning, size=2)
    assert row(awning, sheets[1])["label"] == "2"
