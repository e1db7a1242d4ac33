"""Films are made as tasks: a dot screen, the film of a test, a step chart, a positive."""

import io

import numpy as np
import pytest
from PIL import Image

from server.exposures.models import Chart
from server.tasks.actions.work import work_on
from server.tasks.models import Task
from tests.core.polymer.test_correction_curve import chart as chart_steps
from tests.server.conftest import furnish, new_id
from tests.server.studies import png, upload


@pytest.fixture
def room(keeper):
    keeper.ids = furnish(keeper)
    keeper.lamp = new_id()
    keeper.must("PUT", "/lamps", {"id": keeper.lamp, "name": "Six tubes", "kind": "tubes"})
    return keeper


def made(person, path, **given):
    """Ask for a film and let it be made; return the task as it is told."""
    task = person.must("POST", path, {"id": new_id(), **given})
    work_on(task["id"])
    return person.must("GET", f"/tasks/{task['id']}")


def picture_of(person, task, number=1):
    url = f"/api/rooms/{person.room.id}/tasks/{task['id']}/files/{number}"
    reply = person.client.get(url)
    assert reply.status_code == 200, number
    return Image.open(io.BytesIO(b"".join(reply.streaming_content)))


def scene():
    y, x = np.mgrid[0:600, 0:800] / 800
    return np.rint(np.clip(140 + 110 * np.sin(7 * x) * np.cos(5 * y), 0, 255)).astype(np.uint8)


def test_a_dot_screen_is_made_and_fetched(room):
    given = {"width_mm": 20, "height_mm": 15, "dpi": 1440, "open_share": 0.4}
    task = made(room, "/dot-screens", **given)
    assert task["state"] == "done" and task["result"]["path"] == "screen.png"
    picture = picture_of(room, task)
    assert picture.size == (1134, 850) and picture.mode == "1"
    assert np.asarray(picture).mean() == pytest.approx(0.4, abs=0.006)


def test_a_screen_that_no_film_can_draw_ends_in_words(room):
    task = made(room, "/dot-screens", width_mm=20, height_mm=15, dpi=300, dot_um=40)
    assert task["state"] == "failed" and "cannot draw it" in task["fault"]["text"]


def planned(person):
    given = {"id": new_id(), "name": "First", "lamp": person.lamp,
             "planned": {"screen_steps": 3, "image_steps": 4}}  # fmt: skip
    return person.must("POST", "/exposure-tests", given)["id"]


def test_a_tests_film_holds_its_four_tones_in_every_patch(room):
    task = made(room, f"/exposure-tests/{planned(room)}/film", what="test", forms=["png"])
    film = np.asarray(picture_of(room, task))
    assert task["result"]["films"] == [0, 0.05, 0.95, 1]
    row = 1 - film[40, [round((k + 0.5) * film.shape[1] / 16) for k in range(16)]] / 65535
    assert row == pytest.approx([0, 0.05, 0.95, 1] * 4, abs=1e-3)


def test_a_step_chart_is_as_large_as_wanted(room):
    path = f"/exposure-tests/{planned(room)}/film"
    task = made(room, path, what="chart", steps=11, width_mm=110, height_mm=20, forms=["png"])
    assert picture_of(room, task).size == (3118, 567) and len(task["result"]["films"]) == 11


def test_a_film_of_a_test_made_elsewhere_is_not_known(room):
    given = {"id": new_id(), "name": "Elsewhere", "lamp": room.lamp}
    test = room.must("POST", "/exposure-tests", given)["id"]
    asked = {"id": new_id(), "what": "test"}
    status, reply = room.ask("POST", f"/exposure-tests/{test}/film", asked)
    assert (status, reply["error"]["code"]) == (422, "not-planned")
    assert room.ask("POST", f"/exposure-tests/{test}/film", asked | {"what": "chart"})[0] == 202


def charted(person, steps=None):
    steps = chart_steps(lambda x: 93 - 68 * x**0.7, 21) if steps is None else steps
    given = {"id": new_id(), "name": "21 steps", "lamp": person.lamp, "screen_seconds": 80,
             "image_seconds": 165, "steps": steps}  # fmt: skip
    return person.must("POST", "/charts", given)["id"]


def test_a_positive_prints_the_greys_of_its_picture(room):
    """200 × 150 mm: a film by the chart's curve, with small pictures of what becomes of it."""
    sent = upload(room, png(scene()))
    path = f"/plates/{room.ids['plate']}/positive"
    plain, fitted = (
        made(room, path, picture=sent, chart=chart, dpi=150, forms=["png", "pdf"])
        for chart in (None, charted(room))
    )
    assert fitted["state"] == "done" and not fitted["result"]["mirrored"]
    assert [each["path"] for each in fitted["result"]["files"]] == ["positive.png", "positive.pdf"]
    names = [each["name"] for each in fitted["result"]["previews"]]
    assert names == ["drawn", "without", "with", "film"]
    film = np.asarray(picture_of(room, fitted))
    assert film.shape == (886, 1181) and film.dtype == np.uint16
    # a plate that prints its middle too dark gets less film there
    assert film.mean() > np.asarray(picture_of(room, plain)).mean() + 2000
    shown = {name: np.asarray(picture_of(room, fitted, 3 + k)) for k, name in enumerate(names)}
    drawn = np.corrcoef(shown["drawn"].ravel(), shown["with"].ravel())[0, 1]
    assert drawn > 0.999 and shown["without"].mean() < shown["with"].mean()


def test_a_chart_without_a_curve_corrects_nothing(room):
    chart = charted(room, [])
    given = {"id": new_id(), "picture": upload(room, png(scene())), "chart": chart}
    status, reply = room.ask("POST", f"/plates/{room.ids['plate']}/positive", given)
    assert (status, reply["error"]["code"], reply["error"]["field"]) == (422, "no-curve", "chart")
    assert Chart.objects.get().curve is None and Task.objects.count() == 0


def test_a_picture_in_inks_ends_in_words(room):
    out = io.BytesIO()
    Image.new("CMYK", (400, 300), (10, 20, 30, 40)).save(out, "JPEG")
    sent = upload(room, out.getvalue(), "inks.jpg")
    task = made(room, f"/plates/{room.ids['plate']}/positive", picture=sent, dpi=150)
    assert task["state"] == "failed" and task["fault"]["code"] == "cmyk"


def test_the_same_film_asked_for_again_is_the_one_it_was(room):
    given = {"width_mm": 20, "height_mm": 15}
    first = made(room, "/dot-screens", **given)
    again = room.must("POST", "/dot-screens", {"id": new_id(), **given})
    assert again["id"] == first["id"] and Task.objects.count() == 1
