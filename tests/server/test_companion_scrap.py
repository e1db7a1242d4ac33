"""A companion scrap that is read at the run: the bites that remain follow, and undo is complete."""

from datetime import UTC, datetime, timedelta

from server.baths.models import Bath, BathCheck

OPEN = ("Tone 1", "Tone 2", "Tone 3")


def left(person):
    """Seconds of the bites that remain."""
    run = person.must("GET", f"/runs/{person.ids['run']}")
    return sum(bite["seconds"] for bite in run["sheet"]["plan"]["bites"])


def bitten(person):
    person.tablet.bite(-600_000, *OPEN)
    return left(person)


def test_a_darker_scrap_shortens_what_remains_and_undo_brings_it_back(furnished):
    before = bitten(furnished)
    scrap = furnished.tablet.event("scrap", -100_000, after=1, lstar=55.0)
    assert furnished.tablet.send(scrap)[0] == 200
    assert left(furnished) < before
    check = BathCheck.objects.get()
    assert (check.kind, str(check.run)) == ("check-patch", furnished.ids["run"])
    assert check.said["dips"] == 1 and check.said["seconds"] == 60
    undo = furnished.tablet.event("undo", -90_000, event=scrap["id"])
    furnished.tablet.send(undo)
    assert left(furnished) == before
    assert not BathCheck.objects.exists()


def test_a_lighter_scrap_lengthens_it(furnished):
    before = bitten(furnished)
    furnished.tablet.send(furnished.tablet.event("scrap", -100_000, after=1, lstar=88.0))
    assert left(furnished) > before


def test_read_again_the_last_word_counts_once(furnished):
    bitten(furnished)
    for lstar in (55.0, 60.0):
        furnished.tablet.send(furnished.tablet.event("scrap", -100_000 + lstar, after=1,
                                                     lstar=lstar))  # fmt: skip
    assert [check.said["lstar"] for check in BathCheck.objects.all()] == [60.0]


def test_a_scrap_of_a_bite_not_made_yet_waits(furnished):
    before = bitten(furnished)
    furnished.tablet.send(furnished.tablet.event("scrap", -100_000, after=2, lstar=50.0))
    assert left(furnished) == before and not BathCheck.objects.exists()
    state = furnished.must("GET", f"/runs/{furnished.ids['run']}")["state"]
    assert [scrap["after"] for scrap in state["scraps"]] == [2]


def test_it_stands_among_the_baths_checks_and_in_the_record(furnished):
    bitten(furnished)
    furnished.tablet.send(furnished.tablet.event("scrap", -100_000, after=1, lstar=60.0))
    checks = furnished.must("GET", f"/baths/{furnished.ids['bath']}/checks")["items"]
    assert checks[0]["run"] == furnished.ids["run"]
    record = furnished.must("GET", f"/record?plate={furnished.ids['plate']}")["items"]
    assert any("Companion scrap, lifted after bite 1, reads L* 60" in e["text"] for e in record)


def test_goggles_and_extraction_are_said_once_a_run(furnished):
    furnished.tablet.send(furnished.tablet.event("protected", -700_000))
    assert furnished.must("GET", f"/runs/{furnished.ids['run']}")["state"]["protected"]


def test_a_speed_that_was_typed_gives_way_to_what_was_measured_after_it(furnished):
    bath = furnished.ids["bath"]
    bitten(furnished)
    furnished.must("PUT", f"/baths/{bath}", {"version": 1, "rate_factor": 1.0})
    an_hour_ago = datetime.now(UTC) - timedelta(hours=1)
    Bath.objects.filter(id=bath).update(measured_at=an_hour_ago)
    typed = left(furnished)
    furnished.tablet.send(furnished.tablet.event("scrap", -100_000, after=1, lstar=55.0))
    assert left(furnished) < typed


def test_a_speed_that_was_typed_after_a_check_is_the_newer_word(furnished):
    bath = furnished.ids["bath"]
    bitten(furnished)
    furnished.tablet.send(furnished.tablet.event("scrap", -100_000, after=1, lstar=55.0))
    read = left(furnished)
    furnished.must("PUT", f"/baths/{bath}", {"version": 1, "rate_factor": 1.0})
    assert left(furnished) > read


def test_the_id_of_a_scrap_overwrites_no_check_of_another_room(furnished, stranger):
    from tests.server.conftest import furnish, new_id
    from tests.server.walk import COUPON

    theirs = furnish(stranger)
    check = new_id()
    stranger.must("POST", f"/baths/{theirs['bath']}/coupons", COUPON | {"id": check})
    bitten(furnished)
    scrap = furnished.tablet.event("scrap", -100_000, after=1, lstar=55.0) | {"id": check}
    furnished.tablet.send(scrap)
    assert BathCheck.objects.get(id=check).kind == "coupon"
    assert BathCheck.objects.get(kind="check-patch").room == furnished.room
