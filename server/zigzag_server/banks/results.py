"""How questions of banks were answered, as far as reports have come in."""

from collections import Counter
from collections.abc import Iterable

from django.contrib.auth.models import User

from zigzag_server.post.models import Report

MOST_READ = 2_000
"""So many reports are counted, the newest."""


def results_of(owner: User, asked: Iterable[str]) -> dict[str, tuple[int, int]]:
    """Return, for each question that was `asked` in these words, how many were right of how many.

    Counted are the newest `MOST_READ` reports of the owner's courses that tell of answers.
    """
    wanted = {words for words in asked if words}
    right: Counter[str] = Counter()
    of: Counter[str] = Counter()
    reports = Report.objects.filter(course__owner=owner).order_by("-pk")
    for answers in reports.values_list("answers", flat=True)[:MOST_READ]:
        for answer in answers:
            words = answer.get("question", "")
            if words in wanted and answer.get("result"):
                of[words] += 1
                right[words] += answer["result"] == "right"
    return {words: (right[words], of[words]) for words in wanted if of[words]}
