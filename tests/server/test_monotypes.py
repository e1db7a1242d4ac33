"""Monotypes: inkings and their ghosts, series, stencils, a drawing traced."""

import time
import uuid

import pytest

from core.data.layers import GHOST_KEEPS
from server.record.models import Entry
from server.tasks.actions.work import work_on
from tests.server.conftest import Device, new_id
from tests.server.works import keep, row, shown, uploaded


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


def test_the_bench_says_by_when_the_last_print_of_an_inking_must_be_made(tram):
    def due():
        return [each for each in tram.must("GET", "/bench")["due"] if each["kind"] == "ink"]

    assert due() == []
    inked(tram, -9000)  # oil ink gives for four hours: 90 minutes are left
    (ink,) = due()
    assert (ink["work"], ink["plate"]) == (tram.work, None)
    assert "last print of Night, Last Tram" in ink["text"]
    assert ink["at_seconds"] == pytest.approx(time.time() + 5400, abs=60)
    inked(tram, -4000)  # it was inked anew: not within the next two hours
    assert due() == []
    tram.layers[0]["open_ink"] = "water"
    keep(tram, ghosts=2)
    assert due() == []  # it has closed
