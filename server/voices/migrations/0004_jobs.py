import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    """A match that was being fitted is open again: its sample and its consent are kept."""

    dependencies = [("voices", "0003_made_voices"), ("jobs", "0001_jobs"), ("assets", "0002_what_was_owned")]

    operations = [
        migrations.DeleteModel(name="MadeVoice"),
        *(
            migrations.RemoveField(model_name="voicematch", name=name)
            for name in ("status", "progress", "doing", "message")
        ),
        migrations.AddField(
            model_name="voicematch",
            name="job",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.SET_NULL, related_name="+", to="jobs.job"
            ),
        ),
    ]
