"""Runs whose ground was stripped since, as their courses say."""

from datetime import datetime

from django.db import migrations


def mark(apps, schema_editor):
    course, run = apps.get_model("courses", "Course"), apps.get_model("runs", "Run")
    for row in course.objects.iterator(chunk_size=200):
        for step in row.steps:
            if step.get("key") != "strip-ground" or step.get("status") != "done":
                continue
            at = datetime.fromisoformat(step["at"]) if step.get("at") else row.created_at
            ended = run.objects.filter(plate_id=row.plate_id, ended_at__lte=at, stripped_at=None)
            ended.update(stripped_at=at)


class Migration(migrations.Migration):
    dependencies = [("courses", "0003_parts_are_counted"), ("runs", "0007_going_on")]
    operations = [migrations.RunPython(mark, migrations.RunPython.noop)]
