"""*The Tool Library*, a small second course: lending tools in a neighbourhood."""

from zigzag_core.course import CourseDocument
from zigzag_core.drawings.colours import ACCENT, IRON, PAPER, WOOD
from zigzag_core.drawings.shapes import at, box, disc, drawing, path

from .builder import CourseBuilder


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
    at_ = b.slide_ids("welcome", "rules", "ask")
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
    prompt = b.text("Question", "A saw comes back wet. What now?", 80, 130, 1120, 60,
                    level="heading", font="heading", size=32, bold=True, valign="middle")
    answers = [b.choice_text(n, words, 80, 224 + (n - 1) * 88, 800) for n, words in enumerate(
        ("We dry and oil it together.", "It goes back on the wall.", "We ask for a fee."), 1)]
    submit = b.button("Submit", 80, 500, 200, to=None)
    b.slide(at_["ask"], "Question", [b.title_text("Check yourself"), prompt, *answers, submit], (
        b.question("Wet saw", prompt, answers, 0, submit, (
            "Right: rust does not wait.", "Think of rust.", "Dry it, oil it, and do it together."),
            points=1, attempts=2, shuffle=True),))
    return b.build(pass_mark=100, completion={"slides_share": None, "passing": True}), b.media
