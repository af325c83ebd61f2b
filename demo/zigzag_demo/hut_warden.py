"""*Hut Warden Basics*, the demo course of Larkspur Ridge Huts."""

from zigzag_core.course import (
    Block,
    Choice,
    CourseDocument,
    Nowhere,
    RichText,
    SingleChoice,
    Style,
    StylePatch,
    TextRun,
    TextVariable,
    ToSlide,
    ValueRun,
)
from zigzag_core.course.questions.feedback import FeedbackDesign, ToneDesign
from zigzag_core.course.rules.gates import Gate, MediaWatched
from zigzag_core.course.rules.patterns import Revealed, RevealSet
from zigzag_core.course.sounds import BackgroundSound

from . import drawings
from .builder import CourseBuilder, looking
from .conversations import TRUST, conversations
from .day_evening import evening
from .day_morning import morning
from .film import Film, film
from .keys_quiz import with_keys_quiz
from .narration import narrated
from .sounds import right_sound, wind_sound, wrong_sound

HUT_BOOK = "hutbookname"


_ON_THE_MAP = {"hover": StylePatch(fill="soft"), "pressed": StylePatch(fill="edge"),
               "visited": StylePatch(fill="soft", border_colour="accent")}


def hut_warden_basics() -> tuple[CourseDocument, dict[str, bytes]]:
    """Return the course and its media by SHA-256."""
    b = CourseBuilder("Hut Warden Basics", seed=1912)
    day, at = _day(b)
    ridge = b.picture_file("Ridge", drawings.ridge_pattern())
    ways = {"map": at["map"], "radio": at["radio"]}
    return with_keys_quiz(day, b.fresh, ways, ridge), b.media


def hut_warden_day() -> CourseDocument:
    """Return the course without the quiz at its end: the same for every learner."""
    day, _ = _day(CourseBuilder("Hut Warden Basics", seed=1912))
    return day


def _day(b: CourseBuilder) -> tuple[CourseDocument, dict[str, str]]:
    """The course as far as the quiz, and the ids of its slides by name."""
    at = b.slide_ids(
        "welcome", "map", "guests", "drying", "kitchen", "stove", "ask_stove", "late",
        "bench", "sent", "weather", "ask_sky", "radio", "ask_radio", "night",
        "signs", "water", "soup", "ways", "book", "mistakes", "dry", "board",
        "crest", "fire", "glue", "greeting", "pell", "gas", "call", "people", "door", "list",
        "walk", "entry", "sure", "length", "opinion", "result",
        "guest_talk", "quiet_word", "ask_wind",
    )
    _arriving(b, at)
    _rooms(b, at)
    _people(b, at)
    _weather(b, at)
    _radio(b, at)
    _night(b, at)
    morning(b, at)
    evening(b, at)
    conversations(b, at)
    _end(b, at)
    for title, first in (("Arriving", "welcome"), ("Everyday work", "drying"), ("People", "late"),
                         ("Safety", "weather"), ("A day, hour by hour", "signs"),
                         ("Conversations", "guest_talk"),
                         ("At the end of the day", "opinion")):
        b.section(title, at[first])
    wind = b.sound("Wind around the hut", *wind_sound())
    b.sections = [
        section.model_copy(update={"sound": BackgroundSound(media=wind, volume=0.35)})
        if section.before == at["weather"] else section for section in b.sections]
    b.slides = narrated(b.slides, at, b.fresh)
    # One arm of the fork is left out by everybody who goes straight through.
    return b.build(
        pass_mark=70, completion={"slides_share": 0.9, "passing": True},
        feedback=FeedbackDesign(
            right=ToneDesign(speaker=b.drawing("person-mira-friendly"),
                             sound=b.sound("Right", *right_sound())),
            partly=ToneDesign(speaker=b.drawing("person-mira-calm")),
            wrong=ToneDesign(speaker=b.drawing("person-mira-thoughtful"),
                             sound=b.sound("Not right", *wrong_sound())),
            style=Style(size=24, radius=20),
        ),
        variables=(TextVariable(id=HUT_BOOK, name="Name in the hut book", default="warden",
                                description="What the learner wants to be called"), TRUST),
    ), at


def _arriving(b: CourseBuilder, at: dict[str, str]) -> None:
    b.slide(at["welcome"], "Welcome", [
        b.panel(72, 120, 560, 420, opacity=0.94),
        b.text("Title", "Hut Warden Basics", 112, 156, 500, 130, level="title", font="heading",
               size=58, bold=True, valign="middle", line_height=1.1),
        b.line(114, 300, 120),
        b.text("Opening words", "Your first week on Larkspur Ridge: the rooms, the weather, the "
               "radio and the last round at night.", 112, 322, 480, 110, size=25, fit="shrink"),
        b.button("Start the day", 112, 448, 230),
        b.text("Length", "about 30 minutes", 364, 448, 220, 64, size=20, text_colour="quiet",
               valign="middle"),
    ], picture=b.picture_file("Hut at dawn", drawings.hut_at_dawn()))

    places = (
        ("Drying room", 420, 178, at["drying"]), ("Kitchen", 680, 178, at["kitchen"]),
        ("Front room", 400, 522, at["guests"]), ("Stove", 710, 522, at["stove"]),
        ("Weather board", 945, 196, at["weather"]),
    )
    b.slide(at["map"], "Hut map", [
        b.title_text("Where would you like to look first?"),
        b.picture("Map of the hut", b.picture_file("Hut map", drawings.hut_map()), 80, 146, 1120,
                  500, alt="The hut from above: front room, drying room, kitchen, the room with "
                           "the stove, and the weather board outside."),
        *(looking(b.button(label, x, y, 190, 52, to, fill="sheet", text_colour="primary", size=21,
                           border_colour="primary", border_width=2, radius=26), **_ON_THE_MAP)
          for label, x, y, to in places),
        b.text("Hint", "Choose a place, or go through all of them with Next.", 80, 656, 900, 36,
               size=20, text_colour="quiet"),
    ])

    b.slide(at["guests"], "Welcoming guests", [
        b.title_text("Welcoming guests"),
        b.picture("Guest at the door", b.picture_file("Guest at the door",
                  drawings.guest_at_door()), 80, 144, 500, 500,
                  alt="A tired guest with snow on the hat stands in the dark doorway."),
        b.text("Lead", "Nobody is sent on after dark.", 640, 170, 560, 48, font="heading", size=32,
               bold=True, text_colour="primary", level="heading"),
        b.text("What to do", "- **Greet** before you ask for anything.\n- Offer the bench and "
               "something **warm** to drink.\n- Write the name and the planned way into the hut "
               "book.\n- Show the drying room, then the bed.", 640, 236, 560, 250, size=26),
        b.button("Back to the map", 640, 560, 240, 64, at["map"], fill="sheet",
                 text_colour="primary", border_colour="primary", border_width=2),
        b.button("Next room", 900, 560, 200),
    ])


def _rooms(b: CourseBuilder, at: dict[str, str]) -> None:
    drying = (
        ("Boots", 470, 560, "**Boots on the rack**\nInsoles out, laces open, soles never towards "
                            "the stove: glue lets go at 60°."),
        ("Ropes", 640, 560, "**Ropes in loose loops**\nIn the shade, never over a warm pipe: "
                            "heat makes them brittle."),
        ("Jackets", 810, 560, "**Jackets inside out**\nOn a hanger, collar up, a hand's width "
                              "apart."),
    )
    openers = [looking(b.button(name, x, y, 150, 56, to=None),
                       selected=StylePatch(fill="accent", text_colour="ink"),
                       hover=StylePatch(opacity=0.88)) for name, x, y, _ in drying]
    told = [b.text(f"About {name.lower()}", words, 80, 436, 262, 210, size=22).model_copy(
        update={"enters": "fade"}) for name, _, _, words in drying]
    b.slide(at["drying"], "The drying room", [
        b.plate_title("The drying room", 420), b.panel(60, 420, 300, 236, opacity=0.96),
        *openers, *told,
    ], does={"patterns": (RevealSet(
        id=b.fresh(), name="What dries how", first_open=True, closes_again=False,
        items=tuple(Revealed(trigger=opener.id, shows=(words.id,))
                    for opener, words in zip(openers, told, strict=True))),)},
        picture=b.picture_file("Drying room", drawings.drying_room()))

    numbered = RichText(blocks=tuple(
        Block(kind="number", runs=(TextRun(text=words),)) for words in (
            "Boil drinking water for three minutes.", "Soup first: it warms and it is quick.",
            "Ask about allergies before you cook, not after.",
            "Lids on: steam freezes in the window frames.",
        )
    ))
    b.slide(at["kitchen"], "The kitchen", [
        b.title_text("The kitchen"),
        b.text("Four habits", numbered, 80, 170, 560, 300, size=28),
        b.text("Saying", RichText(blocks=(Block(runs=(
            TextRun(text="A full pot makes a quiet hut.", italic=True),)),)), 80, 520, 560, 50,
            size=26, text_colour="primary", align="center"),
        b.picture("Kitchen", b.picture_file("Kitchen", drawings.kitchen()), 700, 150, 500, 393,
                  alt="Two pots steam on an iron range under a shelf with three mugs."),
    ])

    b.slide(at["stove"], "The stove", [
        b.title_text("The stove"),
        b.picture("Stove", b.picture_file("Stove with wood", drawings.stove_picture()), 80, 148,
                  430, 524, alt="An iron stove with its door open, a stone slab under it, three "
                                "logs beside it."),
        b.text("Lighting it", "Light it from the **top**: large logs below, small wood above, a "
               "twist of wool on it. The air slide stays **open** until the logs have caught.",
               560, 170, 640, 180, size=27),
        b.panel(560, 380, 640, 132, fill="#f8e7dd"),
        b.line(584, 400, 0, 92, colour="#b4472f", width=6),
        b.text("Warning", "**Never close the air slide on glowing coals.** The gas that forms has "
               "no smell.", 606, 396, 570, 100, size=24, valign="middle"),
        b.button("I am ready for a question", 560, 560, 390),
    ])

    prompt = b.text("Question", "The logs glow, no flame is left. What do you do with the air "
                    "slide?", 80, 130, 1120, 90, level="heading", font="heading", size=32,
                    bold=True, valign="middle")
    answers = [
        b.choice_text(1, "I leave it open until the coals are ash.", 80, 250, 700, 88),
        b.choice_text(2, "I close it: the heat should not go up the pipe.", 80, 358, 700, 88),
        b.choice_text(3, "I close it half, as a compromise.", 80, 466, 700, 88),
    ]
    submit = b.button("Submit", 80, 592, 200, to=None)
    b.slide(at["ask_stove"], "Question: the stove", [
        b.title_text("Check yourself: the stove"), prompt, *answers, submit,
        b.picture("Warden", b.picture_file("Warden", drawings.warden()), 840, 240, 360, 360),
    ], (b.question("Air slide", prompt, answers, 0, submit, (
        "Right. Only ash is safe: glowing coals still give off gas that nobody smells.",
        "Think of the gas that has no smell. Where should it go?",
        "Leave it open until the coals are ash. The gas that forms has no smell.",
    ), points=2, attempts=2, shuffle=True),))


def _people(b: CourseBuilder, at: dict[str, str]) -> None:
    room = b.drawing("backdrop-front-room")
    tired, calm, worried = (b.drawing(f"person-{key}") for key in (
        "pell-tired", "mira-calm", "pell-worried"))
    b.slide(at["late"], "A late guest", [
        b.plate_title("A late guest", 400),
        b.picture("Pell", tired, 120, 300, 360, 400,
                  alt="Pell, a guest with a woollen hat, looks tired."),
        b.callout("What Pell says", "It is dark, and the next hut is full. Have you a place left?",
                  440, 190, 480, 150, tail=(-0.12, 1.3)),
        b.text("Your turn", "Every bed is taken. What do you say?", 560, 430, 640, 50,
               level="heading", font="heading", size=30, bold=True, fill="sheet", radius=10,
               padding=12, valign="middle"),
        b.button("Offer the bench by the stove", 560, 506, 420, 68, at["bench"]),
        b.button("Send them on with a lamp", 560, 594, 420, 68, at["sent"], fill="sheet",
                 text_colour="primary", border_colour="primary", border_width=2),
    ], picture=room, onward=Nowhere(), notes="The fork of the course: both ways meet again.",
        transcript="Pell: It is dark, and the next hut is full. Have you a place left?")
    b.slide_from(at["bench"], "layouttextpicture", "Offer the bench", {
        "Text": "Nobody is sent on after dark: that is the first rule of the house.\n"
                "- Blankets are in the chest by the stove.\n- Soup is never wrong.\n"
                "- Write the name into the hut book, bench or bed.",
    }, {"Picture": (calm, "Mira, a warden with a scarf, smiles calmly.")},
        onward=ToSlide(slide=at["weather"]), indent=1, notes="if the bench was offered")
    b.slide(at["sent"], "Send them on", [
        b.title_text("Send them on"),
        b.picture("Pell", worried, 80, 190, 400, 444, alt="Pell looks worried."),
        b.text("What happens", "The path is iced over at the second bend. The lamp does not help "
               "with that.", 540, 190, 640, 110, size=28),
        b.panel(540, 330, 640, 130, fill="#f8e7dd"),
        b.line(564, 350, 0, 90, colour="#b4472f", width=6),
        b.text("Rule", "**Nobody is sent on after dark.** A bench by the stove is a place.", 586,
               344, 570, 102, size=26, valign="middle"),
        b.button("Think again", 540, 520, 220, to=at["late"], fill="sheet", text_colour="primary",
                 border_colour="primary", border_width=2),
        b.button("On to the weather board", 784, 520, 340, to=at["weather"]),
    ], indent=1, notes="if not", onward=ToSlide(slide=at["weather"]))


def _weather(b: CourseBuilder, at: dict[str, str]) -> None:
    b.slide(at["weather"], "Weather board", [
        b.title_text("The weather board"),
        b.picture("Weather board", b.picture_file("Weather board", drawings.weather_board()), 80,
                  150, 620, 420, alt="A board with four signs: sun, wind, thunderstorm, snow."),
        b.text("When", "Set it at **six**, at **noon** and at **four**.", 750, 160, 450, 80,
               size=27),
        *(b.dot(754, y - 1, 22, colour) for y, colour in (
            (262, "#e8a33d"), (330, "#2f6f9f"), (398, "#b4472f"))),
        *(b.text(name, words, 796, y - 6, 400, 56, size=24) for name, words, y in (
            ("Sun", "Sun: all ways are open.", 262), ("Wind", "Wind: not over the crest.", 330),
            ("Storm", "Thunder: nobody leaves.", 398))),
        b.line(750, 478, 420, colour="#c9bda6", width=2),
        b.text("Rule", "In doubt hang the worse sign. Guests can walk an hour later; they cannot "
               "walk an hour earlier.", 750, 496, 450, 120, size=22, text_colour="quiet"),
    ])

    prompt = b.text("Question", "Three skies at noon. Which one makes you hang out the thunder "
                    "sign?", 80, 130, 1120, 60, level="heading", font="heading", size=30,
                    bold=True, valign="middle")
    skies = (
        ("Settled sky", drawings.sky_clear(), "Sun and one small round cloud."),
        ("Towering cloud", drawings.sky_anvil(), "A cloud that towers up and spreads out flat "
                                                 "on top."),
        ("High streaks", drawings.sky_high(), "Thin white streaks, very high."),
    )
    pictures = [
        b.picture(name, b.picture_file(name, data), 80 + n * 384, 216, 352, 330, alt=alt,
                  fit="cover", style={"radius": 14, "border_width": 4, "border_colour": "#c9bda6"},
                  looks={"hover": {"border_colour": "#1e5b4b"},
                         "selected": {"border_colour": "#1e5b4b", "border_width": 8}})
        for n, (name, data, alt) in enumerate(skies)
    ]
    submit = b.button("Submit", 80, 592, 200, to=None)
    b.slide(at["ask_sky"], "Question: the sky", [
        b.title_text("Check yourself: the sky"), prompt, *pictures, submit,
    ], (b.question("Noon sky", prompt, pictures, 1, submit, (
        "Right. It rises because the air is unstable: thunder within hours.",
        "That one stays calm today. Look for a cloud that grows upwards.",
        "It is the towering cloud with the flat top: thunder within hours.",
    ), points=2, attempts=2),))

    prompt = b.text("Question", "Three mornings. On which one do you close the way over the crest?",
                    80, 130, 1120, 60, level="heading", font="heading", size=30, bold=True,
                    valign="middle")
    films: tuple[tuple[str, Film, str], ...] = (
        ("Calm", "windsock_calm", "The windsock hangs down."),
        ("A breeze", "windsock_breeze", "The windsock lifts half-way and sways."),
        ("Storm", "windsock_storm", "The windsock stands straight out and shakes."))
    socks = [
        looking(b.film(name, *film(key), 80 + n * 384, 216, 352, 198, alt=alt, radius=14,
                       border_width=4, border_colour="#c9bda6").model_copy(
                           update={"loop": True, "alone": True, "fit": "cover"}),
                hover=StylePatch(border_colour="#1e5b4b"),
                selected=StylePatch(border_colour="#1e5b4b", border_width=8))
        for n, (name, key, alt) in enumerate(films)
    ]
    submit = b.button("Submit", 80, 592, 200, to=None)
    b.slide(at["ask_wind"], "Question: the windsock", [
        b.title_text("Check yourself: the windsock"), prompt, *socks,
        *(b.text("Morning", words, 80 + n * 384, 426, 352, 40, size=22, align="center",
                 text_colour="quiet") for n, words in enumerate(("First", "Second", "Third"))),
        submit,
    ], (b.asked(SingleChoice, "Windsock", prompt, submit, (
        "Right. A sock that stands straight out means wind that takes people off their feet.",
        "That wind is no danger yet. Look how straight the sock stands.",
        "It is the third one: the sock stands straight out.",
    ), attempts=2, choices=tuple(
        Choice(id=b.fresh(), element=sock.id, right=n == 2) for n, sock in enumerate(socks))),))


def _radio(b: CourseBuilder, at: dict[str, str]) -> None:
    b.slide(at["radio"], "Rescue radio", [
        b.title_text("The rescue radio"),
        b.picture("Radio", b.picture_file("Rescue radio", drawings.rescue_radio()), 80, 150, 560,
                  448, alt="A green radio on a shelf, set to channel 16, with a red call button."),
        b.text("First words", "Press, **breathe**, speak:", 690, 160, 510, 44, size=28),
        b.panel(690, 216, 510, 236, fill="#e1ede6"),
        b.text("Call", "- **Where** we are\n- **What** has happened\n- **How many** are hurt\n"
               "- **Who** is speaking", 716, 238, 460, 200, size=28),
        b.text("Then", "Then let go of the button and listen. They ask; you answer.", 690, 476,
               510, 90, size=25),
    ])
    prompt = b.text("Question", "What do you say first on the radio?", 80, 130, 1120, 60,
                    level="heading", font="heading", size=32, bold=True, valign="middle")
    answers = [
        b.choice_text(n, words, 650, 214 + (n - 1) * 92, 550, 76)
        for n, words in enumerate(("Who is speaking", "Where we are", "What has happened",
                                   "How many are hurt"), 1)
    ]
    submit = b.button("Submit", 650, 592, 200, to=None)
    b.slide(at["ask_radio"], "Question: the radio", [
        b.picture("Radio", b.picture_file("Rescue radio", drawings.rescue_radio()), 80, 214, 520,
                  416, fit="cover", style={"radius": 20}),
        b.title_text("Check yourself: the radio"), prompt, *answers, submit,
    ], (b.question("First words", prompt, answers, 1, submit, (
        "Right. If the battery dies after three words, they still know where to go.",
        "Imagine that only your first three words get through.",
        "The place comes first: with it, help can start even if nothing else gets through.",
    ), points=2, attempts=2, shuffle=True),))


def _night(b: CourseBuilder, at: dict[str, str]) -> None:
    walk = b.film("Evening round", *film("evening_round"), 520, 142, 690, 388, radius=16,
                  alt="Edda, the warden, goes through the hut in the evening.")
    gate = Gate(wants=(MediaWatched(media=walk.id, share=0.9),),
                message="Walk around with Edda first: see at least nine tenths of the film.")
    b.slide(at["night"], "Night round", [
        b.plate_title("The night round", 400),
        b.panel(60, 142, 430, 388, opacity=0.95),
        b.text("Round", "Before the lamp goes out:\n- count heads against the hut book\n"
               "- check the stove and the air slide\n- door on the latch, never locked\n"
               "- hang the lantern out", 84, 158, 390, 260, size=24),
        b.text("Film", "Walk around with Edda: two minutes, in four chapters.", 84, 430, 390, 80,
               size=22, text_colour="quiet"),
        walk,
    ], does={"gate": gate}, colour="#2f3a55",
        picture=b.picture_file("Night round", drawings.night_round()))


def _end(b: CourseBuilder, at: dict[str, str]) -> None:
    prompt = b.text("Question", "How sure do you feel about your first week?", 80, 150, 760, 60,
                    level="heading", font="heading", size=32, bold=True, valign="middle")
    answers = [
        b.choice_text(n, words, 80, 236 + (n - 1) * 84, 620)
        for n, words in enumerate(("Quite sure", "Sure with somebody beside me",
                                   "I would like to see it once first"), 1)
    ]
    submit = b.button("Send", 80, 512, 200, to=None)
    b.slide(at["opinion"], "How sure are you?", [
        b.title_text("One question about you"), prompt, *answers, submit,
        b.picture("Warden", b.picture_file("Warden", drawings.warden()), 830, 230, 360, 360),
        b.field("Hut book", "Your name, for the hut book", HUT_BOOK, 340, 486, 400, 96),
        b.text("No marks", "There are no points for this: it helps us to plan your first days.",
               80, 616, 700, 40, size=20, text_colour="quiet"),
    ], (b.question("How sure", prompt, answers, -1, submit, ("", "", ""), purpose="survey",
                   points=0, attempts=1),), picture=b.picture_file(
        "Ridge", drawings.ridge_pattern()))

    points = RichText(blocks=(Block(runs=(
        TextRun(text="Thank you, "), ValueRun(of=HUT_BOOK), TextRun(text="! You have "),
        ValueRun(of="points", bold=True), TextRun(text=" of "),
        ValueRun(of="max_points", bold=True), TextRun(text=" points: that is "),
        ValueRun(of="score", bold=True), TextRun(text=" %. The hut needs 70 %."),
    )),))
    seen = RichText(blocks=(Block(runs=(
        TextRun(text="Slides seen: "), ValueRun(of="slides_seen", bold=True),
        TextRun(text=" of "), ValueRun(of="slides", bold=True),
    )),))
    b.slide(at["result"], "Result", [
        b.title_text("The day is done"),
        b.panel(80, 160, 720, 330),
        b.text("Points", points, 120, 190, 640, 100, size=30),
        b.text("Seen", seen, 120, 300, 400, 50, size=26),
        b.ring("How much was seen", "slides_seen", 650, 330, 130),
        b.text("Next steps", "Something still open? Go back with the list of slides: what you "
               "have answered stays answered.", 120, 370, 500, 100, size=22,
               text_colour="quiet"),
        b.button("On to the last questions", 80, 530, 310),
        b.button("Once more through the hut", 414, 530, 330, to=at["map"], fill="sheet",
                 text_colour="primary", border_colour="primary", border_width=2),
        b.picture("Warden", b.picture_file("Warden", drawings.warden()), 860, 170, 320, 320,
                  alt="Mika, the warden, nods at you."),
    ], picture=b.picture_file("Ridge", drawings.ridge_pattern()))
