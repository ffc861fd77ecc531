"""Pictures of results, kept beside the database: shrunk, turned upright, and without what a camera writes into them (place,
time, owner)."""

import io
import os
import re
import shutil
from pathlib import Path

from PIL import Image, ImageOps, UnidentifiedImageError

from ..core.errors import BadInput, Conflict, NotFound, Unavailable

MOST = 4
"""Of one batch."""
LONGEST_SIDE, QUALITY = 1600, 82
MOST_PIXELS = 60_000_000
KINDS = ("JPEG", "PNG", "WEBP")
_NAME = re.compile(r"(\d+)-(\d+)\.jpg")


class Photos:
    """Those of one kitchen's file."""

    def __init__(self, file: Path) -> None:
        self.folder = file.with_name(f"{file.name}.photos")

    def of(self, batch_id: int) -> list[int]:
        """The numbers of a batch's pictures, oldest first."""
        names = (_NAME.fullmatch(path.name) for path in self._all())
        return sorted(int(name[2]) for name in names if name and int(name[1]) == batch_id)

    def _all(self) -> list[Path]:
        return list(self.folder.iterdir()) if self.folder.is_dir() else []

    def path(self, batch_id: int, number: int) -> Path:
        """:raises NotFound: field "photo"."""
        path = self.folder / f"{batch_id}-{number}.jpg"
        if not path.is_file():
            raise NotFound("photo", "no-such-picture", number=number)
        return path

    def add(self, batch_id: int, image: bytes) -> int:
        """Keep a picture, on disk before this returns; its number.

        :raises BadInput, Conflict, Unavailable: fields "image", "photo".
        """
        there = self.of(batch_id)
        if len(there) >= MOST:
            raise Conflict("photo", "too-many-pictures", most=MOST)
        small = shrunk(image)
        number = max(there, default=0) + 1
        try:
            self.folder.mkdir(exist_ok=True)
            fresh = self.folder / f".{batch_id}-{number}.part"
            with fresh.open("wb") as out:
                out.write(small)
                out.flush()
                os.fsync(out.fileno())
            fresh.replace(self.folder / f"{batch_id}-{number}.jpg")
        except OSError as error:
            raise Unavailable("photo", "picture-not-kept", retry_s=30.0) from error
        return number

    def remove(self, batch_id: int, number: int) -> None:
        """:raises NotFound: field "photo"."""
        self.path(batch_id, number).unlink()

    def copy_to(self, other: "Photos") -> int:
        """Those that are not there yet; how many."""
        missing = [
            path for path in self._all() if _NAME.fullmatch(path.name) and not (other.folder / path.name).exists()
        ]
        if missing:
            other.folder.mkdir(exist_ok=True)
        for path in missing:
            shutil.copyfile(path, other.folder / path.name)
        return len(missing)


def shrunk(image: bytes) -> bytes:
    """A JPEG of at most 1600 pixels a side, the right way up, with nothing but its pixels.

    :raises BadInput: field "image".
    """
    wrong = BadInput("image", "picture-unreadable")
    try:
        with Image.open(io.BytesIO(image), formats=KINDS) as opened:
            if opened.width * opened.height > MOST_PIXELS:
                raise BadInput("image", "picture-too-large")
            upright = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError) as error:
        raise wrong from error
    upright.thumbnail((LONGEST_SIDE, LONGEST_SIDE))
    plain = Image.new("RGB", upright.size)
    plain.paste(upright)
    out = io.BytesIO()
    plain.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue()
