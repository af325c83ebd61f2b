"""Jobs of the practice LMS: putting packages in."""

from typing import BinaryIO, cast

from django.contrib.auth.models import User
from django.core.files.storage import default_storage

from zigzag_server.jobs import uploads
from zigzag_server.jobs.kinds import Finish, Report, kind
from zigzag_server.publishing.models import Publication

from .packages import put_in


@kind("put_in", "Putting in the package", cleanup=uploads.remove)
def put_in_upload(owner: User, report: Report, upload: str) -> Finish:
    """Put in the package that was kept as `upload`."""
    with uploads.opened(upload) as file:
        return put_in(owner, report, file)


@kind("put_in_published", "Putting in the package")
def put_in_published(owner: User, report: Report, publication: int) -> Finish:
    """Put in the package that was published here with the key `publication`."""
    with default_storage.open(Publication.objects.get(pk=publication).file) as file:
        return put_in(owner, report, cast(BinaryIO, file))
