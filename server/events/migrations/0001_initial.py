"""The events of runs become the events of any subject: the table is renamed, no row is touched.

The new columns are filled from the runs: every event there is belongs to one.
"""

import uuid

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models

RENAME = """
alter table runs_event rename to events_event;
alter table events_event rename column run_id to subject;
alter table events_event add column subject_kind varchar(20) not null default 'run';
alter table events_event alter column subject_kind drop default;
alter table events_event add column bath_id uuid null;
alter trigger runs_event_append_only on events_event rename to events_event_append_only;
do $$
declare found record;
begin
  for found in
    select conname from pg_constraint
    where conrelid = 'events_event'::regclass and contype = 'f'
      and confrelid = 'runs_run'::regclass
  loop
    execute format('alter table events_event drop constraint %I', found.conname);
  end loop;
  for found in
    select indexname from pg_indexes
    where tablename = 'events_event' and indexdef not like '%UNIQUE%'
      and indexdef like '%(subject%'
  loop
    execute format('drop index %I', found.indexname);
  end loop;
end $$;
create index events_of_a_subject on events_event (subject, at);
create index events_of_a_bath on events_event (bath_id, kind, at);
alter table events_event add constraint events_event_bath_id_fk
  foreign key (bath_id) references baths_bath (id) deferrable initially deferred;
"""
FILL = """
set local keen.demo_reset = 'on';
update events_event e set bath_id = r.bath_id from runs_run r where r.id = e.subject;
set local keen.demo_reset = 'off';
set constraints all immediate;
set constraints all deferred;
"""


class Migration(migrations.Migration):
    initial = True
    dependencies = [
        ("baths", "0001_initial"),
        ("rooms", "0001_initial"),
        ("runs", "0004_events_of_any_subject"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]
    operations = [
        migrations.SeparateDatabaseAndState(
            database_operations=[
                migrations.RunSQL(RENAME, migrations.RunSQL.noop),
                migrations.RunSQL(FILL, migrations.RunSQL.noop),
            ],
            state_operations=[
                migrations.CreateModel(
                    name="Event",
                    fields=[
                        ("id", models.UUIDField(default=uuid.uuid4, primary_key=True,
                                                serialize=False)),
                        ("subject_kind", models.CharField(max_length=20)),
                        ("subject", models.UUIDField()),
                        ("kind", models.CharField(max_length=20)),
                        ("device", models.UUIDField()),
                        ("sequence", models.PositiveBigIntegerField()),
                        ("monotonic_ms", models.FloatField()),
                        ("offset_ms", models.FloatField()),
                        ("offset_spread_ms", models.FloatField()),
                        ("at", models.DateTimeField()),
                        ("received_at", models.DateTimeField()),
                        ("data", models.JSONField(default=dict)),
                        ("bath", models.ForeignKey(
                            null=True, on_delete=django.db.models.deletion.CASCADE,
                            related_name="events", to="baths.bath")),
                        ("by", models.ForeignKey(
                            on_delete=django.db.models.deletion.PROTECT, related_name="+",
                            to=settings.AUTH_USER_MODEL)),
                        ("room", models.ForeignKey(
                            on_delete=django.db.models.deletion.CASCADE, related_name="+",
                            to="rooms.room")),
                    ],
                    options={"ordering": ["at", "device", "sequence", "id"]},
                ),
                migrations.AddIndex(
                    model_name="event",
                    index=models.Index(fields=["subject", "at"], name="events_of_a_subject"),
                ),
                migrations.AddIndex(
                    model_name="event",
                    index=models.Index(fields=["bath", "kind", "at"], name="events_of_a_bath"),
                ),
            ],
        ),
    ]
