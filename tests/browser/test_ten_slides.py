"""Ten varied slides, built by mouse and again by keyboard alone: both come to the same course."""

from collections.abc import Callable

from .driver import Page
from .hands import Hand, Keyboard, Mouse
from .test_resilience import _new_course


def title(hand: Hand) -> None:
    hand.new_slide("Opening")
    hand.write("Title", "Night shift at the hut")
    hand.write("Opening words", "What to do when the bell rings.")


def text_and_picture(hand: Hand) -> None:
    hand.new_slide("Text and picture")
    hand.write("Title", "The bell")
    hand.write("Text", "It rings twice for a guest, and without end for an emergency.")
    hand.draw("Lantern")


def two_cards(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "Two ways to answer")
    hand.add("Rectangle")
    hand.write("Rectangle", "Go down at once")
    hand.move("Rectangle", -300, 0)
    hand.add("Rectangle")
    hand.write("Rectangle 2", "Call first")
    hand.move("Rectangle 2", 300, 40)
    hand.select("Rectangle", "Rectangle 2")
    hand.arrange("Align top")


def question(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "Who comes first?")
    hand.add("Single choice")
    hand.write("Question", "Two bells ring. Which do you answer?")
    hand.write("Answer 1", "The nearer one")
    hand.write("Answer 2", "The one without end")
    hand.right("The one without end")


def callout(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "What the guest says")
    hand.draw("Pell, friendly")
    hand.add("Callout")
    hand.write("Callout", "Is anybody there?")
    hand.add("Arrow")
    hand.move("Arrow", 100, 100)


def table(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "Who is on call")
    hand.add("Table")


def form(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "Sign in for the night")
    hand.add("Text input")
    hand.add("Button")
    hand.write("Button", "Begin the shift")
    hand.move("Button", 0, 100)


def menu(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "Where to?")
    for place, (words, slide) in enumerate((
        ("Bells", "The bell"), ("Cards", "Two ways to answer"), ("Form", "Sign in for the night"),
    )):
        name = f"Button {place + 1}" if place else "Button"
        hand.add("Button")
        hand.write(name, words)
        if place != 1:
            hand.move(name, 300 * (place - 1), 0)
        hand.lead(name, slide)
    hand.select("Button", "Button 2", "Button 3")
    hand.arrange("Align top")
    hand.arrange("Equal gaps across")


def steps(hand: Hand) -> None:
    hand.new_slide("Title")
    hand.write("Title", "Three steps")
    for place in range(3):
        hand.add("Ellipse")
        name = f"Ellipse {place + 1}" if place else "Ellipse"
        hand.write(name, str(place + 1))
        if place != 1:
            hand.move(name, 350 * (place - 1), 0)
    hand.select("Ellipse", "Ellipse 2", "Ellipse 3")
    hand.arrange("Align middles, down")
    hand.command("Group")


def meter(hand: Hand) -> None:
    hand.new_slide("Title and text")
    hand.write("Title", "How far you are")
    hand.write("Text", "The night is long, and the list is short.")
    hand.add("Progress bar")
    hand.add("Rectangle")
    hand.arrange("Send to back")
    hand.command("Duplicate")


SLIDES: tuple[Callable[[Hand], None], ...] = (
    title, text_and_picture, two_cards, question, callout, table, form, menu, steps, meter,
)


def _built(page: Page, slug: str) -> list[list[tuple]]:
    """What matters of each slide: kinds, names, words, places, and where they lead."""
    page.saved()
    slides = [made["slide"] for made in page.call("GET", f"/courses/{slug}")["slides"]]
    titles = {slide["id"]: slide["title"] for slide in slides}

    def words(node) -> str:
        if isinstance(node, dict):
            return node.get("text", "") if node.get("kind") == "text" and isinstance(
                node.get("text"), str) else "".join(map(words, node.values()))
        return "".join(map(words, node)) if isinstance(node, list) else ""

    return [[
        (e["kind"], e["name"], words(e.get("text")), round(e["x"] / 25), round(e["y"] / 25),
         [titles.get(a["go"].get("slide")) for rule in e["rules"] for a in rule["do"]
          if a["action"] == "go"])
        for e in slide["elements"]
    ] for slide in slides[1:]]


def test_ten_slides_by_mouse_and_by_keyboard(page, capsys):
    built = []
    for kind in (Mouse, Keyboard):
        slug = _new_course(page, f"By {kind.__name__.lower()}")
        hand, counts = kind(page), []
        if kind is Keyboard:
            page.browser.execute_script("document.querySelector('[data-stage]').focus()")
        for make in SLIDES:
            before = hand.actions
            make(hand)
            counts.append(hand.actions - before)
        built.append(_built(page, slug))
        with capsys.disabled():
            print(f"\n{kind.__name__}: {hand.actions} actions, {counts} a slide")
    by_mouse, by_keys = built
    assert len(by_mouse) == len(SLIDES)
    for mouse, keys in zip(by_mouse, by_keys, strict=True):
        assert mouse == keys
