"""What there is to know of each kind of question, in one place.

A new kind is added here, with its model in `question`; its form says which grader, records and
checks it has, and its lists which parts. The workbench gets this table too (`web/api/tables.ts`).
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, get_args

from . import question as q

QuestionKind = Literal[
    "single_choice", "multiple_response", "true_false", "blanks", "short_text", "numeric",
    "matching", "ordering", "drag_to_target", "hotspot", "open_answer", "rating_scale",
]
QUESTION_KINDS: tuple[QuestionKind, ...] = get_args(QuestionKind)

Form = Literal["choose", "texts", "pairs", "order", "spots", "free", "scale"]
"""How an answer is built and judged: see `grading.tally`."""


@dataclass(frozen=True)
class Descriptor:
    """One kind of question.

    `model` is how it is stored, `form` how it is judged. `title` and `search` are its name and
    further words by which authors find it; a new one is called `name`. Where it is not `judged`,
    nothing is right or wrong; else an answer may be `partly` right or not.
    """

    model: type[q.QuestionBase]
    form: Form
    title: str
    search: str
    name: str
    judged: bool = True
    partly: bool = True

    @property
    def lists(self) -> Mapping[str, int]:
        """The lists of parts that such a question has, with the most that each holds."""
        return {
            name: q.most_parts(self.model, name)
            for name in (*q.PART_LISTS, "blanks") if name in self.model.model_fields
        }


DESCRIPTORS: Mapping[QuestionKind, Descriptor] = {
    "single_choice": Descriptor(
        q.SingleChoice, "choose", "Single choice", "one right answer radio",
        "Question", partly=False),
    "multiple_response": Descriptor(
        q.MultipleResponse, "choose", "Multiple response", "several right answers checkbox",
        "Multiple response"),
    "true_false": Descriptor(
        q.TrueFalse, "choose", "True or false", "statement yes no",
        "True false", partly=False),
    "blanks": Descriptor(
        q.FillBlanks, "texts", "Fill in the blanks", "gap cloze word bank",
        "Blanks"),
    "short_text": Descriptor(
        q.ShortText, "texts", "Short text", "words typed answer",
        "Short text", partly=False),
    "numeric": Descriptor(
        q.Numeric, "texts", "Numeric", "number answer",
        "Numeric", partly=False),
    "matching": Descriptor(
        q.Matching, "pairs", "Matching", "connect pairs lines",
        "Matching"),
    "ordering": Descriptor(
        q.Ordering, "order", "Ordering", "sequence rank sort",
        "Ordering"),
    "drag_to_target": Descriptor(
        q.DragToTarget, "pairs", "Drag to target", "drop sort into",
        "Drag to target"),
    "hotspot": Descriptor(
        q.Hotspot, "spots", "Hotspot", "click places in a picture",
        "Hotspot"),
    "open_answer": Descriptor(
        q.OpenAnswer, "free", "Open answer", "essay long text",
        "Open answer", judged=False),
    "rating_scale": Descriptor(
        q.RatingScale, "scale", "Rating scale", "survey likert agree",
        "Rating scale", judged=False),
}


def is_judged(question: q.Question) -> bool:
    """Return whether an answer to `question` can be right or wrong."""
    return question.purpose != "survey" and DESCRIPTORS[question.kind].judged


def of_form(form: Form) -> tuple[QuestionKind, ...]:
    """Return the kinds of question that are judged in this form."""
    return tuple(kind for kind, found in DESCRIPTORS.items() if found.form == form)
