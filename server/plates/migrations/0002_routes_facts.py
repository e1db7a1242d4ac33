"""The routes of a mixed plate, and facts that matter later."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("plates", "0001_initial")]
    operations = [
        migrations.AddField("plate", "routes", models.JSONField(default=list)),
        migrations.AddField("plate", "facts", models.JSONField(default=dict)),
    ]
