"""Jobs: all long work, one row each, done by workers beside the server."""

from django.apps import AppConfig


class JobsConfig(AppConfig):
    """The app."""

    name = "server.jobs"
    label = "jobs"
