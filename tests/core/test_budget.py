"""A calculation past its budget ends with a word."""

import subprocess
import sys
import time

import pytest
from PIL import Image

from core.budget import Budget, too_much
from core.calculators import REGISTRY
from core.errors import CoreError

GREEDY = """
import sys
from core.budget import Budget, within
from core.errors import CoreError
try:
    with within(Budget(seconds=1, megabytes=300)):
        {work}
except CoreError as error:
    print(error.code, error.unit, error.allowed)
"""


def run(work):
    begun = time.monotonic()
    done = subprocess.run(
        [sys.executable, "-c", GREEDY.format(work=work)], capture_output=True, text=True,
        check=False, timeout=60,
    )  # fmt: skip
    assert done.returncode == 0, done.stderr
    return done.stdout.split(), time.monotonic() - begun


def test_too_much_time_ends_and_says_so():
    said, took = run("while True: pass")
    assert said[:2] == ["too-much", "s"] and took < 30


def test_too_much_memory_ends_and_says_so():
    said, _ = run("held = [bytes(20_000_000) for _ in range(100)]")
    assert said[:2] == ["too-much", "MB"]


def test_what_keeps_within_its_budget_is_left_alone():
    assert run("print('done')")[0] == ["done"]


def test_every_calculator_has_a_budget_a_machine_can_give():
    for each in REGISTRY.values():
        seconds, megabytes = (300, 1500) if each.reads_files else (60, 600)
        assert 1 <= each.budget.seconds <= seconds, each.name
        assert each.budget.megabytes <= megabytes, each.name


@pytest.mark.parametrize(("what", "unit"), [("time", "s"), ("memory", "MB")])
def test_the_error_names_limit_and_unit(what, unit):
    error = too_much(Budget(seconds=7, megabytes=70), what)
    assert isinstance(error, CoreError)
    assert (error.unit, error.allowed) == (unit, "at most 7" if unit == "s" else "at most 70")


def test_the_command_line_is_held_to_it(tmp_path):
    """A photograph within the limit of pixels, counted with a tenth of the memory it needs."""
    path = tmp_path / "p.png"
    Image.new("RGB", (6000, 6000)).save(path)
    script = (
        "import sys, core.calculators as c, dataclasses\n"
        "from core.budget import Budget\nfrom core.cli import main\n"
        "row = c.REGISTRY['dust-coverage']\n"
        "c.REGISTRY['dust-coverage'] = dataclasses.replace(row, budget=Budget(20, 120))\n"
        "sys.exit(main(['dust-coverage'], sys.stdin, sys.stdout, sys.stderr))"
    )
    done = subprocess.run(
        [sys.executable, "-c", script], input=f'{{"image": "{path}", "um_per_pixel": 4}}',
        capture_output=True, text=True, check=False, timeout=60,
    )  # fmt: skip
    assert done.returncode == 2 and '"too-much"' in done.stderr
