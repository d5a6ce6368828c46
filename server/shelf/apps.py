"""The shelf of every account."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    """The app."""

    name = "server.shelf"
    label = "shelf"
