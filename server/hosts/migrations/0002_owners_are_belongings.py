from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("hosts", "0001_hosts"), ("assets", "0002_what_was_owned")]

    operations = [migrations.DeleteModel(name="OwnHost")]
