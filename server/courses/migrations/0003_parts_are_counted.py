"""One part in twenty is written "1 + 20" now, also where it was noted down."""

from django.db import migrations

OLD, NEW = "whiting and ammonia 1:20", "whiting and ammonia 1 + 20"


def rewrite(apps, schema_editor):
    course = apps.get_model("courses", "Course")
    for row in course.objects.iterator(chunk_size=200):
        noted = [step.get("measures") or {} for step in row.steps]
        if any(measures.get("degreaser") == OLD for measures in noted):
            for measures in noted:
                if measures.get("degreaser") == OLD:
                    measures["degreaser"] = NEW
            row.save(update_fields=["steps"])


class Migration(migrations.Migration):
    dependencies = [("courses", "0002_from_plates")]
    operations = [migrations.RunPython(rewrite, migrations.RunPython.noop)]
