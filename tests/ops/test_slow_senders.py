"""However many are slow, none is in the way of those who are not."""

import http.client
import json
import socket
import time

import pytest

from tests.ops.house import ROOM

MANY = 200
HEADERS = b"GET /api/clock HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: "
BODY = (
    b"POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\n"
    b"Content-Length: 500\r\n\r\n{"
)
SOON_SECONDS, LET_GO_SECONDS = 5, 30


def slow(house, said, many=MANY):
    sockets = []
    for _ in range(many):
        made = socket.create_connection(("127.0.0.1", house.port), 5)
        made.sendall(said)
        made.setblocking(False)
        sockets.append(made)
    return sockets


def ended(made):
    """Whether the server has let go, and what it said before."""
    try:
        return made.recv(4096)
    except BlockingIOError:
        return None
    except OSError:
        return b""


@pytest.mark.parametrize("said", [HEADERS, BODY], ids=["headers", "bodies"])
def test_two_hundred_slow_senders_disturb_nobody_and_are_let_go(house, said):
    sockets = slow(house, said)
    for _ in range(8):
        begun = time.monotonic()
        house.ask(f"{ROOM}/bench")
        assert time.monotonic() - begun < SOON_SECONDS
    left, answers, deadline = sockets, [], time.monotonic() + LET_GO_SECONDS
    while left and time.monotonic() < deadline:
        told = {made: ended(made) for made in left}
        answers += [each for each in told.values() if each]
        left = [made for made in left if told[made] is None]
        time.sleep(0.3)
    for made in sockets:
        made.close()
    assert not left
    if said is BODY:
        assert len(answers) == MANY and all(b"408" in each for each in answers)


def test_readers_that_take_nothing_hold_no_hand(house):
    asked = b"GET / HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n" * 30
    sockets = slow(house, asked)
    begun = time.monotonic()
    house.ask(f"{ROOM}/bench")
    assert time.monotonic() - begun < 2 * SOON_SECONDS
    for made in sockets:
        made.close()


@pytest.mark.parametrize(
    ("headers", "status", "code"),
    [
        ({"Transfer-Encoding": "chunked"}, 411, "no-length"),
        ({"Content-Length": "999999999"}, 413, "too-large"),
    ],
)
def test_a_body_that_nobody_would_read_is_not_waited_for(house, headers, status, code):
    line = http.client.HTTPConnection("127.0.0.1", house.port, timeout=SOON_SECONDS)
    line.putrequest("POST", "/api/session")
    line.putheader("Content-Type", "application/json")
    for name, value in headers.items():
        line.putheader(name, value)
    line.endheaders()
    reply = line.getresponse()
    assert reply.status == status
    assert json.loads(reply.read())["error"]["code"] == code


def test_a_sender_who_leaves_in_the_middle_is_forgotten(house):
    for made in slow(house, BODY, 20):
        made.close()
    assert house.ask("/api/clock")["now_ms"] > 0
