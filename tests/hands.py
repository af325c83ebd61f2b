"""How soon what an author does is seen: on a slide of 150 elements, with real keys and clicks.

Each figure is in ms from the moment of the event, as the browser has it, to the end of the frame
in which it is drawn. Tasks are what keeps the page from answering for longer than 50 ms.
"""

import statistics
from collections.abc import Callable

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement

from tests.browser.driver import Page

_WATCH = """
    window.hands = {times: [], tasks: [], changes: 0};
    for (const type of ['keydown', 'pointerdown', 'pointerup']) {
      window.addEventListener(type, event => {
        if (['Control', 'Shift', 'Escape'].includes(event.key)) return;
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => {
            window.hands.times.push([event.type, performance.now() - event.timeStamp]);
          };
          channel.port2.postMessage(0);
        });
      }, {capture: true});
    }
    // The cards show an element once its name is their heading.
    const named = () => document.querySelector("[data-pane=cards] input")?.value;
    window.addEventListener('pointerdown', event => {
      const before = named();
      const look = () => {
        const ms = performance.now() - event.timeStamp;
        if (named() !== before) window.hands.times.push(['cards', ms]);
        else if (ms < 2000) requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    }, {capture: true});
    new MutationObserver(list => { window.hands.changes += list.length; }).observe(
      document.body, {subtree: true, childList: true, attributes: true, characterData: true});
    new PerformanceObserver(list => {
      for (const task of list.getEntries()) window.hands.tasks.push(task.duration);
    }).observe({type: 'longtask'});
"""


def watch(page: Page) -> None:
    """Watch events of the page that is open, until it is left."""
    page.browser.execute_script(_WATCH)


def figures(
    page: Page, event: str, do: Callable[[], object]
) -> tuple[list[float], list[float], int]:
    """Return the ms of each `event` while `do` was done and of each long task of that time, and in
    how many places the page changed."""
    page.browser.execute_script("Object.assign(window.hands, {times: [], tasks: [], changes: 0});")
    do()
    page.browser.execute_async_script(
        "const done = arguments[0]; setTimeout(() => requestAnimationFrame(() => done()), 300);")
    found = page.browser.execute_script("return window.hands")
    return ([ms for kind, ms in found["times"] if kind == event], found["tasks"],
            found["changes"])


def rest(page: Page) -> None:
    """Wait until the page has nothing left to do: a hand is slower than a page."""
    page.browser.execute_async_script(
        "const done = arguments[0];"
        "setTimeout(() => scheduler.postTask(() => done(), {priority: 'background'}), 100);")


def in_words(times: list[float], tasks: list[float], changes: int) -> str:
    """The median and the worst of `times`; the long tasks; the changes of the page for each."""
    long = f", {len(tasks)} tasks over 50 ms" if tasks else ""
    return (f"{statistics.median(times):.0f} / {max(times):.0f} ms{long}, "
            f"{changes / len(times):.0f} changes")


def of_150(page: Page) -> list[tuple[str, str, str]]:
    """What is done on a slide of 150 elements that is open in Build: what, how soon, the budget."""
    watch(page)
    found = []

    def keys(*all_keys: str) -> None:
        ActionChains(page.browser).send_keys(*all_keys).perform()
        rest(page)

    def each(what: str, event: str, budget: str, do: Callable[[], object]) -> None:
        found.append((what, in_words(*figures(page, event, do)), budget))

    handles = page.all("[data-handle]")

    def press() -> None:
        for handle in handles[40:60:2]:
            ActionChains(page.browser).click(handle).perform()
            rest(page)

    def drop() -> None:
        for handle in handles[41:61:4]:
            chain = ActionChains(page.browser).click_and_hold(handle).move_by_offset(30, 20)
            chain.move_by_offset(-20, 10).release().perform()
            rest(page)

    def select_all() -> None:
        for _ in range(5):
            ActionChains(page.browser).key_down(Keys.CONTROL).send_keys("a").key_up(
                Keys.CONTROL).perform()
            rest(page)
            keys(Keys.ESCAPE)

    def slides() -> None:
        for position in (0, 1, 2, 1, 0, 1):
            page.click(f"[data-stop-button='{position}']")
            rest(page)

    each("pressing on one of 150 elements", "pointerdown", "50 ms", press)
    each("the cards of one of 150 elements, from pressing on it", "cards", "50 ms", press)
    each("dropping one of 150 elements", "pointerup", "50 ms", drop)
    ActionChains(page.browser).click(handles[70]).perform()
    each("nudging one of 150 elements", "keydown", "50 ms",
         lambda: [keys(Keys.ARROW_RIGHT) for _ in range(10)])
    ActionChains(page.browser).double_click(handles[70]).perform()
    page.find("[contenteditable=true]")
    each("a letter typed on a slide of 150 elements", "keydown", "16 / 32 ms",
         lambda: [keys(letter) for letter in "the hut is warm"])
    keys(Keys.ESCAPE)
    each("selecting all of 150 elements", "keydown", "50 ms", select_all)
    each("another slide", "pointerup", "100 ms", slides)
    return found


def of_dialogue(page: Page, turns: int = 200) -> list[tuple[str, str, str]]:
    """What is typed into the script of a dialogue of so many turns: what, how soon, the budget."""
    slug = page.call("POST", "/courses", {"title": "Long talk", "dialogue": True})["slug"]
    page.go(f"/courses/{slug}/build")
    page.find("[data-stage]")
    ActionChains(page.browser).send_keys("/").perform()
    page.find("[role=combobox]").send_keys("Dialogue", Keys.ENTER)
    field = page.find("[role=textbox][aria-label='Script of the dialogue']")
    page.see("3 turns")
    field.send_keys(Keys.CONTROL, "a")
    page.paste(long_script(turns))
    page.see(f"{turns} turns")
    page.saved()
    field.send_keys(Keys.CONTROL, Keys.HOME)
    field.send_keys(Keys.ARROW_DOWN, Keys.END)
    watch(page)
    # Between letters the page draws what was read: as for a hand that pauses now and then.
    found = figures(page, "keydown", lambda: [
        (ActionChains(page.browser).send_keys(letter).perform(), rest(page))
        for letter in " and the hut is warm"])
    letters = (f"a letter typed in a dialogue of {turns} turns", in_words(*found), "16 ms")
    return [letters, (f"its ways drawn anew, from asking for them, {turns} turns",
                      _ways_drawn(page, field), "100 ms")]


def _ways_drawn(page: Page, field: WebElement) -> str:
    """The ms from asking what a script comes to until its ways are drawn; median and worst."""
    times = []
    field.send_keys(Keys.CONTROL, Keys.HOME)
    field.send_keys(Keys.END)
    for letter in "abcdefg":
        page.browser.execute_script("""
            performance.clearResourceTimings();
            const shown = () => document.querySelector('[data-ways] [data-turn="0"]').textContent;
            const before = shown();
            window.drawn = null;
            const look = () => {
              const [asked] = performance.getEntriesByType('resource').filter(
                one => one.name.endsWith('/dialogue/read'));
              if (asked && shown() !== before) window.drawn = performance.now() - asked.startTime;
              else requestAnimationFrame(look);
            };
            requestAnimationFrame(look);""")
        ActionChains(page.browser).send_keys(letter).perform()
        times.append(page.until(lambda: page.browser.execute_script("return window.drawn")))
        rest(page)
    return f"{statistics.median(times):.0f} / {max(times):.0f} ms"


def long_script(turns: int) -> str:
    """A dialogue of so many turns, each with two replies, one of which leads far on."""
    last = turns - 1
    return "\n".join(
        f"## Turn {n}\nPell (calm): What do you say to number {n}?\n"
        f"  > On to the next one. -> Turn {min(n + 1, last)} [trust +1]\n"
        f"  > Seven further on. -> Turn {min(n + 7, last)}\n" for n in range(last)
    ) + f"\n## Turn {last} [ending good]\nPell: Done.\n"
