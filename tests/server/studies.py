"""A plate with its value study, for the tests: four greys and a letter with a left and a right."""

import io
import uuid

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image, ImageDraw

from server.studies.field import field_at_once
from server.studies.models import Study
from server.tasks.actions.work import work_on
from tests.server.conftest import new_id

SIZE_PX = (1000, 750)
"""Of a plate of 200 × 150 mm: 5 px a mm."""
GREYS = (250, 170, 90, 10)


def drawn():
    """Four bands of grey, and an F at the top left that is white."""
    picture = Image.new("L", SIZE_PX)
    pen = ImageDraw.Draw(picture)
    for i, grey in enumerate(GREYS):
        pen.rectangle([0, i * 188, SIZE_PX[0], (i + 1) * 188], fill=grey)
    for box in ((60, 600, 90, 740), (60, 600, 150, 630), (60, 660, 130, 690)):
        pen.rectangle(box, fill=250)
    return np.asarray(picture)


def png(pixels):
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    return out.getvalue()


def upload(person, data, name="study.png"):
    """Send a picture; return its id."""
    picture = new_id()
    form = {"id": picture, "file": SimpleUploadedFile(name, data)}
    reply = person.client.post(f"/api/rooms/{person.room.id}/files", form)
    assert reply.status_code == 201, reply.content
    return picture


def sketch(picture, **more):
    return {"picture": picture, "width_mm": 200, "height_mm": 150, **more}


def study_body(ids, **more):
    return {
        "id": ids["study"], "strip": ids["strip"], "bath": ids["bath"],
        "sketches": [sketch(ids["sketch"])], "count": 4, **more,
    }  # fmt: skip


def study(person, ids, **more):
    """Give the plate its study, its greys made at once; return what the server says of it."""
    ids.setdefault("study", new_id())
    ids.setdefault("sketch", upload(person, png(drawn())))
    person.must("PUT", f"/plates/{ids['plate']}/study", study_body(ids, **more))
    field_at_once(Study.objects.get(id=ids["study"]))
    return told(person, ids)


def told(person, ids):
    return person.must("GET", f"/plates/{ids['plate']}/study")


def change(person, ids, **more):
    """Change the study as it is now; return what the server says of it."""
    now = told(person, ids)
    return person.must(
        "PUT", f"/plates/{ids['plate']}/study", study_body(ids, version=now["version"], **more)
    )


def finished_maps(person, ids, **more):
    """Ask for the maps and draw them; return the task's id."""
    body = {"id": new_id(), "form": "svg", **more}
    task = person.must("POST", f"/plates/{ids['plate']}/study/maps", body)["id"]
    work_on(uuid.UUID(task))
    return task
