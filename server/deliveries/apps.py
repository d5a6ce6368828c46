"""Deliveries: the queue of renders and the finished files."""

from django.apps import AppConfig


class DeliveriesConfig(AppConfig):
    """The app."""

    name = "server.deliveries"
    label = "deliveries"
