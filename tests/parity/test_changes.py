"""Writes the changes that the workbench must come to as well (`web/tests/changes.test.ts`)."""

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.editing.changes import apply, diff, invert

from tests.core.json_documents import documents, edited
from tests.parity.seeds import are_fresh, seeds
from tests.parity.traces import write

EXAMPLES = 400


def test_changes_are_traced():
    found = []

    @settings(
        max_examples=EXAMPLES, database=None, deadline=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @given(st.data())
    def collect(data):
        base = data.draw(documents())
        mine, now = data.draw(edited(base)), data.draw(edited(base))
        change = diff(base, mine)
        found.append({
            "base": base, "mine": mine, "now": now, "change": change.model_dump(mode="json"),
            "inverse": invert(change).model_dump(mode="json"),
            "careful": _applied(change, now, False), "forced": _applied(change, now, True),
        })

    for one in seeds():
        seed(one)(collect)()
    write("changes", found)
    if are_fresh():
        return
    operations = {o["op"] for case in found for o in case["change"]["operations"]}
    assert operations == {"set", "add", "remove", "move"}
    assert {c["why"] for case in found for c in case["careful"]["conflicts"]} == {"gone", "changed"}


def _applied(change, now, force):
    made = apply(change, now, force=force)
    return {
        "document": made.document,
        "conflicts": [{"operation": c.operation.model_dump(mode="json"), "why": c.why}
                      for c in made.conflicts],
    }
