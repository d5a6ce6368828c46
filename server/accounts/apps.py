"""Accounts: Django's users and sessions."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    """The app."""

    name = "server.accounts"
    label = "accounts"
