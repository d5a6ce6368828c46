"""A production and its readings into a timeline."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import replace

from dearhost.errors import StageError
from dearhost.hosts import Handling, hands_full
from dearhost.production import Production, Studio, is_in_clip, manner_in, pauses_of, voice_of
from dearhost.production.colours import board_colours, colours_of
from dearhost.script import Cue, Line, Scene, spoken_lines
from dearhost.speech import Reading, with_pauses
from dearhost.stage.beds import NONE, BedStretch, OtherScene, PlacedBed, beds_of, scenes_of_bed
from dearhost.stage.captioning import captions_of_scene
from dearhost.stage.direction.abilities import within_abilities
from dearhost.stage.direction.auto_gestures import automatic
from dearhost.stage.direction.clips import clips_shown
from dearhost.stage.direction.cueing import (
    bed_accents_of,
    bed_marks_of,
    cue_times,
    framings_of,
    nearings_of,
    own_sounds_of,
    stings_of,
)
from dearhost.stage.direction.logo import logo_of
from dearhost.stage.direction.moves import needed_end, needed_lead, planned
from dearhost.stage.direction.roles import handling_in, moves_in, roles_of
from dearhost.stage.direction.showing import (
    Arrangement,
    beside_each_other,
    footage_of,
    rooms_of,
    shown_of,
    with_nearings,
)
from dearhost.stage.direction.staged_scene import HeardLine, StagedScene
from dearhost.stage.layout.shots import Staged, turns_of
from dearhost.stage.pacing import CARD, TAIL, lead_in, place_lines, sources_of
from dearhost.stage.timeline import HEADING, TITLE_CARD, PlacedLine, SceneTimeline, Shown, Timeline
from dearhost.storage import fingerprint
from dearhost.timebase import FrameRate, Span

_TITLE_SECONDS = (0.20, 3.4)

Progress = Callable[[int, int], None]


def compile_timeline(production: Production, studio: Studio, frame_rate: FrameRate,
                     progress: Progress | None = None) -> Timeline:  # fmt: skip
    """The timeline of a whole production; lines that have no reading yet are read now.

    ``progress(done, total)`` counts lines and may raise to stop. Raises SpeechError.
    """
    production = production.checked(studio)
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
            readings.append(read_line(line, production, studio))
            done += 1
            if progress:
                progress(done, total)
        placed = place_scene(production, scene, number, now, readings, studio)
        scenes.append(placed)
        now += placed.duration
    first_voice = next(iter(production.cast.values())).voice
    language = studio.voices.voice(first_voice).language
    beds = beds_of([_stretch(scene) for scene in scenes])
    return Timeline(
        production.script.known_as, language, production.choices.shape, frame_rate, tuple(scenes), beds,
        production.choices.loudness,
    )  # fmt: skip


def _stretch(scene: SceneTimeline) -> BedStretch:
    said_until = max(line.span.end for line in scene.lines)
    return BedStretch(scene.choices, scene.duration, said_until, scene.bed_accents)


def compile_scene(production: Production, scene_id: str, studio: Studio, frame_rate: FrameRate, *,
                  heard: bool = False, others: Callable[[Scene], OtherScene] | None = None) -> Timeline:  # fmt: skip
    """A timeline of one scene alone; its own lines alone are read.

    For stills, lines are foreseen where that is quicker; ``heard`` is for what has their sound. ``others`` tells
    what music needs to know of the other scenes: then the scene has its part of what goes on through them.

    Raises StageError when there is no such scene or nothing is spoken in it; SpeechError.
    """
    production = production.checked(studio)
    spoken = [s for s in production.script.scenes if spoken_lines(s)]
    number = next((i for i, s in enumerate(spoken, 1) if s.id == scene_id), 0)
    if not number:
        raise StageError("Nothing is spoken in this scene yet. Write a line.")
    scene = spoken[number - 1]
    lines = spoken_lines(scene)
    readings = [read_line(line, production, studio, heard=heard) for line in lines]
    placed = place_scene(production, scene, number, 0.0, readings, studio)
    language = studio.voices.voice(voice_of(production, lines[0], studio.voices)).language
    beds = _part_of_beds(production, spoken, placed, others) if heard else ()
    return Timeline(
        production.script.known_as, language, production.choices.shape, frame_rate, (placed,), beds,
        production.choices.loudness,
    )  # fmt: skip


def _part_of_beds(
    production: Production, spoken: Sequence[Scene], placed: SceneTimeline, others: Callable[[Scene], OtherScene] | None
) -> tuple[PlacedBed, ...]:
    """What is heard in one scene of the music that lies under it and its neighbours, in its time."""
    chosen = [production.choices_for(scene) for scene in spoken]
    own = next(index for index, scene in enumerate(spoken) if scene.id == placed.id)
    if chosen[own].bed == NONE:
        return ()
    stretches: list[BedStretch] = []
    start = 0.0
    for index in scenes_of_bed(chosen, own) if others else (own,):
        if index == own:
            start = sum(stretch.seconds for stretch in stretches)
            stretches.append(_stretch(placed))
        elif others:
            other, tail = others(spoken[index]), chosen[index].tail
            said = other.seconds - (TAIL if tail is None else tail)
            stretches.append(BedStretch(chosen[index], other.seconds, max(0.0, said), other.accents))
    parts = (bed.part(start, start + placed.duration) for bed in beds_of(stretches))
    return tuple(part.later(-start) for part in parts if part)


def read_line(line: Line, production: Production, studio: Studio, *, heard: bool = True) -> Reading:
    """A line as it is heard, or only foreseen. ``production`` must be checked. Raises SpeechError."""
    read = studio.speaker.read if heard else studio.speaker.foreseen
    return read(line.text, voice_of(production, line, studio.voices), manner_in(production, line))


def place_scene(production: Production, scene: Scene, number: int, start: float, readings: Sequence[Reading],
                studio: Studio) -> SceneTimeline:  # fmt: skip
    """One scene's timeline from its readings. ``production`` must be checked."""
    lines = spoken_lines(scene)
    staged = StagedScene.of(production, scene, lines, studio)
    production, choices = staged.production, staged.choices
    paused = [with_pauses(reading, pauses_of(line)) for line, reading in zip(lines, readings, strict=True)]
    lead = lead_in(scene, choices)
    staged, duration, notes = _in_time(staged, paused, lead)
    moves = moves_in(staged)
    plans = planned(moves, staged.players)
    if (missing := needed_lead(plans.values())) > 0:
        staged, duration, notes = _in_time(staged, paused, lead + missing)
        moves = moves_in(staged)
        plans = planned(moves, staged.players)
    duration = max(duration, needed_end(plans.values()))
    handling, unheld = handling_in(staged)
    by_themselves = _by_themselves(staged, studio, handling)
    placed = [
        PlacedLine(
            id=line.id,
            speaker=line.speaker,
            span=Span(at, at + reading.duration),
            text=line.text,
            voice=voice_of(production, line, studio.voices),
            reading=reading,
            cues=cue_times(line, at, reading),
            automatic=by_themselves.get(line.id, ()),
        )
        for line, at, reading in staged.heard
    ]
    roles = roles_of(staged, placed, duration, moves, handling, _seed(scene))
    shooting = Staged(
        choices.shape, choices.framing, choices.layout, choices.furniture, roles, staged.players, staged.spots
    )
    speaks = [(staged.host_of(line), at, at + reading.duration) for line, at, reading in staged.acted]
    turns = turns_of(speaks)
    shown = shown_of(staged.heard, duration, Arrangement.of(choices))
    cuts = [
        (cut.at, cut.framing, production.entry(cut.speaker).host) for cut in framings_of(staged.acted, choices.framing)
    ]
    return SceneTimeline(
        id=scene.id,
        number=number,
        heading=scene.heading,
        start=start,
        duration=duration,
        choices=choices,
        shots=tuple(shooting.making_room(shooting.shots(turns, cuts, choices.cutting), rooms_of(shown, speaks))),
        lines=tuple(placed),
        captions=tuple(captions_of_scene(production, choices, placed, scene, duration)),
        shown=tuple(_on_the_picture(staged, number, duration, shown)),
        stings=tuple(stings_of(staged.heard)),
        footage=(*footage_of(staged.heard, choices, duration), *own_sounds_of(staged.heard)),
        bed_marks=tuple(bed_marks_of(staged.heard)),
        bed_accents=tuple(bed_accents_of(staged.heard)),
        roles=roles,
        notes=tuple(sorted([*notes, *unheld, *(note for plan in plans.values() for note in plan.notes)])),
    )


def _on_the_picture(staged: StagedScene, number: int, duration: float, cued: Sequence[Shown]) -> Iterator[Shown]:
    """All that is shown in a scene: clips, its heading, what is ``cued``, the logo, in the production's colours."""
    choices = staged.choices
    own = [*clips_shown(staged, duration), *_heading(staged, number, duration)]
    logo = logo_of(choices, cued, duration)
    for item in with_nearings([*beside_each_other([*own, *cued]), *logo], nearings_of(staged.heard)):
        yield replace(item, colours=board_colours(choices) if item.text("board") else colours_of(choices))


def _heading(staged: StagedScene, number: int, duration: float) -> list[Shown]:
    """The scene's number and heading, shown as it begins or on a card before it."""
    if staged.choices.title_card and staged.scene.heading:
        parameters: dict[str, str | float] = {"number": number, "text": staged.scene.heading, "comes": "drawn"}
        return [Shown(TITLE_CARD, Span(0.0, min(CARD, duration)), parameters, region="whole")]
    if not (staged.choices.titles and staged.scene.heading):
        return []
    span = Span(_TITLE_SECONDS[0], min(_TITLE_SECONDS[1], duration - 0.2))
    return [Shown(HEADING, span, {"number": number, "text": staged.scene.heading})]


def _in_time(
    staged: StagedScene, readings: Sequence[Reading], lead: float
) -> tuple[StagedScene, float, list[tuple[float, str]]]:
    """The scene with its lines in time, how long it lasts, and (when, what) its hosts cannot do."""
    lines = spoken_lines(staged.scene)
    durations = [reading.duration for reading in readings]
    starts, duration = place_lines(durations, sources_of(lines), staged.choices.tail, lead)
    heard: list[HeardLine] = []
    notes: list[tuple[float, str]] = []
    for item in zip(lines, starts, readings, strict=True):
        if is_in_clip(item[0]):
            heard.append(item)
            continue
        able, left_out = within_abilities(item, staged.players[staged.host_of(item[0])])
        heard.append(able)
        notes += left_out
    return staged.in_time(tuple(heard)), duration, notes


def _seed(scene: Scene) -> int:
    """The same scene moves the same way, wherever it stands in the script."""
    return int(fingerprint([line.text for line in spoken_lines(scene)])[:8], 16)


def _by_themselves(
    staged: StagedScene, studio: Studio, handling: Mapping[str, tuple[Handling, ...]]
) -> dict[str, tuple[Cue, ...]]:
    """What hosts do by themselves where the words ask for it, by line id."""
    found: dict[str, tuple[Cue, ...]] = {}
    if not staged.choices.directed:
        return found

    def language(line: Line) -> str:
        return studio.voices.voice(voice_of(staged.production, line, studio.voices)).language

    for name, host in staged.players.items():
        full = hands_full(handling.get(name, ()))
        liveliness = staged.choices.liveliness
        found |= automatic(staged.said_by(name), liveliness, full, language, hands=host.abilities.hands)
    return found
