"""What a newcomer asks, answered within three touches of the first screen, in words that can be seen: in the boathouse
kitchen and in an empty one. ``pytest -s`` prints the table."""

import re
from collections.abc import Callable, Iterator
from pathlib import Path
from urllib.parse import urljoin

import pytest
from playwright.sync_api import Page, expect

from mulvek.web.app import create_app
from tests.kitchens import Stand

MOST_TOUCHES = 3
SEEN = """() => {
  const words = []
  const walk = document.createTreeWalker(document.querySelector('main'), NodeFilter.SHOW_TEXT)
  for (let node = walk.nextNode(); node; node = walk.nextNode()) {
    if (!node.textContent.trim() || !node.parentElement.checkVisibility({ visibilityProperty: true })) continue
    const range = document.createRange()
    range.selectNodeContents(node)
    const box = range.getBoundingClientRect()
    if (box.width < 2 || box.height < 4) continue
    if (box.top >= 0 && box.bottom <= innerHeight && box.left >= 0 && box.right <= innerWidth) words.push(node.textContent)
  }
  return words.join(' ').replaceAll(/\\s+/g, ' ')
}"""
"""Text within the window that is drawn: nothing for a screen reader only, nothing below the fold."""


class Hand:
    """Who asks: touches a thing, or moves the page, and reads what is in sight."""

    def __init__(self, page: Page) -> None:
        self.page, self.touches = page, 0

    def station(self, name: str) -> None:
        self.touches += 1
        self.page.get_by_role("navigation", name="Stations").get_by_role("link", name=name, exact=True).click()

    def press(self, role: str, name: str) -> None:
        self.touches += 1
        self.page.get_by_role(role, name=name).first.click()  # type: ignore[arg-type]

    def move_to(self, words: str) -> None:
        self.touches += 1
        there = self.page.get_by_text(words).first
        expect(there).to_be_attached()
        top = "(e) => Math.round(e.getBoundingClientRect().top + scrollY)"
        stood = there.evaluate(top)
        for _ in range(40):  # what loads above it pushes it down: a hand scrolls to where it has come to rest
            self.page.wait_for_timeout(100)
            if (now := there.evaluate(top)) == stood:
                break
            stood = now
        there.evaluate("(e) => e.scrollIntoView({ block: 'start' })")
        self.page.mouse.wheel(0, -90)  # clear of what hangs above

    def reads(self, words: str) -> str:
        """The words that answer, once they are in sight."""
        found: list[str] = []

        def looked() -> bool:
            answer = re.search(words, str(self.page.evaluate(SEEN)))
            found[:] = [answer.group()] if answer else []
            return bool(answer)

        for _ in range(60):
            if looked():
                return found[0]
            self.page.wait_for_timeout(100)
        raise AssertionError(f"“{words}” is not in sight: {self.page.evaluate(SEEN)}")


def _sweets(hand: Hand) -> None:
    hand.station("Sweets")


def _instead(hand: Hand) -> None:
    hand.station("Sweets")
    hand.press("button", "none today?")


def _expect(heading: str) -> Callable[[Hand], None]:
    return lambda hand: hand.move_to(heading)


def _nothing(hand: Hand) -> None:
    """It stands on the first screen."""


def _mend(hand: Hand) -> None:
    hand.page.goto(urljoin(hand.page.url, "/book"))  # the station one would open first
    for kind, words in (("link", "What went wrong?"), ("button", "sponge balls"), ("button", "The balls break up")):
        hand.press(kind, words)


QUESTIONS: list[tuple[str, Callable[[Hand], None], str]] = [
    ("How much milk do I need?", _sweets, r"Start with [\d.]+ L of milk"),
    ("When do I stop?", _nothing, r"Stop when the milk stands [\d.]+ cm deep"),
    ("How deep is that in my pan?", _nothing, r"stands [\d.]+ cm deep"),
    ("How long yet?", _nothing, r"about \d+ minutes after the first boil \(\d+–\d+\)"),
    ("What will I have?", _nothing, r"You will have [\d.]+ kg at \d+ % solids"),
    ("How thick will it be cold?", _nothing, r"pours like [a-z ]+ cold"),
    ("How many pieces?", _sweets, r"for 12 sticks"),
    ("Which pan?", _expect("Which pan, which flame?"), r"least of your time"),
    ("When must I start?", _sweets, r"begin by \d\d:\d\d|Begun now it is ready at \d\d:\d\d"),
    ("What can I use instead?", _instead, r"Use one of these"),
    ("What went wrong?", _mend, r"It may be that the chhena was too wet"),
    ("How long does it keep?", _expect("What it is, and how it keeps"), r"At or below 5 °C: \d+ days"),
]


@pytest.fixture(params=["the boathouse", "an empty kitchen"])
def first_screen(request, kept_context, stand: Stand, templates, tmp_path: Path, clock) -> Iterator[tuple[str, Page]]:
    file = tmp_path / "kitchen.sqlite3"
    if request.param == "the boathouse":
        templates.demo(file)
    with stand.serving(create_app(file, clock=clock)) as url:
        page = kept_context.new_page()
        page.goto(url)
        expect(page.locator("p.answer")).to_contain_text("Stop when")
        yield url, page
        page.close()


def test_what_is_asked_is_answered_in_three_touches(first_screen: tuple[str, Page]):
    url, page = first_screen
    told = []
    for question, goes, words in QUESTIONS:
        page.goto(url)
        expect(page.locator("p.answer")).to_contain_text("Stop when")
        hand = Hand(page)
        goes(hand)
        answer = hand.reads(words)
        told.append((question, hand.touches, answer))
    for question, touches, answer in told:
        print(f"{question:28} {touches} touches  {answer}")
    assert max(touches for _, touches, _ in told) <= MOST_TOUCHES


def test_a_pan_on_the_fire_says_how_long_yet(page: Page, kitchen_url: str):
    page.goto(kitchen_url)
    hand = Hand(page)
    hand.station("Stove")
    assert hand.reads(r"\d+ min to its stop") and hand.touches == 1
