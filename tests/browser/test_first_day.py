"""From an empty room to a first proof, by somebody who was shown nothing: only what screens say."""

import re
import uuid

import pytest
from playwright.sync_api import expect

from server.accounts.models import User
from server.baths.models import Bath
from server.plates.models import Plate
from server.proofs.models import Proof
from server.record.models import Entry
from server.rooms.models import Membership, Room
from server.strips.models import Strip
from tests.browser.conftest import wait_for_requests
from tests.browser.hands import A_MOMENT_MS, SlowClock, button, done, pick, settle

pytestmark = pytest.mark.django_db(transaction=True)

READ = ("95", "90", "84", "72", "55", "38", "24")
"""White end and six patches, by eye."""


@pytest.fixture
def newcomer(live_server, transactional_db, page):
    """A keeper of a room with nothing in it, signed in by name and password."""
    room = Room.objects.create(name="Loft", time_zone="Europe/Lisbon")
    user = User.objects.create_user(
        "newcomer@loft", "quiet-copper", name="Newcomer", id=uuid.uuid4()
    )
    Membership.objects.create(room=room, user=user, role="keeper")
    page.set_default_timeout(20_000)
    page.goto(live_server.url + "/sign-in")
    page.get_by_label("Sign-in name").fill("newcomer@loft")
    page.get_by_label("Password").fill("quiet-copper")
    button(page, "Sign in").click()
    page.wait_for_url("**/bench")
    page.room = f"{live_server.url}/r/{room.id}"
    page.api = f"{live_server.url}/api/rooms/{room.id}"
    yield page
    page.goto("about:blank")
    wait_for_requests()


def test_from_an_empty_room_to_a_first_proof_in_the_order_the_screens_give(newcomer):
    page = newcomer
    page.get_by_role("heading", name="What do you have in front of you?").wait_for()
    make_up_a_bath(page)
    page.get_by_role("link", name="Bench", exact=True).click()
    page.get_by_role("heading", name=re.compile("^Two things more")).wait_for()
    bite_and_read_a_strip(page)
    page.get_by_role("link", name="Bench", exact=True).click()
    page.get_by_role("heading", name=re.compile("^One thing more")).wait_for()
    put_a_plate_in(page)
    go_through_its_course(page)
    bite_it(page)
    hang_its_proof(page)
    plate = Plate.objects.get(name="First lamp")
    proof = Proof.objects.get(plate=plate)
    assert plate.state_number == 1 and len(proof.tones) == 2
    said = list(Entry.objects.filter(plate_id=plate.id).values_list("kind", flat=True))
    assert {"plate", "step", "plan", "run", "proof"} <= {kind.split(":")[0] for kind in said}


def make_up_a_bath(page):
    page.get_by_role("link", name="Make it up").click()
    button(page, "Keep it on the shelf").click()
    for field in ("Name", "Temperature"):  # what is missing is said, and only that
        expect(page.get_by_role("alert").filter(has_text=f"{field}: nothing")).to_be_visible()
    page.get_by_label("Name", exact=True).fill("Front tray")
    page.get_by_label("Temperature", exact=True).fill("20")
    button(page, "Keep it on the shelf").click()
    page.get_by_role("heading", name="Front tray").wait_for()
    assert Bath.objects.get().mordant == "copper-ferric"


def bite_and_read_a_strip(page):
    page.get_by_role("link", name="Bite or read one").click()
    page.get_by_role("heading", name="No strip on the wall yet.").wait_for()
    page.get_by_role("link", name="Make this strip").click()
    page.get_by_label("Name", exact=True).fill("First strip")
    button(page, "Go to the bath").click()
    page.wait_for_url("**/bath")
    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Stop out white end").wait_for()
    for patch in range(1, 7):
        page.keyboard.press("c")
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for()
        clock.lift_when_due()
        if patch < 6:
            page.get_by_role("heading", name=f"Stop out patch {patch}").wait_for()
    button(page, "End and read the strip").click()
    page.get_by_role("heading", name=re.compile("7 patches to read")).wait_for()
    for place, lstar in enumerate(READ, 1):
        page.get_by_label(f"Patch {place}, L*").fill(lstar)
    button(page, "See the curve").click()
    page.get_by_text("Patches lie").wait_for()
    assert Strip.objects.get().curve is not None


def put_a_plate_in(page):
    page.get_by_role("link", name="Put it in the rack").click()
    page.get_by_label("Name", exact=True).fill("First lamp")
    button(page, re.compile("^Aquatint")).click()
    page.get_by_text(re.compile("^To its first proof")).wait_for()
    page.get_by_label("Width", exact=True).fill("100")
    page.get_by_label("Height", exact=True).fill("80")
    button(page, "Put it in the rack").click()
    page.get_by_role("heading", name="First lamp").wait_for()


def go_through_its_course(page):
    """Do each step as it comes; the plan leads to its own page, the bites to the bath."""
    page.get_by_role("link", name="Course", exact=True).click()
    for _ in range(20):
        title = page.locator("#step-title")
        title.wait_for()
        here = page.get_by_role("article")
        plan = button(here, "Plan the tones")
        if plan.is_visible():
            plan.click()
            plan_tones(page)
            page.get_by_role("link", name="Course", exact=True).click()
            expect(title).not_to_have_text("Plan the tones")
        elif button(here, "Plate page").is_visible():
            return
        else:
            before = title.inner_text()
            done(page, before)
            expect(title).not_to_have_text(before)
    raise AssertionError("the course never comes to its bites")


def plan_tones(page):
    page.get_by_role("heading", name="Tones").wait_for()
    pick(page.get_by_label("Strip"), "First strip")
    for tone in (5, 4, 3):  # two tones are enough for a first plate
        button(page, f"Take out Tone {tone}").click()
        expect(button(page, f"Take out Tone {tone}")).to_have_count(0)
    button(page, "Keep the plan").click()
    page.get_by_role("heading", name="Bite section").wait_for()


def bite_it(page):
    page.get_by_role("link", name="Bites", exact=True).click()
    button(page, "Begin to bite").click()
    page.wait_for_url("**/runs/**")
    clock = SlowClock(page)
    page.reload()
    end = button(page, "End the run and proof")
    page.get_by_role("heading", name="Stop out paper").wait_for()
    page.wait_for_timeout(600)
    for _ in range(4):
        page.keyboard.press("c")
        page.wait_for_timeout(A_MOMENT_MS)
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for()
        clock.lift_when_due()
        settle(page)
        if end.is_visible():
            break
    page.keyboard.press("c")
    end.click()


def hang_its_proof(page):
    page.get_by_role("heading", name="Hang a proof").wait_for()
    page.get_by_label("Tone 1, L* read").fill("82")
    page.get_by_label("Tone 2, L* read").fill("66")
    button(page, "Log State I").click()
    page.get_by_role("button", name=re.compile("^State I, ")).wait_for()
