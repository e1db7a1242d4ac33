"""Store an uploaded picture: checked by content, original kept, a clean copy to show."""

from __future__ import annotations

import hashlib
import io
import os
import secrets
import shutil
import uuid
import warnings
from pathlib import Path

from django.conf import settings
from django.core.files.uploadedfile import UploadedFile
from django.db import transaction
from PIL import Image, ImageOps, UnidentifiedImageError

from server.accounts.models import User
from server.files.models import Picture
from server.replies.door import too_large
from server.replies.errors import BadValue
from server.rooms.permissions import add, enter

KINDS = {"JPEG": ("image/jpeg", "jpg"), "PNG": ("image/png", "png"), "TIFF": ("image/tiff", "tif")}
SHOWN_SIDE_PX = 2000
SHOWN_QUALITY = 88
_ORIENTATION, _ON_THEIR_SIDE = 274, {5, 6, 7, 8}


def store_picture(
    user: User, room_id: uuid.UUID, picture_id: uuid.UUID, upload: UploadedFile
) -> Picture:
    """Return the stored picture; sent twice it is stored once.

    Raises
    ------
    NotFound, NotAllowed
    TooLarge
        Over 60 MB.
    BadValue
        Not a JPEG, PNG or TIFF picture, broken, or over 120 megapixels.
    """
    room = enter(user, room_id, "log proofs")
    before = Picture.objects.filter(room=room, id=picture_id).first()
    if before is not None:
        return before
    _check_bytes(upload)
    folder = Path(str(room.id)) / str(picture_id) / secrets.token_hex(6)
    came, sha256 = _stream(upload, folder / "came")
    try:
        kind, shown, size = _look(came)
    except BadValue:
        shutil.rmtree(came.parent)
        raise
    content_type, ending = KINDS[kind]
    original, copy = folder / f"original.{ending}", folder / "shown.jpg"
    came.replace(Path(settings.MEDIA_ROOT) / original)
    _keep(copy, shown)
    with transaction.atomic():
        stored, new = add(
            Picture(
                id=picture_id,
                room=room,
                name=_name(upload),
                content_type=content_type,
                sha256=sha256,
                bytes=upload.size or 0,
                width_px=size[0],
                height_px=size[1],
                original=str(original),
                shown=str(copy),
            )
        )
    if not new:  # the same id came twice at once: each had a folder of its own
        shutil.rmtree(Path(settings.MEDIA_ROOT) / folder)
    return stored


def _name(upload: UploadedFile) -> str:
    """Return the name a file came with, without what no database keeps."""
    kept = Path(upload.name or "").name.replace("\0", "")[:200]
    return kept.encode("utf-8", "ignore").decode() or "picture"


def _check_bytes(upload: UploadedFile) -> None:
    if (upload.size or 0) > settings.LARGEST_UPLOAD_BYTES:
        raise too_large(upload.size, settings.LARGEST_UPLOAD_BYTES)


def _stream(upload: UploadedFile, path: Path) -> tuple[Path, str]:
    """Write what comes, part by part, and return where it stands and its digest."""
    whole = Path(settings.MEDIA_ROOT) / path
    whole.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
    digest = hashlib.sha256()
    with whole.open("wb") as file:
        for part in upload.chunks():
            digest.update(part)
            file.write(part)
        file.flush()
        os.fsync(file.fileno())
    return whole, digest.hexdigest()


def _look(path: Path) -> tuple[str, bytes, tuple[int, int]]:
    """Return the kind, a copy without metadata, and the size upright [px] of a picture."""
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(path, formats=list(KINDS)) as picture:
                _check_pixels(picture.size)
                kind, size = str(picture.format), _upright_size(picture)
                return kind, _clean_copy(picture), size
    except BadValue:
        raise
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError, MemoryError) as error:
        del error
        raise BadValue(
            "not-a-picture",
            "That file is not a picture that can be read. Send a JPEG, PNG or TIFF.",
            field="file",
            allowed="JPEG, PNG or TIFF",
        ) from None
    except Image.DecompressionBombError:
        raise _too_many_pixels("very large") from None


def _upright_size(picture: Image.Image) -> tuple[int, int]:
    """Return width and height as the picture was held."""
    lying = picture.getexif().get(_ORIENTATION, 1) in _ON_THEIR_SIDE
    return (picture.height, picture.width) if lying else picture.size


def _check_pixels(size: tuple[int, int]) -> None:
    if size[0] * size[1] > settings.LARGEST_PICTURE_PIXELS:
        raise _too_many_pixels(f"{size[0]} × {size[1]}")


def _too_many_pixels(value: str) -> BadValue:
    return BadValue(
        "too-many-pixels",
        "That picture has too many pixels. Scan at a lower resolution.",
        field="file",
        value=value,
        allowed=f"at most {settings.LARGEST_PICTURE_PIXELS // 1_000_000}",
        unit="megapixels",
    )


def _clean_copy(picture: Image.Image) -> bytes:
    """Return a JPEG of the pixels alone, turned the right way up."""
    picture.draft("RGB", (SHOWN_SIDE_PX * 2, SHOWN_SIDE_PX * 2))
    picture.load()
    upright = ImageOps.exif_transpose(picture)
    if upright.mode.startswith("I;16") or upright.mode in ("I", "F"):
        upright = upright.point(lambda value: value / 256).convert("L")
    upright = upright.convert("RGB")
    upright.thumbnail((SHOWN_SIDE_PX, SHOWN_SIDE_PX))
    clean = Image.new("RGB", upright.size)
    clean.paste(upright)
    out = io.BytesIO()
    clean.save(out, "JPEG", quality=SHOWN_QUALITY)
    return out.getvalue()


def _keep(path: Path, data: bytes) -> None:
    """Write a file whole or not at all."""
    whole = Path(settings.MEDIA_ROOT) / path
    whole.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
    part = whole.with_suffix(".part")
    with part.open("wb") as file:
        file.write(data)
        file.flush()
        os.fsync(file.fileno())
    part.replace(whole)
