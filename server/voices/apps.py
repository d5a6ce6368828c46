"""Voices: the library, favourites, samples and matches with their consents."""

from django.apps import AppConfig


class VoicesConfig(AppConfig):
    """The app."""

    name = "server.voices"
    label = "voices"
