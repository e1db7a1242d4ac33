"""A strip is bitten in a bath of the room, as a plate is."""

import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("strips", "0002_strip_lines"), ("baths", "0001_initial")]
    operations = [
        migrations.AddField(
            model_name="strip",
            name="bath",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.PROTECT, related_name="+",
                to="baths.bath",
            ),
        )
    ]
