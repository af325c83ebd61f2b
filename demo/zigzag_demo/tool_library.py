"""*The Tool Library*, a small second course: lending tools in a neighbourhood."""

from zigzag_core.course import (
    CourseDocument,
    Cue,
    Drag,
    Element,
    Gate,
    Happens,
    NumberVariable,
    Overlay,
    Rule,
    StylePatch,
    Timing,
    rich,
)
from zigzag_core.course.rules.gates import AllOfSet
from zigzag_core.course.rules.patterns import (
    Checklist,
    CountWords,
    Revealed,
    RevealSet,
    SeenCounter,
)
from zigzag_core.course.rules.rule import Calculate, Dropped, ShowOrHide
from zigzag_core.drawings.colours import ACCENT, IRON, PAPER, WOOD
from zigzag_core.drawings.shapes import at, box, disc, drawing, path

from .builder import CourseBuilder, looking

HUNG = "toolshung"
_MIDDLE = {"align": "center", "valign": "middle"}


def _tools() -> bytes:
    """A wall with a saw, a hammer, a drill and a level. 620 by 420."""
    saw = path("M-90 -30 L110 -10 V14 L-90 34 Z", "#b9c2c6") + box(-150, -36, 66, 76, WOOD, 18)
    hammer = box(-8, -60, 16, 150, WOOD, 6) + box(-52, -84, 104, 34, IRON, 6)
    drill = (box(-70, -40, 130, 52, "#2f6f9f", 12) + box(-46, 10, 40, 74, "#25577d", 8)
             + box(60, -26, 20, 24, IRON) + box(80, -18, 52, 8, "#b9c2c6"))
    level = box(-120, -20, 240, 40, ACCENT, 6) + box(-26, -12, 52, 24, "#e1ede6", 10) + disc(
        4, 0, 9, PAPER)
    pegs = "".join(disc(x, y, 3, "#d8cdb9") for x in range(40, 600, 40) for y in range(40, 400, 40))
    return drawing(620, 420, box(0, 0, 620, 420, "#efe6d6", 18), pegs, at(180, 120, saw),
                   at(470, 130, hammer), at(170, 290, drill), at(440, 310, level))


def tool_library() -> tuple[CourseDocument, dict[str, bytes]]:
    """Return the course and its media by SHA-256."""
    b = CourseBuilder("The Tool Library", seed=77)
    at_ = b.slide_ids("welcome", "rules", "wall", "loan", "back", "ask")
    tools = b.picture_file("Tool wall", _tools())
    b.slide(at_["welcome"], "Welcome", [
        b.panel(0, 0, 32, 720, fill="#2f6f9f", radius=0),
        b.text("Title", "The Tool Library", 100, 170, 520, 150, level="title", font="heading",
               size=56, bold=True, valign="middle"),
        b.text("Opening words", "Borrow a drill for an afternoon, bring it back with a story.",
               100, 330, 460, 90, size=27),
        b.button("How it works", 100, 450, 230),
        b.picture("Tool wall", tools, 620, 150, 600, 406,
                  alt="A saw, a hammer, a drill and a spirit level on a wall."),
    ])
    b.slide(at_["rules"], "Three rules", [
        b.title_text("Three rules for every loan"),
        *(b.panel(80 + n * 384, 180, 352, 300, fill=fill) for n, fill in enumerate(
            ("#e1ede6", "#dfeaf2", "#f7ead2"))),
        *(b.text(f"Rule {n + 1}", words, 108 + n * 384, 210, 300, 250, size=26)
          for n, words in enumerate((
              "**Show it**\nTry the tool together before it leaves the room.",
              "**Note it**\nName, tool, day of return. First names are enough.",
              "**Clean it**\nIt comes back as it left: clean, dry, complete."))),
    ])
    _wall(b, at_["wall"], tools)
    _loan(b, at_["loan"])
    _back(b, at_["back"])
    prompt = b.text("Question", "A saw comes back wet. What now?", 80, 130, 1120, 60,
                    level="heading", font="heading", size=32, bold=True, valign="middle")
    answers = [b.choice_text(n, words, 80, 224 + (n - 1) * 88, 800) for n, words in enumerate(
        ("We dry and oil it together.", "It goes back on the wall.", "We ask for a fee."), 1)]
    submit = b.button("Submit", 80, 500, 200, to=None)
    b.slide(at_["ask"], "Question", [b.title_text("Check yourself"), prompt, *answers, submit], (
        b.question("Wet saw", prompt, answers, 0, submit, (
            "Right: rust does not wait.", "Think of rust.", "Dry it, oil it, and do it together."),
            points=1, attempts=2, shuffle=True),))
    return b.build(pass_mark=100, completion={"slides_share": None, "passing": True},
                   variables=(NumberVariable(id=HUNG, name="Tools hung up", max=3, decimals=0,
                                             description="How many hang where they belong"),),
                   ), b.media


def _wall(b: CourseBuilder, slide: str, tools: str) -> None:
    """Markers on a picture that show words, a counter of what is left, and a gate on all."""
    said = (
        ("Saw", 268, 244, "**The saw** hangs with its teeth to the wall. Oil it when it was wet."),
        ("Hammer", 546, 246, "**The hammer** goes out with glasses: they hang beside it."),
        ("Drill", 246, 402, "**The drill** comes back with an empty battery? Charge it first."),
        ("Level", 520, 424, "**The level** is for looking, not for knocking."),
    )
    markers = [
        looking(
            b.button(name, x, y, 112, 44, to=None, fill="sheet", text_colour="primary", size=20,
                     border_colour="primary", border_width=2, radius=22),
            hover=StylePatch(border_colour="accent"), visited=StylePatch(fill="soft"),
            selected=StylePatch(fill="accent", text_colour="ink"),
        )
        for name, x, y, _ in said
    ]
    words = [b.text(f"About the {name.lower()}", text, 760, 200, 440, 200, size=28, fill="soft",
                    radius=16, padding=24, valign="middle").model_copy(
                        update={"enters": "fade"}) for name, _, _, text in said]
    left = b.text("Still to see", "4 still to see", 760, 420, 440, 44, size=22,
                  text_colour="quiet")
    about = RevealSet(id=b.fresh(), name="About the tools", items=tuple(
        Revealed(trigger=marker.id, shows=(text.id,))
        for marker, text in zip(markers, words, strict=True)))
    counter = SeenCounter(id=b.fresh(), name="Tools still to see", text=left.id, set=about.id,
                          words="# tools still to see", for_count=(
                              CountWords(left=1, words="One tool still to see"),
                              CountWords(left=0, words="You know the wall: go on.")))
    b.slide(slide, "The wall", [
        b.title_text("What hangs where"),
        b.picture("Tool wall", tools, 80, 150, 620, 420,
                  alt="A saw, a hammer, a drill and a spirit level on a wall."),
        *markers, *words, left,
    ], does={"patterns": (about, counter), "gate": Gate(
        wants=(AllOfSet(set=about.id),), message="Look at all four tools first.")})


def _loan(b: CourseBuilder, slide: str) -> None:
    """Lines that come one after the other, a checklist, and a note over the slide."""
    note = Overlay(id=b.fresh(), name="Loan note", on_outside=True)
    lines = [b.choice_text(n, words, 80, 150 + (n - 1) * 92, 640).model_copy(
        update={"name": words}) for n, words in enumerate(
            ("Tried out together", "Glasses and gloves handed over", "Day of return agreed"), 1)]
    ask = b.button("See a loan note", 80, 460, 260, to=None).model_copy(update={"rules": (
        Rule(id=b.fresh(), do=(ShowOrHide(action="show", what=note.id),)),)})
    paper: list[Element] = [
        b.panel(360, 130, 560, 400, fill="#fffdf7"),
        b.text("Loan note", "**Loan note**\nDrill, with two batteries\nBorrowed by: Ina\n"
               "Back on: Friday", 400, 160, 480, 240, size=28),
        b.button("Close", 400, 430, 160, to=None),
    ]
    paper[2] = paper[2].model_copy(update={"rules": (
        Rule(id=b.fresh(), do=(ShowOrHide(action="hide", what=note.id),)),)})
    cues = tuple(Cue(id=b.fresh(), what=line.id, at=400 + n * 900, effect="slide")
                 for n, line in enumerate(lines))
    b.slide(slide, "Before it leaves", [
        b.title_text("Before a tool leaves the room"), *lines, ask,
        *(e.model_copy(update={"overlay": note.id}) for e in paper),
    ], does={
        "overlays": (note,), "timing": Timing(length=3_000, cues=cues),
        "patterns": (Checklist(id=b.fresh(), name="Before it leaves",
                               items=tuple(line.id for line in lines)),),
    })


def _back(b: CourseBuilder, slide: str) -> None:
    """Three things to drag to their hooks; when all hang, something is said."""
    hooks = [b.panel(700, 160 + n * 150, 420, 120, fill="#efe6d6", **_MIDDLE).model_copy(
        update={"name": f"Hook for the {what}", "text": rich(f"Hook for the {what}"),
                "decoration": False},
    ) for n, what in enumerate(("saw", "hammer", "drill"))]
    things = []
    for n, (what, hook) in enumerate((("Drill", 2), ("Saw", 0), ("Hammer", 1))):
        thing = b.panel(80, 160 + n * 150, 320, 96, fill="#dfeaf2", bold=True, **_MIDDLE)
        things.append(thing.model_copy(update={
            "name": what, "text": rich(what), "decoration": False,
            "drag": Drag(targets=tuple(h.id for h in hooks), on_target="snap"),
            "looks": {"dragged": StylePatch(fill="accent")},
            "rules": (Rule(
                id=b.fresh(), when=Dropped(on=hooks[hook].id),
                do=(Calculate(action="add", variable=HUNG, value=1),)),),
        }))
    done = b.text("All hung up", "All three hang where they belong.", 80, 610, 800, 48, size=26,
                  bold=True, text_colour="primary").model_copy(update={"enters": "scale"})
    b.slide(slide, "Hang it back", [
        b.title_text("Hang each tool on its hook"), *hooks, *things, done,
    ], does={"rules": (
        Rule(id=b.fresh(), when=Happens(event="slide_entered"),
             condition=["<", ["variable", HUNG], 3],
             do=(ShowOrHide(action="hide", what=done.id),)),
        Rule(id=b.fresh(), when=Happens(event="variable_changed", of=(HUNG,)),
             condition=[">=", ["variable", HUNG], 3],
             do=(ShowOrHide(action="show", what=done.id),)),
    )})

