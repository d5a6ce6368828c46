"""The whole way from a script to a film, for a command line or a server."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace
from functools import partial
from pathlib import Path

from dearhost.errors import ConsentError, RenderError, SpeechError
from dearhost.formats import to_ass, to_html_transcript, to_imsc, to_srt, to_transcript, to_webvtt, to_word_transcript
from dearhost.memory import release_memory
from dearhost.production import (
    Production,
    Studio,
    ensure_speakable,
    manner_in,
    manner_of,
    pauses_of,
    voice_of,
    with_captions,
)
from dearhost.render import (
    FORMS,
    FilmReport,
    RenderSettings,
    VideoCodec,
    captions_of,
    render_film,
)
from dearhost.render.film import Progress
from dearhost.render.subprocesses import Report, run_in_subprocess
from dearhost.script import Scene, Script, count_words, estimated_seconds, spoken_lines
from dearhost.speech.voices import FULL, MADE, MATCHED, NEURAL
from dearhost.stage import Picture, Timeline, compile_timeline, read_line
from dearhost.stage.pacing import lead_in, place_lines, sources_of
from dearhost.storage import write_text
from dearhost.timebase import FrameRate

_SIDE_BY_SIDE = 2
"""Lines that are read at a time for a film."""

FRAME_RATES = (24, 25, 30, 50, 60)
CAPTION_MODES = ("burn", "soft", "file", "none")


@dataclass(frozen=True, slots=True)
class RunningTime:
    """Words, seconds, and whether any of the seconds are an estimate. For ``spoken`` of the seconds somebody speaks,
    at a pace that can be changed; the rest is silence, or a recording."""

    words: int
    seconds: float
    estimated: bool
    spoken: float = 0.0


def scene_time(scene: Scene, production: Production, studio: Studio) -> RunningTime:
    """A scene's running time: measured when every line has been read with its voice, else estimated.

    ``production`` must be checked.
    """
    words = count_words(scene)
    if not words:
        return _guessed(scene)
    durations, spoken, estimated = [], 0.0, False
    for line in spoken_lines(scene):
        entry, manner = production.entry(line.speaker), manner_in(production, line)
        voice = voice_of(production, line, studio.voices)
        seconds = studio.speaker.known_seconds(line.text, voice, manner)
        if seconds is None and entry.pace != 1:  # what is read at the voice's own pace tells how long it will be
            own = manner_of(line, production.say_as, entry.effect)
            known = studio.speaker.known_seconds(line.text, voice, own)
            seconds, estimated = known and known / entry.pace, True
        if seconds is None:
            return _guessed(scene, entry.pace)
        spoken += 0.0 if manner.is_recorded else seconds
        durations.append(seconds + sum(pauses_of(line).values()))
    sources = sources_of(spoken_lines(scene))
    choices = production.choices_for(scene)
    whole = place_lines(durations, sources, choices.tail, lead_in(scene, choices))[1]
    return RunningTime(words, round(whole, 2), estimated, round(spoken, 2))


def _guessed(scene: Scene, pace: float = 1.0) -> RunningTime:
    """A scene's running time from its words alone."""
    words = count_words(scene)
    seconds = round(estimated_seconds(scene) / pace, 1) if words else 0.0
    return RunningTime(words, seconds, True, seconds)


def total_time(scenes: Sequence[RunningTime]) -> RunningTime:
    """The running time of a script from those of its scenes."""
    spoken = [time for time in scenes if time.words]
    estimated = any(time.estimated for time in spoken) or not spoken
    words, seconds = sum(t.words for t in spoken), sum(t.seconds for t in spoken)
    return RunningTime(words, round(seconds, 2), estimated, round(sum(t.spoken for t in spoken), 2))


def scene_times_of(production: Production, studio: Studio) -> list[RunningTime]:
    """The running time of each scene; estimates where a voice cannot or may not speak."""
    try:
        checked = production.checked(studio)
    except (SpeechError, ConsentError):
        return [_guessed(scene) for scene in production.script.scenes]
    return [scene_time(scene, checked, studio) for scene in production.script.scenes]


def running_time(script: Script, studio: Studio, production: Production | None = None) -> RunningTime:
    """The running time of a script, with the voices of ``production`` when it is given."""
    return total_time(scene_times_of(production or Production(script), studio))


@dataclass(frozen=True, slots=True)
class FilmOrder:
    """What to render. ``captions``: burn, soft, file or none."""

    production: Production
    picture: Picture
    frame_rate: FrameRate
    captions: str = "burn"
    form: str = "mp4"
    """One of ``FORMS``."""


def cast_all(production: Production, *, host: str = "", voice: str = "") -> Production:
    """The production with one host for its first speaker, or one voice for all; "" keeps what is set."""
    cast = dict(production.cast)
    for number, speaker in enumerate(production.script.speakers()):
        entry = cast[speaker]
        chosen = host if host and number == 0 else entry.host
        cast[speaker] = replace(entry, host=chosen, voice=voice or entry.voice)
    return replace(production, cast=cast)


def ensure_form(form: str, captions: str) -> None:
    """Raise RenderError when there is no such form, or it cannot hold captions to switch on."""
    if form not in FORMS:
        raise RenderError(f"A film cannot be a '.{form}'. Name it .mp4, or .webm or .mov for a transparent one.")
    if captions == "soft" and not FORMS[form].subtitles:
        raise RenderError(
            f"A .{form} cannot hold captions to switch on. Choose captions in the picture, in files beside it, or none."
        )


def make_film(order: FilmOrder, path: Path, studio: Studio, *, progress: Progress | None = None,
              processes: int = 0) -> tuple[FilmReport, list[Path]]:  # fmt: skip
    """Read, stage and render a production; returns what was made and any caption files beside it.

    Raises NothingToSay, UnfilledPlaceholder, SpeechError, HostError, StageError, RenderError.
    """
    ensure_speakable(order.production.script)
    ensure_form(order.form, order.captions)

    def reading(done: int, total: int) -> None:
        if progress:
            progress(0.02 * done / max(1, total), None)

    production = with_captions(order.production, order.captions == "burn")
    read = _unread(production, studio) and run_in_subprocess(partial(_read_all, studio.folder, production), reading)
    timeline = compile_timeline(production, studio, order.frame_rate, None if read else reading)
    studio.voices.release()  # drawing a long film needs the room
    release_memory()
    settings = RenderSettings(
        order.picture, studio.folder, VideoCodec(form=order.form), soft_captions=order.captions == "soft"
    )
    report = render_film(timeline, path, settings, studio.chunks, progress=progress, processes=processes)
    beside = write_caption_files(timeline, path) if order.captions == "file" else []
    studio.chunks.trim()
    return report, beside


def _unread(production: Production, studio: Studio) -> bool:
    """Whether lines are to be read by a voice whose model would leave a hundred megabytes behind."""
    checked = production.checked(studio)
    for scene in checked.script.scenes:
        for line in spoken_lines(scene):
            voice = voice_of(checked, line, studio.voices)
            heavy = studio.voices.voice(voice).engine in (FULL, NEURAL, MADE, MATCHED)
            if heavy and not studio.speaker.is_read(line.text, voice, manner_in(checked, line)):
                return True
    return False


def _read_all(folder: Path, production: Production, report: Report) -> None:
    """Have every line of a production read, two at a time, and kept."""
    studio = Studio(folder)
    checked = production.checked(studio)
    lines = [line for scene in checked.script.scenes for line in spoken_lines(scene)]
    with ThreadPoolExecutor(_SIDE_BY_SIDE) as pool:
        for done, _ in enumerate(pool.map(lambda line: read_line(line, checked, studio), lines), 1):
            report(done, len(lines))


@dataclass(frozen=True, slots=True)
class CaptionKind:
    """A kind of file that captions are written as: its MIME type, and what writes the captions of a film."""

    mime: str
    write: Callable[[Timeline], str | bytes]


CAPTION_KINDS: Mapping[str, CaptionKind] = {
    "srt": CaptionKind("application/x-subrip; charset=utf-8", lambda film: to_srt(captions_of(film))),
    "vtt": CaptionKind("text/vtt; charset=utf-8", lambda film: to_webvtt(captions_of(film), language=film.language)),
    "ttml": CaptionKind("application/ttml+xml", lambda film: to_imsc(captions_of(film), language=film.language)),
    "ass": CaptionKind("text/x-ssa; charset=utf-8", lambda film: to_ass(captions_of(film))),
    "txt": CaptionKind("text/plain; charset=utf-8", lambda film: to_transcript(captions_of(film))),
    "html": CaptionKind(
        "text/html; charset=utf-8",
        lambda film: to_html_transcript(captions_of(film), title=film.title, language=film.language),
    ),
    "docx": CaptionKind(
        "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
        lambda film: to_word_transcript(captions_of(film), title=film.title, language=film.language),
    ),
}
"""By the ending of their names."""


def caption_file(timeline: Timeline, kind: str) -> bytes:
    """All captions as one of ``CAPTION_KINDS``."""
    written = CAPTION_KINDS[kind].write(timeline)
    return written.encode() if isinstance(written, str) else written


def caption_text(timeline: Timeline, kind: str) -> str:
    """The same, for kinds that are text."""
    return caption_file(timeline, kind).decode()


def write_caption_files(timeline: Timeline, film: Path) -> list[Path]:
    """``film.srt`` and ``film.vtt`` beside the film."""
    written = []
    for kind in ("srt", "vtt"):
        path = film.with_suffix(f".{kind}")
        write_text(path, caption_text(timeline, kind))
        written.append(path)
    return written
