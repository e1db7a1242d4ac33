"""The front end's tests stand on what the server says: the kept answers have its form."""

import json
import time

from django.test import Client

from server.accounts.models import User
from server.demo.room import ROOM_ID, fresh
from tests.make_web_room import KEPT, answers, form_of

BACKEND = "django.contrib.auth.backends.ModelBackend"


def test_the_kept_answers_have_the_form_of_those_given_now(db):
    fresh(time.time())
    client = Client()
    client.force_login(User.objects.get(sign_in="keeper@lantern-quay"), backend=BACKEND)
    kept, now = json.loads(KEPT.read_text()), answers(client, str(ROOM_ID))
    runs = {path for path in kept.keys() | now.keys() if "/runs/" in path}
    assert kept.keys() - runs == now.keys() - runs, "run: python -m tests.make_web_room"
    for path in kept.keys() & now.keys():
        assert keys_of(kept[path]) == keys_of(now[path]), f"{path}: python -m tests.make_web_room"


def keys_of(answer):
    """The names that may stand in an answer, whatever is empty in it today."""
    form = form_of(answer)
    return sorted(form) if isinstance(form, dict) else form
