"""Productions: scripts with every choice made for them, in revisions."""

from django.apps import AppConfig


class ProductionsConfig(AppConfig):
    """The app."""

    name = "server.productions"
    label = "productions"

    def ready(self) -> None:
        """Timelines kept warm must not go on speaking with a voice that was withdrawn."""
        from server.productions.painters import forget_timelines  # noqa: PLC0415 - models are not ready before
        from server.voices.signals import consent_withdrawn  # noqa: PLC0415 - as above

        consent_withdrawn.connect(forget_timelines)
