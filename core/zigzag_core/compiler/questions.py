"""Questions become graders, and elements that answer."""

from collections.abc import Iterator, Mapping
from typing import Any

from zigzag_core.course import Group, RichText, Slide, plain
from zigzag_core.course.elements.geometry import box_of
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import AnswerRow, OtherThan
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.text.rich_text import BlankRun
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.grading.accepted import as_ranges
from zigzag_core.program import (
    Choose,
    Grader,
    GraderPart,
    GraderRow,
    GraderTarget,
    GraderWords,
    ProgramRule,
    Reset,
    Submit,
)
from zigzag_core.program.model import Action, Event
from zigzag_core.words import Say, say_english

from .record_names import record_name

Changes = dict[str, Any]
"""What an element gets by being a part of a question; `rules` come before its own."""

_RETURNS: dict[str, Any] = {
    "stay": "never", "return_at_once": "at_once", "return_when_judged": "judged",
}
_CHOOSING = (q.SingleChoice, q.MultipleResponse, q.TrueFalse)
LONGEST_NUMBER = 40
"""No more letters has a number that is answered, with its unit."""
_FIELDS = (q.ShortText, q.Numeric, q.OpenAnswer)


def grader_of(
    slide: Slide, question: q.Question, say: Say = say_english,
    said: tuple[GraderWords, ...] = (), words: Mapping[str, str] | None = None,
) -> Grader:
    """Return how `question` is judged; `say` gives the player's words.

    `said` is the feedback that a review shows, `words` what the elements of the slide say, by id
    (None: it is found out).
    """
    words = words or all_spoken(slide.elements)
    parts = tuple(_parts(question, words, slide, say))
    return Grader.made(
        id=question.id, slide=slide.id, name=question.name,
        record=record_name(question.name, question.id),
        prompt=words.get(question.prompt or "", question.name), kind=question.kind,
        form=DESCRIPTORS[question.kind].form, purpose=question.purpose,
        parts=parts,
        targets=tuple(
            GraderTarget.made(id=t.id, element=t.element, words=words[t.element], takes=t.takes,
                         only=t.only)
            for t in question.held.get("targets", ())
        ),
        rows=tuple(_row(row, [part.id for part in parts]) for row in question.table),
        points=question.points, penalty=question.penalty, floor=question.floor,
        unanswered=question.unanswered,
        partial=question.partial, attempts=question.attempts, attempt_loss=question.attempt_loss,
        attempt_points=question.attempt_points,
        at_least=question.held.get("at_least", 1),
        at_most=_most(question),
        needed=question.held.get("needed"), counts=question.held.get("counts", "all"),
        arrange="line" if question.kind == "matching" else question.held.get("arrange", "snap"),
        time_limit=question.time_limit, extendable=question.extendable,
        returns=_RETURNS[question.held.get("wrong_items", "stay")],
        drops_count=question.held.get("drops_count", False),
        at_once=question.judged == "at_once", on_leaving=question.judged == "leaving",
        show_right=question.show_right,
        found_at_once=question.held.get("found_at_once", False),
        clicks_spent=question.held.get("clicks_spent", False),
        shuffle=question.held.get("shuffle", False), letters=question.held.get("letters", "none"),
        pinned=tuple(c.id for c in question.held.get("choices", ()) if c.pinned),
        said=said,
    )


def _most(question: q.Question) -> int | None:
    """How many answers, marks or letters there can be; None is any number."""
    if isinstance(question, q.SingleChoice | q.TrueFalse):
        return 1
    if isinstance(question, q.Numeric):
        return LONGEST_NUMBER
    most: int | None = question.held.get("at_most", question.held.get("clicks"))
    return most


def _parts(
    question: q.Question, words: Mapping[str, str], slide: Slide, say: Say
) -> Iterator[GraderPart]:
    match question:
        case q.SingleChoice() | q.MultipleResponse() | q.TrueFalse():
            for choice in question.choices:
                yield GraderPart.made(
                    id=choice.id, element=choice.element, words=words[choice.element],
                    right=("",) if choice.right else (), points=choice.points,
                )
        case q.Matching() | q.DragToTarget():
            for item in question.items:
                yield GraderPart.made(
                    id=item.id, element=item.element, words=words[item.element],
                    right=item.to, endless=item.endless, points=item.points,
                )
        case q.Ordering():
            for thing in question.items:
                yield GraderPart.made(
                    id=thing.id, element=thing.element, words=words[thing.element],
                    level=thing.level,
                )
        case q.Hotspot():
            for spot in question.spots:
                yield GraderPart.made(
                    id=spot.id, element=spot.element, also=spot.also,
                    words=words[spot.element],
                    right=("",) if spot.right else (), points=spot.points,
                )
        case q.RatingScale():
            for row in question.rows:
                yield GraderPart.made(
                    id=row.id, element=row.element, words=words[row.element])
        case q.FillBlanks():
            blanks = blanks_of(question, slide)
            bank = tuple(sorted({
                word for blank in blanks if blank.how == "bank"
                for word in (*blank.accepts.words[:1], *blank.others)
            }, key=str.lower))
            for number, blank in enumerate(blanks, 1):
                own = tuple(sorted({*blank.accepts.words[:1], *blank.others}, key=str.lower))
                options = bank if blank.how == "bank" else own if blank.how == "list" else ()
                yield GraderPart.made(
                    id=blank.id, element=question.text, words=say("blank", n=number),
                    points=blank.points,
                    accepts=as_ranges(blank.accepts), how=blank.how, options=options,
                )
        case q.ShortText() | q.Numeric():
            yield GraderPart.made(id=field_part(question), element=question.field,
                             words=question.name, accepts=as_ranges(question.accepts))
        case q.OpenAnswer():
            yield GraderPart.made(
                id=field_part(question), element=question.field, words=question.name)


def _grounds(question: q.Hotspot, slide: Slide) -> Iterator[str]:
    """The picture that is clicked on, and the others that places of the question lie on."""
    if question.on is None:
        return
    yield question.on
    by_id = {e.id: e for e in slide.elements}
    areas = [by_id[name] for spot in question.spots for name in q.elements_of(spot)]
    for ground in slide.elements:
        if ground.kind in ("picture", "video") and ground.id != question.on and any(
                box_of(ground).holds(*box_of(area).middle) for area in areas):
            yield ground.id


def blanks_of(question: q.FillBlanks, slide: Slide) -> list[q.Blank]:
    """Return the blanks that stand in the text of `question`, in its order."""
    text = next((e for e in slide.elements if e.id == question.text), None)
    known = {blank.id: blank for blank in question.blanks}
    written = (text.held if text else {}).get("text", RichText())
    runs = (run for block in written.blocks for run in block.runs)
    found = dict.fromkeys(run.blank for run in runs if isinstance(run, BlankRun))
    return [known[name] for name in found if name in known]


def field_part(question: q.ShortText | q.Numeric | q.OpenAnswer) -> str:
    """Return the name of the one part of a question that is answered in a field."""
    return question.field or question.id


_SIGNS = {True: "y", False: "n"}


def _row(row: AnswerRow, parts: list[str]) -> GraderRow:
    within = [(part, cell, True) for part, cell in row.cells.items() if isinstance(cell, str)]
    within += [(part, cell.value, False) for part, cell in row.cells.items()
               if isinstance(cell, OtherThan)]
    asks = "".join(_SIGNS.get(cell, ".") if isinstance(cell := row.cells.get(part), bool) else "."
                   for part in parts)
    return GraderRow.made(asks=asks, within=tuple(within), at_least=row.at_least, points=row.points,
                     words=row.words if plain(row.words) else None)


def as_one(group: Group, slide: Slide) -> Group:
    """Return a group that is a part of a question: it says what its members say, and is painted
    where the uppermost of them is."""
    z = max((e.z for e in slide.elements if e.group == group.id), default=group.z)
    return group.model_copy(update={"alt": all_spoken(slide.elements)[group.id], "z": z})


def roles_of(question: q.Question, slide: Slide) -> dict[str, Changes]:
    """Return, by element id, what the parts of `question` become in the program."""
    return _part_roles(question, slide) | _button_roles(question)


def _part_roles(question: q.Question, slide: Slide) -> dict[str, Changes]:
    name = question.id
    open_ = ["not", ["locked", name]]
    roles: dict[str, Changes] = {}

    def part(element: str, control: str, part_id: str) -> None:
        roles[element] = {
            "control": control, "question": name, "part": part_id, "enabled": open_,
        }

    for choice in question.held.get("choices", ()):
        part(choice.element, "choice", choice.id)
        roles[choice.element]["rules"] = (block_rule(
            f"{choice.id}_choose", "clicked", choice.element,
            Choose.made(question=name, part=choice.id)),)
    for item in question.held.get("items", ()):
        part(item.element, "ranked" if question.kind == "ordering" else "item", item.id)
    for target in question.held.get("targets", ()):
        part(target.element, "target", target.id)
    for row in question.held.get("rows", ()):
        part(row.element, "field", row.id)
    for spot in question.held.get("spots", ()):
        for element in q.elements_of(spot):
            part(element, "spot", spot.id)
    if isinstance(question, q.Hotspot):
        for ground in _grounds(question, slide):
            part(ground, "ground", name)
    if isinstance(question, _FIELDS) and question.field:
        part(question.field, "field", field_part(question))
    if isinstance(question, q.FillBlanks) and question.text:
        part(question.text, "blanks", name)
    return roles


def _button_roles(question: q.Question) -> dict[str, Changes]:
    name = question.id
    open_ = ["not", ["locked", name]]
    roles: dict[str, Changes] = {}
    if question.submit:
        ready = ["unjudged", name]
        visible: Node = True
        if question.judged == "at_once":
            # Mostly nothing is left to submit; where something is, the button is there.
            visible = ["and", ready, open_]
        elif question.submit_is == "hidden":
            visible = ["or", ready, ["locked", name]]
        roles[question.submit] = {
            "control": "button", "question": name, "visible": visible,
            "enabled": open_ if question.submit_is == "ready" else ["and", ready, open_],
            "rules": (block_rule(
                f"{name}_submit", "clicked", question.submit, Submit.made(question=name)),),
        }
    if question.reset:
        # Where it counts, clearing must not give back attempts.
        counts = question.purpose == "scored"
        roles[question.reset] = {
            "control": "button", "question": name,
            "enabled": ["and", ["chosen", name], open_] if counts else ["chosen", name],
            "rules": (block_rule(f"{name}_reset", "clicked", question.reset,
                            Reset.made(question=name, answer_only=counts)),),
        }
    return roles


def block_rule(
    name: str, event: Event, target: str, *then: Action, condition: Node = True
) -> ProgramRule:
    """Return a rule that a block was compiled to; such rules run before the authors' own."""
    return ProgramRule.made(
        id=name, on=event, target=target, block=True, condition=condition, then=then)


def slide_rules(question: q.Question, slide: Slide) -> tuple[ProgramRule, ...]:
    """Return what the slide itself does for `question` when it is left."""
    name, rules = question.id, []
    if not question.keeps:
        rules.append(block_rule(f"{name}_forget", "slide_left", slide.id,
                           Reset.made(question=name, answer_only=True)))
    return tuple(rules)
