"""Quizzes of all forms, small enough to write out what can be drawn of them."""

from hypothesis import strategies as st
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
