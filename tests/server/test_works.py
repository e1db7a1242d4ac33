"""Works: layers kept, sheets logged by two devices, numbers, what differs, tasks."""

import uuid

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile

from core.data.layers import GHOST_KEEPS
from server.record.models import Entry
from server.tasks.actions.work import work_on
from server.tasks.models import Task
from server.works.models import SignedSheet
from tests.server.conftest import Device, new_id, picture

INKS = {"Ochre": (68, 12, 55), "Blue": (50, -8, -34), "Key": (18, 0, 0)}


def plate_of(keeper, name, **more):
    made = {"id": new_id(), "name": name, "metal": "copper", "route": "aquatint",
            "thickness_mm": 1.2, "width_mm": 200, "height_mm": 150, **more}  # fmt: skip
    keeper.must("POST", "/plates", made)
    return made["id"]


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


def shown(person):
    return person.must("GET", person.at)


def keep(person, **more):
    told = shown(person)
    return person.must("PUT", person.at, {
        "version": told["version"], "name": told["name"], "layers": person.layers, "size": 4,
        **more,
    })  # fmt: skip


def printed(device, person, at_s, layers=None, **said):
    """One sheet with its layers, ten minutes apart; return its id and the events."""
    begun = device.event("sheet-begun", at_s * 1000)
    events = [begun]
    for n, layer in enumerate(layers or person.layers):
        events.append(device.event(
            "layer-printed", (at_s + 600 * n + 60) * 1000, sheet=begun["id"], layer=layer["id"],
            name=layer["name"], plate=layer.get("plate"), **said,
        ))  # fmt: skip
    return begun["id"], events


def row(person, sheet):
    return next(each for each in shown(person)["rows"] if each["sheet"] == sheet)


def approve(person, sheet, at_s=-5000):
    person.phone.send(person.phone.event("sheet-approved", at_s * 1000, sheet=sheet, by="artist"))


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


@pytest.fixture
def tram(keeper):
    """A monotype with a stencil over it."""
    keeper.work = new_id()
    keeper.at = f"/works/{keeper.work}"
    keeper.must("POST", "/works", {"id": keeper.work, "name": "Last Tram"})
    keeper.layers = [
        {"id": new_id(), "name": "Night", "kind": "monotype-wiped"},
        {"id": new_id(), "name": "Windows", "kind": "stencil", "width_mm": 80, "height_mm": 30},
    ]  # fmt: skip
    keep(keeper, ghosts=2)
    keeper.phone, keeper.slate = (Device(keeper, keeper.work, "works") for _ in range(2))
    return keeper


def pulled(person, inking, at_s, devices, lstars=()):
    """Sheets pulled from one inking by devices in turn; each read where its L* is given."""
    sheets, later = [], []
    for n, device in enumerate(devices):
        begun = device.event("sheet-begun", (at_s + 120 * n) * 1000)
        sheets.append(begun["id"])
        later.append((device, [begun, device.event(
            "layer-printed", (at_s + 120 * n + 60) * 1000, sheet=begun["id"], inking=inking,
            layer=person.layers[0]["id"], name="Night")]))  # fmt: skip
        if n < len(lstars):
            later[-1][1].append(device.event(
                "pull-read", (at_s + 120 * n + 90) * 1000, pull=begun["id"],
                areas=[{"name": "whole", "lstar": lstars[n]}]))  # fmt: skip
    for device, events in reversed(later):  # they come in late, the last first
        device.send(*events)
    return sheets


def inked(person, at_s):
    event = person.phone.event("layer-inked", at_s * 1000, layer=person.layers[0]["id"])
    person.phone.send(event)
    return event["id"]


def test_a_monotype_with_a_stencil_is_a_monoprint_and_each_sheet_is_one_of_a_kind(tram):
    told = shown(tram)
    assert told["stack"]["called"] == "monoprint" and told["next_number"] is None
    sheets = pulled(tram, inked(tram, -9000), -8900, [tram.phone, tram.slate, tram.phone])
    tram.phone.send(*[
        tram.phone.event("signed", (-2000 + n) * 1000, pull=each)
        for n, each in enumerate(sheets)
    ])  # fmt: skip
    assert [row(tram, each)["label"] for each in sheets] == ["1/1", "1/1, ghost 1", "1/1, ghost 2"]


def test_a_series_keeps_its_members_pulled_by_two_devices(tram):
    first = pulled(tram, inked(tram, -9000), -8900, [tram.phone, tram.slate, tram.slate])
    then = pulled(tram, inked(tram, -5000), -4900, [tram.slate, tram.phone])
    families = shown(tram)["state"]["families"]
    assert [sorted(each["sheets"]) for each in families] == [sorted(first), sorted(then)]


def test_ghosts_are_a_guess_until_two_were_read(tram):
    (told,) = shown(tram)["ghosts_out"]
    assert not told["told"]["measured"] and told["inking"] is None
    assert told["told"]["keeps"] == pytest.approx(GHOST_KEEPS, abs=0.02)
    pulled(tram, inked(tram, -9000), -8900, [tram.phone] * 3, [32, 52, 69])
    inking = inked(tram, -5000)
    (told,) = shown(tram)["ghosts_out"]
    assert told["inking"] == inking and told["told"]["measured"]
    assert told["told"]["keeps"] > GHOST_KEEPS + 0.1
    assert shown(tram)["open_out"][0]["told"]["minutes"] > 0


def test_ghosts_read_in_another_work_of_the_room_count(tram, stranger):
    pulled(tram, inked(tram, -9000), -8900, [tram.phone] * 3, [32, 52, 69])
    other = new_id()
    tram.must("POST", "/works", {"id": other, "name": "First Tram"})
    tram.must("PUT", f"/works/{other}", {"version": 1, "name": "First Tram", "layers": [
        {"id": new_id(), "name": "Dawn", "kind": "monotype-added"}]})  # fmt: skip
    assert tram.must("GET", f"/works/{other}")["ghosts_out"][0]["told"]["ghosts_read"] == 2
    stranger.must("POST", "/works", {"id": new_id(), "name": "Elsewhere"})
    (elsewhere,) = stranger.must("GET", "/works")["items"]
    stranger.must("PUT", f"/works/{elsewhere['id']}", {"version": 1, "name": "x", "layers": [
        {"id": new_id(), "name": "Dawn", "kind": "monotype-added"}]})  # fmt: skip
    told = stranger.must("GET", f"/works/{elsewhere['id']}")
    assert told["ghosts_out"][0]["told"]["ghosts_read"] == 0


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


def uploaded(person):
    made = new_id()
    form = {"id": made, "file": SimpleUploadedFile("p.jpg", picture(size=(240, 180)))}
    assert person.client.post(f"/api/rooms/{person.room.id}/files", form).status_code == 201
    return made


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


def test_a_drawing_is_cut_into_stencils_no_larger_than_the_plate(tram):
    own = uploaded(tram)
    status, data = tram.ask("POST", f"{tram.at}/stencils", {
        "id": new_id(), "picture": own, "width_mm": 210})  # fmt: skip
    assert (status, data["error"]["field"], data["error"]["unit"]) == (422, "width_mm", "mm")
    status, data = tram.ask("POST", f"{tram.at}/stencils", {"id": new_id()})
    assert status == 422 and data["error"]["code"] == "no-drawing"
    task = new_id()
    tram.must("POST", f"{tram.at}/stencils", {"id": task, "picture": own, "colours": 2})
    work_on(uuid.UUID(task))
    told = tram.must("GET", f"/tasks/{task}")["result"]
    assert told["files"][0]["path"] == "stencils.pdf" and told["stencils"]


def test_a_tracing_marks_what_was_followed(tram):
    own, layer = uploaded(tram), tram.layers[0]["id"]
    tram.phone.send(tram.phone.event("pieces-followed", -1000, layer=layer, pieces=[1, 2]))
    task = new_id()
    asked = {"id": task, "layer": layer, "picture": own}
    given = tram.must("POST", f"{tram.at}/tracing", asked)["given"]
    assert given["followed"] == [1, 2] and given["sheet_mm"] == [280, 380]
    assert not Entry.objects.filter(text__contains="Followed").exists()


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
