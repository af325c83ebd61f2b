"""Hypothesis strategies: graders of every form, and what may be answered in them."""

from hypothesis import strategies as st
from zigzag_core.course.questions.question import Accepts, NumberRange
from zigzag_core.program import Grader, GraderPart, GraderRow, GraderTarget

FORMS = ["choose", "choose", "texts", "pairs", "order", "spots", "free", "scale"]
WORDS = ["boots", "Boots", "bóots", "boot", "bootss", "bosot", "north-east", "", "1,5", "1.50 kg",
         "-3", "x" * 300]
VALUES = [*WORDS, "0", "1", "2", "9", "40,60", "41,7", "-40,60", "slideaqt0", "slideaqt1",
          "-slideaqt0", "slidebqt0", 3, True]


@st.composite
def accepts(draw):
    low = draw(st.integers(-5, 5))
    return Accepts(
        words=tuple(draw(st.lists(st.sampled_from(WORDS[:7]), max_size=2))),
        ranges=draw(st.just(()) | st.just((NumberRange(low=low, high=low + 3),))),
        units=draw(st.just(()) | st.just(("kg", "g"))), typos=draw(st.booleans()),
        any_case=draw(st.booleans()), any_accents=draw(st.booleans()),
        any_spaces=draw(st.booleans()), any_punctuation=draw(st.booleans()),
    )


@st.composite
def graders(draw, slide, question, names):
    """A grader named `question` with two to four parts from `names`."""
    form = draw(st.sampled_from(FORMS))
    ids = names[: draw(st.integers(2, 4))]
    targets = tuple(
        GraderTarget(id=f"{question}t{n}", element=f"{slide}e2", words=f"T{n}",
                     takes=draw(st.sampled_from([None, 1, 2])),
                     only=draw(st.sampled_from([(), (), tuple(ids[:1])])))
        for n in range(2)
    ) if form == "pairs" else ()
    right = {
        "choose": st.sampled_from([(), ("",), ("",)]), "spots": st.sampled_from([(), ("",), ("",)]),
        "pairs": st.lists(st.sampled_from([t.id for t in targets] or [""]), unique=True,
                          max_size=2).map(tuple),
    }.get(form, st.just(()))
    parts = tuple(
        GraderPart(
            id=name, words=name, right=draw(right), endless=draw(st.booleans()),
            level=draw(st.booleans()),
            element=f"{slide}e0" if n == 0 and form == "choose" else None,
            points=draw(st.sampled_from([0, 1, -1, 2.5])),
            accepts=draw(accepts()) if form == "texts" else None,
        ) for n, name in enumerate(ids)
    )
    single = form == "choose" and draw(st.booleans())
    return Grader(
        id=question, slide=slide, name=question, record=f"record_{question}", prompt="?",
        kind=draw(st.sampled_from(["numeric", "blanks", "true_false", "other"])), form=form,
        purpose=draw(st.sampled_from(["scored", "practice", "survey"])), parts=parts,
        targets=targets,
        rows=tuple(draw(st.lists(st.builds(
            GraderRow, asks=st.text("yn..", max_size=4), at_least=st.integers(0, 2),
            within=st.lists(st.tuples(st.sampled_from(ids), st.sampled_from(["boots", "1", ""]),
                                      st.booleans()), max_size=1).map(tuple),
            points=st.sampled_from([None, 0, 1.5, -2]),
        ), max_size=2))),
        points=draw(st.sampled_from([0, 1, 2.5, 10])), penalty=draw(st.sampled_from([0, 1, 0.3])),
        floor=draw(st.sampled_from([0, -1])), unanswered=draw(st.sampled_from([0, 0.5])),
        partial=draw(st.sampled_from(["none", "right_parts", "right_minus_wrong", "per_answer"])),
        attempts=draw(st.sampled_from([None, 1, 2, 3])),
        attempt_loss=draw(st.sampled_from([0, 0.25, 1])),
        attempt_points=draw(st.sampled_from([(), (), (1,), (2.5, 0.5)])),
        drops_count=draw(st.booleans()), on_leaving=draw(st.integers(0, 3)) == 0,
        at_least=draw(st.integers(0, 2)),
        at_most=1 if single else draw(st.sampled_from([None, 2, 3]))
        if form != "free" else draw(st.sampled_from([5, 400])),
        needed=draw(st.sampled_from([None, 1, 2])),
        found_at_once=draw(st.booleans()), clicks_spent=draw(st.booleans()),
        counts=draw(st.sampled_from(["all", "pairs", "run"])),
        returns=draw(st.sampled_from(["never", "never", "at_once", "judged"])),
        extendable=draw(st.booleans()), time_limit=draw(st.sampled_from([None, None, 1, 60])),
        at_once=draw(st.integers(0, 4)) == 0, shuffle=draw(st.booleans()),
        pinned=tuple(ids[-1:]) if draw(st.booleans()) else (),
    )
