"""What somebody gets who knows nothing and guesses: for one question."""

import random
from collections.abc import Callable, Iterator, Mapping, Sequence
from itertools import chain, combinations, permutations, product
from math import comb, factorial, prod

from zigzag_core.grading.grade import Judgement, gives_points, judge
from zigzag_core.grading.tally import Given
from zigzag_core.program import Grader, GraderPart

MOST_ANSWERS = 5_000
"""So many answers are gone through one by one; of more, `SAMPLED` are drawn."""

SAMPLED = 1_500
MOST_ATTEMPTS = 50

Guess = dict[int, float]
"""How likely (0..1) each number of points is, in hundredths."""


def guess(grader: Grader) -> Guess:
    """Return the points that guesses give: any answer is as likely, none is given twice.

    Whoever is right stops; the last attempt counts else. What has to be typed is never right.
    Hotspots are taken to be clicked among the areas that there are. Of a question that gives no
    points, nothing.
    """
    if not gives_points(grader):
        return {0: 1.0}
    answers, of = _answers(grader)
    judged = [judge(grader, given, 1) for given in answers]
    right = sum(one.result == "right" for one in judged)
    attempts = min(grader.attempts or MOST_ATTEMPTS, of, MOST_ATTEMPTS)
    found: Guess = {}
    # Of `of` answers these are a fair part: as large a share of them is right.
    rights = right / len(judged) * of
    still = 1.0
    for attempt in range(1, attempts + 1):
        hit = still * min(rights / (of - attempt + 1), 1.0)
        if hit > 0:
            won = [judge(grader, given, attempt)
                   for given, one in zip(answers, judged, strict=True) if one.result == "right"]
            _share(found, won, hit)
        still -= hit
    if still > 1e-15:
        lost = [judge(grader, given, attempts)
                for given, one in zip(answers, judged, strict=True) if one.result != "right"]
        _share(found, lost, still)
    return found


def _share(found: Guess, judged: Sequence[Judgement], chance: float) -> None:
    for one in judged:
        points = round(one.points * 100)
        found[points] = found.get(points, 0.0) + chance / len(judged)


def _answers(grader: Grader) -> tuple[list[Given], int]:
    """Answers that somebody may give, each as likely; and how many there are of them."""
    match grader.form:
        case "choose" | "spots":
            return _chosen(grader)
        case "pairs":
            return _placed(grader)
        case "order":
            return _ordered(grader)
        case _:
            return _filled(grader)


def _chosen(grader: Grader) -> tuple[list[Given], int]:
    parts = [part.id for part in grader.parts]
    least = max(grader.at_least, 1)
    most = min(grader.at_most or len(parts), len(parts))
    if grader.form == "spots" and grader.at_most is None:
        # Who guesses looks for as many places as there are to be found.
        wanted = grader.needed or sum(bool(part.right) for part in grader.parts)
        least = most = min(wanted, len(parts))
    sizes = range(min(least, most), most + 1)
    of = sum(comb(len(parts), size) for size in sizes)

    def draw(rng: random.Random) -> tuple[str, ...]:
        size = rng.choices(sizes, [comb(len(parts), size) for size in sizes])[0]
        return tuple(sorted(rng.sample(parts, size), key=parts.index))

    every = chain.from_iterable(combinations(parts, size) for size in sizes)
    some = every if of <= MOST_ANSWERS else _drawn(draw, grader)
    return [tuple((part, "") for part in those) for those in some], of


def _ordered(grader: Grader) -> tuple[list[Given], int]:
    parts = [part.id for part in grader.parts]
    of = factorial(len(parts))

    def draw(rng: random.Random) -> tuple[str, ...]:
        return tuple(rng.sample(parts, len(parts)))

    some = permutations(parts) if of <= MOST_ANSWERS else _drawn(draw, grader)
    return [tuple((part, "") for part in those) for those in some], of


def _placed(grader: Grader) -> tuple[list[Given], int]:
    """Every item on one of the targets that takes it."""
    where = {
        part.id: [target.id for target in grader.targets
                  if not target.only or part.id in target.only] or [""]
        for part in grader.parts}
    of = prod(map(len, where.values()))

    def draw(rng: random.Random) -> tuple[str, ...]:
        return tuple(rng.choice(targets) for targets in where.values())

    some = product(*where.values()) if of <= MOST_ANSWERS else _drawn(draw, grader)
    found = [_pairs(where, those) for those in some]
    full = {target.id: target.takes for target in grader.targets if target.takes is not None}
    fitting = [given for given in found if all(
        sum(on == target for _, on in given) <= takes for target, takes in full.items())]
    return (fitting or found), (len(fitting) if fitting and of <= MOST_ANSWERS else of)


def _pairs(where: Mapping[str, object], targets: Sequence[str]) -> Given:
    return tuple((item, on) for item, on in zip(where, targets, strict=True) if on)


def _filled(grader: Grader) -> tuple[list[Given], int]:
    """Each blank with one of its words where there are some to choose from; typed ones wrong."""
    words = [_words(part) for part in grader.parts]
    of = prod(map(len, words))

    def draw(rng: random.Random) -> tuple[str, ...]:
        return tuple(rng.choice(those) for those in words)

    some = product(*words) if of <= MOST_ANSWERS else _drawn(draw, grader)
    return [tuple((part.id, word) for part, word in zip(grader.parts, those, strict=True) if word)
            for those in some], of


def _words(part: GraderPart) -> tuple[str, ...]:
    return part.options if part.how != "typed" and part.options else ("",)


def _drawn(
    draw: Callable[[random.Random], tuple[str, ...]], grader: Grader
) -> Iterator[tuple[str, ...]]:
    """Answers drawn at random, the same each time."""
    rng = random.Random(grader.id)
    return (draw(rng) for _ in range(SAMPLED))
