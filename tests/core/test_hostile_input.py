"""Whatever is sent is taken or refused: files of a corpus, damaged in every way.

`EXAMPLES=5000 .venv/bin/python -m pytest tests/core/test_hostile_input.py` tries more, and others.
"""

import base64
import io
import json
import os
import zlib
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from zigzag_core.course.salvage import salvaged
from zigzag_core.engine import engine
from zigzag_core.errors import Refusal
from zigzag_core.grading import table_file
from zigzag_core.media.captions import read_captions
from zigzag_core.media.pictures import take_picture
from zigzag_core.packaging.archive import import_archive
from zigzag_core.packaging.read_manifest import read_manifest
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.tracking import progress
from zigzag_core.tracking.recorded import listed
from zigzag_core.tracking.recorded12 import recorded_answers
from zigzag_core.tracking.words import read_words

from .samples import fresh_ids, index_of, quiz_course
from .test_package import zipped

FEW = 60
EXAMPLES = int(os.environ.get("EXAMPLES", FEW))
SOME = settings(
    max_examples=EXAMPLES, deadline=None, derandomize=EXAMPLES == FEW, database=None,
    suppress_health_check=list(HealthCheck))
FOLDER = Path(__file__).parent
ODD = [b"\0", b"\xff", b"\xef\xbb\xbf", b"\xed\xa0\x80", b"1e400", b"NaN", b"-1", b"9" * 400,
       b"__proto__", b"constructor", b"../", b"<", b">", b"&", b'"', b"<!ENTITY a 'b'>", b"{", b"[",
       b"\r", b"\n", b"-->", b"00:00:00.000", b"\xf0\x9f\x95\xaf"]


def corpus(*patterns: str) -> list[bytes]:
    """The files to begin from."""
    found = [path.read_bytes() for pattern in patterns for path in sorted(FOLDER.glob(pattern))]
    assert found
    return found


@st.composite
def damaged(draw: st.DrawFn, files: list[bytes]) -> bytes:
    """A file of the corpus with parts cut, doubled, moved, changed, and odd things put in."""
    data = bytearray(draw(st.sampled_from(files)))
    for _ in range(draw(st.integers(0, 6))):
        at, end = sorted((draw(st.integers(0, len(data))), draw(st.integers(0, len(data)))))
        match draw(st.sampled_from(["cut", "double", "odd", "turn", "end", "splice"])):
            case "cut":
                del data[at:end]
            case "double":
                data[at:at] = bytes(data[at:end])[:2_000] * draw(st.integers(1, 20))
            case "odd":
                data[at:at] = draw(st.sampled_from(ODD))
            case "turn" if at < len(data):
                data[at] ^= draw(st.integers(1, 255))
            case "end":
                del data[end:]
            case "splice":
                other = draw(st.sampled_from(files))
                data[at:end] = other[at:end]
    return bytes(data[:500_000])


def taken_or_refused(read, *given):
    """What came of it; None where it was refused in words."""
    try:
        return read(*given)
    except Refusal as refusal:
        assert str(refusal)
        return None


@SOME
@given(damaged(corpus("corpus/drawings/*")))
def test_drawings(data):
    picture = taken_or_refused(take_picture, data)
    if picture is not None and picture.type == "image/svg+xml":
        assert not any(word in picture.data for word in (b"<script", b"onload", b"javascript:"))
        assert take_picture(picture.data).sha256 == picture.sha256


@SOME
@given(damaged(corpus("corpus/captions/*")))
def test_captions(data):
    captions = taken_or_refused(read_captions, data.decode(errors="replace"))
    assert captions is None or all(one.since >= 0 and one.text for one in captions)


@SOME
@given(damaged(corpus("corpus/tables/*")))
def test_answer_tables(data):
    text = taken_or_refused(table_file.decoded, data)
    if text is not None:
        parts = [("part1", "Lamp"), ("part2", "Stove"), ("part3", "Door")]
        taken_or_refused(table_file.from_csv, text, parts, (), fresh_ids(1))


@SOME
@given(damaged(corpus("corpus/manifests/*")), damaged([b'{"title": "x", "questions": []}']))
def test_packages(manifest, words):
    files = taken_or_refused(read_zip, zipped({
        "imsmanifest.xml": manifest, "all/res/one/start.html": b"", "zigzag.json": words}))
    assert files is not None
    found = taken_or_refused(read_manifest, files)
    assert found is None or found.scos
    read_words(words)


@SOME
@given(damaged(corpus("archives/format-1.zigzag", "archives/format-5.zigzag")))
def test_archives(data):
    found = taken_or_refused(import_archive, data)
    if found is not None:
        document, media = found
        for file in document.course.media:
            taken_or_refused(media, file, io.BytesIO())


WHOLE = dict(read_zip(corpus("archives/format-5.zigzag")[0]))


@settings(SOME, max_examples=EXAMPLES // 4)
@given(st.data())
def test_documents_in_archives(data):
    """The same with whole ZIPs: what is damaged is the JSON in them."""
    name = data.draw(st.sampled_from(sorted(WHOLE)))
    files = {**WHOLE, name: data.draw(damaged([WHOLE[name]]))}
    taken_or_refused(import_archive, zipped(files))
    settings_, slide = (files[one].decode(errors="replace") for one in (
        "course.json", next(one for one in sorted(files) if one.startswith("slides/"))))
    salvaged(settings_, "Title", {"slide": slide})


INDEX = index_of(quiz_course())
SAVED = progress.pack(INDEX, engine.start(INDEX, 7))


@SOME
@given(damaged([SAVED.encode(), *(text.encode() for text in (
    json.loads((FOLDER / "archives/progress-4.json").read_text())["progress"],))]))
def test_saved_progress(data):
    taken_or_refused(progress.unpack, INDEX, data.decode(errors="replace"))


@SOME
@given(damaged([base64.urlsafe_b64decode(SAVED[1:] + "=" * (-len(SAVED[1:]) % 4))[:-4]]))
def test_saved_progress_whose_checksum_is_right(data):
    packed = base64.urlsafe_b64encode(data + zlib.crc32(data).to_bytes(4, "little")).decode()
    state = taken_or_refused(progress.unpack, INDEX, SAVED[0] + packed.rstrip("="))
    if state is not None:
        progress.pack(INDEX, state)


JSON = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats(allow_nan=False) | st.text(max_size=40)
    | st.sampled_from(["id", "type", "student_response", "0", "-1", "1e400", "{a}", "[,]", "\\,"]),
    lambda inner: st.lists(inner, max_size=5) | st.dictionaries(st.sampled_from([
        "id", "type", "student_response", "correct_responses", "result", "weighting", "latency",
        "time", "objectives", "pattern", "0", "childArray", "__proto__"]), inner, max_size=8),
    max_leaves=30)


@SOME
@given(JSON)
def test_records_of_answers(sent):
    kept = listed(sent)
    json.dumps(kept)
    recorded_answers(kept, read_words(None).questions)


@pytest.mark.parametrize("data", [b"", b"\0" * 100, b"[" * 100_000, b'{"a":' * 50_000])
def test_nothing_deep_or_empty_breaks_what_reads(data):
    for read in (take_picture, import_archive, table_file.decoded, read_words):
        taken_or_refused(read, data)
