"""What is seen: frames of films that were taken home, and the picture on the stage."""

from __future__ import annotations

import io
from collections.abc import Callable
from urllib.parse import urljoin

import av
import numpy as np
import skia
from playwright.sync_api import Page

from tests.browser.book import still_of


def frames(data: bytes, step: int = 5) -> list[tuple[float, np.ndarray]]:
    """Every fifth frame of a film, or those a ``step`` apart, 160 by 90, with its time in seconds."""
    with av.open(io.BytesIO(data)) as film:
        stream = film.streams.video[0]
        return [
            (float(frame.pts * stream.time_base), frame.to_ndarray(format="rgb24", width=160, height=90).astype(int))
            for index, frame in enumerate(film.decode(stream))
            if index % step == 0
        ]  # fmt: skip


def still_pixels(page: Page) -> np.ndarray:
    """The picture on the stage: red, green and blue, (height, width, 3)."""
    answer = page.request.get(urljoin(page.url, still_of(page)))
    assert answer.ok
    image = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(answer.body()))
    return np.array(image.toarray(colorType=skia.kRGBA_8888_ColorType)[..., :3], int)


def seen(page: Page, fits: Callable[[np.ndarray], bool], seconds: float = 30.0) -> np.ndarray:
    """The picture on the stage, once it is as it shall be."""
    for _ in range(round(seconds * 5)):
        pixels = still_pixels(page)
        if fits(pixels):
            return pixels
        page.wait_for_timeout(200)
    raise AssertionError("the stage never showed it")


def differs(before: np.ndarray, least: float) -> Callable[[np.ndarray], bool]:
    """Whether a picture is another one, by so much a pixel in the mean."""
    return lambda now: bool(now.shape == before.shape and np.abs(now - before).mean() >= least)
