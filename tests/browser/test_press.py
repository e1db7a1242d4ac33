"""At the press: paper in, a pull by foot switch on a phone with no line, an edition of five."""

import re

import pytest
from playwright.sync_api import expect

from server.accounts.models import User
from server.demo.room import ROOM_ID, make_id
from server.editions.models import Impression
from server.plates.models import Plate
from server.proofs.actions.log import log_proof
from server.proofs.schemas import ProofIn
from server.pulls.state import pull_state_of
from tests.browser.hands import SlowClock, button, pick

pytestmark = pytest.mark.django_db(transaction=True)
PHONE, DESK = {"width": 390, "height": 844}, {"width": 1280, "height": 800}


@pytest.fixture
def bridge(demo):
    """The Weighbridge with a proof that was read, at its pages."""
    plate = Plate.objects.get(id=make_id("The Weighbridge"))
    printer = User.objects.get(sign_in="printer@lantern-quay")
    tones = [{"area": "Roof", "read_lstar": 35.0}, {"area": "Plate tone", "read_lstar": 88.0}]
    proof = make_id("a proof to sign")
    log_proof(printer, ROOM_ID, ProofIn.model_validate(
        {"id": proof, "plate": plate.id, "tones": tones, "same_state": True}
    ))  # fmt: skip
    demo.plate, demo.here = plate, f"{demo.room}/plates/{plate.id}"
    return demo


def verb(page, word):
    """Wait until the screen says what comes next."""
    page.get_by_role("heading", name=word, exact=True).wait_for()


def foot_switch(page, *verbs):
    """Press the foot switch at each of the verbs."""
    for word in verbs:
        verb(page, word)
        page.keyboard.press("Space")


def next_pull(page, clock):
    """A minute later, anew at the press: no hand makes two pulls within a moment."""
    clock.shift += 90
    with page.expect_response("**/api/clock"):
        page.goto(f"{page.here}/pull")
    foot_switch(page, "Ink", "Wipe", "Lay", "Pull")
    page.get_by_text("Pulled", exact=True).first.wait_for()


def test_from_paper_in_to_an_edition_of_five_with_its_certificate(bridge):
    page, clock = bridge, SlowClock(bridge)
    page.goto(f"{page.here}/proofs")
    page.get_by_label("Only if").fill("the plate tone stays even")
    pick(page.get_by_label("Told by the area"), "Plate tone")
    button(page, "OK to print").click()
    page.get_by_text(
        re.compile("OK to print, if the plate tone stays even, the printer")
    ).wait_for()

    page.goto(f"{page.here}/edition")
    page.get_by_label("Impressions").fill("5")
    button(page, "Begin").click()
    page.get_by_role("link", name=re.compile("^Pull no. 1")).wait_for()
    page.goto(f"{page.here}/paper")
    pick(page.get_by_label("Paper", exact=True), "Soft cotton 280")
    pick(page.get_by_label("Press", exact=True), "Long bed")
    page.get_by_label("Wiping, in order").fill("gauze 2 min, paper, hand with chalk")
    button(page, "Keep").click()
    page.get_by_text("soaked, soft sized").wait_for()
    page.get_by_label("Pieces", exact=True).fill("8")
    page.get_by_label("Whose", exact=True).fill("printer")
    button(page, "Paper in").click()
    page.get_by_text("8 of 8 left").wait_for()

    page.set_viewport_size(PHONE)
    with page.expect_response("**/api/clock"):
        page.goto(f"{page.here}/pull")
    verb(page, "Ink")
    button(page, "Paint where to leave ink").click()
    button(page, "Add a patch").click()
    page.get_by_label("Name of patch 1").fill("the roof")
    page.get_by_role("heading", name="Ink").click()
    button(page, "Keep the wipe map").click()
    button(page, "Change the wipe map").wait_for()

    page.context.set_offline(True)
    foot_switch(page, "Ink", "Wipe", "Lay", "Pull")
    page.get_by_text("Write on it:").wait_for()
    button(page, "Sign it").click()
    verb(page, "Ink")
    page.get_by_text("number to come").wait_for()
    assert not Impression.objects.filter(edition__plate=page.plate).exists()
    page.context.set_offline(False)
    page.get_by_text("no. 2").wait_for()

    clock.shift += 90
    with page.expect_response("**/api/clock"):
        page.reload()
    foot_switch(page, "Ink")
    verb(page, "Wipe")
    page.get_by_text("Leave the roof.").wait_for()
    foot_switch(page, "Wipe", "Lay", "Pull")
    page.keyboard.press("r")
    page.get_by_label("Roof, L*").fill("36,5")
    page.get_by_label("Plate tone, L*").fill("87.5")
    button(page, "Keep the reading").click()
    verb(page, "It matches")
    button(page, "The condition is met").click()
    page.get_by_text(re.compile("stays even: met")).wait_for()
    button(page, re.compile("Number it 2")).click()
    verb(page, "Ink")

    next_pull(page, clock)
    page.keyboard.press("x")
    button(page, "creased").click()
    verb(page, "Ink")
    for number in (3, 4, 5):
        next_pull(page, clock)
        button(page, re.compile(f"Number it {number}")).click()
        verb(page, "Ink")
    page.keyboard.press("k")
    page.get_by_text(re.compile("Ink on the plate")).wait_for(state="detached")

    page.set_viewport_size(DESK)
    page.goto(f"{page.here}/edition")
    page.get_by_role("heading", name="All 5 are printed").wait_for()
    page.get_by_role("heading", name="The condition is met").wait_for()
    expect(page.get_by_text("Edition of 5: 5 done, 1 spoiled, 6 pulls.")).to_be_visible()
    page.get_by_role("link", name="Certificate", exact=True).click()
    page.get_by_role("heading", name="The Weighbridge", level=2).wait_for()
    numbers = page.get_by_role("list", name="Numbers of the edition").inner_text()
    assert numbers.split() == ["1", "2", "3", "4", "5"]
    page.get_by_text("1, none of them numbered").wait_for()

    state = pull_state_of(page.plate)
    assert [each.spoiled for each in state.pulled] == [None, None, "creased", None, None, None]
    assert all(each.wipe_map == state.wipe_map for each in state.pulled)
    assert state.batches[0].left == 2
    given = Impression.objects.filter(edition__plate=page.plate).order_by("signed_at")
    assert [row.number for row in given] == [1, 2, 3, 4, 5]


def test_a_number_that_is_taken_and_one_that_becomes_void(bridge):
    """At the desk: signed later under a number of one's own, then torn in drying."""
    page, clock = bridge, SlowClock(bridge)
    page.goto(f"{page.here}/edition")
    page.get_by_label("Impressions").fill("4")
    button(page, "Begin").click()
    page.get_by_role("link", name=re.compile("^Pull no. 1")).wait_for()
    for _ in range(2):
        next_pull(page, clock)
        page.keyboard.press("a")
        verb(page, "Ink")
    page.goto(f"{page.here}/edition")
    sign = page.get_by_role("button", name=re.compile("^Sign the pull of"))
    expect(sign).to_have_count(2)
    sign.last.click()
    page.get_by_label("Number", exact=True).fill("2")
    button(page, "Sign it").click()
    page.get_by_text("Nothing is OK to print yet").first.wait_for()
    page.get_by_label("Why before the OK").fill("a gift")
    button(page, "Sign it").click()
    expect(sign).to_have_count(1)
    sign.click()
    page.get_by_label("Why before the OK").fill("the artist is away")
    page.get_by_label("Number", exact=True).fill("2")
    button(page, "Sign it").click()
    page.get_by_text("No. 2 is taken or not of this edition").wait_for()
    page.get_by_label("Number", exact=True).fill("1")
    button(page, "Sign it").click()
    expect(sign).to_have_count(0)
    button(page, "Spoiled: no. 2").click()
    page.get_by_label("Why", exact=True).fill("torn in drying")
    button(page, "It is void").click()
    page.get_by_text("torn in drying").wait_for()
    button(page, re.compile("^Spoiled: no. 2")).wait_for(state="detached")
    rows = Impression.objects.filter(edition__plate=page.plate)
    assert sorted(row.number for row in rows) == [1, 2]
    page.get_by_role("link", name=re.compile("^Pull no. 3")).wait_for()
