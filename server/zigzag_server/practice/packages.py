"""Putting packages into the practice LMS and taking them out."""

import io
import uuid
from contextlib import suppress
from typing import Any, BinaryIO

from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from zigzag_core.errors import BadArchive
from zigzag_core.packaging.read_manifest import read_manifest
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.packaging.structure5 import FILE as FILE5
from zigzag_core.packaging.structure5 import read_structure
from zigzag_core.tracking.words import FILE, read_words

from zigzag_server.jobs.kinds import Finish, Report
from zigzag_server.problems import problem_of
from zigzag_server.storage import files_in, storage

from . import sessions5
from .models import Package, Sco


def put_in(user: User, report: Report, archive: BinaryIO) -> Finish:
    """Unpack a package, file by file; the returned step puts it into the practice LMS.

    Raises a 422 `Problem` with a reason for people where it is bad; nothing is stored then.
    """
    report(0.1, "Reading the package")
    size = archive.seek(0, io.SEEK_END)
    folder = f"practice/{uuid.uuid4().hex}"
    try:
        files = read_zip(archive)
        manifest = read_structure(files) if FILE5 in files else read_manifest(files)
        about = read_words(files.get(FILE)).model_dump()
        for number, path in enumerate(files):
            report(0.5 + 0.5 * number / len(files), "Unpacking")
            with storage().writing(f"{folder}/{path}") as into:
                files.copy(path, into)
    except BadArchive as error:
        _delete_folder(folder)
        raise problem_of(error, "Nothing was put in.") from None

    def finish() -> dict[str, Any]:
        made = Package.objects.create(
            owner=user, title=manifest.title, standard=manifest.standard,
            sequenced=manifest.sequenced, folder=folder, about=about, files=len(files), size=size,
        )
        Sco.objects.bulk_create(
            Sco(package=made, number=number, title=sco.title, launch=sco.launch,
                parameters=sco.parameters, mastery_score=sco.mastery_score,
                threshold=sco.threshold, launch_data=sco.launch_data, activity=sco.activity,
                move_on=sco.move_on)
            for number, sco in enumerate(manifest.scos, 1))
        return {"practice_package": made.pk, "title": made.title}
    return finish


def take_out(package: Package) -> None:
    """Delete a package, its files and all that was done in it."""
    if package.standard == "cmi5":
        sessions5.forget(package)
    # The row first: files that nothing names are taken away by `upkeep`, should this end between.
    package.delete()
    _delete_folder(package.folder)


def _delete_folder(folder: str) -> None:
    for path in files_in(folder):
        default_storage.delete(path)
    _delete_empty(folder)


def _delete_empty(folder: str) -> None:
    with suppress(FileNotFoundError):
        for name in default_storage.listdir(folder)[0]:
            _delete_empty(f"{folder}/{name}")
        default_storage.delete(folder)
