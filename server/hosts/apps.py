"""Hosts: the cast, those made here, favourites, and what surrounds them."""

from django.apps import AppConfig


class HostsConfig(AppConfig):
    """The app."""

    name = "server.hosts"
    label = "hosts"
