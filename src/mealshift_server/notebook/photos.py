"""Photos: checked, made small, written anew without a word of what came with them."""

from __future__ import annotations

import io
import threading
import warnings

from mealshift.problems import Refusal

MOST_BYTES = 12 * 1024 * 1024
SIDE = 1280
MOST_PIXELS = 30_000_000
_KINDS = ("JPEG", "PNG", "WEBP")


# a photo unpacks to a hundred megabytes: one at a time, however many are sent at once
_ONE = threading.Lock()


def to_small_jpeg(sent: bytes) -> bytes:
    """A JPEG of at most 1280 px a side, upright, with no metadata. Refusal if it is no photo."""
    with _ONE:
        return _small_jpeg(sent)


def _small_jpeg(sent: bytes) -> bytes:
    from PIL import Image, ImageOps, UnidentifiedImageError

    if len(sent) > MOST_BYTES:
        raise Refusal("photo", "photo", "This photo is larger than 12 MB: send a smaller one.")
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(sent), formats=_KINDS) as opened:
                # only the head is read so far: a small file may unpack to more pixels than this machine has room for
                if opened.width * opened.height > MOST_PIXELS:
                    raise Refusal(
                        "photo",
                        "photo",
                        f"This photo has {opened.width * opened.height / 1e6:.0f} million pixels: send one of at most "
                        f"{MOST_PIXELS / 1e6:.0f}.",
                    )
                opened.draft("RGB", (SIDE * 2, SIDE * 2))
                upright = ImageOps.exif_transpose(opened)
                upright.thumbnail((SIDE, SIDE))
                # a new picture with the pixels alone: comments, places and cameras stay behind
                clean = Image.new("RGB", upright.size, "white")
                clean.paste(upright.convert("RGB"))
    except (
        UnidentifiedImageError,
        Image.DecompressionBombError,
        Image.DecompressionBombWarning,
        OSError,
        ValueError,
        SyntaxError,
    ):
        raise Refusal("photo", "photo", "This is no photo I can read: send a JPEG, PNG or WebP picture.") from None
    out = io.BytesIO()
    clean.save(out, "JPEG", quality=82, optimize=True)
    return out.getvalue()
