"""Sounds that play in the background, over several slides."""

from .kinds import MediaRef
from .model import Model
from .style.style import Share


class BackgroundSound(Model):
    """An audio file that repeats while learners are on the slides that it belongs to.

    `volume` is from 0 to 1. While a video, audio or voice plays, it is lowered to the share
    `lowered` of that.
    """

    media: MediaRef
    volume: Share = 0.3
    lowered: Share = 0.3
