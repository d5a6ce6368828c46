"""What a person brings along: pictures and recordings, checked as they come in, kept in folders that are passed in."""

from dearhost.assets.pictures import LARGEST_FILE, SMOOTH, OwnPicture, PictureFolder, decoded, small_png
from dearhost.assets.recordings import RecordingStore

__all__ = [
    "LARGEST_FILE",
    "SMOOTH",
    "OwnPicture",
    "PictureFolder",
    "RecordingStore",
    "decoded",
    "small_png",
]
