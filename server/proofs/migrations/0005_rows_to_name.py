"""Proofs may name rows of the room's shop book beside the words typed so far."""

import django.db.models.deletion
from django.db import migrations, models

KINDS = ("paper", "ink", "wipe")


def row():
    return models.ForeignKey(
        null=True, on_delete=django.db.models.deletion.PROTECT, related_name="+",
        to="shopbook.supply",
    )  # fmt: skip


class Migration(migrations.Migration):
    dependencies = [("proofs", "0004_reading_and_pins"), ("shopbook", "0003_supplies")]
    operations = [
        migrations.AddField("proof", "learned", models.JSONField(null=True)),
        *[migrations.AddField("proof", f"{kind}_row", row()) for kind in KINDS],
    ]
