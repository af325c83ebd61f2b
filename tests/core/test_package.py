"""Packages and archives, made here and hostile."""

import base64
import io
import json
import zipfile
from pathlib import Path

import pytest
from fontTools.ttLib import TTFont
from lxml import etree
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Colours, CourseDocument, Theme
from zigzag_core.course.document import FORMAT
from zigzag_core.engine.index import Index
from zigzag_core.errors import BadArchive, NothingToPublish, OtherProgram
from zigzag_core.packaging import published, safe_zip
from zigzag_core.packaging.archive import import_archive
from zigzag_core.packaging.fonts import cut_font, fonts_of
from zigzag_core.packaging.incremental import compiled_whole
from zigzag_core.packaging.package import place_in_package, program_script
from zigzag_core.packaging.parts import in_parts
from zigzag_core.packaging.read_manifest import read_manifest
from zigzag_core.packaging.safe_zip import Limits, read_zip
from zigzag_core.program import Program
from zigzag_core.verification.findings.document import findings
from zigzag_demo.generate import generated_course

from tests.demo_courses import hut_warden_basics

from .packing import archived, packaged, taken_out
from .samples import program_of, quiz_course

ROOT = Path(__file__).parents[2]
PLAYER = {**{f"player-{one}.js": f"// {one}".encode()
             for one in ("scorm12", "scorm2004", "cmi5", "web")}, "player.css": b"/* style */"}
NS = {"cp": "http://www.imsproject.org/xsd/imscp_rootv1p1p2"}
ADLCP = "{http://www.adlnet.org/xsd/adlcp_rootv1p2}"


def zipped(files, **extra):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in files.items():
            archive.writestr(name, data)
    return out.getvalue()


def changed(data, **files):
    """An archive with some files replaced (None: left out)."""
    found = dict(read_zip(data))
    for name, content in files.items():
        path = name.replace("__", "/").replace("_json", ".json")
        if content is None:
            found.pop(path)
        else:
            found[path] = content
    return zipped(found)


def packed(kind, document, player, media):
    """The files of the package of a course."""
    compiled = compiled_whole(document, place_in_package)
    return read_zip(packaged(kind, compiled, player, media))


@pytest.fixture(scope="module")
def demo():
    return hut_warden_basics()


def test_scorm_12_manifest_says_what_the_standard_asks(demo):
    document, media = demo
    files = packed("scorm12", document, PLAYER, media)
    assert next(iter(files)) == "imsmanifest.xml"
    root = etree.fromstring(files["imsmanifest.xml"])
    assert root.tag == f"{{{NS['cp']}}}manifest" and root.get("version") == "1.0"
    assert [etree.QName(child).localname for child in root] == [
        "metadata", "organizations", "resources"]
    assert root.findtext("cp:metadata/cp:schema", namespaces=NS) == "ADL SCORM"
    assert root.findtext("cp:metadata/cp:schemaversion", namespaces=NS) == "1.2"
    organizations = root.find("cp:organizations", NS)
    organization = organizations.find("cp:organization", NS)
    assert organizations.get("default") == organization.get("identifier")
    item = organization.find("cp:item", NS)
    resource = root.find("cp:resources/cp:resource", NS)
    assert item.get("identifierref") == resource.get("identifier")
    assert resource.get(f"{ADLCP}scormtype") == "sco" and resource.get("type") == "webcontent"
    listed = {file.get("href") for file in resource.findall("cp:file", NS)}
    assert listed == set(files) - {"imsmanifest.xml"} and resource.get("href") in listed
    identifiers = [e.get("identifier") for e in root.iter() if e.get("identifier")]
    assert len(set(identifiers)) == len(identifiers)
    assert read_manifest(files).title == "Hut Warden Basics"


def test_web_package_has_no_manifest_and_only_used_media(demo):
    document, media = demo
    files = packed("web", document, PLAYER, media)
    assert "imsmanifest.xml" not in files and files["player/player.js"] == b"// web"
    first = document.model_copy(update={
        "course": document.course.model_copy(update={"slides": document.course.slides[:1]}),
        "slides": document.slides[:1]})
    small = packed("web", first, PLAYER, media)
    assert sum(path.startswith("media/") for path in small) == 2


def test_a_quiz_with_colours_of_its_own_has_its_drawings_in_them(demo):
    document, media = demo
    night = Theme(colours=Colours(paper="#18212b", soft="#2b3f45"))
    sections = tuple(
        one.model_copy(update={"quiz": one.quiz.model_copy(update={"theme": night})})
        if one.quiz else one for one in document.course.sections)
    themed = document.model_copy(update={
        "course": document.course.model_copy(update={"sections": sections})})
    before, after = (packed("web", one, PLAYER, media) for one in (document, themed))
    program = compile_course(themed, place_in_package)
    quiz = next(one for one in program.quizzes if one.theme)
    assert quiz.drawings and len(after) == len(before) + len(quiz.drawings)
    for name, src in quiz.drawings.items():
        assert after[src] != after[program.media[name].src]
    assert any(b"#2b3f45" in after[src] for src in quiz.drawings.values())


def test_the_same_course_gives_the_same_bytes(demo):
    document, media = demo
    once, twice = (
        packaged("scorm12", compiled_whole(document, place_in_package), PLAYER, media)
        for _ in range(2))
    assert once == twice


def test_a_packaged_program_is_short_whole_and_right(demo):
    document, media = demo
    compiled = compiled_whole(document, place_in_package)
    package = packaged("web", compiled, PLAYER, media)
    # It is read with every check that the compiler passes by when it makes parts.
    program = compile_course(document, place_in_package)
    assert published.program_of(io.BytesIO(package)) == program
    assert len(compiled.program) < len(program.model_dump_json()) / 2
    with pytest.raises(OtherProgram):
        published.program_of(io.BytesIO(b"no package"))


def test_a_large_program_comes_in_parts_the_first_of_which_is_small():
    document, _ = generated_course(slides=120, questions=60, seed=2)
    compiled = compiled_whole(document, place_in_package)
    parts = [json.loads(part) for part in in_parts(compiled)]
    assert len(parts) > 2
    whole = published.joined(dict(parts[0]), parts[1:])
    assert Program.model_validate(whole) == compile_course(document, place_in_package)
    head = parts[0]
    assert [slide["id"] for slide in head["slides"]] == list(document.course.slides)
    outlines = [asked for asked in head["questions"] if "prompt" not in asked]
    # A score is right from the beginning: outlines have what it needs.
    points = sum(asked["points"] for asked in head["questions"])
    assert points == Index(compile_course(document, place_in_package)).ordered(()).max_points
    assert outlines and all(
        bool(one["parts"][0]["right"]) == (one["form"] not in ("order", "free", "scale"))
        for one in outlines)
    assert len(json.dumps(head)) < len(compiled.program) / 5


def test_text_cannot_break_out_of_the_page():
    document = quiz_course(1)
    title = "</title><script>alert(1)</script>\u2028"
    document = document.model_copy(update={
        "course": document.course.model_copy(update={"title": title})})
    script = program_script(program_of(document).model_dump_json()).decode()
    assert "<" not in script and "\u2028" not in script
    files = packed("web", document, PLAYER, {})
    assert b"<script>alert" not in files["index.html"]


def test_a_course_without_slides_is_refused():
    document = quiz_course(0)
    empty = CourseDocument(
        course=document.course.model_copy(update={"slides": ()}), slides=())
    with pytest.raises(NothingToPublish):
        compile_course(empty, lambda file: "")


def test_archives_go_round_exactly_equal(demo):
    document, media = demo
    data = archived(document, media)
    back, read = import_archive(data)
    files = {file.sha256: taken_out(read, file) for file in back.course.media}
    assert back == document and files == media
    assert archived(back, files) == data


ARCHIVES = sorted((Path(__file__).parent / "archives").glob("*.zigzag"))


def test_there_is_an_archive_of_every_older_format():
    assert [path.stem for path in ARCHIVES] == [f"format-{n}" for n in range(1, FORMAT)]


@pytest.mark.parametrize("path", ARCHIVES, ids=lambda path: path.stem)
def test_an_archive_of_an_older_format_is_read_whole(path):
    """What was in it is in the course, at the same places; what a step renames is named anew."""
    document, media = import_archive(path.read_bytes())
    files = read_zip(path.read_bytes())
    assert document.course.format == FORMAT
    assert all(len(taken_out(media, file)) == file.size for file in document.course.media)
    assert lost(json.loads(files["course.json"]), dumped(document.course), "course") == [
        "course.format"]
    for slide in document.slides:
        raw = json.loads(files[f"slides/{slide.id}.json"])
        found = lost(raw, dumped(slide), "slide")
        assert [place for place in found if not place.endswith(".cells")] == []
        for before, question in zip(raw.get("questions", ()), slide.questions, strict=True):
            for row, raised in zip(before.get("table", ()), question.table, strict=True):
                assert list(raised.cells) == [cell["part"] for cell in row["cells"]]
    assert findings(document) == findings(
        import_archive(archived(document, {f.sha256: taken_out(media, f)
                                           for f in document.course.media}))[0])
    compile_course(document, by_digest)


def dumped(model):
    return model.model_dump(mode="json")


def lost(before, after, place):
    """The places at which `after` has not what `before` has; what was added does not count."""
    if isinstance(before, dict) and isinstance(after, dict):
        return [one for key, value in before.items()
                for one in lost(value, after.get(key, "gone"), f"{place}.{key}")]
    if isinstance(before, list) and isinstance(after, list) and len(before) == len(after):
        return [one for old, new in zip(before, after, strict=True)
                for one in lost(old, new, place)]
    return [] if before == after else [place]


def test_only_the_fonts_of_the_theme_are_packed(demo):
    document, media = demo
    css = b"".join(
        b'@font-face{font-family:%s Variable;unicode-range:U+??;'
        b'src:url(data:font/woff2;base64,AAAA)}' % family
        for family in (b"Nunito", b"Bricolage Grotesque", b"Atkinson Hyperlegible Next")
    )
    player = {"player.css": css + b".zz{color:red}"}
    files = packed("web", document, player, media)
    style = files["player/player.css"]
    # Each whole, and after it cut: the later one is asked first.
    assert b"Nunito" not in style and style.count(b"@font-face") == 4
    assert style.endswith(b".zz{color:red}")
    fonts = [path for path in files if path.startswith("player/fonts/")]
    assert sorted(fonts) == [
        f"player/fonts/{name}.woff2" for name in ("1-cut", "1", "2-cut", "2")]


def test_fonts_are_cut_to_the_characters_that_a_course_uses():
    face = next((ROOT / "web" / "node_modules" / "@fontsource-variable").glob(
        "atkinson*/files/*-latin-wght-normal.woff2")).read_bytes()
    css = (b"@font-face{font-family:Atkinson Hyperlegible Next Variable;unicode-range:"
           b"U+0000-00FF;src:url(data:font/woff2;base64," + base64.b64encode(face) + b")}")
    style, files = fonts_of(css, [Theme()], ["Gr\u00fc\u00dfe \u4e16"], cut_font)
    cut = TTFont(io.BytesIO(files["fonts/1-cut.woff2"]))
    assert set("Hut wardenGr\u00fc\u00dfe") <= {chr(point) for point in cut.getBestCmap()}
    assert "\u00e9" not in {chr(point) for point in cut.getBestCmap()}
    assert len(files["fonts/1-cut.woff2"]) < len(face) * 0.65
    assert files["fonts/1.woff2"] == face
    assert b"unicode-range: U+20-7E, U+DF, U+FC" in style
    assert cut_font(b"no font", frozenset({65})) == b"no font"


def test_drawings_are_packed_in_the_colours_of_the_theme(demo):
    document, media = demo
    theme = Theme(colours=Colours(primary="#123456"))
    course = document.course.model_copy(update={"theme": theme})
    coloured = document.model_copy(update={"course": course})
    files = packed("web", coloured, {}, media)
    drawn = [data for path, data in files.items() if path.endswith(".svg")]
    assert any(b"#123456" in data for data in drawn)
    assert not any(b"var(--" in data for data in drawn)


def test_a_newer_archive_is_refused_with_a_reason(demo):
    data = archived(*demo)
    course = json.loads(read_zip(data)["course.json"])
    newer = json.dumps({**course, "format": 99, "dream": True}).encode()
    with pytest.raises(BadArchive, match="newer Zigzag"):
        import_archive(changed(data, course_json=newer))


@pytest.mark.parametrize(("content", "reason"), [
    (None, "no course"), (b"[]", "not what it should be"), (b"{", "cannot be read"),
    (b"{}", "which format"), (b'{"format": 1}', "not valid"), (b'{"format": "1"}', "which format"),
    (b"[" * 100_000, "cannot be read"), (b'{"format": 1, "id": "x", "title": 3}', "not valid"),
])
def test_damaged_courses_are_refused_with_a_reason(demo, content, reason):
    with pytest.raises(BadArchive, match=reason):
        import_archive(changed(archived(*demo), course_json=content))


def test_missing_and_damaged_parts_are_refused(demo):
    document, media = demo
    data = archived(document, media)
    slide = f"slides__{document.course.slides[2]}_json"
    with pytest.raises(BadArchive, match="slide is missing"):
        import_archive(changed(data, **{slide: None}))
    with pytest.raises(BadArchive, match="not valid"):
        import_archive(changed(data, **{slide: b'{"id": "abcd", "title": "x", "extra": 1}'}))
    first = document.course.media[0]
    with pytest.raises(BadArchive, match="damaged"):
        damaged = changed(data, **{f"media__{first.sha256}.svg": b"<svg/>"})
        taken_out(import_archive(damaged)[1], first)


@pytest.mark.parametrize("name", [
    "../out.txt", "/etc/passwd", "a/../../b", "C:\\x", "a\\..\\b",
])
def test_paths_out_of_the_folder_are_refused(name):
    with pytest.raises(BadArchive):
        read_zip(zipped({name: b"x", "ok.txt": b"y"}))


def test_bombs_links_copies_and_damage_are_refused():
    with pytest.raises(BadArchive, match="trap"):
        read_zip(zipped({"zeros": bytes(110_000_000)}))
    with pytest.raises(BadArchive, match="more than is allowed"):
        read_zip(zipped({"big": bytes(2_000)}), Limits(total=1_000))
    with pytest.raises(BadArchive, match="more than 2"):
        read_zip(zipped({"a": b"", "b": b"", "c": b""}), Limits(entries=2))
    link = zipfile.ZipInfo("link")
    link.external_attr = 0o120777 << 16
    with pytest.raises(BadArchive, match="link"):
        read_zip(zipped({link: b"/etc/passwd"}))
    with pytest.raises(BadArchive, match="twice"):
        read_zip(zipped({"a.txt": b"1", "A.TXT": b"2"}))
    for broken in (b"", b"no zip", zipped({"a": b"x" * 500})[:-40]):
        with pytest.raises(BadArchive):
            read_zip(broken)
    data = bytearray(zipped({"a": bytes(range(256)) * 40}))
    data[60] ^= 0xFF
    with pytest.raises(BadArchive):
        read_zip(bytes(data))["a"]
    assert safe_zip.Limits().entries == 20_000


MANIFEST = """<?xml version="1.0"?><manifest identifier="m" version="1.0" {ns}>
<organizations default="o"><organization identifier="o"><title>Made elsewhere</title>
<item identifier="i" identifierref="r" parameters="?lang=en"><title>Part</title>
<adlcp:masteryscore>75</adlcp:masteryscore><adlcp:datafromlms>hello</adlcp:datafromlms></item>
</organization></organizations><resources>
<resource identifier="r" type="webcontent" adlcp:scormtype="sco" href="{href}"/>
</resources></manifest>"""
NAMESPACES = (f'xmlns="{NS["cp"]}" xmlns:adlcp="{ADLCP[1:-1]}"')


def manifest(href="a%20b/start.html?x=1", ns=NAMESPACES):
    return MANIFEST.format(href=href, ns=ns).encode()


def test_a_package_made_elsewhere_is_understood():
    package = read_manifest({"imsmanifest.xml": manifest(), "a b/start.html": b""})
    (found,) = package.scos
    assert (package.title, found.title) == ("Made elsewhere", "Part")
    assert found.launch == "a b/start.html"
    assert found.parameters == "?x=1&lang=en"
    assert found.mastery_score == 75 and found.launch_data == "hello"


SEVERAL = """<manifest xml:base="all/" {ns}><organizations default="two">
<organization identifier="one"><title>No</title><item identifierref="r3"/></organization>
<organization identifier="two"><title>Both</title>
<item identifier="chapter"><title>Chapter</title>
<item identifierref="r1"><title>First</title><item identifierref="r2"><title>Second</title>
<adlcp:masteryscore>60</adlcp:masteryscore></item></item></item>
<item identifierref="gone"><title>Gone</title></item></organization></organizations>
<resources xml:base="res/">
<resource identifier="r1" xml:base="one/" href="start.html"/>
<resource identifier="r2" xml:base="/top/" href="..%2Ftop/./start.html?a=1"/>
<resource identifier="r3" href="x.html"/></resources></manifest>"""


def test_each_part_of_a_package_is_launched_from_its_own_place():
    files = {"all/res/one/start.html": b"", "top/start.html": b""}
    found = read_manifest({"imsmanifest.xml": SEVERAL.format(ns=NAMESPACES).encode(), **files})
    assert found.title == "Both"
    assert [(sco.title, sco.launch, sco.parameters, sco.mastery_score) for sco in found.scos] == [
        ("First", "all/res/one/start.html", "", None), ("Second", "top/start.html", "?a=1", 60)]


@pytest.mark.parametrize(("files", "reason"), [
    ({}, "no imsmanifest.xml"),
    ({"course/imsmanifest.xml": b""}, "zip what is in that folder"),
    ({"imsmanifest.xml": b"<manifest"}, "well-formed"),
    ({"imsmanifest.xml": b"<other/>"}, "not a manifest"),
    ({"imsmanifest.xml": b"<manifest/>"}, "nothing that could be launched"),
    ({"imsmanifest.xml": manifest()}, "does not hold it"),
    ({"imsmanifest.xml": manifest("https://example.org/x")}, "outside the package"),
    ({"imsmanifest.xml": manifest("http://[bad")}, "cannot be read"),
    ({"imsmanifest.xml": manifest("//example.org/x")}, "outside the package"),
    ({"imsmanifest.xml": manifest("../../x.html")}, "“x.html”, but the package does not hold"),
    ({"imsmanifest.xml": b'<!DOCTYPE m [<!ENTITY a "b">]><manifest>&a;</manifest>'}, "nothing"),
    ({"imsmanifest.xml": b"<manifest><schemaversion>2004 4th Edition</schemaversion></manifest>"},
     "nothing that could be launched"),
])
def test_bad_packages_are_refused_with_a_reason(files, reason):
    with pytest.raises(BadArchive, match=reason):
        read_manifest(files)
