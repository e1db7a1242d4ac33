"""The table of events leaves the runs; its rows are taken over by the events app as they are."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("runs", "0003_parts")]
    operations = [
        migrations.SeparateDatabaseAndState(
            database_operations=[], state_operations=[migrations.DeleteModel(name="Event")]
        )
    ]
