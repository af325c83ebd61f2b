"""Groups: elements that are moved, hidden and read as one."""

from collections.abc import Iterable, Sequence

from zigzag_core.course import Element, Group, IdSource, Slide, Text
from zigzag_core.course.elements.geometry import around, box_of
from zigzag_core.course.questions import question as questions
from zigzag_core.course.references import Identity, among, pruned, rewired
from zigzag_core.course.style.style import Style

from ..idle import is_idle
from ..names import free_name


def with_members(elements: Sequence[Element], ids: Iterable[str]) -> set[str]:
    """Return `ids` and everything that is in the groups among them, however deep."""
    found = set(ids)
    grown = True
    while grown:
        more = {e.id for e in elements if e.group in found} - found
        grown = bool(more)
        found |= more
    return found


def outermost(elements: Sequence[Element], ids: Iterable[str]) -> list[str]:
    """Return those of `ids` that are in no group among `ids`, in running order."""
    wanted = set(ids)
    groups = {e.id: e.group for e in elements}

    def inside(element: Element) -> bool:
        group = element.group
        while group is not None:
            if group in wanted:
                return True
            group = groups.get(group)
        return False

    return [e.id for e in elements if e.id in wanted and not inside(e)]


def group(slide: Slide, ids: Iterable[str], fresh: IdSource) -> tuple[Slide, str]:
    """Return `slide` with `ids` as one new group, and the group's id.

    The members stand together in the running order where the first of them stood, the group
    just before them, and are painted together where the uppermost was. Raises `ValueError` for
    fewer than two elements, or for elements of different groups.
    """
    chosen = outermost(slide.elements, ids)
    members = [e for e in slide.elements if e.id in chosen]
    if len(members) < 2:
        raise ValueError("a group needs at least two elements")
    parents = {e.group for e in members}
    if len(parents) > 1:
        raise ValueError("elements of different groups cannot be grouped")
    if len({e.overlay for e in members}) > 1:
        raise ValueError("elements of different overlays cannot be grouped")
    name = free_name("Group", (e.name for e in slide.elements))
    box = around(box_of(e) for e in members)
    made = Group(id=fresh(), name=name, x=box.x, y=box.y, w=box.w, h=box.h, style=Style(),
                 group=parents.pop(), overlay=members[0].overlay)
    family = with_members(slide.elements, chosen)
    first = next(index for index, e in enumerate(slide.elements) if e.id in family)
    inside = [
        e.model_copy(update={"group": made.id}) if e.id in chosen else e
        for e in slide.elements if e.id in family
    ]
    before = slide.elements[:first]
    after = [e for e in slide.elements[first:] if e.id not in family]
    ordered = (*before, made, *inside, *after)
    return slide.model_copy(update={"elements": _stacked(ordered, family | {made.id})}), made.id


def ungroup(slide: Slide, ids: Iterable[str]) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` without the groups among `ids`, and the elements that they set free.

    Members come into the group around the one that is taken away, if there is one. Where the
    group was a part of a question its first text is, else its first member; patterns let it go.
    """
    gone = {e.id: e.group for e in slide.elements if e.id in set(ids) and isinstance(e, Group)}
    free = tuple(e.id for e in slide.elements if e.group in gone and e.id not in gone)

    def home(group: str | None) -> str | None:
        while group in gone:
            group = gone[group]
        return group

    elements = tuple(
        e.model_copy(update={"group": home(e.group)}) if e.group in gone else e
        for e in slide.elements if e.id not in gone
    )
    apart = slide.model_copy(update={
        "elements": elements, "questions": _asked_by_members(slide, gone, {e.id for e in elements}),
    })
    return pruned(apart, among({Identity("element", e) for e in gone}), is_idle) or apart, free


def _asked_by_members(
    slide: Slide, gone: Iterable[str], kept: set[str]
) -> tuple[questions.Question, ...]:
    """The questions with members in the place of groups that are `gone`."""
    taken = {element for asked in slide.questions for element in questions.part_elements(asked)}
    instead: dict[str, str] = {}
    for name in (group for group in gone if group in taken):
        family = with_members(slide.elements, [name]) & kept - taken - set(instead.values())
        inside = [e for e in slide.elements if e.id in family and not isinstance(e, Group)]
        inside.sort(key=lambda e: not isinstance(e, Text))
        if inside:
            instead[name] = inside[0].id
    ids = {Identity("element", group): member for group, member in instead.items()}
    return tuple(rewired(asked, ids) for asked in slide.questions)


def boxed(elements: Sequence[Element]) -> tuple[Element, ...]:
    """Return `elements` with every group's box drawn anew around its members.

    Groups without members are left out.
    """
    found = tuple(elements)
    while True:
        members: dict[str, list[Element]] = {}
        for element in found:
            if element.group is not None:
                members.setdefault(element.group, []).append(element)
        kept = tuple(e for e in found if not isinstance(e, Group) or e.id in members)
        if len(kept) == len(found):
            break
        found = kept
    boxes: dict[str, Element] = {}

    def fitted(element: Element) -> Element:
        if not isinstance(element, Group):
            return element
        if element.id not in boxes:
            box = around(box_of(fitted(member)) for member in members[element.id])
            boxes[element.id] = element if (element.x, element.y, element.w, element.h) == (
                box.x, box.y, box.w, box.h
            ) else element.model_copy(update={"x": box.x, "y": box.y, "w": box.w, "h": box.h})
        return boxes[element.id]

    return tuple(fitted(element) for element in found)


def _stacked(elements: Sequence[Element], together: set[str]) -> tuple[Element, ...]:
    """Number the paint order anew, with `together` in one run at the height of its uppermost."""
    by_height = sorted(elements, key=lambda e: e.z)
    top = max((n for n, e in enumerate(by_height) if e.id in together), default=0)
    below = [e for e in by_height[: top + 1] if e.id not in together]
    run = [e for e in by_height if e.id in together]
    above = [e for e in by_height[top + 1:] if e.id not in together]
    levels = {e.id: z for z, e in enumerate([*below, *run, *above])}
    return tuple(
        e if e.z == levels[e.id] else e.model_copy(update={"z": levels[e.id]}) for e in elements
    )
