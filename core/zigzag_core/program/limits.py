"""Limits that both engines keep to. Those of the TypeScript engine are made from here."""

from dataclasses import dataclass

from zigzag_core.course.elements.element import REACH
from zigzag_core.course.walkthroughs import LONGEST_TEXT


@dataclass(frozen=True)
class Limits:
    """Each limit with what it holds for."""

    follow_ups: int = 1_000
    """Events that may follow from one before the run stops them."""
    moments: int = 1_000
    """Cues, timers and waits that may be passed in one step; what comes after is for the next."""
    longest_tick: int = 24 * 3_600_000
    """The most time (ms) that passes in one step."""
    longest_path: int = 50
    """Slides that *back* leads back through."""
    longest_stretch: int = 60_000
    """A longer stretch of playing (ms) than this is not believed."""
    deepest: int = 3
    """How far one thing's visibility follows another's; what would go further is hidden."""
    most_marks: int = 100
    """Marks in a hotspot question that has no limit of its own."""
    reach: int = REACH
    """How near to a target of a question (px of the slide) a drop counts."""
    most_slips: int = 1_000
    """Wrong drops that are counted in one attempt."""
    most_counted: int = 100_000
    """Steps that counting the draws of a set may take; with more, all of the set is taken."""
    most_attempts: int = 10_000
    """Attempts at a quiz that may be taken as often as wanted."""
    most_time: int = 10
    slowest: int = 25
    fastest: int = 400
    """How many times longer than set a learner can make a time limit."""
    largest_number: float = 1e9
    """Numbers of the engine are between this and minus this."""
    longest_used: int = 10_000_000_000
    """The most time (ms) that an attempt at a quiz is known to have had: about 115 days."""
    last_second: int = 253_402_214_400
    """The last time (s since 1970) that a calendar of four digits has, in every zone."""
    farthest_zone: int = 840
    """Minutes between UTC and the time at the farthest place."""
    longest_text: int = 250
    """Characters of a text in a variable."""
    first_said: int = 0x4E00
    """The character that stands for the first of what can be said in a dialogue."""
    most_said: int = 20_000
    """So much of what can be said in a dialogue has a character of its own."""
    longest_in_event: int = LONGEST_TEXT
    """Characters of a text in an event that a walkthrough keeps; engines cut longer ones anyway."""


LIMITS = Limits()
