"""Corrected numbers can be neither changed nor deleted."""

from django.db import migrations

GUARD = """
create trigger shopbook_ownnumber_append_only before update or delete on shopbook_ownnumber
  for each row execute function keen_append_only();
"""
UNGUARD = "drop trigger shopbook_ownnumber_append_only on shopbook_ownnumber;"


class Migration(migrations.Migration):
    dependencies = [("shopbook", "0001_initial"), ("record", "0002_append_only")]
    operations = [migrations.RunSQL(GUARD, UNGUARD)]
