"""Productions: scripts with every choice made for them, in revisions."""

from django.apps import AppConfig


class ProductionsConfig(AppConfig):
    """The app."""

    name = "server.productions"
    label = "productions"
