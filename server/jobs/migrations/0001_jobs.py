import uuid

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    initial = True

    dependencies = [migrations.swappable_dependency(settings.AUTH_USER_MODEL)]

    operations = [
        migrations.CreateModel(
            name="Job",
            fields=[
                ("id", models.UUIDField(default=uuid.uuid4, editable=False, primary_key=True, serialize=False)),
                ("kind", models.CharField(max_length=24)),
                ("order", models.JSONField(default=dict)),
                ("result", models.JSONField(default=dict)),
                (
                    "status",
                    models.CharField(
                        choices=[
                            ("queued", "Queued"),
                            ("running", "Running"),
                            ("done", "Done"),
                            ("failed", "Failed"),
                            ("stopped", "Stopped"),
                        ],
                        default="queued",
                        max_length=12,
                    ),
                ),
                ("progress", models.FloatField(default=0)),
                ("doing", models.CharField(blank=True, max_length=120)),
                ("seconds_left", models.FloatField(null=True)),
                ("message", models.CharField(blank=True, max_length=400)),
                ("stop_requested", models.BooleanField(default=False)),
                ("attempts", models.PositiveIntegerField(default=0)),
                ("worker", models.CharField(blank=True, max_length=80)),
                ("lease_until", models.DateTimeField(db_index=True, null=True)),
                ("created_at", models.DateTimeField(auto_now_add=True)),
                ("changed_at", models.DateTimeField(auto_now=True, db_index=True)),
                ("finished_at", models.DateTimeField(null=True)),
                (
                    "owner",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="jobs",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={"ordering": ["-created_at"]},
        ),
    ]
