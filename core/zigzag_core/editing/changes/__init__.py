"""Changes: what an edit does to a course, as a list of operations on its JSON.

A change is made from two documents (`diff`), applied to what stands now (`apply`), turned round
(`invert`), put together with what others have done since (`merge`), and written as JSON. Saving,
undo, version history and windows side by side all use changes.

A document is JSON. Where a change concerns a whole course its paths begin with ``course`` or with
``slides`` and the id of a slide. A path goes by the names of fields, and in lists of things with an
``id``, or of different texts, by the id or the text: it still leads to the same thing after others
were added, moved or taken away. RFC 6902 (JSON Patch) counts places in lists instead, which is why
these operations are not its own. Other lists, such as the cells of a table, change as a whole.

`operations` says what a change is made of, `difference` finds one, `application` does it, `merging`
puts two together. The twin of this folder is `web/workbench/store/changes.ts`; traces hold them
together.
"""

from .application import apply
from .difference import diff, equal
from .merging import merge
from .operations import (
    AddItem,
    Applied,
    Change,
    Conflict,
    MoveItem,
    Operation,
    RemoveItem,
    SetValue,
    invert,
)

__all__ = [
    "AddItem", "Applied", "Change", "Conflict", "MoveItem", "Operation", "RemoveItem", "SetValue",
    "apply", "diff", "equal", "invert", "merge",
]
