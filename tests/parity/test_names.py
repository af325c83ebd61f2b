"""Writes the names that the workbench must find as well (`web/tests/names.test.ts`)."""

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.editing.names import free_name

from tests.parity.seeds import are_fresh, seeds
from tests.parity.traces import write

NAMES = st.sampled_from((
    "Card", "Card 1", "Card 2", "Card 3", "Card 9", "Card 10", "Card 007", "Card  2", "Note\n2",
    "2", "7 7", "👢 2", "נעל", "x" * 200, "x" * 198 + " 1", "Card 1234567",
))


def test_free_names_are_traced():
    found = []

    @settings(max_examples=300, database=None, deadline=None, phases=[Phase.generate],
              suppress_health_check=list(HealthCheck))
    @given(NAMES, st.lists(NAMES, max_size=12))
    def collect(wanted, taken):
        free = free_name(wanted, taken)
        assert free not in taken or len(free) == 200
        found.append({"wanted": wanted, "taken": taken, "free": free})

    for one in seeds():
        seed(one)(collect)()
    write("names", found)
    assert are_fresh() or sum(case["wanted"] != case["free"] for case in found) > 30
