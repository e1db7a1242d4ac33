"""Proofs and entries of the year 1 or 9999, which nothing can read: put where they were stored.

The record is append-only; these entries could never be shown. What was said stays in their data.
"""

from django.db import migrations

MEND = """
set local keen.demo_reset = 'on';
update record_entry set
  data = data || jsonb_build_object('said_at', at::text),
  at = case when at < '2000-01-01' then '2000-01-01' else least(at, now()) end
where at < '2000-01-01' or at > now() + interval '1 day';
update proofs_proof set pulled_at = created_at
where pulled_at < '2000-01-01' or pulled_at > created_at + interval '1 day';
set local keen.demo_reset = 'off';
set constraints all immediate;
set constraints all deferred;
"""


class Migration(migrations.Migration):
    dependencies = [("proofs", "0002_proof_foul_bite"), ("record", "0002_append_only")]
    operations = [migrations.RunSQL(MEND, migrations.RunSQL.noop)]
