"""What a bath stands at follows from its readings and events that hold.

Until now a thermometer event was copied into a reading and stayed there when it was taken back.
The copies go; what a bath stood at before anything was read becomes its first reading.
"""

import uuid

from django.conf import settings
from django.db import migrations, models

FIRST = "As it stood when it was made up."
AS_MEASURED = "As it stood when its speed was measured."


def undone(events):
    """Return ids taken back by an undo that holds itself."""
    target = {e.id: uuid.UUID(str(e.data["event"])) for e in events if e.kind == "undo"}
    left = {}
    for each in target.values():
        left[each] = left.get(each, 0) + 1
    settled, gone = [undo for undo in target if not left.get(undo)], set()
    for undo in settled:
        if undo not in gone:
            gone.add(target[undo])
        left[target[undo]] -= 1
        if target[undo] in target and not left[target[undo]]:
            settled.append(target[undo])
    return gone


def stand(apps, schema_editor):
    Bath, Event = apps.get_model("baths", "Bath"), apps.get_model("events", "Event")
    for bath in Bath.objects.all():
        events = list(Event.objects.filter(bath_id=bath.id).order_by("at", "device", "sequence"))
        settle(apps.get_model("baths", "BathReading"), bath, events)


def settle(Reading, bath, events):
    """Take the copies out, put the first reading in, and set what follows from them."""
    warm = [e for e in events if e.kind == "temperature"]
    gone = undone(events)
    Reading.objects.filter(bath=bath, id__in=[e.id for e in warm]).delete()
    if bath.measured_at is not None and bath.measured_c is not None:
        keep(Reading, bath, "measured", bath.measured_at, AS_MEASURED,
             temperature_c=bath.measured_c, load_g_per_l=bath.measured_g_per_l)
    rows = list(Reading.objects.filter(bath=bath))
    known = sorted(
        [(e.at, e.data["celsius"]) for e in warm if e.id not in gone]
        + [(r.at, r.temperature_c) for r in rows if r.temperature_c is not None]
    )
    false = [e for e in warm if e.id in gone and e.at == bath.temperature_at]
    read = false or any(at == bath.temperature_at for at, _ in known)
    first_at = min([bath.created_at, *(at for at, _ in known), *(e.at for e in events),
                    *(r.at for r in rows)]) if read else bath.temperature_at
    first_c = before(false[0], events, known, bath) if false else (
        known[0][1] if read else bath.temperature_c
    )
    loads = any(r.load_g_per_l is not None for r in rows)
    keep(Reading, bath, "made up", first_at, FIRST, temperature_c=first_c,
         load_g_per_l=None if loads else bath.load_g_per_l)
    bath.temperature_at, bath.temperature_c = max([*known, (first_at, first_c)])
    bath.save()


def before(false, events, known, bath):
    """Return the temperature known before a reading that was taken back."""
    dips = [e for e in events if e.kind == "dip" and e.at < false.at and e.data.get("celsius")]
    if dips:
        return dips[-1].data["celsius"]
    return known[0][1] if known else bath.temperature_c


def keep(Reading, bath, name, at, note, **facts):
    Reading.objects.create(id=uuid.uuid5(bath.id, name), room_id=bath.room_id, bath=bath, by=None,
                           at=at, note=note, **facts)


class Migration(migrations.Migration):
    dependencies = [
        ("baths", "0001_initial"),
        ("events", "0001_initial"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]
    operations = [
        migrations.AddField(
            model_name="bathreading", name="gained_g_per_l", field=models.FloatField(default=0)
        ),
        migrations.AlterField(
            model_name="bathreading",
            name="by",
            field=models.ForeignKey(
                null=True, on_delete=models.deletion.PROTECT, related_name="+",
                to=settings.AUTH_USER_MODEL,
            ),
        ),
        migrations.RunPython(stand, migrations.RunPython.noop),
    ]
