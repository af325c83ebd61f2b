"""What learners are given to find their way: for the course, and as exceptions for a slide."""

from typing import Literal

from .model import Model

Order = Literal["free", "in_order", "seen"]
"""Where the menu leads: anywhere; to the next that is open; only to slides that were seen."""


class Navigation(Model):
    """What is shown around the slides, and in which `order` they may be gone to."""

    order: Order = "free"
    menu: bool = True
    progress: bool = True
    previous: bool = True
    next: bool = True
    transcript: bool = True
    captions: bool = True
    volume: bool = True
    speed: bool = True
    full_screen: bool = True


class NavigationHere(Model):
    """A slide's exceptions; None is as in the course."""

    menu: bool | None = None
    progress: bool | None = None
    previous: bool | None = None
    next: bool | None = None
    transcript: bool | None = None
    captions: bool | None = None
    volume: bool | None = None
    speed: bool | None = None
    full_screen: bool | None = None
