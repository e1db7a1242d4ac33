"""Paper, ink and wipe typed as words become rows of the room's shop book.

By itself: no table may change while rows that were just stored wait for their checks.
"""

import uuid

from django.db import migrations

KINDS = ("paper", "ink", "wipe")


def name_rows(apps, schema_editor):
    """Make a row of each name a room's proofs say, and have the proofs name it."""
    Proof, Supply = apps.get_model("proofs", "Proof"), apps.get_model("shopbook", "Supply")
    rows = {}
    for proof in Proof.objects.order_by("created_at"):
        for kind in KINDS:
            name = " ".join(getattr(proof, kind).split())
            if not name:
                continue
            at = (proof.room_id, kind, name.lower())
            if at not in rows:
                rows[at] = Supply.objects.create(
                    id=uuid.uuid4(), room_id=proof.room_id, kind=kind, name=name
                )
            setattr(proof, f"{kind}_row", rows[at])
        proof.save(update_fields=[f"{kind}_row" for kind in KINDS])


class Migration(migrations.Migration):
    dependencies = [("proofs", "0005_rows_to_name")]
    operations = [migrations.RunPython(name_rows, migrations.RunPython.noop)]
