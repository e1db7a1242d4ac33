import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    initial = True
    dependencies = [("plates", "0002_routes_facts"), ("rooms", "0001_initial")]
    operations = [
        migrations.CreateModel(
            name="Course",
            fields=[
                ("id", models.UUIDField(primary_key=True, serialize=False)),
                ("created_at", models.DateTimeField(auto_now_add=True)),
                ("version", models.PositiveIntegerField(default=1)),
                ("steps", models.JSONField(default=list)),
                ("facts", models.JSONField(default=dict)),
                ("plate", models.OneToOneField(on_delete=django.db.models.deletion.CASCADE, related_name="course", to="plates.plate")),
                ("room", models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name="+", to="rooms.room")),
            ],
        ),
    ]
