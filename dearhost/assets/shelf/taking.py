"""A file of a stranger into a folder of the shelf. Runs in a process with limits: nothing in it is trusted."""

from __future__ import annotations

import hashlib
from pathlib import Path

import av
import numpy as np
import skia

from dearhost.assets.shelf.clips import LONGEST_CLIP, OPENING, Tell, picture_stream, take_clip
from dearhost.assets.shelf.item import CLIP, PICTURE, SOUND, ShelfItem, item_id
from dearhost.assets.shelf.mattes import take_matte
from dearhost.assets.shelf.rights import rights_of_tags
from dearhost.assets.shelf.sounds import LONGEST_SOUND, shape_image, take_sound
from dearhost.assets.shelf.stills import codec_of, take_picture, thumbnail_jpg
from dearhost.errors import HostError
from dearhost.storage import explained

_LARGEST_PICTURE_FILE = 80_000_000
"""Bytes."""
_BLOCK = 1 << 20
THUMBNAIL = "thumbnail.jpg"


def digest_of(path: Path) -> str:
    """SHA-256 of a file, in hexadecimal."""
    found = hashlib.sha256()
    with path.open("rb") as file:
        while block := file.read(_BLOCK):
            found.update(block)
    return found.hexdigest()


def take_file(path: Path, name: str, folder: Path, tell: Tell) -> ShelfItem:
    """Write what is in a file called ``name`` anew into ``folder``.

    Raises HostError for what cannot be taken, StorageFull when the disk has no room for it.
    """
    try:
        return _taken(path, name, folder, tell)
    except OSError as error:
        raise explained(error, folder) from error


def _taken(path: Path, name: str, folder: Path, tell: Tell) -> ShelfItem:
    digest = digest_of(path)
    size = path.stat().st_size
    if not size:
        raise HostError(f"'{name}' is empty. Choose another file.")
    if size <= _LARGEST_PICTURE_FILE:
        data = path.read_bytes()
        if not _moves(data) and (picture := take_picture(data, folder)):
            with (folder / picture.file).open("rb") as kept:
                image = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(kept.read()))
                (folder / THUMBNAIL).write_bytes(thumbnail_jpg(image))
            return ShelfItem(
                item_id(PICTURE, digest), PICTURE, name, picture.width, picture.height,
                transparent=picture.transparent, author=picture.rights.author, licence=picture.rights.licence,
                notes=tuple(picture.notes), light=picture.light, bytes=_bytes_in(folder),
            )  # fmt: skip
        del data
    return _moving(path, name, folder, digest, tell)


def _moves(data: bytes) -> bool:
    """Whether a picture file holds several pictures that follow each other."""
    if data[:4] == b"GIF8":
        codec = codec_of(data)
        return codec is not None and codec.getFrameCount() > 1
    return data[:8] == b"\x89PNG\r\n\x1a\n" and b"acTL" in data[:4096]


def _moving(path: Path, name: str, folder: Path, digest: str, tell: Tell) -> ShelfItem:
    try:
        with av.open(str(path), options=OPENING) as container:
            has_pictures, has_sound = picture_stream(container) is not None, bool(container.streams.audio)
            tags = dict(container.metadata)
    except (OSError, ValueError, LookupError, av.FFmpegError) as error:
        raise HostError(
            f"'{name}' is no picture, clip or sound that can be read. JPEG, PNG, WebP, GIF, TIFF, SVG, MP4, MOV, "
            "WebM, MKV, WAV, FLAC, MP3, M4A and Ogg can be."
        ) from error
    if not has_pictures:
        return _sound(path, name, folder, digest, tags, tell)
    clip = take_clip(path, folder, lambda part: tell(0.9 * part))
    sound = (
        take_sound(path, folder / "sound.flac", lambda part: tell(0.9 + 0.1 * part), LONGEST_CLIP)
        if has_sound
        else None
    )
    (folder / THUMBNAIL).write_bytes(_first_of(folder / "small.mp4", len(clip.times)))
    has_matte = take_matte(path, folder, (clip.width, clip.height), len(clip.times))
    return ShelfItem(
        item_id(CLIP, digest), CLIP, name, clip.width, clip.height, round(clip.seconds, 3), round(clip.rate, 3),
        sounds=sound is not None and not sound[0].silent, transparent=has_matte,
        author=clip.rights.author, licence=clip.rights.licence,
        notes=tuple(clip.notes), light=clip.light, loop=clip.loop, bytes=_bytes_in(folder),
    )  # fmt: skip


def _sound(path: Path, name: str, folder: Path, digest: str, tags: dict[str, str], tell: Tell) -> ShelfItem:
    taken = take_sound(path, folder / "sound.flac", tell)
    if taken is None:
        raise HostError(f"'{name}' holds neither pictures nor sound that can be read.")
    sound = taken[0]
    if sound.silent:
        raise HostError(f"'{name}' is silent from beginning to end. Choose another file.")
    (folder / THUMBNAIL).write_bytes(thumbnail_jpg(shape_image(sound.shape())))
    rights = rights_of_tags(tags)
    return ShelfItem(
        item_id(SOUND, digest), SOUND, name, seconds=round(sound.seconds, 3), sounds=True, author=rights.author,
        licence=rights.licence, bytes=_bytes_in(folder),
        notes=(f"It is longer than {LONGEST_SOUND / 60:.0f} minutes: the rest is left out.",) if sound.cut else (),
    )  # fmt: skip


def _first_of(film: Path, count: int) -> bytes:
    """A picture of a clip a second after it begins."""
    with av.open(str(film)) as container:
        frames = container.decode(video=0)
        frame = next(frames)
        for _ in range(min(24, max(0, count - 1))):
            frame = next(frames, frame)
        pixels = frame.to_ndarray(format="bgra")
    return thumbnail_jpg(skia.Image.fromarray(np.ascontiguousarray(pixels), colorType=skia.kBGRA_8888_ColorType))


def _bytes_in(folder: Path) -> int:
    return sum(file.stat().st_size for file in folder.iterdir())
