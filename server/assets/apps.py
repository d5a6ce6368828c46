"""Assets: whose what is, and what is sent in."""

from django.apps import AppConfig


class AssetsConfig(AppConfig):
    """The app."""

    name = "server.assets"
    label = "assets"
