"""The password is changed where the author is signed in."""

from .driver import Page

OLD, NEW = "lamp-by-the-door", "kettle-on-the-stove"


def test_the_password_is_changed_and_signs_in_from_then_on(page: Page):
    page.go("/account")
    _change(page, "guess", NEW)
    page.see("The password so far is another one. Nothing was changed.")
    _change(page, OLD, "short")
    page.see("too short")
    _change(page, OLD, NEW)
    page.see("The password is changed. Other sessions have ended.")
    page.click("button[aria-label*='account of']")
    page.press("Sign out")
    _sign_in(page, OLD)
    page.see("The name or the password is wrong.")
    _sign_in(page, NEW)
    page.words("Courses", "h1")
    page.go("/account")
    _change(page, NEW, OLD)
    page.see("The password is changed.")


def _change(page: Page, old: str, new: str) -> None:
    for label, words in (("Password so far", old), ("New password", new)):
        field = page.find(f"input[aria-label='{label}']")
        field.clear()
        field.send_keys(words)
    page.press("Change it")


def _sign_in(page: Page, password: str) -> None:
    for name, words in (("name", "mika"), ("password", password)):
        field = page.find(f"input[name={name}]")
        field.clear()
        field.send_keys(words)
    page.press("Sign in")
