"""A production and its readings into a timeline."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import astuple, replace

from dearhost.errors import StageError
from dearhost.hosts import VERSION as HOSTS_VERSION
from dearhost.hosts import Handling, hands_full
from dearhost.lips import VERSION as LIPS_VERSION
from dearhost.script import Cue, Line, Scene, spoken_lines, word_index
from dearhost.speech import Reading, Speaker, with_pauses
from dearhost.stage.captions import Caption, make_captions, shown_words
from dearhost.stage.cueing import (
    cue_times,
    cutaways_of,
    framings_of,
    manner_in,
    pauses_of,
    playable,
    stings_of,
    titles_of,
)
from dearhost.stage.directing import automatic
from dearhost.stage.going import needed_end, needed_lead, planned
from dearhost.stage.pacing import LEAD_IN, place_lines
from dearhost.stage.production import Production
from dearhost.stage.roles import handling_in, moves_in, roles_of
from dearhost.stage.sets.registry import VERSION as SETS_VERSION
from dearhost.stage.shooting import Staged, turns_of
from dearhost.stage.timeline import PlacedLine, SceneTimeline, Timeline, Title
from dearhost.storage import fingerprint
from dearhost.timebase import FrameRate, Span

VERSION = "stage-19"
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
    total = sum(len(spoken_lines(scene)) for scene in production.script.scenes)
    scenes: list[SceneTimeline] = []
    done, now, number = 0, 0.0, 0
    for scene in production.script.scenes:
        lines = spoken_lines(scene)
        if not lines:
            continue
        number += 1
        readings = []
        for line in lines:
            readings.append(speaker.read(line.text, production.entry(line.speaker).voice, manner_in(production, line)))
            done += 1
            if progress:
                progress(done, total)
        placed = place_scene(production, scene, number, now, readings, speaker)
        scenes.append(placed)
        now += placed.duration
    first_voice = next(iter(production.cast.values())).voice
    language = speaker.registry.voice(first_voice).language
    return Timeline(
        production.script.title,
        language,
        production.shape,
        frame_rate,
        tuple(scenes),
    )


def compile_scene(production: Production, scene_id: str, speaker: Speaker, frame_rate: FrameRate) -> Timeline:
    """A timeline of one scene alone, for stills and proofs: only its own lines are read.

    Raises StageError when there is no such scene or nothing is spoken in it; SpeechError.
    """
    production = production.checked(speaker.registry)
    spoken = [s for s in production.script.scenes if spoken_lines(s)]
    number = next((i for i, s in enumerate(spoken, 1) if s.id == scene_id), 0)
    if not number:
        raise StageError("Nothing is spoken in this scene yet. Write a line.")
    scene = spoken[number - 1]
    lines = spoken_lines(scene)
    readings = [
        speaker.read(line.text, production.entry(line.speaker).voice, manner_in(production, line)) for line in lines
    ]
    placed = place_scene(production, scene, number, 0.0, readings, speaker)
    language = speaker.registry.voice(production.entry(lines[0].speaker).voice).language
    title = production.script.title
    return Timeline(title, language, production.shape, frame_rate, (placed,))


def _read(line: Line, production: Production, speaker: Speaker) -> Reading:
    return speaker.read(line.text, production.entry(line.speaker).voice, manner_in(production, line))


def place_scene(production: Production, scene: Scene, number: int, start: float, readings: Sequence[Reading],
                speaker: Speaker) -> SceneTimeline:  # fmt: skip
    """One scene's timeline from its readings. ``production`` must be checked."""
    production = production.dressed_for(scene)
    lines = spoken_lines(scene)
    readings = [with_pauses(reading, pauses_of(line)) for line, reading in zip(lines, readings, strict=True)]
    choices = production.choices_for(scene)
    spots = {production.entry(name).host: spot for name, spot in scene.staging.blocking.items()
             if name in production.cast}  # fmt: skip
    heard, duration = _in_time(production, scene, readings)
    moves = moves_in(production, scene, heard, spots)
    plans = planned(moves)
    if (missing := needed_lead(plans.values())) > 0:
        heard, duration = _in_time(production, scene, readings, LEAD_IN + missing)
        moves = moves_in(production, scene, heard, spots)
        plans = planned(moves)
    duration = max(duration, needed_end(plans.values()))
    handling, unheld = handling_in(production, scene, heard, spots)
    by_themselves = _by_themselves(production, heard, speaker, handling)
    placed = [
        PlacedLine(line.id, line.speaker, Span(at, at + reading.duration), line.text,
                   production.entry(line.speaker).voice, reading, cue_times(line, at, reading),
                   by_themselves.get(line.id, ()))
        for line, at, reading in heard
    ]  # fmt: skip
    captions: list[Caption] = []
    for index, item in enumerate(placed):
        until = placed[index + 1].span.start if index + 1 < len(placed) else duration
        words = shown_words(item.text, item.reading, item.span.start)
        name = display_name(item.speaker) if len(production.script.speakers()) > 1 else ""
        made = make_captions(words, name, characters=CHARACTERS[production.shape], until=until)
        if made and production.caption_names:
            made = (replace(made[0], label=name), *made[1:])  # a speaker is named as they begin
        captions += made
    titles = titles_of(heard, duration)
    if production.titles and scene.heading:
        span = Span(_TITLE_SECONDS[0], min(_TITLE_SECONDS[1], duration - 0.2))
        titles.insert(0, Title(number, scene.heading, span))
    roles = roles_of(production, scene, placed, duration, spots, moves, handling, _seed(scene))
    staged = Staged(production.shape, choices.framing, choices.furniture, roles, spots)
    turns = turns_of([(production.entry(line.speaker).host, line.span.start, line.span.end) for line in placed])
    cuts = [(cut.at, cut.framing, production.entry(cut.speaker).host) for cut in framings_of(heard)]
    shots = staged.shots(turns, cuts, choices.cutting)
    return SceneTimeline(
        scene.id, number, scene.heading, start, duration, choices.set, tuple(shots), tuple(placed),
        tuple(captions), tuple(titles), _name(production, scene, lines, speaker, number),
        choices.captions, choices.transition, tuple(cutaways_of(heard, duration)), tuple(stings_of(heard)),
        choices.camera, roles,
        tuple(sorted([*unheld, *(note for plan in plans.values() for note in plan.notes)])),
    )  # fmt: skip


def _in_time(
    production: Production, scene: Scene, readings: Sequence[Reading], lead: float = LEAD_IN
) -> tuple[list[tuple[Line, float, Reading]], float]:
    """The scene's lines with their starts and readings, and how long it lasts."""
    lines = spoken_lines(scene)
    durations, speakers = [r.duration for r in readings], [line.speaker for line in lines]
    starts, duration = place_lines(durations, speakers, scene.staging.tail, lead)
    return list(zip(lines, starts, readings, strict=True)), duration


def display_name(speaker: str) -> str:
    """A speaker's name as shown: names written in capitals in the usual way of writing."""
    return speaker.title() if speaker.isupper() else speaker


def _name(production: Production, scene: Scene, lines: Sequence[Line], speaker: Speaker, number: int) -> str:
    """The fingerprint of a scene: its inputs and the versions of all code between them and the picture."""
    spoken = [
        (
            line.speaker,
            astuple(production.entry(line.speaker)),
            speaker.name_of(line.text, production.entry(line.speaker).voice, manner_in(production, line)),
            [(cue.kind, word_index(line, cue), cue.parameters) for cue in playable(line)],
        )
        for line in lines
    ]
    own = production.choices_for(scene)
    choices = (production.shape, own.set, own.framing, own.captions, own.furniture, own.cutting, own.camera,
               production.liveliness, production.titles,
               production.caption_names, production.directed)  # fmt: skip
    blocking = sorted((name, spot.x, spot.distance, spot.facing) for name, spot in scene.staging.blocking.items())
    names = len(production.script.speakers()) > 1
    versions = (VERSION, HOSTS_VERSION, LIPS_VERSION, SETS_VERSION)
    staging = (scene.heading, number, names, scene.staging.tail, blocking)
    return fingerprint(versions, spoken, choices, staging, _seed(scene))


def _seed(scene: Scene) -> int:
    """The same scene moves the same way, wherever it stands in the script."""
    return int(fingerprint([line.text for line in spoken_lines(scene)])[:8], 16)


def _by_themselves(
    production: Production,
    heard: Sequence[tuple[Line, float, Reading]],
    speaker: Speaker,
    handling: Mapping[str, tuple[Handling, ...]],
) -> dict[str, tuple[Cue, ...]]:
    """What hosts do by themselves where the words ask for it, by line id."""
    found: dict[str, tuple[Cue, ...]] = {}
    if not production.directed:
        return found

    def language(line: Line) -> str:
        return speaker.registry.voice(production.entry(line.speaker).voice).language

    hosts = dict.fromkeys(production.entry(line.speaker).host for line, _, _ in heard)
    for host in hosts:
        mine = [item for item in heard if production.entry(item[0].speaker).host == host]
        found |= automatic(mine, production.liveliness, hands_full(handling.get(host, ())), language)
    return found
