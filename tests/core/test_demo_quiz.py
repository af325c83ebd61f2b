"""The quiz at the end of *Hut Warden Basics*."""

from zigzag_core.course import plain
from zigzag_demo.keys_quiz import DRAWN

from tests.demo_courses import hut_warden_basics


def test_the_demo_draws_twelve_of_forty():
    document, _ = hut_warden_basics()
    quiz = document.course.sections[-1].quiz
    asking = {slide.id for slide in document.slides if slide.questions}
    sets = {one.name: [slide for slide in one.slides if slide in asking] for one in quiz.sets}
    assert sum(map(len, sets.values())) == 40
    assert sum(take or len(sets[name]) for name, take in DRAWN.items()) == 12
    assert len(quiz.bands) == 5
    guests = next(one for one in quiz.sets if one.name == "Guests")
    assert guests.first and len(guests.together[0].slides) == 2
    said = [plain(e.text) for e in document.slides[-2].elements if e.kind == "shape"]
    assert len(said) == 5
