"""What there is to know of each kind of question, in one place.

A new kind is added here, with its model in `question`; its grader, its editor, its record and its
checks are found by its form and by its lists of parts.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from . import question as q

Form = Literal["choose", "texts", "pairs", "order", "spots", "free", "scale"]
"""How an answer is built and judged: see `grading.tally`."""


@dataclass(frozen=True)
class Descriptor:
    """One kind of question: its model, how it is judged, and with which words it begins."""

    model: type[q.QuestionBase]
    form: Form
    name: str
    prompt: str

    @property
    def lists(self) -> Mapping[str, int]:
        """The lists of parts that such a question has, with the most that each holds."""
        return {
            name: q.most_parts(self.model, name)
            for name in (*q.PART_LISTS, "blanks") if name in self.model.model_fields
        }


DESCRIPTORS: Mapping[str, Descriptor] = {
    "single_choice": Descriptor(
        q.SingleChoice, "choose", "Question", "What do you want to ask?"),
    "multiple_response": Descriptor(
        q.MultipleResponse, "choose", "Multiple response", "Which of these are right?"),
    "true_false": Descriptor(q.TrueFalse, "choose", "True false", "Is this true?"),
    "blanks": Descriptor(q.FillBlanks, "texts", "Blanks", "Fill in what is missing."),
    "short_text": Descriptor(q.ShortText, "texts", "Short text", "What is it called?"),
    "numeric": Descriptor(q.Numeric, "texts", "Numeric", "How many are there?"),
    "matching": Descriptor(q.Matching, "pairs", "Matching", "What belongs together?"),
    "ordering": Descriptor(q.Ordering, "order", "Ordering", "What comes first, what after it?"),
    "drag_to_target": Descriptor(
        q.DragToTarget, "pairs", "Drag to target", "Put each thing where it belongs."),
    "hotspot": Descriptor(q.Hotspot, "spots", "Hotspot", "Click the right place."),
    "open_answer": Descriptor(q.OpenAnswer, "free", "Open answer", "What do you think?"),
    "rating_scale": Descriptor(q.RatingScale, "scale", "Rating scale", "How far do you agree?"),
}
