from django.db import migrations


def _cues(document):
    for scene in document.get("script", {}).get("scenes", ()):
        for block in scene.get("blocks", ()):
            yield from block.get("cues") or ()


def take_over(apps, schema_editor):
    """Belongings from the tables that held them, and from what each account's productions use."""
    Belonging = apps.get_model("assets", "Belonging")

    def own(owner_id, kind, key):
        if key:
            Belonging.objects.get_or_create(owner_id=owner_id, kind=kind, key=key)

    for row in apps.get_model("hosts", "OwnHost").objects.all():
        own(row.owner_id, "host", row.base)
    for row in apps.get_model("voices", "MadeVoice").objects.all():
        own(row.owner_id, "voice", row.voice)
    for match in apps.get_model("voices", "VoiceMatch").objects.all():
        own(match.owner_id, "voice", match.voice)
        for sentence in match.sentences.all():
            own(match.owner_id, "recording", sentence.recording)
    for production in apps.get_model("productions", "Production").objects.all():
        documents = [production.document, *production.revisions.values_list("document", flat=True)]
        for document in documents:
            for cue in _cues(document):
                named = {"take": ("picture", "picture"), "recording": ("recording", "recording")}.get(cue.get("kind"))
                if named:
                    own(production.owner_id, named[1], str((cue.get("parameters") or {}).get(named[0], "")))
        for take in production.takes.all():
            own(production.owner_id, "recording", take.recording)


class Migration(migrations.Migration):
    dependencies = [
        ("assets", "0001_belongings"),
        ("hosts", "0001_hosts"),
        ("voices", "0003_made_voices"),
        ("productions", "0002_takes"),
    ]

    operations = [migrations.RunPython(take_over, migrations.RunPython.noop)]
