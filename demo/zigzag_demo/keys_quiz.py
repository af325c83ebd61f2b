"""The quiz at the end of *Hut Warden Basics*: 40 questions in four sets, of which 12 are drawn."""

from collections.abc import Mapping, Sequence
from pathlib import Path

from zigzag_core.course import (
    Background,
    Button,
    Course,
    CourseDocument,
    Element,
    GoTo,
    IdSource,
    Rule,
    Slide,
    Text,
    ToSlide,
    rich,
)
from zigzag_core.course.document import Section
from zigzag_core.course.layouts.shipped import TITLE_ONLY
from zigzag_core.course.posts import USUAL_FIELDS, Post, PostField
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.feedback import Feedback
from zigzag_core.course.questions.new_questions import Maker
from zigzag_core.course.questions.settings import QuestionDefaults
from zigzag_core.course.quizzes import Balance, Band, QuestionSet, Quiz, Together
from zigzag_core.course.rules.rule import StartOver
from zigzag_core.editing.layouts.following import slide_from, with_layout
from zigzag_core.editing.quizzes.certificate import with_certificate
from zigzag_core.editing.quizzes.details import Detail, with_details
from zigzag_core.editing.quizzes.making import plant_questions
from zigzag_core.editing.quizzes.outcome import with_outcome
from zigzag_core.editing.quizzes.reading import read_questions
from zigzag_core.editing.quizzes.written import Written

TITLE = "Before you get the keys"
TEXT = Path(__file__).with_name("keys_questions.txt")
DRAWN = {"Weather": 3, "Stove and kitchen": 2, "Guests": 4, "Radio": None}
"""How many questions of each set a learner gets; None: all, after the call that they are about."""

_FIRST = "Who is at the door?"
_TOGETHER = ("Two tired children", "And their wet socks?")
_BANDS = (
    ("Back to the hut map", 0.0), ("Back to the radio", 40.0), ("Nearly there", 60.0),
    ("The keys are yours", 75.0), ("Ready for winter", 92.0),
)
_SAID = (
    "Walk through the rooms once more, at your own pace. Then come back here.",
    "The rooms are known. Listen to the rescue radio again, then try what was not right.",
    "A few answers are missing. Try again: only what was not right comes back.",
    "You may open and close the hut. Read what was not right, and keep the book well.",
    "Nothing left to ask. Somebody will ask you soon: tell them about the air slide.",
)


def with_keys_quiz(
    document: CourseDocument, fresh: IdSource, ways: Mapping[str, str], picture: str
) -> CourseDocument:
    """Return the course with the quiz at its end.

    `ways` gives the slides that bands lead back to, *map* and *radio*; `picture` stands behind all
    slides of the quiz.
    """
    section = Section(id=fresh(), title=TITLE, quiz=Quiz(
        sets=tuple(QuestionSet(id=fresh(), name=name) for name in DRAWN),
        bands=tuple(Band(id=fresh(), name=name, least=least) for name, least in _BANDS),
        attempts=3, again="wrong", pass_mark=75, way="free", overview=True,
        shows=("answer", "points", "feedback"),
        defaults=QuestionDefaults(attempts=1, partial="right_parts", shuffle=True)))
    course = document.course.model_copy(update={"sections": (*document.course.sections, section)})
    written = [one for one in read_questions(TEXT.read_text("utf-8")) if isinstance(one, Written)]
    planted = plant_questions(course, written, None, fresh, section.id)
    slides = {slide.id: slide for slide in planted.slides}
    course, call = _with_call(planted.course, section.id, fresh)
    course, last = _with_last(course, fresh)
    course, details = with_details(course, section.id, (
        Detail(kind="name", label="Your name"),
        Detail(kind="mail", label="Your mail address", need="optional"),
        Detail(kind="agreement", label="My result may be sent to the hut office"),
    ), fresh)
    course, outcome = with_outcome(course, section.id, fresh)
    told = _told(outcome, course, ways, fresh)
    course, certificate, (told,) = with_certificate(course, section.id, (told,), fresh)
    slides |= {slide.id: slide for slide in (call, last, details, told, certificate)}
    course = _settled(course, section.id, slides)
    known = {slide.id: slide for slide in document.slides} | {
        name: slide.model_copy(update={"background": Background(picture=picture)})
        for name, slide in slides.items()}
    return CourseDocument(course=course, slides=tuple(known[name] for name in course.slides))


def _with_call(course: Course, section: str, fresh: IdSource) -> tuple[Course, Slide]:
    """The course with the call that the questions of the last set are about, before these."""
    course, layout = with_layout(course, TITLE_ONLY)
    slide = slide_from(layout, course, "A call comes in", fresh)
    make = Maker(fresh, course.styles)
    words = Text(
        id=fresh(), name="The call", x=make.left, y=make.top, w=make.width, h=300,
        text=rich("“Larkspur Ridge, at the second bend of the valley path. Edda has slipped: an "
                  "ankle. One is hurt. This is Pell. I am only tired.”"),
        **make.follow("shape", size=30, padding=32))
    hint = Text(
        id=fresh(), name="Hint", x=make.left, y=500, w=make.width, h=80,
        text=rich("Three questions about calls like this one follow."), **make.follow("text"))
    quiz = _quiz_of(course, section)
    first = quiz.sets[-1].slides[0]
    at = course.slides.index(first)
    return course.model_copy(update={
        "slides": (*course.slides[:at], slide.id, *course.slides[at:]),
        "sections": _with_quiz(course, section, quiz.model_copy(update={"sets": (
            *quiz.sets[:-1], quiz.sets[-1].model_copy(update={
                "slides": (slide.id, *quiz.sets[-1].slides)}))})),
    }), slide.model_copy(update={"elements": (*slide.elements, words, hint)})


def _with_last(course: Course, fresh: IdSource) -> tuple[Course, Slide]:
    """The course with a last question that everybody gets, and that nobody judges."""
    course, layout = with_layout(course, TITLE_ONLY)
    slide = slide_from(layout, course, "One sentence to a new warden", fresh)
    make = Maker(fresh, course.styles)
    prompt = make.put(Text(
        id=fresh(), name="Question", x=make.left, y=make.top, w=make.width, h=64, level="heading",
        text=rich("What would you tell somebody on the first day?"),
        **make.follow("heading", size=34, text_colour="ink", fit="shrink")))
    field = make.field("long", "Your sentence", make.top + make.below_prompt, h=200, w=make.width)
    submit = make.put(Button(id=fresh(), name="Send", label="Send", x=make.left, y=480, w=200,
                             h=68, **make.follow("button")))
    question = q.OpenAnswer(
        id=fresh(), name="To a new warden", purpose="survey", prompt=prompt.id, submit=submit.id,
        field=field.id, at_most=120,
        feedback=Feedback(answered=rich("Thank you. It will be read.")))
    return course.model_copy(update={"slides": (*course.slides, slide.id)}), slide.model_copy(
        update={"elements": (*slide.elements, *make.elements), "questions": (question,)})


def _told(outcome: Slide, course: Course, ways: Mapping[str, str], fresh: IdSource) -> Slide:
    """The outcome slide with words for each band; two of them lead back into the course."""
    section = course.sections[-1]
    bands = _quiz_of(course, section.id).bands
    said = dict(zip((band.id for band in bands), _SAID, strict=True))
    elements: list[Element] = []
    for element in outcome.elements:
        if isinstance(element.shown, list | tuple) and element.shown[0] == "in_band":
            words = rich(f"**{element.name}**\n{said[str(element.shown[1])]}")
            element = element.model_copy(update={"text": words})
        elements.append(element)
    make = Maker(fresh, course.styles)
    again = next(e for e in elements if isinstance(e, Button) and _starts_over(e))
    for n, (band, way) in enumerate(zip(bands, (ways["map"], ways["radio"]), strict=False)):
        elements.append(Button(
            id=fresh(), name=band.name, label=band.name, x=again.x + again.w + 40, y=again.y,
            w=360, h=68, z=len(elements) + n, shown=["in_band", band.id],
            rules=(Rule(id=fresh(), do=(GoTo(go=ToSlide(slide=way)),)),), **make.follow("button")))
    return outcome.model_copy(update={"elements": tuple(elements)})


def _starts_over(button: Button) -> bool:
    return any(isinstance(action, StartOver) for rule in button.rules for action in rule.do)


def _settled(course: Course, section: str, slides: Mapping[str, Slide]) -> Course:
    """The course with what is drawn of each set, and where the results are sent."""
    quiz = _quiz_of(course, section)
    asked = {name: slide.title for name, slide in slides.items()}

    def settled(one: QuestionSet) -> QuestionSet:
        first = next((name for name in one.slides if asked[name].startswith(_FIRST)), None)
        pair = tuple(name for name in one.slides if asked[name].startswith(_TOGETHER))
        hard = (Balance(level="hard", least=1),) if one.name == "Weather" else ()
        together = pair if pair else one.slides if DRAWN[one.name] is None else ()
        return one.model_copy(update={
            "take": DRAWN[one.name], "first": first, "balances": hard,
            "together": (Together(slides=together),) if together else ()})

    name, mail, agreed = (variable.id for variable in course.variables[-3:])
    post = Post(
        mail="office@huts.example", subject="{{ Name }}: {{ Per cent }} % before the keys",
        sender="Larkspur Ridge Huts", before="{{ Name }} has taken “Before you get the keys”.",
        small_print="Sent by the course Hut Warden Basics.", copy_to=mail,
        fields=(USUAL_FIELDS[0].model_copy(update={"of": name}), *USUAL_FIELDS[1:],
                PostField(name="Agreed", of=agreed)))
    return course.model_copy(update={"sections": _with_quiz(course, section, quiz.model_copy(
        update={"sets": tuple(map(settled, quiz.sets)), "post": post}))})


def _quiz_of(course: Course, section: str) -> Quiz:
    return next(one.quiz for one in course.sections if one.id == section and one.quiz)


def _with_quiz(course: Course, section: str, quiz: Quiz) -> Sequence[Section]:
    return tuple(one.model_copy(update={"quiz": quiz}) if one.id == section else one
                 for one in course.sections)
