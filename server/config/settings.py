"""Settings. One machine, one database file, listening on 127.0.0.1 unless told otherwise."""

from __future__ import annotations

import os
import secrets
from pathlib import Path

os.umask(0o077)  # before anything is written: what lies here is its owner's alone

from dearhost.production import data_folder  # noqa: E402 - see above
from dearhost.storage import write_whole  # noqa: E402 - see above

BASE_DIR = Path(__file__).resolve().parent.parent.parent
DATA_DIR = data_folder()
DATA_DIR.mkdir(parents=True, exist_ok=True)
DATA_DIR.chmod(0o700)


_KEY_LENGTH = 50


def _secret_key() -> str:
    """Written once, and whole; where a full disk left half of it, a new one is made: everybody signs in again."""
    path = DATA_DIR / "secret_key"
    kept = path.read_text() if path.exists() else ""
    if len(kept) < _KEY_LENGTH:
        kept = secrets.token_urlsafe(_KEY_LENGTH)
        made = kept
        write_whole(path, lambda part: _write(part, made))
    return kept


def _write(path: Path, text: str) -> None:
    path.write_text(text)


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
    "server.shelf",
    "server.writing",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    # synchronous and innermost, so that Django runs all of the above in one thread: else each changes threads twice
    # a request, and wait each time for the interpreter while others draw (the benchmark "users")
    "server.config.security.content_security",
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
    "comments": "server.writing.work.sort_comments",
    "model-draft": "server.writing.work.write_with_model",
    "shelf": "server.shelf.work.take_in",
    "clip": "server.shelf.work.hear_clip",
    "key": "server.shelf.work.key_thing",
    "screen": "server.shelf.work.look_at_clips",
    "stems": "server.deliveries.stems.make_stems",
}
"""What does jobs of each kind."""
KEPT_BESIDE = {"comments": "server.writing.kept_comments.CommentsKeeper"}
"""Who keeps something beside a production's document, by the name it has in the production's file."""
RECORDING_HOLDERS = (
    ("productions.Take", "recording"),
    ("productions.Production", "document"),
    ("productions.Revision", "document"),
    ("voices.SampleSentence", "recording"),
)
"""Where a recording may be named: the model and its field."""
TASKS = {"default": {"BACKEND": "django_tasks_db.DatabaseBackend", "QUEUES": ["default"]}}
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
}
