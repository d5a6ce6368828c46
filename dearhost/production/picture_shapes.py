"""The shapes a picture can have."""

PICTURE_SHAPES = ("16:9", "1:1", "9:16")
