"""The worker as it is started: killed in a count, two at once, stopped with the house."""

import io
import os
import signal
import subprocess
import time
import uuid
from pathlib import Path

import numpy as np
import pytest
from PIL import Image

from server.demo.room import make_id
from tests.ops.house import ROOM, children
from tests.simulator.grain import draw

PLATE = f"{ROOM}/plates/{make_id('Lantern Row')}"
SOON_SECONDS = 60


@pytest.fixture(scope="module")
def photograph(house):
    """A photograph that takes two or three seconds to count."""
    return sent(house, 1500)


def sent(house, side):
    photo, out, ids = draw(np.random.default_rng(5), goal=0.5), io.BytesIO(), str(uuid.uuid4())
    Image.fromarray(np.tile(photo.pixels, (5, 5, 1))[:side, :side]).save(out, "PNG")
    house.upload(f"{ROOM}/files", ids, out.getvalue())
    return ids


def ask_for(house, photograph, um_per_pixel):
    body = {"id": str(uuid.uuid4()), "picture": photograph, "um_per_pixel": um_per_pixel}
    return house.ask(f"{PLATE}/coverage", body)["id"]


def until(found):
    deadline = time.monotonic() + SOON_SECONDS
    while not (seen := found()):
        assert time.monotonic() < deadline, seen
        time.sleep(0.05)
    return seen


def task_when(house, task, holds):
    def look():
        now = house.ask(f"{ROOM}/tasks/{task}")
        return now if holds(now) else None

    return until(look)


def counted(house):
    entries = house.ask(f"{ROOM}/record?plate={PLATE.split('/')[-1]}&search=coverage")
    return entries["total"]


def under_way(now):
    return now["state"] == "doing" and now["progress"] > 0


def ended(now):
    return now["state"] in ("done", "failed")


def test_killed_in_a_count_it_is_counted_once_and_the_progress_goes_on(house, photograph):
    before, first = counted(house), house.worker()
    task = ask_for(house, photograph, 4)
    task_when(house, task, under_way)
    os.kill(first, signal.SIGKILL)
    again = task_when(house, task, lambda now: now["turn"] == 2 and under_way(now))
    assert again["result"] is None and counted(house) == before
    done = task_when(house, task, ended)
    assert (done["state"], done["turn"], counted(house)) == ("done", 2, before + 1)
    assert house.worker() not in (None, first)


def test_two_workers_never_take_one_task(house, photograph):
    before = counted(house)
    worker = house.worker()
    facts = Path(f"/proc/{worker}")
    command, spoken = ((facts / each).read_bytes().split(b"\0") for each in ("cmdline", "environ"))
    env = dict(pair.split(b"=", 1) for pair in spoken if b"=" in pair)
    second = subprocess.Popen(command[:-1], env=env, cwd=(facts / "cwd").readlink())
    try:
        tasks = [ask_for(house, photograph, 5 + n / 10) for n in range(4)]
        at_once = set()
        while not all(ended(house.ask(f"{ROOM}/tasks/{task}")) for task in tasks):
            at_once.add(sum(len(children(each)) for each in (worker, second.pid)))
            time.sleep(0.05)
    finally:
        second.terminate()
        second.wait(10)
    told = [house.ask(f"{ROOM}/tasks/{task}") for task in tasks]
    assert [(each["state"], each["turn"]) for each in told] == [("done", 1)] * 4
    assert counted(house) == before + 4
    assert max(at_once) == 2, "the second worker had nothing to do"


def test_stopped_the_calculation_ends_within_two_seconds(house, photograph):
    before, worker = counted(house), house.worker()
    task = ask_for(house, photograph, 7)
    task_when(house, task, under_way)
    begun = time.monotonic()
    assert house.ask(f"{ROOM}/tasks/{task}/stop", {})["state"] == "stopped"
    until(lambda: not children(worker))
    assert time.monotonic() - begun < 2
    assert counted(house) == before


def test_the_house_stops_in_the_middle_of_a_count_and_goes_on_with_it(house):
    before = counted(house)
    task = ask_for(house, sent(house, 2500), 8)
    task_when(house, task, under_way)
    house.keen("stop")
    house.start()
    done = task_when(house, task, ended)
    # Its second turn; its first where the worker was done before it had to let go.
    assert (done["state"], counted(house)) == ("done", before + 1) and done["turn"] <= 2
