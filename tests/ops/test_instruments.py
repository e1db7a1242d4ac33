"""Simulated instruments: what they read, and how they speak when the line breaks."""

import json
import random
import subprocess
import sys
import urllib.request
from pathlib import Path

import pytest

from ops.instruments.simulated import INSTRUMENTS
from ops.instruments.speak import Refused, Speaker, every

ROOT = Path(__file__).parents[2]


class Line(Speaker):
    """A speaker whose line may be down; what comes through is kept."""

    def __init__(self):
        super().__init__("http://127.0.0.1:1", "x")
        self.down, self.calls = False, []

    def _send(self, readings):
        if self.down:
            return None
        self.calls.append(readings)
        return {"readings": [{"why": "", "believed": True} for _ in readings]}


def test_with_no_line_readings_wait_and_go_with_the_next_call():
    line = Line()
    line.down = True
    assert [line.say("temperature", 18.0 + i) for i in range(130)][-1] == []
    line.down = False
    assert len(line.say("temperature", 17.0)) == 131
    assert [len(call) for call in line.calls] == [60, 60, 11]
    ids = [each["id"] for call in line.calls for each in call]
    assert len(set(ids)) == 131
    assert [each["value"] for each in line.calls[0]][:2] == [18.0, 19.0]


def test_nothing_answers_is_no_line_and_loses_nothing():
    speaker = Speaker("http://127.0.0.1:1", "x")
    assert speaker.say("temperature", 18.0) == []
    assert len(speaker.waiting) == 1


@pytest.mark.parametrize("kind", INSTRUMENTS)
def test_each_simulated_instrument_reads_from_its_beginning_to_its_end(kind):
    make, begin, end = INSTRUMENTS[kind]
    read, rng = make(begin, end, 1.0), random.Random(3)
    first, last = read(0.0, rng)[1], read(3600.0, rng)[1]
    assert first == pytest.approx(begin, abs=1.5)
    assert last == pytest.approx(end, abs=1.5)


def test_readings_come_by_the_clock():
    assert len(list(every(0.01, 0.1))) == 11


def test_a_program_that_is_refused_says_why_and_ends(monkeypatch):
    import io
    from email.message import Message
    from urllib.error import HTTPError

    body = io.BytesIO(json.dumps({"error": {"text": "Nobody here knows that token."}}).encode())

    def refuse(*_, **__):
        raise HTTPError("http://x", 401, "no", Message(), body)

    monkeypatch.setattr(urllib.request, "urlopen", refuse)
    with pytest.raises(Refused, match="knows that token"):
        Speaker("http://x", "x").say("temperature", 18.0)


def test_the_command_names_its_flags():
    told = subprocess.run(
        [sys.executable, "-m", "ops.instruments", "--help"], cwd=ROOT, capture_output=True,
        text=True, check=True,
    ).stdout  # fmt: skip
    assert all(flag in told for flag in ("--bath", "--token", "--every", "--for"))
