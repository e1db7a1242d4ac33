"""``manage.py worker``: work on tasks until told to stop; as many as wanted, anywhere."""

from __future__ import annotations

import asyncio
from typing import Any, cast

from django.core.management.base import BaseCommand
from procrastinate.contrib.django import app
from procrastinate.contrib.django.django_connector import DjangoConnector

from server.tasks.queue import QUEUE
from server.tasks.stalled import begin_again_what_stalled

BEAT_SECONDS, LOST_SECONDS = 1.0, 4.0
"""A worker that has not said for so long that it lives has lost its task."""


class Command(BaseCommand):
    """Take tasks from the queue, one at a time."""

    help = __doc__ or ""

    def handle(self, *args: Any, **options: Any) -> None:
        """Work until SIGTERM."""
        connector = cast(DjangoConnector, app.connector).get_worker_connector()
        with app.replace_connector(connector):
            asyncio.run(_work())


async def _work() -> None:
    async with app.open_async():
        watch = asyncio.create_task(begin_again_what_stalled(LOST_SECONDS))
        try:
            await app.run_worker_async(
                queues=[QUEUE],
                concurrency=1,
                delete_jobs="always",
                fetch_job_polling_interval=BEAT_SECONDS,
                update_heartbeat_interval=BEAT_SECONDS,
                stalled_worker_timeout=LOST_SECONDS,
                shutdown_graceful_timeout=BEAT_SECONDS,
            )
        finally:
            watch.cancel()
