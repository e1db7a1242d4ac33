"""Long work: asked for once, told how far it is, ended once, stopped, begun again."""

import dataclasses
import io
import threading
import time

import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from PIL import Image
from procrastinate.contrib.django.models import ProcrastinateJob

from core.image.shapes import DustCoverageOutput
from server.record.models import Entry
from server.tasks.actions import work as work_module
from server.tasks.actions.work import work_on
from server.tasks.child import Answered, Child, Failed
from server.tasks.kinds import KINDS, Kind
from server.tasks.models import Task
from tests.server.conftest import Person, furnish, new_id, picture
from tests.simulator.grain import draw

SEEN = DustCoverageOutput(
    covered=0.5, covered_spread=0.01, grains_per_mm2=80, median_grain_um=40, verdict="good",
    reasons=[], grains_are="lighter", patches=[], tables="1",
).model_dump(mode="json")  # fmt: skip


class Calculation:
    """Stands where a child process does: tells what it was given to tell, in turn."""

    def __init__(self, *told):
        self.told, self.ended = list(told), False

    def __call__(self, calculator, given):
        self.calculator, self.given = calculator, given
        return self

    def told_within(self, seconds):
        told = self.told.pop(0)
        return told() if callable(told) else told

    def __enter__(self):
        return self

    def __exit__(self, *_):
        self.ended = True


def photograph(person, pixels=None):
    ids, out = new_id(), io.BytesIO()
    made = picture("PNG", (200, 200))
    if pixels is not None:
        Image.fromarray(pixels).save(out, "PNG")
        made = out.getvalue()
    form = {"id": ids, "file": SimpleUploadedFile("g.png", made)}
    url = f"/api/rooms/{person.room.id}/files"
    assert person.client.post(url, form).status_code == 201
    return ids


@pytest.fixture
def asked(keeper, monkeypatch):
    """A keeper who asked for a count; what the calculation tells is chosen by the test."""
    keeper.ids = furnish(keeper)
    keeper.picture = photograph(keeper)
    keeper.task = new_id()

    def ask(task=None, um_per_pixel=4.0):
        body = {"id": task or keeper.task, "picture": keeper.picture, "um_per_pixel": um_per_pixel}
        return keeper.ask("POST", f"/plates/{keeper.ids['plate']}/coverage", body)

    def work(*told):
        calculation = Calculation(*told)
        monkeypatch.setattr(work_module, "Child", calculation)
        work_on(keeper.task)
        return calculation

    keeper.ask_for, keeper.work = ask, work
    assert ask()[0] == 202
    return keeper


def told(person):
    return person.must("GET", f"/tasks/{person.task}")


def counted():
    return Entry.objects.filter(kind="coverage").count()


def test_a_task_waits_in_the_queue_with_its_row(asked):
    now = told(asked)
    assert (now["state"], now["progress"], now["result"], now["turn"]) == ("waiting", 0, None, 0)
    assert ProcrastinateJob.objects.filter(args={"task": asked.task}).count() == 1
    assert asked.must("GET", f"/tasks?about={asked.ids['plate']}&kind=dust-coverage")["total"] == 1
    assert asked.must("GET", f"/tasks?about={new_id()}")["total"] == 0


def test_it_tells_how_far_it_is_and_ends_with_its_answer_on_the_record(asked):
    seen = []
    calculation = asked.work(
        0.25, lambda: seen.append(told(asked)), lambda: Answered(SEEN)
    )  # fmt: skip
    assert (seen[0]["state"], seen[0]["progress"]) == ("doing", 0.25)
    now = told(asked)
    assert (now["state"], now["progress"], now["turn"]) == ("done", 1, 1)
    assert now["result"]["covered"] == 0.5 and calculation.ended
    assert calculation.calculator == "dust-coverage" and calculation.given["um_per_pixel"] == 4
    (entry,) = Entry.objects.filter(kind="coverage")
    assert entry.text.startswith("Dust covers 50 %") and str(entry.plate_id) == asked.ids["plate"]


@pytest.mark.parametrize("state", ["waiting", "done"])
def test_the_same_work_asked_again_is_the_task_it_was(asked, state):
    if state == "done":
        asked.work(Answered(SEEN))
    for task in (asked.task, new_id()):
        status, again = asked.ask_for(task)
        assert (status, again["id"], again["state"]) == (202, asked.task, state)
    assert asked.ask_for(new_id(), um_per_pixel=5)[1]["state"] == "waiting"
    assert Task.objects.count() == 2


def test_done_before_and_asked_for_again_it_is_the_newest(asked):
    asked.work(Answered(SEEN))
    other = asked.ask_for(new_id(), um_per_pixel=5)[1]["id"]
    assert [each["id"] for each in asked.must("GET", "/tasks")["items"]] == [other, asked.task]
    assert asked.ask_for(new_id())[1]["id"] == asked.task
    assert [each["id"] for each in asked.must("GET", "/tasks")["items"]] == [asked.task, other]


def test_a_fault_is_told_in_the_form_of_every_fault_and_nothing_is_logged(asked):
    fault = {"code": "no-grains", "field": "image", "value": None, "allowed": "a photograph",
             "unit": "", "text": "No grains."}  # fmt: skip
    asked.work(Failed(fault))
    now = told(asked)
    assert (now["state"], now["fault"], counted()) == ("failed", fault, 0)
    assert asked.ask_for(new_id())[1]["state"] == "waiting"  # it may be tried again


@pytest.mark.parametrize("before", ["waiting", "doing"])
def test_stopped_it_is_let_go_and_nothing_is_logged(asked, before):
    def stop():
        assert asked.must("POST", f"/tasks/{asked.task}/stop")["state"] == "stopped"

    if before == "waiting":
        stop()
        calculation = asked.work()
        assert not calculation.ended  # it was never begun
    else:
        assert asked.work(0.2, stop, lambda: 0.4).ended
    assert (told(asked)["state"], counted()) == ("stopped", 0)


def test_what_has_ended_is_not_stopped(asked):
    asked.work(Answered(SEEN))
    assert asked.must("POST", f"/tasks/{asked.task}/stop")["state"] == "done"


def test_begun_again_elsewhere_the_first_loses_its_turn_and_it_is_made_once(asked):
    def taken_over():
        again = Calculation(0.5, Answered(SEEN))
        before, work_module.Child = work_module.Child, again
        work_on(asked.task)
        work_module.Child = before

    first = asked.work(0.3, taken_over, lambda: Answered({**SEEN, "covered": 0.9}))
    now = told(asked)
    assert first.ended and (now["turn"], now["result"]["covered"], counted()) == (2, 0.5, 1)


def test_an_answer_that_comes_after_the_turn_was_lost_is_dropped(asked):
    def lost():
        Task.objects.update(turn=7)
        return Answered(SEEN)

    asked.work(0.3, lost)
    assert (told(asked)["state"], counted()) == ("doing", 0)


@pytest.mark.parametrize("step", ["prepare", "keep"])
def test_what_fails_around_the_calculation_ends_the_task_with_a_word(asked, monkeypatch, step):
    def fail(task):
        raise OSError("the disk is gone")

    broken = dataclasses.replace(KINDS["dust-coverage"], **{step: fail})
    monkeypatch.setitem(KINDS, "dust-coverage", broken)
    asked.work(Answered(SEEN))
    now = told(asked)
    assert (now["state"], now["fault"]["code"], counted()) == ("failed", "broke-off", 0)


def test_what_lost_its_worker_again_and_again_is_given_up(asked):
    Task.objects.update(turn=work_module.MOST_TURNS, state="doing")
    assert not asked.work().ended  # it was never begun
    now = told(asked)
    assert (now["state"], now["fault"]["code"], counted()) == ("failed", "broke-off", 0)


def test_a_task_of_another_room_is_nowhere(asked, stranger):
    for method, path in (("GET", ""), ("POST", "/stop")):
        for room in (None, asked.room.id):
            assert stranger.ask(method, f"/tasks/{asked.task}{path}", room=room)[0] == 404
    assert stranger.must("GET", "/tasks")["total"] == 0
    assert told(asked)["state"] == "waiting"


def test_who_may_not_ask_may_not_stop(asked, monkeypatch):
    monkeypatch.setitem(
        KINDS, "dust-coverage", Kind("dust-coverage", "keep baths", lambda _: {}, lambda _: None)
    )
    printer = Person("printer-a", asked.room, "printer")
    assert printer.ask("POST", f"/tasks/{asked.task}/stop")[0] == 403
    assert told(asked)["state"] == "waiting"


def ended(child):
    share, told = 0.0, None
    while not isinstance(told, Answered | Failed):
        told = child.told_within(5)
        if isinstance(told, float):
            assert told > share
            share = told
    return share, told


@pytest.fixture
def dust(tmp_path):
    photo = draw(np.random.default_rng(5), goal=0.5, lighter=True, metal="zinc")
    return photo, {
        "image": photo.save(tmp_path / "dust.png"),
        "um_per_pixel": photo.um_per_pixel,
    }


def test_a_calculation_of_its_own_process_answers_as_within_this_one(dust):
    photo, given = dust
    with Child("dust-coverage", given) as child:
        share, told = ended(child)
    assert share > 0.5 and told.answer["covered"] == pytest.approx(photo.covered, abs=0.06)


def test_what_it_cannot_take_is_told_without_the_server_s_own_path(tmp_path):
    path = tmp_path / "no.png"
    path.write_bytes(b"no picture")
    with Child("dust-coverage", {"image": str(path), "um_per_pixel": 4}) as child:
        _, told = ended(child)
    assert told.fault["code"] == "not-a-picture" and str(tmp_path) not in str(told.fault)


def test_a_calculation_that_is_killed_says_that_it_broke_off(dust):
    with Child("dust-coverage", dust[1]) as child:
        child._process.kill()
        _, told = ended(child)
    assert told.fault["code"] == "broke-off"


def test_let_go_it_ends_at_once(dust):
    begun = time.monotonic()
    with Child("dust-coverage", dust[1]) as child:
        pass
    assert child._process.returncode is not None and time.monotonic() - begun < 2


@pytest.mark.django_db(transaction=True)
def test_two_who_ask_at_once_get_one_task(keeper):
    keeper.ids, keeper.picture = furnish(keeper), photograph(keeper)
    path = f"/plates/{keeper.ids['plate']}/coverage"
    answers = []

    def ask():
        body = {"id": new_id(), "picture": keeper.picture, "um_per_pixel": 4}
        answers.append(keeper.ask("POST", path, body))
        connection.close()

    both = [threading.Thread(target=ask) for _ in range(2)]
    for each in both:
        each.start()
    for each in both:
        each.join()
    assert [status for status, _ in answers] == [202, 202]
    assert len({told["id"] for _, told in answers}) == 1 == Task.objects.count()
