import django.db.models.deletion
from django.db import migrations, models
from django.utils import timezone

MOVED = ("status", "progress", "seconds_left", "message", "stop_requested", "attempts", "worker", "lease_until", "finished_at")


def give_jobs(apps, schema_editor):
    """A job a delivery. What waited or ran is put back by the reaper, whose lease has run out."""
    Job, Delivery = apps.get_model("jobs", "Job"), apps.get_model("deliveries", "Delivery")
    for delivery in Delivery.objects.defer("document"):
        values = {name: getattr(delivery, name) for name in MOVED}
        if values["status"] in ("queued", "running"):
            values |= {"status": "running", "lease_until": timezone.now(), "attempts": 0}
        job = Job.objects.create(owner_id=delivery.owner_id, kind="film", **values)
        Job.objects.filter(pk=job.pk).update(created_at=delivery.created_at)
        Delivery.objects.filter(pk=delivery.pk).update(job=job)


class Migration(migrations.Migration):
    dependencies = [("deliveries", "0002_form"), ("jobs", "0001_jobs")]

    operations = [
        migrations.AddField(
            model_name="delivery",
            name="job",
            field=models.OneToOneField(
                null=True, on_delete=django.db.models.deletion.CASCADE, related_name="delivery", to="jobs.job"
            ),
        ),
        migrations.RunPython(give_jobs, migrations.RunPython.noop),
        *(migrations.RemoveField(model_name="delivery", name=name) for name in MOVED),
        migrations.AlterField(
            model_name="delivery",
            name="job",
            field=models.OneToOneField(
                on_delete=django.db.models.deletion.CASCADE, related_name="delivery", to="jobs.job"
            ),
        ),
    ]
