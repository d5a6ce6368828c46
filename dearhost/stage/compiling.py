"""A production and its readings into a timeline."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from dearhost.errors import StageError
from dearhost.hosts import VERSION as HOSTS_VERSION
from dearhost.hosts import PlacedReading, Role, host_by_id
from dearhost.lips import VERSION as LIPS_VERSION
from dearhost.script import Line, Scene
from dearhost.speech import Reading, Speaker
from dearhost.stage.captions import Caption, make_captions, shown_words
from dearhost.stage.pacing import place_lines
from dearhost.stage.production import Production
from dearhost.stage.sets.registry import VERSION as SETS_VERSION
from dearhost.stage.shapes import LAYOUTS
from dearhost.stage.timeline import PlacedHost, PlacedLine, SceneTimeline, Timeline, Title
from dearhost.storage import fingerprint
from dearhost.timebase import FrameRate, Span

VERSION = "stage-5"
CHARACTERS = {"16:9": 37, "1:1": 34, "9:16": 30}
"""Characters a caption line, as far as the captions' box allows at their size."""
_TITLE_SECONDS = (0.20, 3.4)

Progress = Callable[[int, int], None]


def compile_timeline(production: Production, speaker: Speaker, frame_rate: FrameRate,
                     progress: Progress | None = None) -> Timeline:  # fmt: skip
    """The timeline of a whole production; lines that have no reading yet are read now.

    ``progress(done, total)`` counts lines and may raise to stop. Raises SpeechError.
    """
    production = production.checked(speaker.registry)
    total = sum(1 for _ in production.script.lines())
    scenes: list[SceneTimeline] = []
    done, now, number = 0, 0.0, 0
    for scene in production.script.scenes:
        if not scene.lines:
            continue
        number += 1
        readings = []
        for line in scene.lines:
            readings.append(speaker.read(line.text, production.entry(line.speaker).voice))
            done += 1
            if progress:
                progress(done, total)
        placed = place_scene(production, scene, number, now, readings, speaker)
        scenes.append(placed)
        now += placed.duration
    first_voice = next(iter(production.cast.values())).voice
    language = speaker.registry.voice(first_voice).language
    return Timeline(
        production.script.title, language, production.shape, frame_rate, production.captions, production.transition,
        tuple(scenes),
    )  # fmt: skip


def compile_scene(production: Production, scene_id: str, speaker: Speaker, frame_rate: FrameRate) -> Timeline:
    """A timeline of one scene alone, for stills and proofs: only its own lines are read.

    Raises StageError when there is no such scene or nothing is spoken in it; SpeechError.
    """
    production = production.checked(speaker.registry)
    spoken = [s for s in production.script.scenes if s.lines]
    number = next((i for i, s in enumerate(spoken, 1) if s.id == scene_id), 0)
    if not number:
        raise StageError("Nothing is spoken in this scene yet. Write a line.")
    scene = spoken[number - 1]
    readings = [speaker.read(line.text, production.entry(line.speaker).voice) for line in scene.lines]
    placed = place_scene(production, scene, number, 0.0, readings, speaker)
    language = speaker.registry.voice(production.entry(scene.lines[0].speaker).voice).language
    title = production.script.title
    return Timeline(title, language, production.shape, frame_rate, production.captions, "cut", (placed,))


def place_scene(production: Production, scene: Scene, number: int, start: float, readings: Sequence[Reading],
                speaker: Speaker) -> SceneTimeline:  # fmt: skip
    """One scene's timeline from its readings. ``production`` must be checked."""
    lines = scene.lines
    starts, duration = place_lines([r.duration for r in readings], [line.speaker for line in lines])
    placed = [
        PlacedLine(line.id, line.speaker, Span(at, at + reading.duration), line.text,
                   production.entry(line.speaker).voice, reading)
        for line, at, reading in zip(lines, starts, readings, strict=True)
    ]  # fmt: skip
    captions: list[Caption] = []
    for index, item in enumerate(placed):
        until = placed[index + 1].span.start if index + 1 < len(placed) else duration
        words = shown_words(item.text, item.reading, item.span.start)
        name = display_name(item.speaker) if len(production.script.speakers()) > 1 else ""
        captions += make_captions(words, name, characters=CHARACTERS[production.shape], until=until)
    title = None
    if production.titles and scene.heading:
        title = Title(number, scene.heading, Span(_TITLE_SECONDS[0], min(_TITLE_SECONDS[1], duration - 0.2)))
    return SceneTimeline(
        scene.id, number, scene.heading, start, duration, production.set,
        _place_hosts(production, scene, placed, duration), tuple(placed), tuple(captions), title,
        _name(production, scene, lines, speaker, number),
    )  # fmt: skip


def display_name(speaker: str) -> str:
    """A speaker's name as shown: names written in capitals in the usual way of writing."""
    return speaker.title() if speaker.isupper() else speaker


def _name(production: Production, scene: Scene, lines: Sequence[Line], speaker: Speaker, number: int) -> str:
    """The fingerprint of a scene: its inputs and the versions of all code between them and the picture."""
    spoken = [
        (
            line.speaker,
            production.entry(line.speaker).host,
            speaker.name_of(line.text, production.entry(line.speaker).voice),
        )
        for line in lines
    ]
    choices = (production.shape, production.set, production.framing, production.liveliness, production.titles)
    names = len(production.script.speakers()) > 1
    versions = (VERSION, HOSTS_VERSION, LIPS_VERSION, SETS_VERSION)
    return fingerprint(versions, spoken, choices, scene.heading, number, names, _seed(scene))


def _seed(scene: Scene) -> int:
    """The same scene moves the same way, wherever it stands in the script."""
    return int(fingerprint([line.text for line in scene.lines])[:8], 16)


def _place_hosts(
    production: Production, scene: Scene, lines: Sequence[PlacedLine], duration: float
) -> tuple[PlacedHost, ...]:
    by_host: dict[str, list[PlacedLine]] = {}
    for line in lines:
        by_host.setdefault(production.entry(line.speaker).host, []).append(line)
    hosts = list(by_host)
    places = _places(production, hosts)
    several = len(hosts) > 1
    placed = []
    for index, host in enumerate(hosts):
        mine = by_host[host]
        others = tuple(line.span for name, theirs in by_host.items() if name != host for line in theirs)
        side = 0 if not several else (1 if index < len(hosts) / 2 else -1)
        # the arm towards the partner reaches less, so that hands do not meet
        reach = (1.0, 1.0) if not several else ((0.75, 0.15) if side > 0 else (0.15, 0.75))
        role = Role(
            lines=tuple(PlacedReading(line.span.start, line.reading) for line in mine),
            duration=duration,
            kind=host_by_id(host).kind,
            liveliness=production.liveliness,
            partner=tuple(sorted(others, key=lambda s: s.start)),
            partner_side=side,
            reach=reach,
            seed=_seed(scene) + index,
        )
        placed.append(PlacedHost(host, *places[index], role))
    return tuple(placed)


def _places(production: Production, hosts: Sequence[str]) -> list[tuple[float, float, float]]:
    """(x, head centre y, head height) for each host, by shape and framing."""
    layout = LAYOUTS[production.shape]
    if production.framing == "wide":
        return _standing_places(production.shape, hosts)
    if len(hosts) == 1:
        x, y, head = layout.close_up if production.framing == "close-up" else layout.host
        return [(x, y, head)]
    if len(hosts) == 2:
        return [_at_height(production.shape, host, *place) for host, place in zip(hosts, layout.pair, strict=True)]
    (_left, y, head), (_right, _, _) = layout.pair
    shrink = min(1.0, 2.4 / len(hosts))
    spread = [0.13 + 0.74 * i / (len(hosts) - 1) for i in range(len(hosts))]
    return [
        _at_height(production.shape, host, x, y + 0.04, head * shrink) for host, x in zip(hosts, spread, strict=True)
    ]


def _at_height(shape: str, host: str, x: float, y: float, head: float) -> tuple[float, float, float]:
    """A bird beside a person stands lower and smaller, but in the picture."""
    if host_by_id(host).kind == "bird":
        return x, y + head * (1.55 if shape == "9:16" else 0.62), head * 0.80
    return x, y, head


def _standing_places(shape: str, hosts: Sequence[str]) -> list[tuple[float, float, float]]:
    """Whole figures on one floor, to one scale."""
    tall, feet, aspect = {"16:9": (0.76, 0.93, 16 / 9), "1:1": (0.66, 0.93, 1.0), "9:16": (0.50, 0.86, 9 / 16)}[shape]
    units = 620.0
    head = tall / units * 100
    if len(hosts) > 1:
        head = min(head, aspect / len(hosts) * 0.30)
    spread: Mapping[int, list[float]] = {1: [0.5], 2: [0.36, 0.66]}
    xs = spread.get(len(hosts)) or [0.14 + 0.72 * i / (len(hosts) - 1) for i in range(len(hosts))]
    return [(x, feet + host_by_id(h).head_centre.imag / 100 * head, head) for x, h in zip(xs, hosts, strict=True)]
