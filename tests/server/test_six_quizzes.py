"""Six quizzes as somebody would describe them, made by the API alone, and taken."""

from zigzag_core.engine import engine
from zigzag_core.engine.expression import live
from zigzag_core.engine.index import Index
from zigzag_core.grading.solutions import answering, right_response
from zigzag_core.program import Program

YES_NO = "Is a shut damper safe?\n- [ ] yes\n- [x] no"


def _choices(name: str, count: int, level: str = "", tags: str = "") -> str:
    """So many single choice questions for a set, as text to be pasted."""
    more = (f"\nLevel: {level}" if level else "") + (f"\nTags: {tags}" if tags else "")
    return "\n\n".join(
        f"{name} {n}: what is right?\n- [x] this\n- [ ] that\n- [ ] neither\nSet: {name}{more}"
        for n in range(count))


class Script:
    """What a script of an author does: ask the API, and save what it answers."""

    def __init__(self, api, title: str) -> None:
        self.api = api
        self.slug = api("post", "/courses", {"title": title}, status=201)["slug"]
        first = self.course["slides"][0]
        self.save_settings(sections=[
            {"id": "thequiz", "title": title, "before": first, "quiz": {}}])

    @property
    def whole(self):
        return self.api("get", f"/courses/{self.slug}", status=200)

    @property
    def course(self):
        return self.whole["course"]

    @property
    def quiz(self):
        return self.course["sections"][0]["quiz"]

    def save_settings(self, **settings):
        whole = self.whole
        self.api("put", f"/courses/{self.slug}", {
            "base": whole["version"], "course": {**whole["course"], **settings}}, status=200)
        return self

    def sets(self, **settings):
        """Change settings of the quiz."""
        [section] = self.course["sections"]
        return self.save_settings(sections=[
            {**section, "quiz": {**section["quiz"], **settings}}])

    def each_set(self, **settings):
        return self.sets(sets=[{**one, **settings} for one in self.quiz["sets"]])

    def edits(self, path: str, **asked):
        """Ask for an edit, and save the change that it answers."""
        whole = self.whole
        slides = {each["slide"]["id"]: each["version"] for each in whole["slides"]}
        answer = self.api("post", f"/edits/{path}", {
            "course": whole["course"], "section": "thequiz", **asked}, status=200)
        self.api("post", f"/courses/{self.slug}/changes", {
            "base": {"course": whole["version"], "slides": slides},
            "change": answer["change"]}, status=200)
        return self

    def slides(self, *ids):
        found = {each["slide"]["id"]: each["slide"] for each in self.whole["slides"]}
        return [found[each] for each in ids]

    def learner(self, seed: int = 1) -> "Taker":
        return Taker(self.api("get", f"/courses/{self.slug}/program", status=200), seed)

    def numbers(self):
        [numbers] = self.api("get", f"/courses/{self.slug}/quizzes", status=200)["quizzes"]
        return numbers

    def errors(self):
        check = self.api("get", f"/courses/{self.slug}/check", status=200)
        return [one["code"] for one in check["findings"] if one["level"] == "error"]


class Taker:
    """A learner who takes the course that the API gives."""

    def __init__(self, program, seed: int) -> None:
        self.index = Index(Program.model_validate(program))
        self.state, self.effects = engine.start(self.index, seed), []
        self.does("start", now=1_764_500_000)

    def does(self, event, **more):
        self.state, effects = engine.step(self.index, self.state, {"event": event, **more})
        self.effects += effects
        return self

    def told(self, name: str):
        return live(self.index, self.state, f"quiz_{name}")

    @property
    def grader(self):
        return next((q for q in self.index.program.questions if q.slide == self.state.slide), None)

    def answers(self, right: bool = True):
        """Answer the question of this slide, and go on."""
        grader, elements = self.grader, self.index.slides[self.state.slide].elements
        if grader.form == "choose":
            wanted = [p for p in grader.parts if bool(p.right) == right]
            for part in wanted if right else wanted[:1]:
                self.does("clicked", target=next(
                    e.draw.id for e in elements if e.part == part.id))
        elif right:
            for event in answering(grader, right_response(grader)):
                self.does(**event)
        for submit in [e.draw.id for e in elements
                       if e.question == grader.id and e.control == "button"][:1]:
            self.does("clicked", target=submit)
        for overlay in self.state.overlays:
            self.does("close", target=overlay)
        return self.does("next")

    def takes_all(self, *right: bool):
        """Go through the quiz: questions are answered right as said, all else is passed by."""
        todo = list(right)
        for _ in range(200):
            if self.told("finished") or not (todo or self.grader is None):
                return self
            if self.grader is None:
                self.does("next")
            else:
                self.answers(todo.pop(0))
        raise AssertionError("the quiz does not end")

    def begins_again(self):
        """Click what draws the quiz anew."""
        elements = self.index.slides[self.state.slide].elements
        return self.does("clicked", target=next(
            e.draw.id for e in elements
            if any(a.do == "draw" for rule in e.rules for a in rule.then)))


def test_1_a_short_test_at_the_door(mika):
    """Three questions for everybody, in order; passed with two of three; one attempt."""
    script = Script(mika, "At the door").edits(
        "questions", text=f"{_choices('Door', 2)}\n\n{YES_NO}\nSet: Door").edits("new-outcome")
    script.each_set(shuffled=False).sets(attempts=1, pass_mark=66)
    assert script.errors() == []
    numbers = script.numbers()
    assert (numbers["asked"], numbers["quizzes"]["figure"]) == (3, 1)
    taker = script.learner().takes_all(True, False, True)
    assert (taker.told("result"), taker.told("points"), taker.told("attempts_left")) == (
        "passed", 2, 0)


def test_2_the_keys_for_winter(mika):
    """Two of six from each of three sets, mixed; three attempts with what was not seen first;
    two bands, the lower one with a panel that leads nowhere else."""
    script = Script(mika, "Keys").edits("questions", text="\n\n".join(
        _choices(name, 6) for name in ("Ice", "Stove", "Radio"))).edits("new-outcome")
    script.each_set(take=2).sets(order="mixed", again="unseen", attempts=3, bands=[
        {"id": "bandlow", "name": "Again", "least": 0},
        {"id": "bandhigh", "name": "Keys", "least": 60}])
    outcome = script.quiz["outcomes"][0]
    script.edits("band-panels", slide=script.slides(outcome)[0])
    assert script.errors() == []
    taker = script.learner(7)
    first = {*taker.state.draws[0].slides}
    taker.takes_all(*[False] * 6)
    assert (taker.told("questions"), taker.told("band"), taker.told("result")) == (
        6, "Again", "failed")
    taker.begins_again()
    asked = {q.slide for q in taker.index.program.questions}
    assert not first & {*taker.state.draws[0].slides} & asked, "nothing twice while there is more"
    taker.takes_all(*[True] * 6)
    assert (taker.told("band"), taker.told("result"), taker.told("attempt")) == (
        "Keys", "passed", 2)


def test_3_a_radio_exam_against_the_clock(mika):
    """Ten minutes, any order, judged at the end, no review; the time ends it."""
    script = Script(mika, "Radio").edits(
        "questions", text=_choices("Radio", 4)).edits("new-outcome")
    script.sets(time_limit=600, extendable=False, way="free", overview=True, judged="end",
                review="never", attempts=1)
    taker = script.learner()
    while taker.grader is None:
        taker.does("next")
    taker.answers().answers()
    assert taker.told("points") == 0, "nothing is judged before the end"
    taker.does("tick", ms=600_000)
    assert taker.state.slide == script.quiz["outcomes"][0]
    assert (taker.told("finished"), taker.told("right"), taker.told("answered")) == (True, 2, 2)
    before = taker.state.slide
    taker.does("slide", target=script.quiz["sets"][0]["slides"][0])
    assert taker.state.slide == before, "never to be seen again"


def test_4_what_the_season_was_like(mika):
    """A survey: who, then a long answer and a choice; nothing is passed, and a report is sent."""
    script = Script(mika, "The season").edits(
        "questions", text=f"{YES_NO}\n\nWhat was best?\nAnswer: free").sets(
        post={"mail": "office@huts.example"}).edits("new-details").edits("new-outcome")
    asking = [each["slide"] for each in script.whole["slides"] if each["slide"]["questions"]]
    for slide in asking:
        version = next(e["version"] for e in script.whole["slides"]
                       if e["slide"]["id"] == slide["id"])
        script.api("put", f"/courses/{script.slug}/slides/{slide['id']}", {
            "base": version, "slide": {**slide, "questions": [
                {**q, "purpose": "survey"} for q in slide["questions"]]}}, status=200)
    assert script.errors() == []
    taker = script.learner()
    while taker.state.slide != script.quiz["details"]:
        taker.does("next")
    taker.does("next")
    assert taker.state.slide == script.quiz["details"], "the name has to be given"
    fields = [e.draw for e in taker.index.slides[taker.state.slide].elements
              if e.draw.kind == "input"]
    for field, value in zip(fields, ("Bo Lindqvale", "bo@huts.example"), strict=True):
        taker.does("entered", target=field.id, value=value)
    taker.does("next").takes_all(True, True)
    assert taker.told("finished") is True and taker.told("max_points") == 0
    [report] = [effect for effect in taker.effects if effect["effect"] == "report"]
    told = dict(report["fields"])
    assert (told["Name"], told["Result"]) == ("Bo Lindqvale", "finished")


def test_5_first_aid_where_guessing_costs(mika):
    """A wrong answer costs half a point, none a quarter; again only with what was wrong."""
    script = Script(mika, "First aid").edits(
        "questions", text=_choices("Aid", 4)).edits("new-outcome")
    script.each_set(shuffled=False).sets(again="wrong", pass_mark=90, defaults={
        "points": 1, "penalty": 0.5, "floor": -0.5, "unanswered": 0.25})
    follow = ["points", "penalty", "unanswered"]
    for each in script.whole["slides"]:
        slide = each["slide"]
        if slide["questions"]:
            script.api("put", f"/courses/{script.slug}/slides/{slide['id']}", {
                "base": each["version"], "slide": {**slide, "questions": [
                    {**q, "follows": follow} for q in slide["questions"]]}}, status=200)
    taker = script.learner().takes_all(True, True, False, True)
    assert (taker.told("points"), taker.told("result")) == (2.5, "failed")
    taker.begins_again()
    taker.takes_all(True)
    assert (taker.told("points"), taker.told("result"), taker.told("attempt")) == (
        4, "passed", 2)


def test_6_an_alarm_at_night(mika):
    """Two of three sets, two questions of each with a hard one at least, and a certificate."""
    script = Script(mika, "Alarm").edits("questions", text="\n\n".join(
        f"{_choices(name, 2, 'hard', 'night')}\n\n{_choices(name + ' day', 2)}".replace(
            f"Set: {name} day", f"Set: {name}")
        for name in ("Smoke", "Water", "Lost guest"))).edits("new-outcome")
    outcomes = script.quiz["outcomes"]
    script.edits("new-certificate", outcomes=script.slides(*outcomes))
    script.each_set(take=2, balances=[{"level": "hard", "least": 1}])
    script.sets(take=2, order="shuffled")
    assert script.errors() == []
    proof = script.api("get", f"/courses/{script.slug}/quizzes/thequiz/proof", status=200)
    assert (proof["seeds"], proof["violating"], proof["even"]) == (10_000, 0, True)
    levels = {each["slide"]["id"]: each["slide"]["level"] for each in script.whole["slides"]}
    names = {slide: one["name"] for one in script.quiz["sets"] for slide in one["slides"]}
    for seed in range(20):
        drawn = [slide for slide in script.api(
            "get", f"/courses/{script.slug}/quizzes/thequiz/draw?seed={seed}",
            status=200)["slides"] if slide in names]
        assert len(drawn) == 4 and len({names[slide] for slide in drawn}) == 2
        for name in {names[slide] for slide in drawn}:
            assert any(levels[slide] == "hard" for slide in drawn if names[slide] == name)
    taker = script.learner(3).takes_all(*[True] * 4)
    assert taker.told("result") == "passed"
