"""What courses compile to as they are now; slides that have not changed are compiled once."""

from functools import lru_cache

from zigzag_core.compiler.compile import MediaSource
from zigzag_core.course.reporting import Progress, untold
from zigzag_core.packaging.incremental import Compilation, CompiledCourse

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course

from .models import KeptSlide

AT_ONCE = 100
"""So many slides are compiled while somebody waits for the answer; more are compiled by a job."""


def compilation_of(row: Course) -> Compilation:
    """Return what is to be compiled of a course. Raises `NothingToPublish` for one without slides.
    """
    kept = dict(row.kept_slides.values_list("slide_id", "text"))
    texts = [text for _, text in store.slide_texts(row)]
    return Compilation(store.settings_of(row), texts, kept)


def run(
    row: Course, compilation: Compilation, source: MediaSource, progress: Progress = untold
) -> CompiledCourse:
    """Return the compiled course, and keep the slides that were compiled for it."""
    compiled = compilation.run(source, progress)
    KeptSlide.objects.bulk_create(
        (KeptSlide(course=row, slide_id=name, text=text)
         for name, text in compilation.fresh.items()),
        update_conflicts=True, unique_fields=["course", "slide_id"], update_fields=["text"],
    )
    return compiled


class TakesLong(Exception):
    """So much is to be compiled that it is work for a job."""


def compiled_here(row: Course) -> CompiledCourse:
    """Return a course compiled to run on this server.

    Raises `TakesLong`, and `NothingToPublish` for a course without slides.
    """
    return _compiled(row.pk, store.state_of(row))


def compiled_now(row: Course) -> CompiledCourse:
    """Return the same, however long it takes."""
    compilation = compilation_of(row)
    return run(row, compilation, files.source_for(compilation.course))


@lru_cache(maxsize=4)
def _compiled(course: int, _state: str) -> CompiledCourse:
    row = Course.objects.get(pk=course)
    compilation = compilation_of(row)
    # Whether the others have to be compiled too is known only once the changed ones were read.
    if compilation.unknown > AT_ONCE or compilation.stale > AT_ONCE:
        raise TakesLong
    return run(row, compilation, files.source_for(compilation.course))


def forget() -> None:
    """Forget all that is kept in memory."""
    _compiled.cache_clear()
