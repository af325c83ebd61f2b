"""Kept states are compressed; those from before too, once the database is brought up to date."""

import json

import pytest
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from hypothesis import given
from zigzag_server.courses.models import Revision
from zigzag_server.courses.packed_json import packed, unpacked

from ..core.test_hostile_input import JSON
from .test_courses import opened


@given(JSON)
def test_what_is_packed_comes_back(value):
    assert unpacked(packed(value)) == json.loads(json.dumps(value))


def test_states_take_a_fraction_of_their_json(mika, course):
    found = opened(mika, course)
    media = [{
        "id": f"file{n:04}", "name": f"Picture {n}.png", "type": "image/png",
        "sha256": f"{n:064x}", "size": 1_000, "w": 10, "h": 10} for n in range(500)]
    row = Revision.objects.filter(slide_id="").last()
    row.document = {**found["course"], "media": media}
    row.save()
    with connection.cursor() as cursor:
        cursor.execute("SELECT length(document) FROM courses_revision WHERE id = %s", [row.pk])
        stored, = cursor.fetchone()
    assert stored < len(json.dumps(row.document)) / 5
    assert Revision.objects.get(pk=row.pk).document == row.document


@pytest.mark.django_db(transaction=True)
def test_states_from_before_are_raised(mika, course):
    before = list(Revision.objects.order_by("pk"))
    Revision.objects.all().delete()
    executor = MigrationExecutor(connection)
    executor.migrate([("courses", "0005_held_file")])
    old = executor.loader.project_state([("courses", "0005_held_file")]).apps.get_model(
        "courses", "Revision")
    for row in before:
        old.objects.create(
            pk=row.pk, course_id=row.course_id, slide_id=row.slide_id, version=row.version,
            document=row.document, author_id=row.author_id)
    executor.loader.build_graph()
    executor.migrate(executor.loader.graph.leaf_nodes())
    after = list(Revision.objects.order_by("pk"))
    assert len(after) == len(before) > 3
    for row, kept in zip(before, after, strict=True):
        assert (kept.title, kept.document) == (row.title, row.document) and kept.title
