"""Checks of what is cut: whether something waits for what is left out."""

from collections.abc import Iterator, Mapping

from zigzag_core.course import Audio, MediaFile, Slide, Video
from zigzag_core.course.rules.rule import MediaReached
from zigzag_core.course.rules.rule_use import rules_on

from .finding import Finding


def cut_findings(slide: Slide, media: Mapping[str, MediaFile]) -> Iterator[Finding]:
    """Yield rules of `slide` that wait for a moment that is left out, and cuts that leave nothing.

    `media` are the files of the course by their ids.
    """
    players = {one.id: one for one in slide.elements if isinstance(one, Video | Audio)}
    for rule, owner in rules_on(slide):
        if not isinstance(rule.when, MediaReached) or rule.off:
            continue
        ms = round(rule.when.at * 1000)
        for name in rule.when.of or (owner,):
            player = players.get(name)
            if player and player.pieces and not any(
                    piece.since <= ms < piece.until for piece in player.pieces):
                yield Finding(
                    level="warning", code="moment_left_out", slide=slide.id, element=name,
                    message=f"A rule waits for {rule.when.at:g} s of “{player.name}”, but its cut "
                            "leaves that out.")
    for player in players.values():
        file = media.get(player.media or "")
        if file and file.duration and player.pieces and player.pieces[0].since >= file.duration:
            yield Finding(
                level="warning", code="cut_beyond", slide=slide.id, element=player.id,
                message=f"All pieces of “{player.name}” lie behind the end of its file: all of it "
                        "is played.")
