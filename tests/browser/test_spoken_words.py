"""Words go by the voice that says them: highlighted on a slide, appearing in a dialogue."""

import hashlib

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select
from zigzag_core.course import MediaFile, rich
from zigzag_core.course.dialogues import SaidLine
from zigzag_core.editing.narration.script import ScriptPlace
from zigzag_core.editing.narration.voices import with_course_voices
from zigzag_core.editing.narration.words import with_words
from zigzag_core.voice.course import spoken

from tests.core.making import course, slide, text
from tests.core.samples import fresh_ids
from tests.core.test_dialogue_playing import course_of

from .packages import imported, launch

SAID = "First the stove is lit from the top, with large logs below. Then the lamp goes on."
WRITTEN = "The LAMP goes on!"

_WATCH = """
    window.marked = [];
    const look = () => {
      const marks = [...(CSS.highlights.get("zz-spoken") ?? [])].map(String);
      const at = document.querySelector("audio")?.currentTime ?? 0;
      if (marks.join() !== window.marked.at(-1)?.[0]) window.marked.push([marks.join(), at]);
      requestAnimationFrame(look);
    };
    look();"""


def _voiced(document):
    """The course with machine voices for all that is said in it; and their files."""
    kept = {}

    def keep(name, data, duration):
        sha = hashlib.sha256(data).hexdigest()
        kept[sha] = data
        return MediaFile(id=f"voice{len(kept):03}", name=name, type="audio/mpeg", sha256=sha,
                         size=len(data), duration=duration)

    return with_course_voices(document, spoken(document, keep)), kept


def _told(said=SAID, written=WRITTEN):
    """A slide that says something, with a text that is highlighted as it is heard."""
    told = with_words(slide("slidea", text("words")), ScriptPlace("slidea", "slide"), said,
                      fresh_ids(), 720)
    voice = next(one.id for one in told.elements if one.kind == "audio")
    words = text("words").model_copy(update={"text": rich(written), "spoken_by": voice})
    told = told.model_copy(update={"elements": tuple(
        words if one.id == "words" else one for one in told.elements)})
    return course(slide("slideb", text("begin", level="title")), told)


def test_each_word_is_highlighted_while_it_is_heard_and_no_other(page, server):
    document, kept = _voiced(_told())
    speech = document.course.media[0].speech
    first = len(SAID.split()) - len(WRITTEN.split())
    since = [one.since / 1000 for one in speech.times[first:]]
    launch(page, server, document, kept)
    page.browser.execute_script(_WATCH)
    page.press("Next")
    page.until(lambda: page.find("audio").get_property("ended"), patience=30)
    page.until(lambda: page.browser.execute_script("return window.marked.length") >= 6)
    marked = page.browser.execute_script("return window.marked")
    # Nothing before the first word, each word in its order, nothing behind the end.
    assert [words for words, _ in marked] == ["", *WRITTEN.split(), ""]
    for (_, at), heard in zip(marked[1:-1], since, strict=True):
        assert heard <= at <= heard + 0.5


def test_a_line_appears_as_its_words_are_heard(page, server):
    line = "Yes. Come in out of the rain, there is a place by the stove for you."
    talk = course_of(
        f"## Door\nPell: {line}\n  > Thank you. -> Well\n\n## Well [ending good]\nPell: Good.\n",
        appears="as_spoken")
    first = slide("slideb", text("begin", level="title"))
    document, kept = _voiced(course(first, *talk.slides))
    [sound] = [said.voice for said in document.slides[1].dialogues[0].beats[0].lines
               if isinstance(said, SaidLine)]
    heard = [one.since / 1000 for one in next(
        one for one in document.course.media if one.id == sound).speech.times]
    launch(page, server, document, kept)
    page.browser.execute_script("""
        const play = HTMLMediaElement.prototype.play;
        HTMLMediaElement.prototype.play = function () {
          window.voice = this;
          return play.call(this);
        };
        window.seen = [];
        const look = () => {
          const said = document.querySelector(".zz-unsaid")?.parentElement;
          if (said) {
            const words = said.firstChild.textContent.trim().split(/ +/).filter(Boolean).length;
            if (words !== window.seen.at(-1)?.[0]) {
              window.seen.push([words, window.voice.currentTime]);
            }
          }
          requestAnimationFrame(look);
        };
        look();""")
    page.press("Next")
    page.find(".zz-unsaid")
    page.gone(".zz-unsaid")
    seen = [(words, at) for words, at in page.browser.execute_script("return window.seen") if words]
    # Bit by bit, none before it is heard, and none long after, however late the voice begins.
    assert len(seen) >= 8
    for words, at in seen:
        assert heard[words - 1] - 0.1 <= at <= heard[min(words, len(heard) - 1)] + 0.5


def test_an_author_chooses_who_speaks_a_text_and_is_told_where_that_cannot_be(page, server):
    document, kept = _voiced(_told(written="The lamp is off."))
    document = document.model_copy(update={"slides": tuple(
        one.model_copy(update={"elements": tuple(
            e.model_copy(update={"spoken_by": None}) if e.id == "words" else e
            for e in one.elements)}) for one in document.slides)})
    slug = imported(server, document, kept)
    page.go(f"/courses/{slug}/build")
    page.click("[data-stop-button='1']")
    page.row("words").click()
    choice = Select(page.find("select[aria-label='Highlight as spoken by']"))
    assert choice.first_selected_option.text == "Not highlighted"
    choice.select_by_index(1)
    page.saved()
    page.press("1 finding")
    page.see("it says other words")
    # Undone it is as before, without a finding.
    page.find("body").send_keys(Keys.CONTROL, "z")
    page.until(lambda: "it says other words" not in page.find("body").text)
    chosen = Select(page.find("select[aria-label='Highlight as spoken by']"))
    assert chosen.first_selected_option.text == "Not highlighted"
