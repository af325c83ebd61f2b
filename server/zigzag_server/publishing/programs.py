"""What courses compile to as they are now: kept while nobody saves anything in them."""

from functools import lru_cache

from zigzag_core.compiler.compile import compile_course
from zigzag_core.program import Program

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course


def program_of(row: Course) -> Program:
    """Return the program of a course. Raises `NothingToPublish` for one without slides."""
    return _compiled(row.pk, store.state_of(row))


@lru_cache(maxsize=4)
def _compiled(course: int, _state: str) -> Program:
    document = store.document_of(Course.objects.get(pk=course))
    return compile_course(document, files.source_for(document.course))


def forget() -> None:
    """Forget all that is kept."""
    _compiled.cache_clear()
