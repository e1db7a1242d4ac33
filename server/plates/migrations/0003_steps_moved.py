"""Steps are kept in courses now."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("plates", "0002_routes_facts"), ("courses", "0002_from_plates")]
    operations = [migrations.RemoveField("plate", "steps")]
