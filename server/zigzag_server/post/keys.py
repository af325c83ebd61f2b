"""Keys for packages: made with each, and stored with it."""

from collections.abc import Iterable
from dataclasses import dataclass

from zigzag_core import course as core
from zigzag_core.packaging.package import Receivers, posts_of

from zigzag_server.courses.models import Course
from zigzag_server.origins import content_url

from .models import PostKey


@dataclass(frozen=True)
class NewKeys:
    """Keys of a package that is being made; nothing is stored yet."""

    keys: tuple[PostKey, ...] = ()

    @property
    def receivers(self) -> Receivers:
        """Where the package sends the reports of each quiz, and the key that signs them."""
        return {key.quiz: (content_url(f"/post/{key.number}"), key.secret) for key in self.keys}

    def store(self) -> None:
        """Store the keys: from now on the package may send."""
        for key in self.keys:
            key.save()


def new_keys(row: Course, course: core.Course) -> NewKeys:
    """Return a key for each quiz of `course` whose reports go to the receiver."""
    return NewKeys(tuple(_keys(row, course)))


def _keys(row: Course, course: core.Course) -> Iterable[PostKey]:
    titles = {section.id: section.title for section in course.sections}
    for quiz, post in posts_of(course).items():
        if post.to_receiver:
            yield PostKey(course=row, quiz=quiz, title=titles[quiz][:200],
                          post=post.model_dump(mode="json"))
