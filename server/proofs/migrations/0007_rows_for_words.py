"""Proofs name rows of the shop book in place of words."""

from django.db import migrations

KINDS = ("paper", "ink", "wipe")


class Migration(migrations.Migration):
    dependencies = [("proofs", "0006_words_to_rows")]
    operations = [
        *[migrations.RemoveField("proof", kind) for kind in KINDS],
        *[migrations.RenameField("proof", f"{kind}_row", kind) for kind in KINDS],
    ]
