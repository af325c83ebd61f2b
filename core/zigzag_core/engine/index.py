"""A program made ready to run: everything looked up once."""

from collections.abc import Iterator
from dataclasses import dataclass

from zigzag_core.course import Audio, Variable, Video
from zigzag_core.program import (
    COURSE,
    Clock,
    Grader,
    Program,
    ProgramElement,
    ProgramOverlay,
    ProgramRule,
    ProgramSlide,
    SeenSet,
)
from zigzag_core.program.quiz import ProgramQuiz
from zigzag_core.words import say_with

from .order import Order
from .state import Draw

_MOST_ORDERS = 64

_BLOCK, _ELEMENT, _OVERLAY, _SLIDE, _COURSE = range(5)


@dataclass(frozen=True)
class BoundRule:
    """A rule with its rank (blocks first, then element, overlay, slide, course) and its slide."""

    rank: int
    slide: str | None
    rule: ProgramRule


class Index:
    """Look-ups over one program, shared by all runs of it."""

    def __init__(self, program: Program) -> None:
        self.program = program
        self.say = say_with(program.words)
        self.order = tuple(slide.id for slide in program.slides)
        self.position = {slide: index for index, slide in enumerate(self.order)}
        self.slides: dict[str, ProgramSlide] = {slide.id: slide for slide in program.slides}
        self.variables: dict[str, Variable] = {v.id: v for v in program.variables}
        self.questions: dict[str, Grader] = {q.id: q for q in program.questions}
        self.asking = frozenset(q.slide for q in program.questions)
        """The slides that ask something."""
        self.sets: dict[str, SeenSet] = {s.id: s for s in program.sets}
        self.quizzes: dict[str, ProgramQuiz] = {quiz.id: quiz for quiz in program.quizzes}
        self.quiz_of: dict[str, ProgramQuiz] = {
            slide: quiz for quiz in program.quizzes for slide in quiz.slides}
        """The quiz that each slide is in, if it is in one."""
        self.away = tuple(quiz for quiz in program.quizzes if quiz.away and quiz.time_limit)
        """The quizzes whose time goes on without the learner."""
        self.posting = tuple(quiz for quiz in program.quizzes if quiz.post)
        """The quizzes whose results are reported."""
        self.sets_of: dict[str, list[SeenSet]] = {}
        """The sets that each element is in."""
        for seen in program.sets:
            for element in seen.of:
                self.sets_of.setdefault(element, []).append(seen)
        self.elements: dict[str, ProgramElement] = {}
        self.overlays: dict[str, ProgramOverlay] = {}
        self.opening: dict[str, list[ProgramOverlay]] = {}
        """The overlays of each slide that open and close by a condition."""
        self.home: dict[str, str] = {}
        """The slide of each element and overlay."""
        self.on_slide: dict[str, list[str]] = {slide: [] for slide in self.order}
        """The elements of each slide and of its overlays."""
        self._orders: dict[tuple[Draw, ...], Order] = {}
        self.overlay_of: dict[str, str] = {}
        """The overlay of each element that is in one."""
        self.clocks: dict[str, Clock] = {}
        """The time axes of slides and overlays that have one."""
        self.timed: dict[str, list[Grader]] = {}
        """The questions of each slide that have a time limit."""
        self.on_leaving: dict[str, list[Grader]] = {}
        """The questions of each slide that are judged when it is left."""
        for grader in program.questions:
            if grader.on_leaving:
                self.on_leaving.setdefault(grader.slide, []).append(grader)
            if grader.time_limit:
                self.timed.setdefault(grader.slide, []).append(grader)
        self.timers: dict[str, list[ProgramRule]] = {}
        """The timers of each slide, overlay, and of the course."""
        self.media_moments: dict[str, list[int]] = {}
        """The ms in each video or audio that rules wait for, rising."""
        self.rules: dict[str, BoundRule] = {}
        self._rules: dict[tuple[str, str | None], list[BoundRule]] = {}
        for slide in program.slides:
            self._add_slide(slide)
        self._add_rules(program.rules, _COURSE, None)
        self.clocks = {owner: self._led(clock) for owner, clock in self.clocks.items()}
        for rules in self._rules.values():
            rules.sort(key=lambda bound: bound.rank)
        for element, moments in self.media_moments.items():
            self.media_moments[element] = sorted(set(moments))

    def _led(self, clock: Clock) -> Clock:
        """A clock that follows what plays is as long as that; where nothing plays, it goes alone.
        """
        if clock.follows is None:
            return clock
        leader = self.elements.get(clock.follows)
        played = getattr(leader.draw, "media", None) if leader else None
        media = self.program.media.get(played or "")
        if media is None:
            return clock.model_copy(update={"follows": None})
        ends = max((until for _, until in self.pieces_of(clock.follows)), default=0)
        return clock.model_copy(update={"length": max(clock.length, ends)})

    def _add_slide(self, slide: ProgramSlide) -> None:
        if slide.clock:
            self.clocks[slide.id] = slide.clock
        for element in slide.elements:
            self._add_element(element, slide.id)
        for overlay in slide.overlays:
            self.overlays[overlay.id] = overlay
            self.home[overlay.id] = slide.id
            if overlay.opens is not False:
                self.opening.setdefault(slide.id, []).append(overlay)
            if overlay.clock:
                self.clocks[overlay.id] = overlay.clock
            for element in overlay.elements:
                self._add_element(element, slide.id)
                self.overlay_of[element.draw.id] = overlay.id
            self._add_rules(overlay.rules, _OVERLAY, slide.id)
        self._add_rules(slide.rules, _SLIDE, slide.id)

    def _add_element(self, element: ProgramElement, slide: str) -> None:
        self.elements[element.draw.id] = element
        self.home[element.draw.id] = slide
        self.on_slide[slide].append(element.draw.id)
        self._add_rules(element.rules, _ELEMENT, slide)

    def _add_rules(self, rules: tuple[ProgramRule, ...], rank: int, slide: str | None) -> None:
        for rule in rules:
            bound = BoundRule(_BLOCK if rule.block else rank, slide, rule)
            self.rules.setdefault(rule.id, bound)
            self._rules.setdefault((rule.on, rule.target), []).append(bound)
            if rule.on == "timer":
                self.timers.setdefault(rule.target or COURSE, []).append(rule)
            if rule.on == "media_reached" and rule.target:
                self.media_moments.setdefault(rule.target, []).append(rule.after)

    def pieces_of(self, element: str) -> tuple[tuple[int, int], ...]:
        """Return the stretches (ms) of its file that a video or audio plays, in order."""
        found = self.elements.get(element)
        draw = found.draw if found else None
        media = self.program.media.get(getattr(draw, "media", None) or "")
        if not isinstance(draw, Video | Audio) or media is None or not media.duration:
            return ()
        pieces = tuple((one.since, min(one.until, media.duration))
                       for one in draw.pieces if one.since < media.duration)
        return pieces or ((0, media.duration),)

    def keeps_watched(self, element: str) -> bool:
        """Return whether it counts how much of a video or audio was played; of narration, and of
        what plays over and over, only where something asks for it.
        """
        draw = self.elements[element].draw
        aside = (isinstance(draw, Video | Audio) and draw.loop) or (
            isinstance(draw, Audio) and draw.narration)
        return not aside or element in self.program.watched

    def groups_of(self, element: str) -> Iterator[str]:
        """Yield the groups that `element` is in, the innermost first."""
        group = self.elements[element].draw.group
        while group is not None and group in self.elements:
            yield group
            group = self.elements[group].draw.group

    def matching(self, event: str, target: str, detail: str | None = None) -> list[BoundRule]:
        """Return the rules for `event` at `target`, in the order in which they run."""
        exact = self._rules.get((event, target))
        general = self._rules.get((event, None))
        if exact and general:
            found = sorted(exact + general, key=lambda bound: bound.rank)
        else:
            found = exact or general or []
        if detail is None:
            return found
        return [bound for bound in found if bound.rule.detail in (None, detail)]

    def quiz_for(self, slide: str) -> ProgramQuiz | None:
        """Return the quiz that `slide` is in, else the last before it, else the first."""
        if slide in self.quiz_of:
            return self.quiz_of[slide]
        here, found = self.position.get(slide, -1), None
        for quiz in self.program.quizzes:
            if found is None or self.position.get(quiz.slides[0], 0) <= here:
                found = quiz
        return found

    def ordered(self, draws: tuple[Draw, ...]) -> Order:
        """Return the slides as a learner gets them for whom the quizzes were drawn as in `draws`.
        """
        found = self._orders.get(draws)
        if found is None:
            if len(self._orders) >= _MOST_ORDERS:
                self._orders.clear()
            found = self._orders[draws] = Order(self.program, draws)
        return found
