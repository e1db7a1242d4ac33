"""The API: every router in one place."""

from __future__ import annotations

from server.accounts.session import DoorAuth
from server.baths.api import router as baths
from server.calc.api import router as calc
from server.courses.api import router as courses
from server.editions.api import router as editions
from server.exposures.api import router as exposures
from server.files.api import router as files
from server.instruments.api import readings
from server.instruments.api import router as instruments
from server.marks.api import router as marks
from server.members.api import links
from server.members.api import router as members
from server.members.session import router as session
from server.overview.api import router as overview
from server.overview.baths_api import router as bath_pages
from server.overview.study_api import router as studies
from server.proofs.api import router as proofs
from server.record.api import router as record
from server.replies.errors import HouseAPI, install
from server.replies.json_text import HouseParser, HouseRenderer
from server.runs.api import clock
from server.runs.api import router as runs
from server.runs.strips_api import router as strips_at_the_bath
from server.shopbook.api import router as shopbook
from server.strips.api import router as strips
from server.strips.checks_api import router as checks
from server.tasks.api import router as tasks
from server.timers.api import router as timers
from server.works.api import router as works

api = HouseAPI(
    title="Keen Bite",
    version="1",
    description="Plates from bare metal to the last impression. Every room's things are under "
    "/api/rooms/{room}/.",
    auth=DoorAuth(),
    openapi_url="/schema",
    docs_url="/docs",
    urls_namespace="api",
    parser=HouseParser(),
    renderer=HouseRenderer(),
)
install(api)

IN_A_ROOM = "/rooms/{uuid:room}"

api.add_router("", session)
api.add_router("", links)
api.add_router("", clock)
api.add_router("", calc)
api.add_router("", members)
api.add_router("", readings)
for router in (
    overview,
    studies,
    courses,
    works,
    strips,
    bath_pages,
    baths,
    checks,
    instruments,
    runs,
    strips_at_the_bath,
    timers,
    exposures,
    marks,
    proofs,
    editions,
    files,
    tasks,
    shopbook,
    record,
):
    api.add_router(IN_A_ROOM, router)
