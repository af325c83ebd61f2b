"""A course that ends in a quiz of three sets, made for tests."""

from zigzag_core.course import CourseDocument
from zigzag_core.course.document import Section
from zigzag_core.course.questions.settings import Setting
from zigzag_core.course.quizzes import Balance, QuestionSet, Quiz, Together
from zigzag_core.course.rules.rule import StartOver

from .making import button
from .samples import quiz_course

WEATHER = ("Weather board at dawn", "Wind over the ridge", "Fog at noon", "Thunder far away",
           "Frost on the steps", "Clouds from the west")
FIRE = ("Ash in the stove", "Wet wood", "Smoke in the hall", "Sparks on the rug")
GUESTS = ("Two tired children", "Who is at the door?", "The late booking", "A lost boot",
          "Who sleeps where?", "Dry socks")
LAST = "Keys on the hook"
LEVELS = ("easy", "medium", "hard")


def keys_course(**settings) -> CourseDocument:
    """“Before you get the keys”: 3 of 6 about the weather, one hard at least; 2 of 4 about fire; 4
    of 6 about guests, of which one stays first and two together; and a last question for all.

    There, *Again* begins the quiz anew. `settings` are those of the quiz.
    """
    document = quiz_course(len(WEATHER) + len(FIRE) + len(GUESTS) + 1, seed=5)
    titles = ("Hello, warden", *WEATHER, *FIRE, *GUESTS, LAST)
    slides = [
        slide.model_copy(update={"title": title, "level": LEVELS[place % 3],
                                 "tags": ("night",) if place % 2 else ()})
        for place, (slide, title) in enumerate(zip(document.slides, titles, strict=True))]
    again = button("again", StartOver(what="quiz"), label="Again")
    slides[-1] = slides[-1].model_copy(update={"elements": (*slides[-1].elements, again)})
    ids = {slide.title: slide.id for slide in slides}

    def of(*names: str) -> tuple[str, ...]:
        return tuple(ids[name] for name in names)

    quiz = Quiz(sets=(
        QuestionSet(id="setweather", name="Weather", slides=of(*WEATHER), take=3,
                    balances=(Balance(level="hard", least=1),)),
        QuestionSet(id="setfire", name="Fire", slides=of(*FIRE), take=2),
        QuestionSet(id="setguests", name="Guests", slides=of(*GUESTS), take=4,
                    first=ids["Who is at the door?"],
                    together=(Together(slides=of("The late booking", "A lost boot")),)),
    ), **settings)
    section = Section(
        id="secquiz", title="Before you get the keys", before=slides[1].id, quiz=quiz)
    return CourseDocument(
        course=document.course.model_copy(update={
            "title": "Before You Get the Keys", "sections": (section,)}),
        slides=tuple(slides))


def following(document: CourseDocument, *settings: Setting) -> CourseDocument:
    """The course with questions that all follow the defaults of their quiz in these `settings`."""
    return document.model_copy(update={"slides": tuple(
        slide.model_copy(update={"questions": tuple(
            question.model_copy(update={"follows": settings}) for question in slide.questions)})
        for slide in document.slides)})


def check_drawn(titles: list[str]) -> None:
    """Fail where slides with these `titles`, in order, are not what the quiz may give."""
    assert (titles[0], titles[-1]) == ("Hello, warden", LAST)
    weather, fire, guests = titles[1:4], titles[4:6], titles[6:10]
    assert len(titles) == 11 and len(set(titles)) == 11
    assert set(weather) <= set(WEATHER) and set(fire) <= set(FIRE) and set(guests) <= set(GUESTS)
    assert {"Wind over the ridge", "Frost on the steps"} & set(weather)
    if "Who is at the door?" in guests:
        assert guests[0] == "Who is at the door?"
    if "The late booking" in guests or "A lost boot" in guests:
        assert guests.index("A lost boot") == guests.index("The late booking") + 1


def quizzed(document, sets, **settings):
    """The course as one quiz, with its questions in so many sets of the same size."""
    asking = [slide.id for slide in document.slides if slide.questions]
    size = len(asking) // sets
    quiz = Quiz(sets=tuple(
        QuestionSet(id=f"quizset{n}", name=f"Set {n}",
                    slides=tuple(asking[n * size:(n + 1) * size]))
        for n in range(sets)), **settings)
    section = Section(id="secquiz", title="Quiz", before=document.slides[0].id, quiz=quiz)
    return document.model_copy(update={
        "course": document.course.model_copy(update={"sections": (section,)})})
