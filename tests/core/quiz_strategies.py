"""Quizzes of all forms, small enough to write out what can be drawn of them; and large ones."""

from hypothesis import strategies as st
from zigzag_core.program import Grader, GraderPart
from zigzag_core.program.quiz import DrawLimit, DrawnSet, DrawnUnit, ProgramQuiz


@st.composite
def sets(draw, name: str) -> DrawnSet:
    limits = draw(st.lists(st.builds(
        DrawLimit, least=st.integers(0, 2), most=st.none() | st.integers(1, 3)), max_size=2))
    units = [
        DrawnUnit(
            slides=tuple(f"{name}u{place}s{slide}" for slide in range(size)),
            questions=draw(st.integers(0, size)),
            counts=tuple(draw(st.integers(0, 1)) for _ in limits),
            pin=draw(st.sampled_from(["none", "none", "none", "first", "last"])))
        for place, size in enumerate(draw(st.lists(st.integers(1, 2), max_size=5)))
    ]
    return DrawnSet(id=name, units=tuple(units), take=draw(st.none() | st.integers(0, 5)),
                    shuffled=draw(st.booleans()), limits=tuple(limits))


@st.composite
def quizzes(draw) -> ProgramQuiz:
    several = tuple(draw(sets(f"set{place}")) for place in range(draw(st.integers(0, 3))))
    return ProgramQuiz(
        id="quiz", slides=(), opening=("hello",), closing=("result",), sets=several,
        take=draw(st.none() | st.integers(0, 3)),
        order=draw(st.sampled_from(["kept", "shuffled", "mixed"])))


def choice(slide, parts=4, right=1, points=1.0, attempts=1, **more) -> Grader:
    """A question with so many answers, of which so many are right."""
    more = {"at_most": 1 if right == 1 else None, **more}
    return Grader(
        id=f"{slide}q", slide=slide, name="", record="", prompt="", kind="single_choice",
        form="choose", purpose="scored", points=points, attempts=attempts,
        parts=tuple(GraderPart(id=f"{slide}p{n}", right=("",) if n < right else ())
                    for n in range(parts)), **more)


def large_quiz() -> tuple[list[Grader], ProgramQuiz]:
    """200 questions in 20 sets, five of each to be taken, one hard at least and three at most."""
    questions = [
        choice(f"s{n}q{one}", 3 + one % 3, 2 if one % 3 == 0 else 1, points=1 + one % 2,
               partial="right_parts" if one % 3 == 0 else "none")
        for n in range(20) for one in range(10)]
    return questions, ProgramQuiz(id="large", slides=(), sets=tuple(
        DrawnSet(id=f"set{n}", take=5, limits=(DrawLimit(least=1, most=3),), units=tuple(
            DrawnUnit(slides=(f"s{n}q{one}",), counts=(one % 2,)) for one in range(10)))
        for n in range(20)))


def uncountable_quiz() -> ProgramQuiz:
    """A set of 300 questions whose limits make more cases than are counted."""
    groups = [DrawnUnit(slides=tuple(f"g{n}s{one}" for one in range(1 + n % 10)),
                        questions=1 + n % 10, counts=(n % 3, n % 2, n % 5)) for n in range(20)]
    single = [DrawnUnit(slides=(f"q{n}",), counts=(n % 2, n % 3 == 0, 0)) for n in range(190)]
    return ProgramQuiz(id="uncountable", slides=(), sets=(DrawnSet(
        id="setone", take=150, units=(*groups, *single), limits=(
            DrawLimit(least=5, most=16), DrawLimit(least=3, most=16), DrawLimit(least=16))),))
