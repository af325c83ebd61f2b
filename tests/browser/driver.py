"""A headless Chromium, and what every browser test needs of it."""

from selenium import webdriver
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait

PATIENCE = 40
WORK = 90
"""So long (s) large work may take where two browsers and a server share a machine."""
ARGUMENTS = (
    "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
    "--disable-background-networking", "--disable-component-update", "--disable-sync",
    "--use-fake-ui-for-media-stream", "--use-fake-device-for-media-stream",
    "--disable-dev-shm-usage", "--hide-scrollbars", "--force-color-profile=srgb",
)


def chromium(width: int = 1280, height: int = 800) -> webdriver.Chrome:
    """Start Debian's Chromium with a window of the given size."""
    options = webdriver.ChromeOptions()
    options.binary_location = "/usr/bin/chromium"
    for argument in (*ARGUMENTS, f"--window-size={width},{height}"):
        options.add_argument(argument)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL"})
    browser = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    fit_window(browser, width, height)
    return browser


def fit_window(browser: webdriver.Chrome, width: int = 1280, height: int = 800) -> None:
    """Give the page the size asked for: the window has a frame even when nobody sees it."""
    browser.set_window_size(width, height)
    inner = browser.execute_script("return [innerWidth, innerHeight]")
    browser.set_window_size(2 * width - inner[0], 2 * height - inner[1])


class Page:
    """Finding and waiting, in few words."""

    def __init__(self, browser: webdriver.Chrome, address: str) -> None:
        self.browser = browser
        self.address = address

    def forget(self) -> None:
        """Close all windows but a new one; forget cookies, what was stored, emulated devices."""
        browser = self.browser
        old = browser.window_handles
        browser.switch_to.new_window("window")
        new = browser.current_window_handle
        for handle in old:
            browser.switch_to.window(handle)
            browser.close()
        browser.switch_to.window(new)
        # Sites of the same host share their cookies, whatever their ports are.
        for address in (self.address, self.address.replace("localhost", "127.0.0.1")):
            browser.execute_cdp_cmd("Storage.clearDataForOrigin", {
                "origin": address, "storageTypes": "cookies,local_storage,indexeddb,cache_storage"})
        browser.execute_cdp_cmd("Network.clearBrowserCookies", {})
        fit_window(browser)
        browser.get_log("browser")

    def go(self, path: str) -> None:
        self.browser.get(self.address + path)

    def line(self, latency: int = 0, offline: bool = False) -> None:
        """Answers take `latency` ms longer from now on, or none comes."""
        self.browser.execute_cdp_cmd("Network.enable", {})
        self.browser.execute_cdp_cmd("Network.emulateNetworkConditions", {
            "offline": offline, "latency": latency, "downloadThroughput": -1,
            "uploadThroughput": -1})

    def until(self, check, message: str = "", patience: int = PATIENCE):
        """Wait until `check()` gives something; what is not there yet counts as nothing."""

        def attempt(_):
            try:
                return check()
            except Exception as error:
                if type(error).__name__ in _NOT_YET:
                    return None
                raise

        return WebDriverWait(self.browser, patience, 0.05).until(attempt, message)

    def find(self, css: str) -> WebElement:
        return self.until(lambda: self.browser.find_element(By.CSS_SELECTOR, css), css)

    def all(self, css: str) -> list[WebElement]:
        return self.browser.find_elements(By.CSS_SELECTOR, css)

    def still(self, css: str) -> WebElement:
        """Return what `css` finds once it stands at the same place for some frames: what is on its
        way is missed by a pointer that goes to where it was."""
        self.until(lambda: self.browser.execute_async_script("""
            const [css, done] = arguments;
            const place = () => {
              const box = document.querySelector(css)?.getBoundingClientRect();
              return box ? `${box.x} ${box.y}` : "";
            };
            const first = place();
            let frames = 0;
            const look = () => {
              if (!first || place() !== first) done(false);
              else if (++frames < 12) requestAnimationFrame(look);
              else done(true);
            };
            requestAnimationFrame(look);
        """, css), f"{css} to stand still")
        return self.find(css)

    def gone(self, css: str) -> None:
        self.until(lambda: not self.all(css), f"{css} to go")

    def words(self, text: str, tag: str = "*") -> WebElement:
        """Return the innermost element that holds just `text`."""
        same = f"[normalize-space(.)={_quoted(text)}]"
        path = f"//{tag}{same}[not(.//*{same})]"
        return self.until(lambda: self.browser.find_element(By.XPATH, path), text)

    def see(self, text: str) -> None:
        """Wait until `text` stands somewhere on the page."""
        self.until(lambda: text in self.find("body").text, f"“{text}” on the page")

    def button(self, text: str) -> WebElement:
        path = (f"//*[self::button or self::a or @role='menuitem'][contains(normalize-space(.), "
                f"{_quoted(text)}) or @aria-label={_quoted(text)}]")

        def usable():
            found = [e for e in self.browser.find_elements(By.XPATH, path)
                     if e.is_displayed() and e.is_enabled()]
            # What is called just that comes before what only holds the words.
            return next((e for e in found if e.text.strip() == text), found[0] if found else None)

        return self.until(usable, f"button “{text}”")

    def press(self, text: str) -> None:
        self.until(lambda: self.button(text).click() or True, f"to press “{text}”")

    def click(self, css: str) -> None:
        self.until(lambda: self.find(css).click() or True, f"to click {css}")

    def open(self, heading: str) -> None:
        """Open what is folded under a heading of a card, or a card."""
        self.until(lambda: self.browser.execute_script("""
            const open = [...document.querySelectorAll("[aria-expanded]")].find(
              (b) => b.closest("section, [role=group]")?.ariaLabel?.split(", ")[0]
                === arguments[0]);
            if (!open) return false;
            if (open.ariaExpanded === "false") open.click();
            return true;""", heading), f"no heading “{heading}”")

    def chosen(self, name: str) -> None:
        """Wait until the one element with this name is selected."""
        field = "[aria-label='Name (only you see it)']"
        self.until(lambda: self.find(field).get_property("value") == name, f"{name} is selected")

    def row(self, name: str) -> WebElement:
        """Return the first row of the running order with this name; rows come after the slide."""
        return self.until(lambda: next((row for row in self.all("[data-row]")
                                        if row.text.split("\n")[0] == name), None), name)

    def row_at(self, place: int) -> WebElement:
        """Return the row at `place` (from 0), once there are so many."""
        return self.until(lambda: next(iter(self.all("[data-row]")[place:]), None), f"row {place}")

    def stop(self, number: int) -> None:
        """Open the slide `number` (from 0) by its stop; far ones are drawn once scrolled to."""
        self.find("nav[aria-label='Route']")
        self.until(lambda: self.browser.execute_script("""
            const strip = document.querySelector("nav[aria-label='Route']");
            const stop = strip.querySelector(`[data-stop-button='${arguments[0]}']`);
            const first = strip.querySelector("[data-stop-button]");
            const ahead = first && Number(first.dataset.stopButton) < arguments[0];
            if (!stop) strip.scrollLeft += (ahead ? 1 : -1) * strip.clientWidth / 2;
            else stop.scrollIntoView({ block: "nearest", inline: "center" });
            return Boolean(stop);
        """, number))
        self.click(f"[data-stop-button='{number}']")

    def call(self, method: str, path: str, body: object = None) -> dict:
        """Ask the API as the page would, with its session; for what a test does not test."""
        return self.browser.execute_async_script("""
            const [method, path, body, done] = arguments;
            const token = /csrftoken=([^;]*)/.exec(document.cookie)[1];
            const headers = { "Content-Type": "application/json", "X-CSRFToken": token };
            fetch(`/api${path}`, { method, headers, body: body && JSON.stringify(body) })
              .then((answer) => (answer.status === 204 ? null : answer.json())).then(done);
        """, method, path, body)

    def job(self, path: str, body: object) -> dict:
        """Ask the API for work that takes time; return what has come of it."""
        asked = self.call("POST", path, body)

        def ended():
            job = self.call("GET", f"/jobs/{asked['id']}")
            return job if job["state"] not in ("queued", "running") else None

        job = self.until(ended, f"an end of {path}", WORK)
        assert job["state"] == "done", job
        return job["result"]

    def frames(self, *selectors: str) -> None:
        """Go into nested frames, from the top, once a course is shown in the last."""

        def inside():
            self.browser.switch_to.default_content()
            for selector in selectors:
                self.browser.switch_to.frame(self.browser.find_element(By.CSS_SELECTOR, selector))
            return self.browser.find_element(By.CSS_SELECTOR, "main")

        self.until(inside, f"a course in {selectors}")

    def top(self) -> None:
        self.browser.switch_to.default_content()

    def paste(self, text: str) -> None:
        """Paste into what has the focus, as the system's clipboard would."""
        self.browser.execute_script("""
            const data = new DataTransfer();
            data.setData("text/plain", arguments[0]);
            document.activeElement.dispatchEvent(new ClipboardEvent("paste",
              { clipboardData: data, bubbles: true, cancelable: true }));
        """, text)

    def saved(self) -> None:
        """Wait until the workbench has saved everything."""
        self.find('[data-saving="saved"]')
        self.until(lambda: "Saved" in self.find("[data-saving]").text, "all to be saved")


_NOT_YET = {
    "NoSuchElementException", "StaleElementReferenceException", "NoSuchFrameException",
    "ElementClickInterceptedException", "NoSuchWindowException", "ElementNotInteractableException",
    "StopIteration", "IndexError",
}


def _quoted(text: str) -> str:
    return f'"{text}"' if '"' not in text else f"'{text}'"
