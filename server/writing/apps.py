"""The writing desk."""

from django.apps import AppConfig


class WritingConfig(AppConfig):
    """The app."""

    name = "server.writing"
    label = "writing"
