"""Works in tests of the server: kept, printed, told."""

from django.core.files.uploadedfile import SimpleUploadedFile

from tests.server.conftest import new_id, picture


def plate_of(keeper, name, **more):
    made = {"id": new_id(), "name": name, "metal": "copper", "route": "aquatint",
            "thickness_mm": 1.2, "width_mm": 200, "height_mm": 150, **more}  # fmt: skip
    keeper.must("POST", "/plates", made)
    return made["id"]


def shown(person):
    return person.must("GET", person.at)


def keep(person, **more):
    told = shown(person)
    return person.must("PUT", person.at, {
        "version": told["version"], "name": told["name"], "layers": person.layers, "size": 4,
        **more,
    })  # fmt: skip


def printed(device, person, at_s, layers=None, **said):
    """One sheet with its layers, ten minutes apart; return its id and the events."""
    begun = device.event("sheet-begun", at_s * 1000)
    events = [begun]
    for n, layer in enumerate(layers or person.layers):
        events.append(device.event(
            "layer-printed", (at_s + 600 * n + 60) * 1000, sheet=begun["id"], layer=layer["id"],
            name=layer["name"], plate=layer.get("plate"), **said,
        ))  # fmt: skip
    return begun["id"], events


def row(person, sheet):
    return next(each for each in shown(person)["rows"] if each["sheet"] == sheet)


def approve(person, sheet, at_s=-5000):
    person.phone.send(person.phone.event("sheet-approved", at_s * 1000, sheet=sheet, by="artist"))


def uploaded(person):
    made = new_id()
    form = {"id": made, "file": SimpleUploadedFile("p.jpg", picture(size=(240, 180)))}
    assert person.client.post(f"/api/rooms/{person.room.id}/files", form).status_code == 201
    return made
