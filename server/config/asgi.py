"""ASGI entry point."""

from __future__ import annotations

import os

from django.core.asgi import get_asgi_application

from server.config.body_limit import BodyLimit
from server.config.warm_up import WarmUp

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")

LARGEST_BODY = 4_000_000_000
"""The largest clip, and what is sent round it."""

application = WarmUp(BodyLimit(get_asgi_application(), LARGEST_BODY))
