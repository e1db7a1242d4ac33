"""Large calculations have a process of their own, one at a time, and a limit."""

import json
import threading

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile

import server.calc.apart as apart
from core.budget import Budget
from core.calculator import Calculator
from core.calculators import REGISTRY
from server.replies.errors import BadValue, Throttled
from tests.server.conftest import picture

URL = "/api/calc/dust-coverage"


def ask(keeper, content):
    form = {"image": SimpleUploadedFile("p.png", content), "um_per_pixel": 4}
    reply = keeper.client.post(URL, form)
    return reply.status_code, reply.json()


def test_a_photograph_of_no_grains_is_told_so_and_its_path_is_not(keeper):
    status, reply = ask(keeper, picture("PNG", (200, 200)))
    assert (status, reply["error"]["code"]) == (422, "no-grains")
    status, reply = ask(keeper, b"no picture at all")
    assert (status, reply["error"]["code"]) == (422, "not-a-picture")
    assert reply["error"]["value"] is None


def test_a_large_input_has_a_process_of_its_own(keeper, monkeypatch):
    ran = []
    monkeypatch.setattr("server.calc.api.run_apart", lambda name, given: ran.append(name) or _fit())
    patches = [{"seconds": 20 + 15.5 * n, "lstar": 90 - 0.3 * n} for n in range(200)]
    body = {"patches": patches, "conditions": {"mordant": "copper-ferric"}}
    reply = keeper.client.post(
        "/api/calc/fit-strip", json.dumps(body) + " " * 30_000, content_type="application/json"
    )
    assert reply.status_code == 200 and ran == ["fit-strip"]


def _fit():
    patches = [{"seconds": s, "lstar": v} for s, v in ((30, 86), (120, 69), (480, 35))]
    given = {"patches": patches, "conditions": {"mordant": "copper-ferric"}}
    return apart.run_apart("fit-strip", given)


def test_a_calculation_that_takes_too_long_is_ended(monkeypatch):
    row = REGISTRY["fit-strip"]
    slow = Calculator(row.name, row.where, row.summary, Budget(seconds=1))
    monkeypatch.setattr(apart, "calculator", lambda name: slow)
    monkeypatch.setattr(apart, "WALL_OVER_BUDGET", 0.01)
    with pytest.raises(BadValue) as error:
        _fit()
    assert (error.value.body.code, error.value.body.unit) == ("too-much", "s")


def test_two_at_once_take_turns_and_nobody_waits_for_ever(monkeypatch):
    monkeypatch.setattr(apart, "WAIT_SECONDS", 0.1)
    assert apart._TURN.acquire(blocking=False)
    try:
        with pytest.raises(Throttled) as error:
            _fit()
    finally:
        apart._TURN.release()
    assert error.value.again_seconds == apart.AGAIN_SECONDS
    monkeypatch.setattr(apart, "WAIT_SECONDS", 30)
    answers = []
    threads = [threading.Thread(target=lambda: answers.append(_fit())) for _ in range(2)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join(60)
    assert len(answers) == 2 and answers[0] == answers[1]
