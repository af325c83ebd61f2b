"""A day in the hut, in questions: from the first light to noon."""

from typing import Any

from zigzag_core.course import Element, TextRun
from zigzag_core.course.questions import question as q
from zigzag_core.course.text.rich_text import BlankRun, Block, RichText

from . import day_drawings as draw
from .builder import CourseBuilder

BOARD: dict[str, Any] = {
    "fill": "sheet", "border_colour": "#8a6643", "border_width": 3, "radius": 10,
    "valign": "middle", "padding": 14,
}


def hour(b: CourseBuilder, time: str, x: float = 40, y: float = 28) -> Element:
    """A tag with the hour of the day."""
    return b.text("Hour", time, x, y, 108, 44, size=24, bold=True, fill="accent", radius=22,
                  align="center", valign="middle", text_colour="#22302b")


def ask(b: CourseBuilder, words: str, x: float, y: float, w: float, h: float = 64,
        **style: Any) -> Element:
    """The question itself, on a plate of its own."""
    return b.text("Question", words, x, y, w, h, level="title", **{
        "font": "heading", "size": 30, "bold": True, "fill": "sheet", "radius": 12, "padding": 16,
        "valign": "middle", **style})


def card(b: CourseBuilder, words: str, x: float, y: float, w: float, h: float,
         **style: Any) -> Element:
    """Something that can be taken and put elsewhere."""
    return b.text(words, words, x, y, w, h, **{**BOARD, "size": 22, "align": "center", **style})


def send(b: CourseBuilder, x: float, y: float, w: float = 170, words: str = "Done") -> Element:
    """Return a button that submits, at a place in slide px."""
    return b.button(words, x, y, w, 60, to=None)


def morning(b: CourseBuilder, at: dict[str, str]) -> None:
    """Eight questions until noon."""
    _signs(b, at)
    _water(b, at)
    _soup(b, at)
    _ways(b, at)
    _book(b, at)
    _mistakes(b, at)
    _dry(b, at)
    _board(b, at)


def _signs(b: CourseBuilder, at: dict[str, str]) -> None:
    names = (("sun", "The sign with the sun"), ("wind", "The sign with the wind"),
             ("storm", "The sign with thunder"), ("snow", "The sign with snow"))
    signs = [
        b.picture(alt, b.picture_file(alt, draw.weather_sign(key)), 84 + n % 2 * 188,
                  210 + n // 2 * 210, 164, 102, alt=alt)
        for n, (key, alt) in enumerate(names)
    ]
    says = [b.text(words, words, 800, y, 380, 92, **{**BOARD, "size": 26}) for words, y in (
        ("Nobody leaves", 190), ("All ways are open", 320), ("Not over the crest", 450))]
    prompt = ask(b, "What does each sign tell your guests?", 520, 88, 700)
    submit = send(b, 800, 580)
    targets = b.targets(says, takes=None)
    b.slide(at["signs"], "Six o’clock: the signs", [hour(b, "6:00", 1130), prompt, *signs, *says,
                                                    submit], (
        b.asked(q.Matching, "Weather signs", prompt, submit, (
            "The board can be trusted. The first guests are lacing their boots.",
            "Two of the signs keep everybody in the hut.",
            "Thunder and snow keep everybody in; wind closes the crest; sun opens all ways.",
        ), tells=True, targets=targets, partial="right_parts",
            items=b.items(signs, targets, (1, 2, 0, 0))),
    ), picture=b.picture_file("Morning", draw.morning()))


def _water(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = ask(b, "For how many minutes does drinking water boil?", 560, 90, 640, 110)
    field = b.writing("Minutes", "Minutes", 640, 240, 240, 110, style={"size": 40, "bold": True})
    submit = send(b, 640, 376)
    b.slide(at["water"], "Seven o’clock: the water", [hour(b, "7:00"), prompt, field, submit], (
        b.asked(q.Numeric, "Boiling water", prompt, submit, (
            "Three minutes, then it is safe and the mugs can be filled.",
            "It is on the wall of the kitchen. Less than five.",
            "Drinking water boils for three minutes.",
        ), field=field.id, accepts=q.Accepts(
            near=(q.Near(value=3),), units=("min", "minutes"))),
    ), picture=b.picture_file("Big pot", draw.big_pot()))


def _soup(b: CourseBuilder, at: dict[str, str]) -> None:
    steps = [
        b.picture(words, b.picture_file(words, draw.step_picture(key)), 80 + n * 288, 250, 256,
                  198, alt=words, style={"radius": 16, "border_width": 4,
                                         "border_colour": "#8a6643"})
        for n, (key, words) in enumerate((
            ("boil", "Boil the water"), ("ask", "Ask about allergies"),
            ("soup", "Cook the soup"), ("lids", "Put the lids on")))
    ]
    prompt = ask(b, "Bring supper into order, from left to right.", 170, 60, 940, 76)
    submit = send(b, 80, 590)
    b.slide(at["soup"], "Half past seven: four steps", [
        hour(b, "7:30"), prompt, b.line(80, 500, 1120, colour="#8a6643", width=10), *steps,
        b.text("Hint", "Two of them may change places.", 290, 594, 500, 52, size=22,
               valign="middle", text_colour="quiet"), submit,
    ], (b.asked(q.Ordering, "Supper", prompt, submit, (
        "Water and questions first, then the soup, and the lids keep the windows dry.",
        "Ask before you cook, not after; and lids go on last.",
        "Water and allergies come first, in either order; then the soup, then the lids.",
    ), items=tuple(q.InOrder(id=b.fresh(), element=e.id, level=n == 1)
                   for n, e in enumerate(steps))),), colour="#f3ead6")


def _ways(b: CourseBuilder, at: dict[str, str]) -> None:
    go, wait = (
        b.text(name, name, x, 200, 440, 250, fill=fill, radius=16, padding=14, size=28, bold=True,
               text_colour="#ffffff", align="center", valign="top", border_colour="#6b4c31",
               border_width=8)
        for name, x, fill in (("Off you go", 120, "#1e5b4b"), ("Better wait", 720, "#8c3522"))
    )
    plans = [card(b, words, 60 + n * 236, 490, 220, 70) for n, words in enumerate((
        "Valley path", "Over the crest", "Forest loop", "East face, roped", "A mug of tea"))]
    prompt = ask(b, "The sign says wind. Who may leave?", 330, 52, 620)
    submit = send(b, 60, 618)
    targets = b.targets((go, wait), takes=None)
    b.slide(at["ways"], "Eight o’clock: who may leave?", [hour(b, "8:00"), prompt, go, wait, *plans,
                                                          submit], (
        b.asked(q.DragToTarget, "Ways in the wind", prompt, submit, (
            "Low ways are fine, the crest and the face are not. And tea is always a good plan.",
            "Think of where the wind is strongest. What went wrong has gone back.",
            "The valley and the forest are open; the crest and the east face wait.",
        ), tells=True, targets=targets, partial="right_minus_wrong",
            wrong_items="return_when_judged",
            items=b.items(plans, targets, (0, 1, 0, 1, None))),
    ), picture=b.picture_file("Crossroads", draw.crossroads()))


def _book(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.text("Question", "A guest leaves. Where do you look up which way was planned?", 190,
                    190, 400, 190, level="title", font="heading", size=32, bold=True)
    field = b.writing("Answer", "In the …", 700, 236, 370, 110, style={"size": 30})
    submit = send(b, 700, 370)
    b.slide(at["book"], "Nine o’clock: who went where?", [hour(b, "9:00"), prompt, field, submit], (
        b.asked(q.ShortText, "Planned way", prompt, submit, (
            "Name and planned way are in it, for everybody who comes and goes.",
            "You are looking at it.", "It is written in the hut book.",
        ), field=field.id, accepts=q.Accepts(
            words=("hut book", "the hut book", "book", "guest book"), typos=True)),
    ), picture=b.picture_file("Hut book", draw.open_book()))


def _mistakes(b: CourseBuilder, at: dict[str, str]) -> None:
    places = (
        ("Boots in front of the stove", 800, 540, 200, 110, True),
        ("A rope over the stove’s pipe", 980, 100, 160, 230, True),
        ("Paper on top of the stove", 1080, 310, 80, 56, True),
        ("Jackets on hangers", 420, 160, 300, 190, False),
        ("Boots on the rack", 430, 380, 200, 100, False),
        ("A mug on the rack", 660, 400, 90, 80, False),
    )
    spots = [b.area(name, x, y, w, h) for name, x, y, w, h, _ in places]
    prompt = ask(b, "Find three mistakes in this drying room.", 300, 36, 660, 76)
    submit = send(b, 60, 632)
    b.slide(at["mistakes"], "Ten o’clock: what is wrong here?", [hour(b, "10:00"), prompt, *spots,
                                                                 submit], (
        b.asked(q.Hotspot, "Three mistakes", prompt, submit, (
            "Boots, rope and paper: all three are too near to the heat.",
            "Look at what is near to the stove.",
            "The boots before the stove, the rope over the pipe, the paper on its top.",
        ), hint="One of the three hangs, one stands, one lies.", spots=tuple(
            q.Spot(id=b.fresh(), element=spot.id, right=place[5])
            for spot, place in zip(spots, places, strict=True)),
            clicks=3, place="beside", partial="right_parts"),
    ), picture=b.picture_file("Mistakes", draw.mistakes()))


def _dry(b: CourseBuilder, at: dict[str, str]) -> None:
    dashed: dict[str, Any] = {
        "border_colour": "#22302b", "border_width": 3, "border_style": "dashed", "radius": 12}
    places = (("The rack", 350, 400, 150, 150), ("The hanger", 325, 232, 150, 150),
              ("The peg in the shade", 612, 222, 150, 150), ("The top of the stove", 965, 216,
                                                             150, 140))
    areas = [b.area(name, x, y, w, h, **dashed) for name, x, y, w, h in places]
    things = [
        b.picture(alt, b.picture_file(alt, draw.thing(key)), 60 + n * 170, 566, 140, 140, alt=alt)
        for n, (key, alt) in enumerate((("jacket", "A wet jacket"), ("boots", "A pair of boots"),
                                        ("rope", "A rope"), ("bread", "A loaf of bread")))
    ]
    prompt = ask(b, "Hang up what is wet. One place stays empty.", 200, 40, 720, 76)
    submit = send(b, 800, 620)
    targets = b.targets(areas)
    b.slide(at["dry"], "Eleven o’clock: hang it up", [hour(b, "11:00"), prompt, *areas, *things,
                                                      submit], (
        b.asked(q.DragToTarget, "Drying room", prompt, submit, (
            "Boots on the rack, the jacket on a hanger, the rope in the shade. Bread stays bread.",
            "Something is missing still.",
            "Boots belong on the rack, the jacket on the hanger, the rope on the peg.",
        ), targets=targets, arrange="snap", wrong_items="return_at_once",
            partial="right_parts", items=b.items(things, targets, (1, 0, 2, None))),
    ), picture=b.picture_file("Places to dry", draw.places_to_dry()))


def _board(b: CourseBuilder, at: dict[str, str]) -> None:
    ids = [b.fresh() for _ in range(3)]
    runs: list[TextRun | BlankRun] = []
    for words, blank in zip(("Set the board at six, at ", " and at four. In doubt hang the ",
                             " sign. Guests can walk an hour "), ids, strict=True):
        runs += [TextRun(text=words), BlankRun(blank=blank)]
    text = b.text("Text with blanks", RichText(blocks=(Block(runs=(*runs, TextRun(text=".")),),)),
                  150, 220, 980, 250, size=36, text_colour="#f6f1e4", line_height=1.6)
    prompt = b.text("Question", "Finish the rule of the board.", 150, 130, 900, 64, level="title",
                    font="heading", size=34, bold=True, text_colour="#f4d9a0")
    submit = send(b, 150, 500)
    right = (("noon", ("dawn", "night")), ("worse", ("better", "prettier")),
             ("later", ("earlier",)))
    b.slide(at["board"], "Noon: the rule of the board", [
        b.panel(80, 60, 1120, 570, fill="#2f4a41", border_colour="#8a6643", border_width=18,
                radius=10), hour(b, "12:00", 1040, 100), prompt, text, submit,
    ], (b.asked(q.FillBlanks, "Rule of the board", prompt, submit, (
        "That is the rule, word for word.", "Read it once more: which sign keeps people safe?",
        "At noon; the worse sign; an hour later.",
    ), text=text.id, partial="right_parts", blanks=tuple(
        q.Blank(id=name, how="list", accepts=q.Accepts(words=(word,)), others=others)
        for name, (word, others) in zip(ids, right, strict=True))),), colour="#e9dcc0")


