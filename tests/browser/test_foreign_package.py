"""A package from elsewhere that means harm: it gets nowhere near its author's session."""

from tests.core.test_package import manifest, zipped

HARM = """<!doctype html><html lang="en"><title>Harm</title><main>
<button onclick="opened = window.open(author + '/account')">Open</button>
<button onclick="document.forms[0].submit()">Send</button>
<button onclick="ask()">Ask</button>
<button onclick="away()">Away</button>
<form method="post" enctype="text/plain" action="http://localhost:PORT/api/session">
<input name='{"name": "other", "password": "x' value='"}'></form>
<output></output></main>
<script>
const author = "http://localhost:PORT";
let opened = null;
const say = (words) => { document.querySelector("output").textContent = words; };
async function ask() {
  try {
    say(await (await fetch(author + "/api/session", { credentials: "include" })).text());
  } catch (error) { say("refused: " + error.name); }
}
function away() {
  try {
    top.location = author + "/account?harm";
    say("sent");
  } catch (error) { say("refused: " + error.name); }
}
document.addEventListener("securitypolicyviolation",
  (event) => say("refused: " + event.violatedDirective));
function look() {
  if (opened.closed) return "gone";
  try { return opened.document.body.innerText; } catch (error) { return "refused: " + error.name; }
}
</script></html>"""


def test_a_package_reaches_its_authors_session_by_no_window_form_or_question(
        page, server, tmp_path):
    file = tmp_path / "p.zip"
    file.write_bytes(zipped({"imsmanifest.xml": manifest("a/start.html"),
                             "a/start.html": HARM.replace("PORT", str(server.port))}))
    page.go("/practice")
    page.find("input[type=file]").send_keys(str(file))
    page.click("a[aria-label='Launch as Ines Tarrow']")
    page.frames("iframe[title='The package']", "iframe")
    browser, here = page.browser, page.browser.current_window_handle

    def said():
        return page.find("output").text

    page.press("Ask")
    page.until(lambda: said() == "refused: TypeError", "the question to be refused")
    page.press("Away")
    page.until(lambda: said().startswith("refused"), "the way out to be refused")

    page.press("Send")
    page.until(lambda: said() == "refused: form-action", "the form to be refused")

    # A window opens, but the author's page is not shown in it, and nothing ties the two together.
    page.press("Open")
    page.until(lambda: len(browser.window_handles) == 2, "the window")
    browser.switch_to.window(next(one for one in browser.window_handles if one != here))
    page.see("ERR_BLOCKED_BY_RESPONSE")
    assert browser.execute_script("return window.opener === null")
    assert page.browser.get_cookies() == []
    browser.close()
    browser.switch_to.window(here)
    page.frames("iframe[title='The package']", "iframe")
    assert browser.execute_script("return look()").startswith(("refused", "gone"))

    page.go("/")
    assert page.call("GET", "/session")["name"] == "mika"
