"""What is said on the slides of *Hut Warden Basics*, and what comes at which word."""

from collections.abc import Callable, Mapping, Sequence

from zigzag_core.course import Cue, Element, Slide, Text, plain
from zigzag_core.course.rules.timing import SpokenWord, Timing
from zigzag_core.course.text.splitting import place_in, words_of
from zigzag_core.editing.narration.script import ScriptPlace
from zigzag_core.editing.narration.words import with_words

Cues = Sequence[tuple[str, str]]
"""Names of elements, each with the word at which it appears."""

FEWEST = 3
"""A text of fewer words is a name, which is not highlighted."""

SAID: Mapping[str, tuple[str, Cues]] = {
    "welcome": ("Welcome to the hut on Larkspur Ridge. This is your first week as a warden. Look "
                "around in your own time.", ()),
    "guests": ("A guest who arrives late is tired. Greet first, and offer the bench and something "
               "warm to drink. Then write the name and the planned way into the hut book.",
               (("What to do", "Greet"),)),
    "drying": ("Boots, ropes and jackets dry in different ways. Look at all three.", ()),
    "kitchen": ("Four habits make a quiet kitchen. Boil the water, start with the soup, ask about "
                "allergies, and keep the lids on.", (("Saying", "lids"),)),
    "stove": ("Light the stove from the top, and keep the air slide open until the logs have "
              "caught. And never close it on glowing coals: the gas that forms has no smell.",
              (("Warning", "never"),)),
    "bench": ("A bench by the stove is a place. Blankets are in the chest, and soup is never "
              "wrong.", ()),
    "sent": ("At the second bend the path is iced over, and a lamp does not help with that.", ()),
    "weather": ("The board has three signs that matter. Sun: all ways are open. Wind: not over the "
                "crest. And thunder: nobody leaves. In doubt hang the worse sign.",
                (("Sun", "Sun:"), ("Wind", "Wind:"), ("Storm", "thunder:"), ("Rule", "doubt"))),
    "radio": ("Press, breathe, and speak. Say where you are, what has happened, how many are hurt "
              "and who is speaking. Then let go of the button and listen.",
              (("Call", "where"), ("Then", "let"))),
    "night": ("Before the lamp goes out you walk around once. Count heads against the hut book, "
              "check the stove, and leave the door on the latch.", ()),
    "signs": ("Six o’clock. Sort the signs before the first guests lace their boots.", ()),
    "water": ("Seven o’clock. The mugs are waiting for water that is safe.", ()),
    "soup": ("Half past seven. Four steps bring supper to the table.", ()),
}
"""By the name of a slide, what is said on it."""


def narrated(
    slides: Sequence[Slide], at: Mapping[str, str], fresh: Callable[[], str]
) -> list[Slide]:
    """Return `slides` with what is said on them; `at` gives their ids by name."""
    said = {at[name]: words for name, words in SAID.items()}
    return [_narrated(slide, *said[slide.id], fresh) if slide.id in said else slide
            for slide in slides]


def _narrated(slide: Slide, words: str, cues: Cues, fresh: Callable[[], str]) -> Slide:
    slide = with_words(slide, ScriptPlace(slide.id, "slide"), words, fresh, 720)
    spoken = words_of(words)
    by_name = {element.name: element.id for element in slide.elements}
    made = tuple(
        Cue(id=fresh(), what=by_name[name], at=0, effect="fade",
            word=SpokenWord(number=spoken.index(word), word=word))
        for name, word in cues)
    leader = next(e.id for e in slide.elements if getattr(e, "narration", False))
    return slide.model_copy(update={
        "timing": Timing(follows=leader, cues=made),
        "elements": tuple(_highlighted(element, spoken, leader) for element in slide.elements)})


def _highlighted(element: Element, spoken: Sequence[str], leader: str) -> Element:
    """A text that is said as it is written is highlighted as it is spoken."""
    if not isinstance(element, Text):
        return element
    words = words_of(plain(element.text))
    said = len(words) >= FEWEST and place_in(words, spoken) is not None
    return element.model_copy(update={"spoken_by": leader}) if said else element
