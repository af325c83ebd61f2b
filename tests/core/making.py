"""Small courses in few words, and a learner who takes them."""

from zigzag_core.course import (
    Button,
    Course,
    CourseDocument,
    Happens,
    NumberVariable,
    Rule,
    Slide,
    Text,
    rich,
)
from zigzag_core.course.rules import rule as r
from zigzag_core.engine import engine

from .samples import index_of

SCORE = NumberVariable(id="scorevar", name="Score")


def button(name, *actions, on="clicked", **more):
    condition = more.pop("condition", True)
    otherwise = tuple(more.pop("otherwise", ()))
    rules = (Rule(id=f"{name}rule", when=Happens(event=on), condition=condition, do=actions,
                  otherwise=otherwise),) if actions else ()
    return Button(id=name, name=name, rules=rules, **more)


def text(name, **more):
    return Text(id=name, name=name, text=rich(name), **more)


def course(*slides, **settings):
    settings = {"title": "C", "variables": (SCORE,), **settings}
    return CourseDocument(
        course=Course(id="course", slides=tuple(s.id for s in slides), **settings),
        slides=slides,
    )


def slide(name="slidea", *elements, **more):
    return Slide(id=name, title=name, elements=elements, **more)


class Learner:
    """Somebody who takes a course, event by event."""

    def __init__(self, document, seed=1):
        self.index = index_of(document)
        self.effects = []
        self.state = engine.start(self.index, seed, "Ina")
        self.does("start")

    def does(self, kind, **more):
        self.state, self.effects = engine.step(self.index, self.state, {"event": kind, **more})
        return self

    def clicks(self, *names):
        for name in names:
            self.does("clicked", target=name)
        return self

    def waits(self, ms):
        return self.does("tick", ms=ms)

    def sees(self, name):
        return engine.is_visible(self.index, self.state, name)

    @property
    def slide(self):
        return self.state.slide



def SHOW(what):
    return r.ShowOrHide(action="show", what=what)


def HIDE(what):
    return r.ShowOrHide(action="hide", what=what)


def TOGGLE(what):
    return r.ShowOrHide(action="toggle", what=what)


def ENABLE(what):
    return r.EnableOrDisable(action="enable", what=what)


def DISABLE(what):
    return r.EnableOrDisable(action="disable", what=what)
