"""The door for the web server."""

from __future__ import annotations

import os

from a2wsgi import WSGIMiddleware
from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")
wsgi = get_wsgi_application()

from server.config.taken_in import TakenIn  # noqa: E402 - it reads the settings

HANDS = 8
"""Requests worked on at once in one process: as many as there are connections to the database."""
NO_LIMIT = 0
"""Chunks of an answer wait for a slow reader in memory, never a hand: see docs/decisions/0022."""

application = TakenIn(
    WSGIMiddleware(wsgi, workers=HANDS, send_queue_size=NO_LIMIT)  # type: ignore[arg-type]
)
