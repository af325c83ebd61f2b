"""Whether what was sent to a record store is a statement."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.errors import BadStatement
from zigzag_core.records.statement import activities_in, agents_in, check_statement, same

ANYTHING = st.recursive(
    st.none() | st.booleans() | st.integers(-10, 10) | st.floats(allow_nan=False) | st.text(),
    lambda inside: st.lists(inside, max_size=4) | st.dictionaries(
        st.sampled_from(["objectType", "id", "mbox", "member", "definition", "score", "object"])
        | st.text(), inside, max_size=4), max_leaves=12)
INES = {"mbox": "mailto:ines@example.org"}
SAID = {"actor": INES, "verb": {"id": "http://adlnet.gov/expapi/verbs/answered",
                                "display": {"en-GB": "answered"}},
        "object": {"id": "https://example.org/hut/soup"}}
GROUP = {"objectType": "Group", "member": [INES, {"openid": "https://example.org/bo"}]}
SUB = {"objectType": "SubStatement", **SAID}


@pytest.mark.parametrize("more", [
    {}, {"id": "fd41c918-b88b-4b20-a0a5-a4c32391aaa0"}, {"actor": GROUP}, {"object": GROUP},
    {"object": SUB}, {"timestamp": "2026-11-28T12:00:00.5+01:00"},
    {"object": {"objectType": "StatementRef", "id": "fd41c918-b88b-4b20-a0a5-a4c32391aaa0"}},
    {"result": {"score": {"scaled": -0.5, "raw": 3, "min": 0, "max": 6}, "duration": "PT1H0.5S",
                "success": False, "extensions": {"https://example.org/x": {"deep": [1]}}}},
    {"context": {"registration": "fd41c918-b88b-4b20-a0a5-a4c32391aaa0", "language": "zh-Hant-TW",
                 "contextActivities": {"category": {"id": "https://example.org/c"},
                                       "parent": [{"id": "https://example.org/p"}]}}},
    {"object": {"id": "https://example.org/q", "definition": {
        "type": "http://adlnet.gov/expapi/activities/cmi.interaction", "interactionType": "choice",
        "correctResponsesPattern": ["a[,]b"], "choices": [{"id": "a"}, {"id": "b"}]}}},
    {"attachments": [{"usageType": "https://example.org/u", "display": {"en": "A"},
                      "contentType": "text/plain", "length": 3, "sha2": "ab" * 32,
                      "fileUrl": "https://example.org/f"}]},
])
def test_what_the_standard_allows_is_taken(more):
    assert check_statement({**SAID, **more}) == {**SAID, **more}


@pytest.mark.parametrize(("more", "where"), [
    ({"actor": None}, "actor"), ({"actor": {}}, "actor"),
    ({"actor": {**INES, "openid": "x:y"}}, "actor"),
    ({"actor": {"mbox": "ines@example.org"}}, "actor.mbox"),
    ({"actor": {"account": {"name": "ines"}}}, "actor.account"),
    ({"actor": {**INES, "member": [INES]}}, "actor"),
    ({"actor": {"objectType": "Group", "member": [GROUP]}}, "actor.member"),
    ({"verb": {"id": "answered"}}, "verb.id"), ({"verb": {"display": {}}}, "verb"),
    ({"verb": {"id": "x:y", "display": {"not a tag": "x"}}}, "verb.display"),
    ({"object": {"objectType": "Activity"}}, "object"),
    ({"object": {"objectType": "Hut", "id": "x:y"}}, "object.objectType"),
    ({"object": {**SUB, "object": SUB}}, "object.object"),
    ({"object": {**SUB, "id": "fd41c918-b88b-4b20-a0a5-a4c32391aaa0"}}, "object"),
    ({"object": {"id": "x:y", "definition": {"choices": []}}}, "object.definition"),
    ({"object": {"id": "x:y", "definition": {
        "interactionType": "choice", "choices": [{"id": "a"}, {"id": "a"}]}}},
     "object.definition.choices"),
    ({"result": {"score": {"scaled": 1.1}}}, "result.score.scaled"),
    ({"result": {"score": {"raw": 7, "max": 6}}}, "result.score.raw"),
    ({"result": {"score": {"min": 6, "max": 6}}}, "result.score"),
    ({"result": {"success": "true"}}, "result.success"),
    ({"result": {"duration": "1 hour"}}, "result.duration"),
    ({"result": {"duration": "P"}}, "result.duration"),
    ({"result": {"duration": "PT"}}, "result.duration"),
    ({"result": {"extensions": {"x": 1}}}, "result.extensions"),
    ({"context": {"registration": "1"}}, "context.registration"),
    ({"object": INES | {"objectType": "Agent"}, "context": {"platform": "x"}}, "context"),
    ({"context": {"contextActivities": {"other": {"id": "nothing"}}}},
     "context.contextActivities.other.id"),
    ({"timestamp": "2026-02-30T00:00:00Z"}, "timestamp"),
    ({"timestamp": "2026-11-28T12:00:00-00:00"}, "timestamp"),
    ({"stored": 5}, "stored"), ({"id": "x"}, "id"), ({"version": "2.0.0"}, "version"),
    ({"what": 1}, ""),
    ({"verb": {"id": "http://adlnet.gov/expapi/verbs/voided"}}, "object"),
    ({"attachments": [{}]}, "attachments[0]"),
])
def test_what_it_does_not_is_refused_with_the_place(more, where):
    with pytest.raises(BadStatement) as refused:
        check_statement({**SAID, **more})
    assert refused.value.where == where


@given(ANYTHING, st.sampled_from(["actor", "verb", "object", "result", "context", "id",
                                    "timestamp", "attachments", "authority", None]))
def test_whatever_is_sent_is_a_statement_or_refused_in_words(value, name):
    try:
        found = check_statement({**SAID, name: value} if name else value)
    except BadStatement as refused:
        assert str(refused).endswith(".")
    else:
        assert isinstance(list(agents_in(found, related=True)), list)
        assert same(found, {**found, "stored": "2026-11-28T12:00:00Z"})


def test_who_and_what_it_is_about():
    whole = {**SAID, "actor": GROUP, "context": {
        "instructor": {"mbox": "mailto:tam@example.org"},
        "contextActivities": {"parent": {"id": "https://example.org/hut"}}}}
    assert len(list(agents_in(whole))) == 2 and len(list(agents_in(whole, related=True))) == 3
    assert list(activities_in(whole)) == ["https://example.org/hut/soup"]
    assert "https://example.org/hut" in list(activities_in(whole, related=True))
    within = {**SAID, "object": {**SUB, "object": {"id": "https://example.org/inner"}}}
    assert list(activities_in(within)) == []
    assert list(activities_in(within, related=True)) == ["https://example.org/inner"]
