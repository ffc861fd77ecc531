"""Who may come in: the numbers, the doorway, the four rights on every route, hosts and origins, the audit list."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mulvek.store.devices import MOST_LINES, Devices
from mulvek.store.tables import DeviceRow
from mulvek.web.access import home
from mulvek.web.access.home import Hosts
from mulvek.web.access.numbers import GOOD_FOR_S, MOST_WRONG, Numbers, Wait
from mulvek.web.access.rights import NEEDED, RIGHTS, holds
from mulvek.web.access.routes import Served
from mulvek.web.access.visitor import COOKIE
from mulvek.web.app import create_app, stop
from tests.kitchens import KADHAI, Clock, words
from tests.sizes import sized

GUESSES = sized(1_000, 10_000)
LAN = "http://kitchen.lan:8000"
OUTSIDE = {"environ_base": {"REMOTE_ADDR": "192.168.1.20"}, "base_url": LAN}


@pytest.fixture
def ticks(clock):
    """The clock that nobody sets goes with the other."""
    return clock


@pytest.fixture
def app(tmp_path, clock, ticks, templates):
    file = templates.own(tmp_path / "kitchen.sqlite3")
    app = create_app(file, clock=clock, ticks=ticks, names=["kitchen.lan"], home=Served(lambda: [LAN], "AB:CD"))
    yield app
    stop(app)


@pytest.fixture
def here(app):
    """The computer itself."""
    return app.test_client()


class Phone:
    """A device in the house, with its own cookies."""

    def __init__(self, app):
        self._client = app.test_client()

    def __getattr__(self, verb):
        return lambda url, **kw: getattr(self._client, verb)(url, **{**OUTSIDE, **kw})

    @property
    def token(self):
        cookie = self._client.get_cookie(COOKIE, domain="kitchen.lan")
        return cookie.value if cookie else None


@pytest.fixture
def phone(app):
    return Phone(app)


def numbers(here):
    return here.post("/api/door/open", json={}).json["code"]


def let_in(here, phone, allowed="log", ends_s=None, name="the cox’s phone"):
    """From the numbers to the kitchen, as two people do it."""
    assert phone.post("/api/door/knock", json={"code": numbers(here)}).status_code == 201
    thing = phone.get("/api/me").json["thing"]
    body = {"thing": thing, "name": name, "allowed": allowed, "ends_s": ends_s}
    door = here.post("/api/door/let-in", json=body)
    assert door.status_code == 201, door.json
    assert phone.post("/api/door/enter", json={}).json["state"] == "in"
    return door.json["devices"][-1]["id"]


def test_a_phone_knocks_is_let_in_cooks_and_is_sent_away(here, phone, clock):
    assert phone.get("/api/me").json["state"] == "out"
    assert phone.get("/api/stove").status_code == 401
    code = numbers(here)
    knocked = phone.post("/api/door/knock", json={"code": code, "name": "cox", "small": True})
    assert (knocked.status_code, knocked.json["state"]) == (201, "knocking")
    door = here.get("/api/door").json
    assert door["knock"]["thing"] == knocked.json["thing"] and door["knock"]["name"] == "cox"
    assert door["code"] == "" and door["qr"] == []  # used up
    assert phone.get("/api/stove").status_code == 401  # only in the doorway
    assert phone.post("/api/door/enter", json={}).status_code == 409
    let = {"thing": door["knock"]["thing"], "name": "cox’s phone", "allowed": "cook", "ends_s": clock.now + 3600}
    device = here.post("/api/door/let-in", json=let).json["devices"][0]
    in_the_doorway = phone.token
    entered = phone.post("/api/door/enter", json={}).json
    assert (entered["state"], entered["allowed"], entered["name"]) == ("in", "cook", "cox’s phone")
    assert phone.token != in_the_doorway
    lit = phone.post("/api/batches", json={"batch": {"kind": "reduce", "name": "From the phone", "plan": words()}})
    assert lit.status_code == 201
    event = {"event": {"kind": "first_boil"}}
    assert phone.post(f"/api/batches/{lit.json['id']}/events", json=event).status_code == 201
    seen = here.get("/api/door").json["devices"][0]
    assert (seen["did"], seen["seen_s"], seen["state"]) == ("first_boil", clock.now, "in")
    here.post(f"/api/door/devices/{device['id']}/send-away", json={})
    assert phone.get("/api/stove").status_code == 401
    assert phone.get("/api/me").json["state"] == "sent-away"
    assert here.delete(f"/api/door/devices/{device['id']}").json["devices"] == []
    assert phone.get("/api/me").json["state"] == "out"


def test_the_cookie_is_read_by_no_script_and_sent_from_no_other_site(here, phone):
    answer = phone.post("/api/door/knock", json={"code": numbers(here)})
    said = answer.headers["Set-Cookie"]
    assert "HttpOnly" in said and "SameSite=Strict" in said and "Path=/" in said and "Secure" not in said
    secure = Phone(here.application)
    kw = {"base_url": LAN.replace("http:", "https:")}
    assert "Secure" in secure.post("/api/door/knock", json={"code": numbers(here)}, **kw).headers["Set-Cookie"]


def test_what_was_known_in_the_doorway_opens_nothing_later(app, here, phone):
    let_in(here, phone)
    stale = Phone(app)
    phone.post("/api/door/knock", json={"code": numbers(here)})
    doorway = phone.token
    here.post(
        "/api/door/let-in",
        json={"thing": phone.get("/api/me").json["thing"], "name": "x", "allowed": "keep", "ends_s": None},
    )
    phone.post("/api/door/enter", json={})
    stale._client.set_cookie(COOKIE, doorway, domain="kitchen.lan")
    assert stale.get("/api/stove").status_code == 401


def test_secrets_are_not_kept_and_not_told(app, here, phone, tmp_path):
    let_in(here, phone)
    app.extensions["mulvek_database"].close()
    file = (tmp_path / "kitchen.sqlite3").read_bytes()
    assert phone.token.encode() not in file
    assert (
        phone.token not in here.get("/api/door").text + here.get("/api/audit").text + here.get("/openapi.json").text
    )


def test_it_ends_when_it_was_said_to(here, phone, clock):
    let_in(here, phone, ends_s=clock.now + 60)
    assert phone.get("/api/stove").status_code == 200
    assert "Max-Age=60" in phone.get("/api/me").headers["Set-Cookie"]
    clock.now += 61
    assert phone.get("/api/stove").status_code == 401
    assert phone.get("/api/me").json["state"] == "over"
    late = {"thing": "ladle", "name": "x", "allowed": "look", "ends_s": clock.now - 1}
    phone.post("/api/door/knock", json={"code": numbers(here)})
    late["thing"] = phone.get("/api/me").json["thing"]
    assert here.post("/api/door/let-in", json=late).json["fields"][0]["path"] == "ends_s"


def test_only_the_one_that_shows_the_same_thing_is_let_in(here, phone):
    body = {"name": "x", "allowed": "look", "ends_s": None}
    assert here.post("/api/door/let-in", json={**body, "thing": "ladle"}).status_code == 409
    phone.post("/api/door/knock", json={"code": numbers(here)})
    thing = phone.get("/api/me").json["thing"]
    other = "sieve" if thing != "sieve" else "mould"
    assert here.post("/api/door/let-in", json={**body, "thing": other}).status_code == 409
    assert here.post("/api/door/turn-away", json={"thing": thing}).status_code == 200
    assert phone.get("/api/me").json["state"] == "refused"
    assert here.post("/api/door/let-in", json={**body, "thing": thing}).status_code == 409


def test_a_right_is_changed_and_a_device_leaves_by_itself(here, phone):
    device = let_in(here, phone, "look")
    note = {"event": {"kind": "note", "text": "hm"}}
    url = "/api/batches/1/events"
    assert phone.post(url, json=note).status_code == 403
    changed = here.put(f"/api/door/devices/{device}", json={"name": "galley", "allowed": "log", "ends_s": None})
    assert changed.json["devices"][0]["name"] == "galley"
    assert phone.post(url, json=note).status_code == 404  # allowed; there is no such batch
    assert phone.post("/api/door/leave", json={}).json["state"] == "out"
    assert phone.token is None
    assert here.get("/api/door").json["devices"][0]["state"] == "sent-away"
    assert (
        here.put(f"/api/door/devices/{device}", json={"name": "g", "allowed": "log", "ends_s": None}).status_code
        == 409
    )


def test_devices_stay_over_a_restart_and_a_sent_away_one_does_not_return_with_an_old_copy(
    app, here, phone, clock, tmp_path
):
    device = let_in(here, phone)
    here.post("/api/copies", json={})
    [copy] = here.get("/api/copies").json["copies"]
    here.post(f"/api/door/devices/{device}/send-away", json={})
    clock.now += 10
    assert here.post(f"/api/copies/{copy['name']}/bring-back", json={"sure": True}).status_code == 200
    assert phone.get("/api/me").json["state"] == "sent-away"
    assert "sent-away" in [line["what"] for line in here.get("/api/audit").json["lines"]]
    stop(app)
    again = create_app(tmp_path / "kitchen.sqlite3", clock=clock, names=["kitchen.lan"], home=Served(lambda: [LAN]))
    assert [d["state"] for d in again.test_client().get("/api/door").json["devices"]] == ["sent-away"]
    stop(again)


# -- the numbers --------------------------------------------------------------------------------------


def test_thousands_of_guesses_get_nowhere(here, phone, ticks):
    """In a row, without waiting: one is looked at. With all the patience asked for: five, then the door is shut."""
    right = numbers(here)
    wrong = [f"{i:06}" for i in range(GUESSES + 1) if f"{i:06}" != right][:GUESSES]
    answers = [phone.post("/api/door/knock", json={"code": code}).status_code for code in wrong]
    assert answers.count(422) == 1 and answers.count(429) == GUESSES - 1
    looked_at = 1
    for code in wrong:
        ticks.now += 40
        answer = phone.post("/api/door/knock", json={"code": code})
        if answer.status_code == 409:
            break
        looked_at += 1
    assert looked_at == MOST_WRONG - 1
    ticks.now += 40
    assert phone.post("/api/door/knock", json={"code": right}).status_code == 409
    assert here.get("/api/door").json["guessed_out"] is True
    assert len(here.get("/api/audit").json["lines"]) < 10
    ticks.now += 40
    assert phone.post("/api/door/knock", json={"code": numbers(here)}).status_code == 201


def test_a_guess_too_soon_is_told_how_long_to_wait(here, phone, ticks):
    code = numbers(here)
    phone.post("/api/door/knock", json={"code": "000000" if code != "000000" else "111111"})
    answer = phone.post("/api/door/knock", json={"code": code})
    assert (answer.status_code, answer.headers["Retry-After"], answer.json["fields"][0]["path"]) == (429, "1", "code")
    ticks.now += 1.01
    assert phone.post("/api/door/knock", json={"code": code}).status_code == 201


def test_numbers_get_old(here, phone, ticks):
    code = numbers(here)
    ticks.now += GOOD_FOR_S + 0.1
    assert here.get("/api/door").json["code"] == ""
    assert phone.post("/api/door/knock", json={"code": code}).status_code in (409, 422)


@given(st.lists(st.tuples(st.integers(0, 3), st.floats(0, 90)), max_size=40))
def test_no_more_than_five_wrong_ones_are_ever_looked_at(guesses):
    """However they are spaced, and with the right one among them only while the numbers live."""
    ticks = Clock(0.0)
    shown = Numbers(ticks)
    shown.renew()
    looked_at = 0
    for kind, wait in guesses:
        ticks.now += wait
        was_open = shown.open
        answer = shown.guess(shown.code if kind == 0 and shown.code else "x")
        if isinstance(answer, Wait):
            assert 0 < answer.seconds <= 32 + 1e-9
        elif answer:
            assert was_open and not shown.open and looked_at < MOST_WRONG
        elif was_open:
            looked_at += 1
    assert looked_at <= MOST_WRONG


# -- every route with each right ----------------------------------------------------------------------


def a_request(rule, method):
    """An address and a body that go through the guard; whether they are good is the route's matter."""
    url = rule.rule.replace("<path:filename>", "none.js").replace("<name>", "none.sqlite3")
    while "<" in url:
        url = url[: url.index("<")] + "999" + url[url.index(">") + 1 :]
    return url, method, {} if method == "GET" else {"json": {}}


def requests_of(app):
    for rule in app.url_map.iter_rules():
        if rule.endpoint == "changes":  # open for ever; tried below
            continue
        for method in rule.methods - {"HEAD", "OPTIONS"}:
            yield rule, *a_request(rule, method)


def test_every_route_without_a_right_and_with_each(app, here):
    visitors = {"out": Phone(app)}
    for right in RIGHTS:
        visitors[right] = Phone(app)
        let_in(here, visitors[right], right)
    tried = 0
    for rule, url, method, kw in requests_of(app):
        needed = NEEDED[rule.endpoint]
        if rule.endpoint in {"leave", "enter"}:
            continue  # would change who is who
        for right, visitor in visitors.items():
            status = getattr(visitor, method.lower())(url, **kw).status_code
            may = needed == "open" or (right != "out" and needed != "here" and holds(right, needed))
            if may:
                assert status not in (401, 403) and status < 500, (right, method, url, status)
            else:
                assert status == (401 if right == "out" else 403), (right, method, url, status)
            tried += 1
    assert tried > 400


def test_the_stream_of_one_that_is_sent_away_ends(app, here, phone):
    assert phone.get("/api/changes").status_code == 401
    device = let_in(here, phone, "look")
    stream = phone.get("/api/changes").response
    assert next(stream).startswith(b"retry")
    here.post(f"/api/door/devices/{device}/send-away", json={})
    assert list(stream) == []


# -- where it comes from ------------------------------------------------------------------------------


@pytest.mark.parametrize(
    "headers",
    [
        {"Origin": "http://elsewhere.example"},
        {"Origin": "https://localhost"},  # another scheme is another origin
        {"Origin": "http://localhost:9"},
        {"Origin": "null"},
        {"Sec-Fetch-Site": "cross-site"},
        {"Sec-Fetch-Site": "same-site"},
        {"Sec-Fetch-Site": "cross-site", "Origin": "http://localhost"},
    ],
)
def test_another_sites_page_changes_nothing_and_hears_nothing(here, headers):
    for url in ("/api/bench/reduce", "/api/copies", "/api/door/open", "/api/door/knock"):
        assert here.post(url, json={}, headers=headers).status_code == 403
    assert here.put("/api/larder/kitchen", json={}, headers=headers).status_code == 403
    assert here.delete("/api/larder/pans/1", headers=headers).status_code == 403
    assert here.get("/api/changes", headers=headers).status_code == 403


def test_our_own_page_does(here, phone):
    ours = {"Origin": "http://localhost", "Sec-Fetch-Site": "same-origin"}
    assert here.post("/api/copies", json={}, headers=ours).status_code == 201
    out = {"Origin": LAN, "Sec-Fetch-Site": "same-origin"}
    assert phone.post("/api/door/knock", json={"code": numbers(here)}, headers=out).status_code == 201


@pytest.mark.parametrize(
    "host", ["elsewhere.example", "192.168.77.1", "0.0.0.0", "kitchen.lan.elsewhere.example", ""]
)
def test_a_host_that_is_not_served_is_refused(here, host):
    assert here.get("/api/larder", headers={"Host": host}).status_code == 400
    assert here.get("/bench", headers={"Host": host}).status_code == 400


def test_this_computers_own_addresses_are_served_and_others_not(monkeypatch):
    hosts = Hosts(["Pantry"], home=True)
    assert hosts.serves("pantry") and hosts.serves("localhost") and hosts.serves("127.0.0.9")
    assert hosts.serves(home.own_names()[1]) and not hosts.serves("198.51.100.7") and not hosts.serves("pantry.evil")
    assert not Hosts().serves("127.0.0.9")
    for address in home.addresses():
        assert hosts.serves(address) and not Hosts().serves(address)


@pytest.mark.parametrize(
    "kw",
    [
        {"environ_base": {"REMOTE_ADDR": "192.168.1.20"}},
        {"base_url": LAN},
        {"headers": {"X-Forwarded-For": "127.0.0.1"}},
        {"headers": {"Via": "1.1 somewhere"}},
        {"environ_overrides": {"mulvek.front": True}},
    ],
)
def test_nobody_else_is_taken_for_the_computer_itself(here, kw):
    assert here.get("/api/door").status_code == 200
    assert here.get("/api/door", **kw).status_code == 401
    assert here.get("/api/me", **kw).json["here"] is False


def test_without_the_home_network_there_are_no_numbers(client):
    assert client.get("/api/me").json["home"] is False
    refused = client.post("/api/door/open", json={})
    assert refused.status_code == 409 and "--home" in refused.json["detail"]


# -- the list -----------------------------------------------------------------------------------------


def test_the_list_says_who_did_what(here, phone):
    before = len(here.get("/api/audit").json["lines"])  # the kitchen’s own making
    let_in(here, phone, "keep")
    pan = {**KADHAI, "name": "from the phone"}
    assert phone.post("/api/larder/pans", json=pan).status_code == 201
    assert phone.post("/api/larder/pans", json={}).status_code == 422  # nothing changed, nothing said
    lines = here.get("/api/audit").json["lines"][:-before]
    assert [(line["who"], line["what"]) for line in lines] == [
        ("the cox’s phone", "add_pan"),
        ("here", "let-in"),
        ("someone", "knocked"),
        ("here", "opened"),
    ]
    assert lines[1]["data"]["allowed"] == "keep"


def test_the_list_does_not_grow_for_ever(app):
    with app.extensions["mulvek_database"].writing() as session:
        devices = Devices(session)
        for i in range(MOST_LINES + 5):
            devices.note(float(i), "here", "opened")
        assert len(devices.noted(MOST_LINES + 5)) == MOST_LINES
        assert devices.noted(1)[0].at_s == MOST_LINES + 4


def test_a_full_disk_does_not_keep_a_device_from_looking(app, here, phone, clock, monkeypatch):
    let_in(here, phone, "look")
    clock.now += 3600
    door = app.extensions["mulvek_door"]
    from mulvek.core.errors import Unavailable

    def full(*_args, **_kw):
        raise Unavailable("kitchen", "disk-full", retry_s=60.0)

    monkeypatch.setattr(door.db, "writing", full)
    assert phone.get("/api/stove").status_code == 200
    monkeypatch.undo()
    with door.db.reading() as session:
        assert session.query(DeviceRow).one().seen_at < clock.now
