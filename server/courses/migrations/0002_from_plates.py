"""Each plate that is there already gets its course; groups marked done by hand stay done."""

import uuid

from django.db import migrations

BEFORE = "Done before the steps were kept one by one."


def begin(apps, schema_editor):
    from core.course.course import course
    from core.course.shapes import CourseInput
    from core.errors import CoreError

    Plate, Course = apps.get_model("plates", "Plate"), apps.get_model("courses", "Course")
    for plate in Plate.objects.filter(course=None):
        routes = ["etched line", "aquatint"] if plate.route == "mixed" else [plate.route]
        try:
            given = CourseInput(routes=routes, material=plate.metal, thickness_mm=plate.thickness_mm)
            steps = course(given).steps
        except CoreError:
            steps = []
        done = {group: each.get("fact", "") for group, each in plate.steps.items() if each.get("done")}
        Course.objects.create(
            id=uuid.uuid5(plate.id, "course"), room_id=plate.room_id, plate=plate, facts=done,
            steps=[
                {"id": s.id, "key": s.key, "part": s.part, "route": s.route, "measures": {},
                 "status": "done" if s.group in done else "todo", "tries": 0, "by": "", "at": None,
                 "reason": BEFORE if s.group in done else "", "added": False}
                for s in steps
            ],
        )


class Migration(migrations.Migration):
    dependencies = [("courses", "0001_initial")]
    operations = [migrations.RunPython(begin, migrations.RunPython.noop)]
