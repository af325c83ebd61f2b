"""Putting packages into the practice LMS and taking them out."""

import uuid

from django.contrib.auth.models import User
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from zigzag_core.packaging.read_manifest import read_manifest
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.tracking.words import FILE, read_words

from .models import Package


def put_in(user: User, data: bytes) -> Package:
    """Store the package in `data`; raise `BadArchive` with a reason, and store nothing, if bad."""
    files = read_zip(data)
    manifest = read_manifest(files)
    folder = f"practice/{uuid.uuid4().hex}"
    for path, content in files.items():
        default_storage.save(f"{folder}/{path}", ContentFile(content))
    return Package.objects.create(
        owner=user, title=manifest.title, folder=folder, launch=manifest.launch,
        parameters=manifest.parameters, mastery_score=manifest.mastery_score,
        launch_data=manifest.launch_data, about=read_words(files.get(FILE)).model_dump(),
        files=len(files), size=len(data),
    )


def take_out(package: Package) -> None:
    """Delete a package, its files and all that was done in it."""
    _delete_folder(package.folder)
    package.delete()


def _delete_folder(folder: str) -> None:
    folders, names = default_storage.listdir(folder)
    for name in names:
        default_storage.delete(f"{folder}/{name}")
    for name in folders:
        _delete_folder(f"{folder}/{name}")
    default_storage.delete(folder)
