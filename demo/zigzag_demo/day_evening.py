"""A day in the hut, in questions: from the afternoon until the lamp goes out."""

from collections.abc import Sequence

from zigzag_core.course import Choice, Element, TextRun
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import AnswerRow
from zigzag_core.course.text.rich_text import BlankRun, Block, RichText, rich

from . import day_drawings as draw
from . import drawings
from .builder import CourseBuilder
from .day_morning import BOARD, ask, card, hour, send


def evening(b: CourseBuilder, at: dict[str, str]) -> None:
    """Fourteen questions from noon to night."""
    _crest(b, at)
    _fire(b, at)
    _glue(b, at)
    _greeting(b, at)
    _pell(b, at)
    _gas(b, at)
    _call(b, at)
    _people(b, at)
    _door(b, at)
    _list(b, at)
    _walk(b, at)
    _entry(b, at)
    _opinions(b, at)


def _choices(b: CourseBuilder, elements: Sequence[Element], right: set[int]) -> tuple[Choice, ...]:
    return tuple(Choice(id=b.fresh(), element=e.id, right=n in right)
                 for n, e in enumerate(elements))


def _truth(b: CourseBuilder, x: float, y: float, w: float = 220, h: float = 110,
           down: bool = False) -> list[Element]:
    return [
        b.text(word, word, x + (0 if down else n * (w + 40)), y + (n * (h + 28) if down else 0), w,
               h, **{**BOARD, "size": 34, "bold": True, "align": "center", "radius": 55})
        for n, word in enumerate(("True", "False"))
    ]


def _crest(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.callout("Question", "In doubt I hang the milder sign, so that nobody gets bored.",
                       420, 90, 560, 140, tail=(-0.12, 1.3), border_colour="#8a6643",
                       border_width=3)
    answers = _truth(b, 460, 392)
    submit = send(b, 460, 540)
    b.slide(at["crest"], "Two o’clock: a plan", [
        hour(b, "14:00"), b.picture("Oskarin", b.drawing("person-oskarin-thoughtful"), 60, 270, 380,
                                    422, alt="Oskarin, a warden with glasses, looks thoughtful."),
        prompt, b.text("Title", "Is he right?", 460, 322, 400, 56, level="title", font="heading",
                       size=34, bold=True), *answers, submit,
    ], (b.asked(q.TrueFalse, "The milder sign", prompt, submit, (
        "It is false: in doubt the worse sign. Guests can walk an hour later.", "",
        "In doubt hang the worse sign: guests cannot walk an hour earlier.",
    ), attempts=1, choices=_choices(b, answers, {1})),), picture=b.drawing("backdrop-ridge-day"))


def _fire(b: CourseBuilder, at: dict[str, str]) -> None:
    stack = [
        b.text(words, words, 190, y, 300, 66, size=24, bold=True, fill=fill, radius=33,
               align="center", valign="middle", text_colour=ink, border_colour="#6b4c31",
               border_width=3)
        for words, y, fill, ink in (
            ("A lit match", 168, "#e8a33d", "#22302b"),
            ("A twist of wool", 244, "#f4efe2", "#22302b"),
            ("Small wood", 320, "#d7b483", "#22302b"), ("Large logs", 396, "#6b4c31", "#ffffff"))
    ]
    prompt = b.text("Question", "Light it from the top.", 650, 130, 560, 76, level="title",
                    font="heading", size=46, bold=True)
    submit = send(b, 650, 420)
    b.slide(at["fire"], "Three o’clock: the fire", [
        b.picture("Fire box", b.picture_file("Fire box", draw.fire_bed()), 110, 90, 460, 520),
        hour(b, "15:00", 650, 70), prompt,
        b.text("What to do", "Lay the fire in the stove: bring the four things into order, what is "
               "uppermost first.", 650, 220, 520, 150, size=27), *stack, submit,
    ], (b.asked(q.Ordering, "Laying a fire", prompt, submit, (
        "It burns down slowly from the top, and smokes least.",
        "What burns most easily lies highest.",
        "From the top: match, wool, small wood, large logs.",
    ), items=tuple(q.InOrder(id=b.fresh(), element=e.id) for e in stack), counts="run",
        partial="right_parts"),), colour="#ead8b4")


def _glue(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = ask(b, "At how many degrees does the glue of soles let go?", 640, 90, 560, 124)
    field = b.writing("Degrees", "Degrees", 780, 260, 260, 110, style={"size": 40, "bold": True})
    submit = send(b, 780, 392)
    b.slide(at["glue"], "Four o’clock: hot soles", [
        hour(b, "16:00", 1130), prompt, field, submit,
    ], (
        b.asked(q.Numeric, "Glue", prompt, submit, (
            "At about 60 degrees. That is why soles never look towards the stove.",
            "Hotter than tea that can be drunk, cooler than boiling water.",
            "It is about 60 degrees.",
        ), field=field.id, accepts=q.Accepts(
            near=(q.Near(value=60, off=2),), units=("°", "°C", "C", "degrees"))),
    ), picture=b.picture_file("Thermometer", draw.thermometer()))


def _greeting(b: CourseBuilder, at: dict[str, str]) -> None:
    answers = [
        b.choice_text(n, words, 640, 196 + (n - 1) * 82, 560, 70) for n, words in enumerate((
            "I say good evening.", "I ask for the booking number.", "I offer the bench.",
            "I bring something warm to drink.", "I point to the beds."), 1)
    ]
    prompt = b.text("Question", "Somebody stands in the door. What comes before every question?",
                    640, 84, 560, 96, level="title", font="heading", size=32, bold=True,
                    valign="middle")
    submit = send(b, 640, 622)
    choices = _choices(b, answers, {0, 2, 3})
    b.slide(at["greeting"], "Five o’clock: at the door", [
        b.picture("Guest at the door",
                  b.picture_file("Guest at the door", drawings.guest_at_door()), 60, 90, 520, 590,
                  fit="cover", style={"radius": 20},
                  alt="A tired guest with snow on the hat stands in the dark doorway."),
        hour(b, "17:00", 80, 110), prompt, *answers, submit,
    ], (b.asked(q.MultipleResponse, "Greeting", prompt, submit, (
        "A word, a seat, something warm. The rest can wait.", "Two of them can wait.",
        "Good evening, the bench, something warm: then the hut book.",
    ), choices=choices, letters="capital", shuffle=True, partial="right_minus_wrong", table=(
        AnswerRow(id=b.fresh(), cells={choices[1].id: True, choices[4].id: True},
                    words=rich("That is a railway station. Begin with the person.")),
        AnswerRow(id=b.fresh(), cells={choices[1].id: True},
                    words=rich("The number can wait until the hands are warm.")),
    )),), colour="#f3ead6")


def _pell(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.callout("Question", "Six hours in the snow, and now every bed is taken?", 470, 70,
                       560, 150, tail=(-0.12, 1.1))
    title = ask(b, "What do you answer?", 560, 244, 400, 56)
    field = b.writing("Your words", "Your words", 576, 312, 608, 236, kind="long")
    submit = b.button("Say it", 560, 580, 190, 60, to=None)
    b.slide(at["pell"], "Half past five: your words", [
        hour(b, "17:30"), b.picture("Pell", b.drawing("person-pell-cross"), 60, 180, 440, 489,
                                    alt="Pell, a guest with a woollen hat, is cross."),
        prompt, b.panel(560, 236, 640, 326, fill="sheet", radius=14), title, field, submit,
    ], (b.asked(q.OpenAnswer, "To Pell", prompt, submit, attempts=1, points=5, field=field.id,
                at_least=10, at_most=240, model=rich(
        "A warden once said: **“Come in and sit down. The bench by the stove is yours, and there "
        "is soup.”** Is there a place, a seat and warmth in your words, too?")),),
        picture=b.drawing("backdrop-front-room"))


def _gas(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.text("Question", "It forms over glowing coals. It has no smell. What is it?", 80,
                    140, 560, 200, level="title", font="heading", size=42, bold=True,
                    text_colour="#ffe9c4")
    field = b.writing("Answer", "Its name", 80, 370, 460, 110, style={
        "size": 28, "text_colour": "#22302b", "fill": "#fffdf7"})
    plate = b.panel(64, 362, 492, 126, fill="#fffdf7")
    submit = send(b, 80, 514)
    b.slide(at["gas"], "Six o’clock: in the dark", [
        hour(b, "18:00"), prompt, plate, field, submit,
    ], (
        b.asked(q.ShortText, "No smell", prompt, submit, (
            "Carbon monoxide. An open air slide lets it out through the pipe.",
            "Its name begins with carbon.", "It is carbon monoxide, a gas.",
        ), field=field.id, accepts=q.Accepts(
            words=("carbon monoxide", "CO", "carbon monoxide gas"), typos=True)),
    ), picture=b.picture_file("Embers", draw.embers()), colour="#2a2430")


def _call(b: CourseBuilder, at: dict[str, str]) -> None:
    ids = [b.fresh() for _ in range(4)]
    lines = (("1.  ", "where", " we are"), ("2.  ", "what", " has happened"),
             ("3.  ", "how many", " are hurt"), ("4.  ", "who", " is speaking"))
    text = b.text("Text with blanks", RichText(blocks=tuple(
        Block(runs=(TextRun(text=before), BlankRun(blank=blank), TextRun(text=after)))
        for blank, (before, _, after) in zip(ids, lines, strict=True))),
        600, 200, 560, 280, size=30, line_height=1.6)
    prompt = b.text("Question", "Put the call together.", 600, 130, 560, 64, level="title",
                    font="heading", size=36, bold=True)
    submit = send(b, 600, 566)
    b.slide(at["call"], "Seven o’clock: a call", [hour(b, "19:00"), prompt, text, submit], (
        b.asked(q.FillBlanks, "Emergency call", prompt, submit, (
            "Where, what, how many, who. Now let go of the button and listen.",
            "What must get through if the battery dies after the first words?",
            "Where we are, what has happened, how many are hurt, who is speaking.",
        ), text=text.id, partial="right_parts", blanks=tuple(
            q.Blank(id=blank, how="bank", accepts=q.Accepts(words=(word,)),
                    others=("why",) if word == "who" else ())
            for blank, (_, word, _) in zip(ids, lines, strict=True))),
    ), picture=b.picture_file("Call", draw.call_note()))


def _people(b: CourseBuilder, at: dict[str, str]) -> None:
    guests = (("person-pell-tired", "Pell is tired."), ("person-suna-worried", "Suna is worried."),
              ("person-edda-cross", "Edda is cross."))
    pictures = [b.picture(alt, b.drawing(key), 120 + n * 380, 150, 240, 250, alt=alt,
                          style={"fill": "soft", "radius": 120}, fit="contain")
                for n, (key, alt) in enumerate(guests)]
    gives = [card(b, words, 90 + n * 380, 500, 320, 84, size=24) for n, words in enumerate((
        "Listen first, then explain", "A place by the stove", "The weather for tomorrow"))]
    prompt = ask(b, "Who needs what?", 440, 40, 400, 72, align="center")
    submit = send(b, 555, 620)
    targets = b.targets(gives)
    b.slide(at["people"], "Half past seven: three guests", [hour(b, "19:30"), prompt, *pictures,
                                                            *gives, submit], (
        b.asked(q.Matching, "Three guests", prompt, submit, (
            "You have looked at their faces first. That is half of the work.",
            "Look at their faces once more.",
            "Pell a place by the stove, Suna the weather, Edda somebody who listens.",
        ), targets=targets, partial="right_parts", items=b.items(pictures, targets, (1, 2, 0))),
    ), picture=b.picture_file("Ridge", drawings.ridge_pattern()))


def _door(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.text("Question", "At night the door of the hut is locked.", 700, 150, 500, 150,
                    level="title", font="heading", size=40, bold=True, text_colour="#ffe9c4")
    answers = _truth(b, 760, 330, 340, 96, down=True)
    submit = send(b, 760, 600)
    b.slide(at["door"], "Eight o’clock: the door", [hour(b, "20:00"), prompt, *answers, submit], (
        b.asked(q.TrueFalse, "The door at night", prompt, submit, (
            "It is false: on the latch, never locked. Somebody may still be out there.", "",
            "It is on the latch, never locked: somebody may still be out there.",
        ), attempts=1, choices=_choices(b, answers, {1})),
    ), picture=b.picture_file("Dark door", draw.dark_door()), colour="#5d4936")


def _list(b: CourseBuilder, at: dict[str, str]) -> None:
    cards = [
        b.picture(alt, b.drawing(f"icon-{key}"), 150 + n % 3 * 340, 186 + n // 3 * 206, 300, 146,
                  alt=alt, fit="contain", style={"fill": "#fffdf7", "radius": 18, "border_width": 4,
                                                 "border_colour": "#c9bda6", "padding": 14},
                  looks={"selected": {"border_colour": "#e8a33d", "border_width": 9}})
        for n, (key, alt) in enumerate((
            ("people", "Count the heads"), ("key", "Lock the door"), ("stove", "Check the stove"),
            ("lantern", "Hang the lantern out"), ("pot", "Put soup on"),
            ("phone", "Call the valley"),
        ))
    ]
    names = [b.text("Caption", alt.alt, alt.x, alt.y + 150, 300, 34, size=22, align="center",
                    text_colour="#ffffff").model_copy(update={"decoration": True}) for alt in cards]
    prompt = b.text("Question", "Which three belong to the last round?", 150, 90, 980, 76,
                    level="title", font="heading", size=40, bold=True, text_colour="#ffffff")
    submit = send(b, 150, 606)
    b.slide(at["list"], "Nine o’clock: the last round", [hour(b, "21:00"), prompt, *cards, *names,
                                                         submit], (
        b.asked(q.MultipleResponse, "Last round", prompt, submit, (
            "Heads, stove, lantern. And the door stays on the latch.", "Three of them can wait.",
            "Count the heads, check the stove, hang the lantern out.",
        ), choices=_choices(b, cards, {0, 2, 3}), at_least=3, at_most=3, partial="right_parts"),
    ), colour="#2f3a55")


def _walk(b: CourseBuilder, at: dict[str, str]) -> None:
    places = (
        ("The door on its latch", 900, 460, 80, 130, True),
        ("The lantern", 510, 460, 100, 130, True),
        ("The chimney of the stove", 1046, 268, 70, 90, True),
        ("The moon", 1040, 100, 100, 100, False),
        ("A spruce", 60, 430, 120, 190, False), ("The peaks", 560, 180, 180, 150, False),
    )
    spots = [b.area(name, x, y, w, h, "ellipse") for name, x, y, w, h, _ in places]
    prompt = ask(b, "Where do you look once more before you sleep?", 60, 96, 800)
    submit = send(b, 60, 640)
    b.slide(at["walk"], "Half past nine: once around", [hour(b, "21:30"), prompt, *spots, submit], (
        b.asked(q.Hotspot, "Once around", prompt, submit, (
            "The latch, the lantern, the chimney: good night.", "Three places keep guests safe.",
            "The door, the lantern and the chimney.",
        ), spots=tuple(q.Spot(id=b.fresh(), element=e.id, right=place[5])
                       for e, place in zip(spots, places, strict=True)),
            clicks=4, needed=3, partial="right_parts"),
    ), picture=b.picture_file("Night round", drawings.night_round()), colour="#2f3a55")


def _entry(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.text("Question", "What does the warden of tomorrow have to know?", 190, 180, 400,
                    160, level="title", font="heading", size=34, bold=True)
    hint = b.text("Hint", "Weather, guests, what is broken.", 190, 350, 400, 44, size=24,
                  text_colour="quiet")
    field = b.writing("Entry", "Your entry for today", 690, 190, 400, 330, kind="long")
    submit = b.button("Close the book", 690, 536, 240, 60, to=None)
    b.slide(at["entry"], "Ten o’clock: the entry", [
        hour(b, "22:00"), prompt, hint, field, submit,
    ], (
        b.asked(q.OpenAnswer, "Entry in the hut book", prompt, submit, attempts=1, points=5,
                field=field.id, at_least=10, at_most=400, model=rich(
            "“Wind from the west, crest closed since noon. Eleven in beds, one on the bench. The "
            "second ring of the range is loose: please do not use it.”")),
    ), picture=b.picture_file("Hut book", draw.open_book()))


def _opinions(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.text("Question", "How sure would you feel tomorrow …", 80, 60, 800, 76,
                    level="title", font="heading", size=40, bold=True)
    rows = [b.writing(words, words, 80, 150 + n * 140, 820, 120, kind="scale", low=1, high=5,
                      options=("not yet", "quite", "cannot say"))
            for n, words in enumerate(("… at the stove?", "… at the radio?", "… at the door?"))]
    submit = send(b, 80, 590, words="Send")
    b.slide(at["sure"], "How sure would you feel?", [
        prompt, *rows, submit, b.picture("Warden", b.picture_file("Warden", drawings.warden()), 920,
                                         240, 300, 300),
    ], (b.asked(q.RatingScale, "Sure tomorrow", prompt, submit, purpose="survey", attempts=1,
                rows=tuple(q.Row(id=b.fresh(), element=row.id) for row in rows)),),
        picture=b.picture_file("Ridge", drawings.ridge_pattern()))
    prompt = b.text("Question", "This day in the hut was …", 340, 196, 700, 76, level="title",
                    font="heading", size=44, bold=True)
    row = b.writing("Length", "How long was it?", 340, 300, 700, 140, kind="scale", low=1, high=7,
                    options=("too short", "too long"))
    submit = send(b, 340, 470, words="Send")
    b.slide(at["length"], "How long was the day?", [
        b.panel(270, 140, 820, 430, opacity=0.95), prompt, row, submit,
        b.picture("Suna", b.drawing("person-suna-friendly"), 30, 330, 340, 378,
                  alt="Suna, a guest with curls, smiles."),
    ], (b.asked(q.RatingScale, "Length of the day", prompt, submit, purpose="survey", attempts=1,
                rows=(q.Row(id=b.fresh(), element=row.id),)),),
        picture=b.drawing("backdrop-bunk-room"))
