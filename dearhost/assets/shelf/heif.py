"""HEIC, the pictures most telephones take, upright and in sRGB."""

from __future__ import annotations

import io

import numpy as np
from numpy.typing import NDArray

from dearhost.errors import HostError

_BRANDS = (b"heic", b"heix", b"heim", b"heis", b"mif1", b"msf1")
"""ISO/IEC 23008-12, 10.2: the brands of pictures coded with HEVC, and the general ones."""


def looks_like_heif(data: bytes) -> bool:
    """Whether these are the bytes of such a picture (ISO/IEC 14496-12, 4.3: the box ``ftyp`` with its major brand)."""
    return data[4:8] == b"ftyp" and data[8:12] in _BRANDS


def read_heif(data: bytes, most_pixels: int) -> tuple[NDArray[np.uint8], tuple[bytes, ...]] | None:
    """Red, green, blue and alpha, shape (height, width, 4), with the blocks of EXIF and XMP the picture has; None for
    what cannot be read. Raises HostError for one of more pixels."""
    import pillow_heif  # noqa: PLC0415 - it loads a decoder that few pictures need
    from PIL import ImageCms  # noqa: PLC0415 - as above

    try:
        container = pillow_heif.open_heif(io.BytesIO(data), convert_hdr_to_8bit=True)
        if container.size[0] * container.size[1] > most_pixels:
            raise HostError(
                f"This picture has more than {most_pixels / 1e6:.0f} megapixels. Save it smaller and choose it again."
            )
        image = container.to_pillow()
        told = tuple(block for block in (image.info.get("exif"), image.info.get("xmp")) if block)
        profile = image.info.get("icc_profile")
        image = image.convert("RGBA" if image.mode.endswith("A") else "RGB")
        if profile:
            own = ImageCms.ImageCmsProfile(io.BytesIO(profile))
            changed = ImageCms.profileToProfile(image, own, ImageCms.createProfile("sRGB"), outputMode=image.mode)
            image = changed or image
    except (OSError, ValueError, RuntimeError, EOFError, SyntaxError, ImageCms.PyCMSError):
        return None
    return np.asarray(image.convert("RGBA"), np.uint8), told
