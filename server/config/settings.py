"""Settings. One machine, one database file, listening on 127.0.0.1 unless told otherwise."""

from __future__ import annotations

import os
import secrets
from pathlib import Path

from dearhost.production import data_folder

BASE_DIR = Path(__file__).resolve().parent.parent.parent
DATA_DIR = data_folder()
DATA_DIR.mkdir(parents=True, exist_ok=True)


def _secret_key() -> str:
    path = DATA_DIR / "secret_key"
    if not path.exists():
        path.touch(mode=0o600)
        path.write_text(secrets.token_urlsafe(50))
    return path.read_text()


SECRET_KEY = _secret_key()
DEBUG = False
ALLOWED_HOSTS = ["127.0.0.1", "localhost", "testserver", *os.environ.get("DEAR_HOST_NAMES", "").split()]
INSTALLED_APPS = [
    "django.contrib.contenttypes",
    "django.contrib.auth",
    "django.contrib.sessions",
    "ninja",
    "django_tasks",
    "django_tasks_db",
    "server.accounts",
    "server.jobs",
    "server.assets",
    "server.voices",
    "server.hosts",
    "server.productions",
    "server.deliveries",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "server.config.security.content_security",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
]
ROOT_URLCONF = "server.config.urls"
ASGI_APPLICATION = "server.config.asgi.application"
TEMPLATES = [{"BACKEND": "django.template.backends.django.DjangoTemplates", "APP_DIRS": True}]
DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA_DIR / "db.sqlite3",
        "OPTIONS": {
            "timeout": 20,
            "transaction_mode": "IMMEDIATE",
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=NORMAL; PRAGMA foreign_keys=ON;",
        },
        # a file, so that worker and server threads of a test share it
        "TEST": {"NAME": DATA_DIR / "test.sqlite3"},
    }
}
AUTH_PASSWORD_VALIDATORS: list[dict[str, str]] = []
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
USE_TZ = True
TIME_ZONE = "UTC"
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
DATA_UPLOAD_MAX_MEMORY_SIZE = 12_000_000
STATIC_URL = "/static/"
WEB_DIST = BASE_DIR / "web" / "dist"
WHITENOISE_ROOT = WEB_DIST if WEB_DIST.is_dir() else None
WHITENOISE_INDEX_FILE = False
JOB_WORK = {
    "film": "server.deliveries.work.render_film",
    "voice-over": "server.productions.work.make_voice_over",
    "draft": "server.productions.work.draft_from_recording",
    "voice-match": "server.voices.work.fit_voice",
}
"""What does jobs of each kind."""
TASKS = {"default": {"BACKEND": "django_tasks_db.DatabaseBackend", "QUEUES": ["default"]}}
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
}
