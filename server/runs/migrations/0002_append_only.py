"""Events of a run can be neither changed nor deleted."""

from django.db import migrations

GUARD = """
create trigger runs_event_append_only before update or delete on runs_event
  for each row execute function keen_append_only();
"""


class Migration(migrations.Migration):
    dependencies = [("runs", "0001_initial"), ("record", "0002_append_only")]
    operations = [migrations.RunSQL(GUARD, "drop trigger runs_event_append_only on runs_event;")]
