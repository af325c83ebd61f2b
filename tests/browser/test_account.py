"""An author's password, mail address, sessions and tokens; and a forgotten password."""

from selenium.webdriver.support.select import Select

from ..running import Author
from .driver import Page

OLD, NEW = "lamp-by-the-door", "kettle-on-the-stove"


def test_the_password_is_changed_and_signs_in_from_then_on(page: Page):
    page.go("/account")
    _change(page, "guess", NEW)
    page.see("The current password is wrong. Nothing was changed.")
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


def test_a_session_elsewhere_is_seen_and_ended(page: Page, server):
    page.go("/account")
    page.see("this browser")
    elsewhere = Author(server)
    page.browser.refresh()
    page.click("button[aria-label^='End the session of Unknown']")
    page.gone("button[aria-label^='End the session of Unknown']")
    assert elsewhere.ask("GET", "/session")["name"] is None
    page.see("this browser")


def test_a_token_says_what_it_may_do_and_until_when(page: Page):
    page.go("/account")
    page.find("input[aria-label='What the token is for']").send_keys("Nightly copy")
    Select(page.find("select[aria-label='What it may do']")).select_by_visible_text("only reads")
    Select(page.find("select[aria-label='For how long']")).select_by_visible_text("for 30 days")
    page.press("Make a token")
    page.see("Copy it now; it is not shown again.")
    page.see("Nightly copy only reads")
    page.see("never used, ends in 4 weeks")
    page.click("button[aria-label='Revoke Nightly copy']")
    page.gone("button[aria-label='Revoke Nightly copy']")


def test_a_forgotten_password_is_chosen_anew_with_what_the_mail_says(page: Page, server):
    page.go("/account")
    page.see("this browser")
    _fill(page, "input[aria-label='Mail address']", "mika@zigzag.example")
    _fill(page, "input[aria-label='Password']", OLD)
    page.browser.find_elements("xpath", "//button[.='Change it']")[1].click()
    page.see("The mail address is changed.")
    page.click("button[aria-label*='account of']")
    page.press("Sign out")
    page.click("a[href='/forgotten']")
    page.button("Send me a mail")
    page.find("input[name=name]").send_keys("mika@zigzag.example")
    page.press("Send me a mail")
    page.words("Look into your mail", "h1")
    page.go("/reset/" + server.manage("shell", "-v", "0", "-c", THE_MAIL).split()[-1])
    _choose(page, "short")
    page.see("too short")
    _choose(page, NEW)
    page.words("The password is changed", "h1")
    page.press("Sign in")
    _sign_in(page, NEW)
    page.words("Courses", "h1")
    page.go("/account")
    _change(page, NEW, OLD)
    page.see("The password is changed. Other sessions have ended.")


THE_MAIL = """
from django.contrib.auth.models import User
from django.core import mail
from zigzag_server.accounts import passwords
from zigzag_server.accounts.models import ResetMail
assert ResetMail.objects.count() == 1
mail.outbox = []
from django.conf import settings
settings.EMAIL_BACKEND = "django.core.mail.backends.locmem.EmailBackend"
passwords.send(User.objects.get(username="mika"))
print(mail.outbox[0].body.split("/reset/")[1].split()[0])
"""


def _fill(page: Page, css: str, words: str) -> None:
    field = page.find(css)
    field.clear()
    field.send_keys(words)


def _choose(page: Page, password: str) -> None:
    _fill(page, "input[name=new]", password)
    page.press("Change it")


def _change(page: Page, old: str, new: str) -> None:
    _fill(page, "input[aria-label='Current password']", old)
    _fill(page, "input[aria-label='New password']", new)
    page.press("Change it")


def _sign_in(page: Page, password: str) -> None:
    _fill(page, "input[name=name]", "mika")
    _fill(page, "input[name=password]", password)
    page.press("Sign in")
