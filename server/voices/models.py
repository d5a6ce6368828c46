"""Favourites, and voice matches from the first recorded sentence to the voice."""

from __future__ import annotations

import uuid

from django.conf import settings
from django.db import models

from server.jobs.models import Job


class FavouriteVoice(models.Model):
    """A voice that somebody marked."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="favourite_voices")
    voice = models.CharField(max_length=120)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "voice"], name="one_mark_a_voice")]


class SharedSaying(models.Model):
    """A word of the account's shared say-as list, to be taken into any production."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="shared_sayings")
    word = models.CharField(max_length=80)
    alias = models.CharField(max_length=120, blank=True)
    ipa = models.CharField(max_length=120, blank=True)

    class Meta:
        ordering = ["word"]
        constraints = [models.UniqueConstraint(fields=["owner", "word"], name="one_saying_a_word")]


class VoiceMatch(models.Model):
    """A match: its consent, its sample, and the job that fits it. ``voice`` is the id of the voice it made."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="voice_matches")
    person = models.CharField(max_length=120)
    consent = models.JSONField(default=dict)
    job = models.ForeignKey(Job, null=True, on_delete=models.SET_NULL, related_name="+")
    voice = models.CharField(max_length=40, blank=True)
    created_at = models.DateTimeField(auto_now_add=True)
    updated_at = models.DateTimeField(auto_now=True)

    class Meta:
        ordering = ["-created_at"]

    def __str__(self) -> str:
        return self.person

    @property
    def status(self) -> str:
        """Where it stands: open, queued, running, done or failed."""
        if self.job is None:
            return "done" if self.voice else "open"
        return "open" if self.job.status == Job.Status.STOPPED else self.job.status


class SampleSentence(models.Model):
    """A recorded sentence of a sample; ``text`` "" for a recording of free words. ``good`` is the judgement."""

    match = models.ForeignKey(VoiceMatch, on_delete=models.CASCADE, related_name="sentences")
    number = models.PositiveIntegerField()
    text = models.TextField(blank=True)
    recording = models.CharField(max_length=24)
    seconds = models.FloatField()
    good = models.BooleanField()
    report = models.JSONField(default=dict)

    class Meta:
        ordering = ["number"]
        constraints = [models.UniqueConstraint(fields=["match", "number"], name="one_recording_a_sentence")]
