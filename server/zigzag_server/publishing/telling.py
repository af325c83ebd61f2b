"""What an LMS will be told of courses, beside what it is told by what was published last."""

from typing import BinaryIO, cast

from django.core.files.storage import default_storage
from zigzag_core.compiler.compile import compile_course
from zigzag_core.course.reporting import Progress, portion, untold
from zigzag_core.engine.index import Index
from zigzag_core.errors import OtherProgram
from zigzag_core.packaging.published import program_of
from zigzag_core.verification.endings.endings import Endings, beside, endings_of

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course

from .models import Publication


def told_of(
    row: Course, latest: Publication | None, progress: Progress = untold
) -> tuple[Endings, bool]:
    """Return what an LMS will be told of the course as it is now, and whether there is a past.

    There it stands beside what it is told by `latest`, if that is in a form that is still read.
    Raises `NothingToPublish` for a course without slides.
    """
    document = store.document_of(row, portion(progress, 0, 0.2))
    source = files.source_for(document.course)
    index = Index(compile_course(document, source, portion(progress, 0.2, 0.4)))
    now = endings_of(document, index, portion(progress, 0.4, 0.7 if latest else 1))
    if latest is None:
        return now, False
    try:
        with default_storage.open(latest.file) as package:
            before = Index(program_of(cast(BinaryIO, package)))
    except (OtherProgram, FileNotFoundError):
        return now, False
    return beside(now, endings_of(document, before, portion(progress, 0.7, 1))), True
