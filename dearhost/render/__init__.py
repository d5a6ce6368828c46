"""Rendering: stills, proofs and films from a timeline."""

from dearhost.render.chunk_pool import default_processes
from dearhost.render.encoding import FORMS, SAMPLE_RATE, FilmForm, VideoCodec
from dearhost.render.film import FilmReport, captions_of, render_film
from dearhost.render.joining import language_code
from dearhost.render.plan import Chunk, RenderSettings, plan_chunks
from dearhost.render.proof import stream_pictures, stream_sound
from dearhost.render.rehearsal import rehearse
from dearhost.render.soundtrack import mastered, reading_track
from dearhost.render.stills import frame_of_film, still

__all__ = [
    "FORMS",
    "SAMPLE_RATE",
    "Chunk",
    "FilmForm",
    "FilmReport",
    "RenderSettings",
    "VideoCodec",
    "captions_of",
    "default_processes",
    "frame_of_film",
    "language_code",
    "mastered",
    "plan_chunks",
    "reading_track",
    "rehearse",
    "render_film",
    "still",
    "stream_pictures",
    "stream_sound",
]
