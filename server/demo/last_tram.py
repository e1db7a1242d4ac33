"""Last Tram: a monotype with ghosts, a stencil of lit windows over them."""

from __future__ import annotations

import io
import uuid
from datetime import datetime, timedelta

from PIL import Image, ImageDraw, ImageFilter

from server.accounts.models import User
from server.demo.done_here import done_here
from server.demo.store import keep_drawn
from server.demo.tablet import MakeId, WorkTablet
from server.demo.when import at_work
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.works.actions.ask import ask_for_preview, ask_for_stencils, ask_for_tracing
from server.works.actions.keep import begin_work, keep_work
from server.works.models import Layering
from server.works.schemas import (
    AskIn,
    LayerDecided,
    StencilsAsk,
    TracingAsk,
    WorkBegin,
    WorkIn,
)

NAME = "Last Tram"
SIZE_MM = (240.0, 160.0)
READ = ((31.0, 55.5, 72.0), (34.0, 57.0))
"""L* of each pull as it was read: the first with two ghosts, the second with one so far."""
_PX_PER_MM = 4
LAMP = (222, 168, 70)
TAIL = (176, 74, 54)


def load_last_tram(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load the work, two inkings with their ghosts, the stencils and what was traced."""
    lights = keep_drawn(user, room, make_id("tram lights"), "windows.png", tram_lights())
    layers = _layers(room, user, make_id)
    work = _work(room, user, layers, lights, now, make_id)
    tablet = WorkTablet(user, work, NAME, now, make_id)
    _sheets(tablet, layers, now)
    done_here(ask_for_preview(user, room.id, work.id, AskIn(id=make_id("tram preview"))))
    done_here(ask_for_stencils(user, room.id, work.id, StencilsAsk(
        id=make_id("tram stencils"), picture=lights, colours=2,
    )))  # fmt: skip
    done_here(ask_for_tracing(user, room.id, work.id, TracingAsk(
        id=make_id("tram tracing"), layer=layers[2].id,
    )))  # fmt: skip


def _layers(room: Room, user: User, make_id: MakeId) -> list[LayerDecided]:
    lines = keep_drawn(user, room, make_id("tram lines"), "tram.png", tram_lines())
    field = keep_drawn(user, room, make_id("tram field"), "night.png", tram_night())
    mask = keep_drawn(user, room, make_id("tram mask"), "mask.png", tram_lights(dark=True))
    return [
        LayerDecided(
            id=make_id("tram night"), name="Night", kind="monotype-wiped", picture=field,
            open_ink="oil-retarded", covers=0.8,
        ),
        LayerDecided(
            id=make_id("tram windows"), name="Windows", kind="stencil", ink_lab=(74.0, 12.0, 55.0),
            ink_class="half", picture=mask, covers=0.06, width_mm=190, height_mm=60,
        ),
        LayerDecided(
            id=make_id("tram wires"), name="Wires", kind="monotype-traced", picture=lines,
            covers=0.05,
        ),
    ]  # fmt: skip


def _work(
    room: Room, user: User, layers: list[LayerDecided], drawing: uuid.UUID, now: datetime,
    make_id: MakeId,
) -> Layering:  # fmt: skip
    wide, high = SIZE_MM
    begun, at = WorkBegin(id=make_id(NAME), name=NAME, width_mm=wide, height_mm=high), at_work(now)
    with told_from(at - timedelta(days=9), timedelta(minutes=25)):
        work = begin_work(user, room.id, begun)
        work = keep_work(user, room.id, work.id, WorkIn(
            version=work.version, name=NAME, width_mm=wide, height_mm=high, layers=layers,
            sheet_width_mm=380, sheet_height_mm=280, size=6, ghosts=2, drawing=drawing,
        ))  # fmt: skip
    Layering.objects.filter(id=work.id).update(created_at=at - timedelta(days=9))
    work.refresh_from_db()
    return work


def _sheets(tablet: WorkTablet, layers: list[LayerDecided], now: datetime) -> None:
    """Pull a first with two ghosts, roll the windows over them; pull again today."""
    night, windows, wires = layers
    first = _pulls(tablet, night, at_work(now) - timedelta(days=6, hours=2), READ[0])
    for n, sheet in enumerate(first):
        at = at_work(now) - timedelta(days=5, hours=3) + timedelta(minutes=12 * n)
        tablet.log("layer-printed", at, sheet=str(sheet), layer=str(windows.id), name="Windows",
                   damp="redamped")  # fmt: skip
    tablet.log("signed", at_work(now) - timedelta(days=2), pull=str(first[0]))
    _pulls(tablet, night, now - timedelta(hours=2), READ[1])
    tablet.log("pieces-followed", now - timedelta(minutes=30), layer=str(wires.id),
               pieces=[1, 2, 3, 4])  # fmt: skip


def _pulls(
    tablet: WorkTablet, layer: LayerDecided, begin: datetime, lstars: tuple[float, ...]
) -> list[uuid.UUID]:
    """Ink once, pull as often as is read."""
    inking = tablet.log("layer-inked", begin, layer=str(layer.id), name=layer.name,
                        ink_name="Lamp black")  # fmt: skip
    sheets = []
    for n, lstar in enumerate(lstars):
        at = begin + timedelta(minutes=25 + 6 * n)
        sheet = tablet.log("sheet-begun", at, sheet_mm=[380, 280])
        tablet.log("layer-printed", at + timedelta(minutes=3), sheet=str(sheet),
                   layer=str(layer.id), name=layer.name, inking=str(inking))  # fmt: skip
        tablet.log("pull-read", at + timedelta(minutes=50), pull=str(sheet),
                   areas=[{"name": "whole", "lstar": lstar, "spread": 1.0}])  # fmt: skip
        sheets.append(sheet)
    return sheets


def tram_lines() -> bytes:
    """Return the tram in lines, black on white, as a PNG."""
    picture, pen = _sheet("L", 255)
    scale = _PX_PER_MM
    pen.rectangle([30 * scale, 60 * scale, 205 * scale, 122 * scale], outline=0, width=4)
    pen.line([(30 * scale, 78 * scale), (205 * scale, 78 * scale)], fill=0, width=3)
    for x in range(38, 200, 24):
        pen.rectangle([x * scale, 82 * scale, (x + 17) * scale, 102 * scale], outline=0, width=3)
    for x in (62, 172):
        pen.ellipse([(x - 9) * scale, 116 * scale, (x + 9) * scale, 134 * scale], outline=0,
                    width=4)  # fmt: skip
    pen.line([(0, 30 * scale), (240 * scale, 18 * scale)], fill=0, width=3)
    pen.line([(110 * scale, 60 * scale), (128 * scale, 24 * scale)], fill=0, width=4)
    for y, tilt in ((136, 8), (146, 12)):
        pen.line([(0, y * scale), (240 * scale, (y + tilt) * scale)], fill=0, width=3)
    pen.line([(14 * scale, 150 * scale), (14 * scale, 20 * scale)], fill=0, width=5)
    return _png(picture)


def tram_night() -> bytes:
    """Return the night as it is wiped: ink all over, lights and wet rails wiped out, as a PNG."""
    picture, pen = _sheet("L", 70)
    scale = _PX_PER_MM
    for r, grey in ((64, 92), (46, 120), (28, 160), (15, 215)):
        pen.ellipse([(15 - r) * scale, (25 - r) * scale, (15 + r) * scale, (25 + r) * scale],
                    fill=grey)  # fmt: skip
    pen.rectangle([30 * scale, 60 * scale, 205 * scale, 122 * scale], fill=44)
    for x in range(38, 200, 24):
        pen.rectangle([x * scale, 82 * scale, (x + 17) * scale, 102 * scale], fill=244)
    for y, tilt in ((136, 8), (146, 12)):
        pen.line([(0, y * scale), (240 * scale, (y + tilt) * scale)], fill=190, width=10)
    for x in range(30, 210, 9):
        pen.line([(x * scale, 126 * scale), ((x - 4) * scale, 158 * scale)], fill=112, width=5)
    soft = picture.filter(ImageFilter.GaussianBlur(5))
    return _png(soft)


def tram_lights(*, dark: bool = False) -> bytes:
    """Return the lit windows and the tail lamps in flat colours on white, or dark, as a PNG."""
    lamp, tail = ((20, 20, 20),) * 2 if dark else (LAMP, TAIL)
    picture, pen = _sheet("RGB", (255, 255, 255))
    scale = _PX_PER_MM
    for x in range(38, 200, 24):
        pen.rectangle([x * scale, 82 * scale, (x + 17) * scale, 102 * scale], fill=lamp)
    pen.ellipse([4 * scale, 14 * scale, 26 * scale, 36 * scale], fill=lamp)
    pen.ellipse([11 * scale, 21 * scale, 19 * scale, 29 * scale], fill=(255, 255, 255))
    pen.ellipse([196 * scale, 108 * scale, 204 * scale, 116 * scale], fill=tail)
    pen.ellipse([31 * scale, 108 * scale, 39 * scale, 116 * scale], fill=tail)
    return _png(picture)


def _sheet(
    mode: str, ground: int | tuple[int, int, int]
) -> tuple[Image.Image, ImageDraw.ImageDraw]:
    size = (round(SIZE_MM[0] * _PX_PER_MM), round(SIZE_MM[1] * _PX_PER_MM))
    picture = Image.new(mode, size, ground)
    return picture, ImageDraw.Draw(picture)


def _png(picture: Image.Image) -> bytes:
    out = io.BytesIO()
    picture.save(out, "PNG", optimize=True)
    return out.getvalue()
