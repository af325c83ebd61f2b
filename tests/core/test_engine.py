"""The reference engine: what it promises about order, totality and judging."""

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from zigzag_core.course import (
    Group,
    Input,
    Nowhere,
    NumberVariable,
    TextVariable,
    ToNext,
    ToSlide,
    YesNoVariable,
)
from zigzag_core.course.rules.expression import check_expression
from zigzag_core.engine import engine, results
from zigzag_core.engine.expression import evaluate
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State, as_json
from zigzag_core.engine.values import fitted, number, to_number, to_text
from zigzag_core.grading.solutions import right_response
from zigzag_core.program import Hide, ProgramElement, ProgramRule, SetVariable
from zigzag_core.program.random import shuffled, step32
from zigzag_core.tracking import progress

from .samples import chasing_program, index_of, program_of, quiz_course, with_slides
from .strategies import expressions, numbers, programs, runs

slow = settings(
    max_examples=60, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck)
)


def click(element):
    return {"event": "clicked", "target": element}


def at_question(index, number=0, seed=1):
    """The state on the slide of a question, with its choices' and submit button's elements."""
    grader = index.program.questions[number]
    state = engine.run_all(index, seed, [
        {"event": "start"}, {"event": "slide", "target": grader.slide},
    ])
    slide = next(s for s in index.program.slides if s.id == grader.slide)
    by_part = {e.part: e.draw.id for e in slide.elements if e.part}
    submit = next(e.draw.id for e in slide.elements if e.control == "button")
    good = {part.id for part in grader.parts if part.right}
    right = next(e for c, e in by_part.items() if c in good)
    wrong = next(e for c, e in by_part.items() if c not in good)
    return state, grader, right, wrong, submit


def other_wrong(index, grader, wrong):
    """Another choice that is wrong."""
    slide = next(s for s in index.program.slides if s.id == grader.slide)
    good = {part.id for part in grader.parts if part.right}
    return next(e.draw.id for e in slide.elements
                if e.control == "choice" and e.part not in good and e.draw.id != wrong)


def run(index, state, *events):
    effects = []
    for event in events:
        state, more = engine.step(index, state, event)
        effects += more
    return state, effects


def test_right_answer_gives_points_locks_and_opens_feedback():
    index = index_of(quiz_course())
    state, grader, right, _, submit = at_question(index)
    state, effects = run(index, state, {"event": "tick", "ms": 4_000}, click(right), click(submit))
    answer = state.answers[grader.id]
    assert (answer.result, answer.points, answer.locked) == ("right", 1, True)
    assert state.overlays == (f"{grader.id}_right",)
    answered = next(e for e in effects if e["effect"] == "answered")
    assert answered["latency"] == 4_000 and answered["attempt"] == 1


def test_wrong_answer_may_be_tried_again_until_attempts_are_used_up():
    index = index_of(quiz_course())
    state, grader, right, wrong, submit = at_question(index)
    state, _ = run(index, state, click(wrong), click(submit))
    assert state.overlays == (f"{grader.id}_wrong",) and not state.answers[grader.id].locked
    blocked, _ = run(index, state, click(right))
    assert blocked.answers == state.answers, "the panel blocks what is below it"
    state, _ = run(index, state, {"event": "close", "target": f"{grader.id}_wrong"},
                   click(submit))
    assert state.answers[grader.id].attempts == 1, "the same answer again costs nothing"
    state, _ = run(index, state, click(other_wrong(index, grader, wrong)), click(submit))
    assert state.overlays == (f"{grader.id}_last",) and state.answers[grader.id].locked
    state, _ = run(index, state, {"event": "close", "target": f"{grader.id}_last"},
                   click(right), click(submit))
    assert state.answers[grader.id].given != right_response(grader), "locked answers stay"


def test_submit_waits_for_a_choice():
    index = index_of(quiz_course())
    state, grader, _, _, submit = at_question(index)
    after, effects = run(index, state, click(submit))
    assert grader.id not in after.answers and effects == []


def test_completion_by_share_of_slides_and_by_passing():
    index = index_of(quiz_course(1, completion={"slides_share": 1.0, "passing": True}))
    state, _, right, _, submit = at_question(index)
    assert not state.completed
    state, _ = run(index, state, click(right), click(submit))
    assert state.completed and state.success == "passed"


def test_failed_only_when_nothing_can_change_it_any_more():
    index = index_of(quiz_course(2))
    state, grader, _, wrong, submit = at_question(index)
    first = grader.id
    state, _ = run(index, state, click(wrong), click(submit),
                   {"event": "close", "target": f"{first}_wrong"},
                   click(other_wrong(index, grader, wrong)), click(submit))
    assert state.answers[first].locked and state.success == "unknown"


def test_next_and_previous_stay_within_the_course_and_leaving_ends_it():
    index = index_of(quiz_course(1))
    state = engine.run_all(index, 1, [{"event": "start"}, {"event": "previous"}])
    assert state.slide == index.order[0]
    state, _ = run(index, state, {"event": "next"}, {"event": "next"})
    assert state.slide == index.order[-1]
    state, effects = run(index, state, {"event": "leave"}, {"event": "previous"})
    assert state.ended and state.slide == index.order[-1]
    assert [e["effect"] for e in effects] == ["leave"]


def test_rules_that_chase_each_other_are_stopped_and_named():
    index = Index(chasing_program())
    state, effects = engine.step(index, engine.start(index, 1), {"event": "start"})
    assert effects[-1] == {"effect": "loop", "rules": ["endless"]}
    assert state.slide == index.order[0]


def test_order_of_rules_is_blocks_element_slide_course():
    index = index_of(quiz_course(1))
    element = index.program.slides[0].elements[3].draw.id
    trail = [
        ("course", False, "rules"), ("block", True, "rules"), ("own", False, "element"),
    ]
    marks = {
        name: ProgramRule(
            id=name, on="clicked", target=element, block=block,
            then=(SetVariable(variable="trail", value=["join", ["variable", "trail"], name[0]]),),
        ) for name, block, _ in trail
    }
    first = index.program.slides[0]
    changed = first.elements[3].model_copy(update={"rules": (marks["own"],)})
    slide = first.model_copy(update={
        "elements": (*first.elements[:3], changed),
        "rules": (marks["own"].model_copy(update={"id": "slide", "then": (
            SetVariable(variable="trail", value=["join", ["variable", "trail"], "s"]),)}),),
    })
    program = index.program.model_copy(update={
        "slides": (slide, *index.program.slides[1:]),
        "rules": (marks["course"], marks["block"]),
        "variables": (TextVariable(id="trail", name="trail"),),
    })
    index = Index(program)
    state = engine.run_all(index, 1, [{"event": "start"}, click(element)])
    assert state.variables["trail"] == "bosc"


@slow
@given(programs(), st.integers(0, 2**32 - 1), runs)
def test_any_run_keeps_its_promises(program, seed, events):
    index = Index(program)
    state, before = engine.start(index, seed), None
    # Only starting over makes slides unseen again, and only those that it names.
    forgettable = {
        slide for bound in index.rules.values()
        for action in (*bound.rule.then, *bound.rule.otherwise) if action.do == "clear"
        for slide in action.slides
    }
    for event in events:
        before, (state, _) = state, engine.step(index, state, event)
        assert set(state.visited) | forgettable >= set(before.visited)
        assert state.time >= before.time
        assert state.completed >= before.completed
        assert before.success != "passed" or state.success == "passed"
        assert 0 <= (results.score(index, state) or 0) <= 100
        for variable in program.variables:
            assert fitted(variable, state.variables[variable.id]) == state.variables[variable.id]
        for overlay in state.overlays:
            assert index.home[overlay] == state.slide
    assert as_json(engine.run_all(index, seed, events)) == as_json(state)


@slow
@given(programs(), expressions)
def test_expressions_are_total(program, expression):
    index = Index(program)
    value = evaluate(index, engine.start(index, 1), check_expression(expression))
    assert isinstance(value, bool | float | str)
    assert isinstance(value, bool | str) or value == number(value)


@pytest.mark.parametrize("bad", [
    ["nope", 1], [], [["+"]], ["+", 1], ["variable"], ["variable", 3], None, {"a": 1},
    ["not", 1, 2],
])
def test_expressions_of_another_shape_are_refused(bad):
    with pytest.raises(ValueError):
        check_expression(bad)


def test_deep_expressions_are_refused():
    node = 1
    for _ in range(100):
        node = ["not", node]
    with pytest.raises(ValueError, match="deeply"):
        check_expression(node)


@given(numbers)
def test_numbers_survive_their_words(value):
    assert to_number(to_text(number(value))) == number(value)


def test_the_generator_is_the_published_one():
    # The first draws of Mulberry32 from seed 0, as its author's code gives them.
    draws, state = [], 0
    for _ in range(3):
        state, draw = step32(state)
        draws.append(draw)
    assert draws == [1144304738, 1416247, 958946056]


@given(st.lists(st.integers(), max_size=20), st.integers(0, 2**32 - 1))
def test_a_shuffle_loses_nothing(items, seed):
    assert sorted(shuffled(items, seed)) == sorted(items)


def test_values_of_types_turn_into_each_other():
    assert to_number("3,5") == 3.5 and to_number("three") == 0 and to_number(True) == 1
    assert to_text(2.50) == "2.5" and to_text(-0.000001) == "-0.000001" and to_text(False) == "no"
    assert State(seed=1, rng=1).slide is None


def test_back_retraces_the_way_that_was_gone():
    index = index_of(quiz_course(3))
    first, second, third, fourth = index.order
    events = [{"event": "start"}, {"event": "slide", "target": fourth},
              {"event": "slide", "target": second}]
    state = engine.run_all(index, 1, events)
    assert state.path == (first, fourth)
    for expected in (fourth, first):
        assert engine.slide_before(index, state) == expected
        state, _ = engine.step(index, state, {"event": "previous"})
        assert state.slide == expected
    assert engine.slide_before(index, state) is None
    resumed = progress.unpack(index, progress.pack(index, engine.run_all(index, 1, events)))
    assert engine.slide_before(index, resumed) == fourth
    assert third not in resumed.visited


def entered(value, **settings):
    """What a variable holds after `value` was entered into an input, and the rules that ran."""
    field = Input(id="field", name="F", variable="kept", **settings)
    kind = {"number": NumberVariable, "slider": NumberVariable, "checkbox": YesNoVariable}.get(
        field.input, TextVariable)
    heard = ProgramRule(id="heard", on="entered", target="field", then=(
        SetVariable(variable="times", value=["+", ["variable", "times"], 1]),))
    index = one_slide(
        ProgramElement(draw=field, control="input", rules=(heard,)),
        variables=(kind(id="kept", name="kept"), NumberVariable(id="times", name="times")),
    )
    event = {"event": "entered", "target": "field", "value": value}
    state = engine.run_all(index, 1, [{"event": "start"}, event, event])
    return state.variables["kept"], state.variables["times"]


def one_slide(*elements, **settings):
    course = quiz_course(0)
    program = program_of(course)
    [slide] = program.slides
    slide = slide.model_copy(update={"elements": elements})
    return Index(program.model_copy(update={"slides": (slide,), **settings}))


@pytest.mark.parametrize(("value", "settings", "kept", "times"), [
    ("Ilse", {"input": "text"}, "Ilse", 1),
    ("x" * 300, {"input": "text"}, "x" * 250, 1),
    ("7,5", {"input": "number"}, 7.5, 1),
    (500, {"input": "slider", "high": 10}, 10, 1),
    ("-3", {"input": "number", "low": 1, "high": 5}, 1, 1),
    (True, {"input": "checkbox"}, True, 1),
    ("north", {"input": "choice", "options": ("north",)}, "north", 1),
    ("elsewhere", {"input": "choice", "options": ("north",)}, "", 0),
    ("", {"input": "text"}, "", 0),
])
def test_an_input_keeps_what_it_may_and_says_so_once(value, settings, kept, times):
    assert entered(value, **settings) == (kept, times)


def test_what_is_in_a_hidden_group_is_neither_shown_nor_at_hand():
    group = ProgramElement(draw=Group(id="outer", name="G"))
    inner = ProgramElement(draw=Group(id="inner", name="G", group="outer"))
    field = ProgramElement(control="input", draw=Input(
        id="field", name="F", variable="kept", group="inner"))
    index = one_slide(group, inner, field, variables=(TextVariable(id="kept", name="kept"),),
                      rules=(ProgramRule(id="hide", on="slide_entered", then=(
                          Hide(element="outer"),)),))
    state = engine.run_all(index, 1, [
        {"event": "start"}, {"event": "entered", "target": "field", "value": "x"}])
    assert not engine.is_visible(index, state, "field")
    assert not engine.is_visible(index, state, "inner")
    assert state.variables["kept"] == ""


@pytest.mark.parametrize(("onward", "expected"), [
    (ToNext(), 2), (ToSlide(slide="gone"), 2), (Nowhere(), 1), (None, 3),
])
def test_next_leads_where_the_slide_says(onward, expected):
    document = quiz_course(3)
    first, second, third, fourth = document.slides
    way = onward or ToSlide(slide=fourth.id)
    changed = second.model_copy(update={"onward": way})
    index = index_of(with_slides(document, [first, changed, third, fourth]))
    state = engine.run_all(index, 1, [
        {"event": "start"}, {"event": "next"}, {"event": "next"}])
    assert state.slide == index.order[expected]
