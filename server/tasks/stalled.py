"""Jobs whose worker was killed go back into the queue."""

from __future__ import annotations

import asyncio
import contextlib

from procrastinate.contrib.django import app
from procrastinate.exceptions import ProcrastinateException

LOOK_SECONDS = 1.0


async def begin_again_what_stalled(lost_seconds: float) -> None:
    """Put jobs back whose worker has been silent for ``lost_seconds`` [s], until cancelled."""
    while True:
        with contextlib.suppress(ProcrastinateException):  # another worker put it back first
            for job in await app.job_manager.get_stalled_jobs(seconds_since_heartbeat=lost_seconds):
                await app.job_manager.retry_job(job)
        await asyncio.sleep(LOOK_SECONDS)
