"""The command line answers in words and in the API's own JSON."""

import io
import json

import pytest

from mulvek.cli import main
from mulvek.cli.no_larder import NoLarder
from mulvek.wire.sweet_told import answer_told
from mulvek.wire.told_lines import ToldIn

FLAGS = ["reckon", "reduce", "--milk", "buffalo", "--amount", "2.4 L", "--pan", "kadhai 29 x 8.6 + 32 x 3.2"]


def test_reckon_reduce_in_words_and_json(capsys, monkeypatch):
    assert main(FLAGS) == 0
    assert "Stop when the milk stands" in capsys.readouterr().out
    assert main([*FLAGS, "--json"]) == 0
    answer = json.loads(capsys.readouterr().out)
    body = {
        "milk": "buffalo",
        "amount": "2.4 L",
        "pan": {
            "name": "the pan",
            "shape": {
                "kind": "kadhai",
                "rim_diameter_m": 0.29,
                "bowl_depth_m": 0.086,
                "top_diameter_m": 0.32,
                "wall_height_m": 0.032,
            },
        },
        "burner": {},
        "stop": "half its volume",
        "kitchen": {},
    }
    monkeypatch.setattr("sys.stdin", io.StringIO(json.dumps(body)))
    assert main(["reckon", "reduce", "--json", "-"]) == 0
    assert json.loads(capsys.readouterr().out)["served_kg"] == answer["served_kg"]


@pytest.mark.parametrize(
    ("flags", "field"),
    [
        (["--amount", "0"], "amount"),
        (["--pan", "round"], "pan"),
        (["--fat", "4"], "milk"),
        (["--flame", "hot"], "flame"),
    ],
)
def test_what_cannot_be_reckoned_names_the_flag(capsys, flags, field):
    assert main([*FLAGS, *flags, "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == field


def test_every_named_stop_and_school_is_reckoned(capsys):
    from mulvek.core.planning.reduce.windows import windows

    for window in windows().values():
        milk = "coconut" if window.product else "cow"
        sugar = "190 g" if window.key == "condensed" else "60 g" if window.sugar[1] else ""
        flags = [
            "--milk",
            milk,
            "--amount",
            "1 L",
            "--pan",
            "straight 24 x 14",
            "--stop",
            window.name,
            "--sugar",
            sugar,
        ]
        assert main(["reckon", "reduce", *flags, "--flame", "gentle", "--json"]) == 0, window.name
        answer = json.loads(capsys.readouterr().out)
        assert answer["understood"]["stop"] == window.name
        assert any(n["key"] == window.key and n["inside"] for n in answer["judgement"]["named"])
    schools = ["--stirring", "folded", "--to-boil", "medium", "--lid", "--wetted", "--sugar-kind", "raw-sugar"]
    more = ["--add", "whole-powder 30 g", "--add", "corn-starch 8 g at the end", "--sugar", "80 g"]
    assert main([*FLAGS, *schools, *more, "--json"]) == 0
    answer = json.loads(capsys.readouterr().out)
    assert [(a["name"], a["late"]) for a in answer["added"]] == [("whole milk powder", False), ("corn starch", True)]
    assert answer["sugar_name"] == "raw sugar"


def test_reckon_materials_pan_and_lactometer(capsys):
    assert main(["reckon", "materials"]) == 0
    assert len(capsys.readouterr().out.splitlines()) >= 52
    assert main(["reckon", "materials", "jaggery", "--json"]) == 0
    assert json.loads(capsys.readouterr().out)[0]["parts_pct"]["sucrose"] == 78.0
    assert main(["reckon", "pan", "kadhai 29 x 8.6 + 31 x 2.4", "--at", "1370 ml", "--at", "3.78 cm", "--json"]) == 0
    levels = json.loads(capsys.readouterr().out)["levels"]
    assert levels[0]["depth_m"] == pytest.approx(0.05445, abs=1e-5)
    assert levels[1]["volume_m3"] == pytest.approx(685e-6, abs=5e-7)
    assert main(["reckon", "pan", "measured 500 ml 2.1, 1 l 3.6, 2 l 6.1, rim 12"]) == 0
    assert "12.0 cm deep" in capsys.readouterr().out
    assert (
        main(["reckon", "lactometer", "29.5", "--temp", "15.6", "--instrument", "15.6", "--fat", "4.3", "--json"])
        == 0
    )
    assert json.loads(capsys.readouterr().out)["check"]["snf"]["likely"] == pytest.approx(0.08375)
    assert main(["reckon", "lactometer", "20"]) == 0
    assert "added water" in capsys.readouterr().out


@pytest.mark.parametrize(
    ("command", "field"),
    [
        (["materials", "moondust"], "name"),
        (["pan", "hat 3"], "pan"),
        (["pan", "straight 24 x 12", "--at", "40 cm"], "at"),
        (["lactometer", "99"], "reading"),
        (["reduce", "--add", "almond 30 g"], "additions"),
        (["reduce", "--sugar", "20 g", "--sugar-kind", "cow"], "sugar_kind"),
    ],
)
def test_what_the_new_commands_cannot_do_names_its_word(capsys, command, field):
    assert main(["reckon", *command, "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == field


def test_reckon_mend_as_the_page_does(capsys, client):
    said = ["--said", "chhena-water=67", "--said", "touched-early=no"]
    assert main(["reckon", "mend", "sponge-balls", "balls-break", *said, "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    body = {"product": "sponge-balls", "fault": "balls-break", "answers": {"chhena-water": 67, "touched-early": 0}}
    assert told == client.post("/api/mend", json=body).json
    assert main(["reckon", "mend", "sponge-balls", "balls-break", *said]) == 0
    words = capsys.readouterr().out
    assert "very likely   the chhena was too wet (67 % water in the chhena)" in words
    assert "--said syrup-rolling=" in words and "Boiling syrup burns deeply." in words
    assert main(["reckon", "mend", "kulfi", "turned-early"]) == 0
    assert capsys.readouterr().out.startswith("Throw it away. Do not taste it.")
    assert main(["reckon", "mend"]) == 0 and "sponge-balls" in capsys.readouterr().out
    assert main(["reckon", "mend", "kulfi"]) == 0 and "The kulfi is icy" in capsys.readouterr().out
    for flags, field in (
        (["trifle"], "product"),
        (["kulfi", "haunted"], "fault"),
        (["kulfi", "kulfi-icy", "--said", "fruit-water=wet"], "said"),
        (["kulfi", "kulfi-icy", "--said", "seams=yes"], "answers"),
    ):
        assert main(["reckon", "mend", *flags]) == 2
        assert capsys.readouterr().err.startswith(f"{field}:")


def test_reckon_caramel_as_the_bench_does(capsys, monkeypatch, client):
    assert main(["reckon", "caramel", "--sugar", "200 g", "--solids", "70 %", "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    body = {"sugar": "200 g", "solids": "70 %", "pan": {"name": "the pan", "shape": {"kind": "straight", "diameter_m": 0.22,
            "height_m": 0.1}}, "burner": {"kind": "lpg-large"}}  # fmt: skip
    same = client.post("/api/bench/caramel", json=body).json
    assert told["stop_kg"] == pytest.approx(same["stop_kg"]) and told["off_c"] == same["off_c"]
    assert told["melt_s"]["likely"] == pytest.approx(same["melt_s"]["likely"])
    assert main(["reckon", "caramel", "--shade", "straw", "--butter", "0"]) == 0
    said = capsys.readouterr().out
    assert "152 °C" in said and "butter" not in said and "Caramel burns deep." in said
    monkeypatch.setattr("sys.stdin", io.StringIO('{"sugar": "300 g"}'))
    assert main(["reckon", "caramel", "--json", "-"]) == 0
    assert json.loads(capsys.readouterr().out)["sugar_kg"] == pytest.approx(0.3)
    for flags, field in (
        (["--shade", "pink"], "shade"),
        (["--solids", "95 %"], "solids"),
        (["--sugar", "heaps"], "sugar"),
    ):
        assert main(["reckon", "caramel", *flags, "--json"]) == 2
        assert json.loads(capsys.readouterr().out)["field"] == field


def test_reckon_curdle_and_strain(capsys, monkeypatch):
    assert main(["reckon", "curdle", "--amount", "2 L", "--wait", "84 °C", "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    assert told["acid_c"]["likely"] == pytest.approx(84.0, abs=0.05) and told["pieces"]["count"]["likely"] > 15
    assert main(["reckon", "curdle", "--want", "400 g"]) == 0
    assert "of milk" in capsys.readouterr().out
    assert main(["reckon", "strain", "--whey", "2.5 h 310 g", "--json"]) == 0
    slow = json.loads(capsys.readouterr().out)
    assert main(["reckon", "strain", "--whey", "2.5 h 460 g", "--json"]) == 0
    assert json.loads(capsys.readouterr().out)["seconds"]["likely"] < slow["seconds"]["likely"]
    monkeypatch.setattr("sys.stdin", io.StringIO('{"amount": "2 kg", "end": "soft"}'))
    assert main(["reckon", "strain", "--json", "-"]) == 0
    assert json.loads(capsys.readouterr().out)["mass_kg"] == 2.0
    for command in (["curdle"], ["strain"]):
        assert main(["reckon", *command]) == 0
        assert "5 °C" in capsys.readouterr().out
    for flags, field in ((["curdle", "--acid", "cola"], "coagulant"), (["strain", "--whey", "lots"], "whey")):
        assert main(["reckon", *flags, "--json"]) == 2
        assert json.loads(capsys.readouterr().out)["field"] == field


@pytest.mark.parametrize(
    ("options", "says"),
    [
        (["--only", "spoon"], "only: There is no “spoon”"),
        (["--level", "9"], "level: There is no such level"),
        (["--speed", "90"], "speed: It runs 1 to 60 times"),
        (["--drop-outs", "2"], "drop-outs: That is no share"),
        (["--replay", "nowhere.csv"], "replay: nowhere.csv cannot be read"),
    ],
)
def test_instruments_name_the_option_that_is_wrong(options, says, capsys):
    assert main(["instruments", *options]) == 2
    assert says in capsys.readouterr().err


KALAKAND = ["reckon", "sweet", "--sweet", "kalakand"]


def test_a_batch_told_in_lines(capsys):
    """The same as on the page: settled by its weight, the doubt with its answers, and what is lacking."""
    lines = ["2 L buffalo milk to half", "5 big spoons of sugar", "30 g pistachios", "gave 14 sticks, 1 020 g"]
    assert main(["reckon", "told", *lines]) == 0
    out = capsys.readouterr().out
    assert "14 sticks of 73 g, 1020 g." in out and "Beside the library's kulfi" in out and "Sand in a while." in out
    assert "• --answer 2=rice-spoon" in out and "Next time stop at 8" in out
    assert main(["reckon", "told", *lines, "--answer", "2=level", "--json"]) == 0
    answer = json.loads(capsys.readouterr().out)
    with_api = answer_told(ToldIn(lines=lines, answers={"1": "level"}), NoLarder())
    assert answer == json.loads(with_api.model_dump_json())
    assert main(["reckon", "told", "2 L milk to half", "100 g besan"]) == 0
    lacking = capsys.readouterr().out
    assert "Write what came of it" in lacking and "I do not know what that is" in lacking
    assert main(["reckon", "told", *lines, "--answer", "second=level", "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == "answer"


def test_sweets_from_a_wish_and_from_what_there_is(capsys, monkeypatch):
    assert main([*KALAKAND, "--have", "C 380 g", "--have", "milk 1.1 L"]) == 0
    said = capsys.readouterr().out
    assert "your chhena" in said and "Keep cooking to" in said and "pieces" in said
    assert main([*KALAKAND, "--want", "24", "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    assert told["pieces"]["likely"] >= 24 and told["slab"]["grid"]["along"] >= 4
    body = {
        "sweet": "kalakand",
        "want": "24",
        "pan": {"name": "pan", "shape": {"kind": "straight", "diameter_m": 0.24, "height_m": 0.14}},
        "burner": {},
        "kitchen": {},
    }
    monkeypatch.setattr("sys.stdin", io.StringIO(json.dumps(body)))
    assert main([*KALAKAND, "--json", "-"]) == 0
    again = json.loads(capsys.readouterr().out)
    assert again["finished"]["likely"] == pytest.approx(told["finished"]["likely"])
    assert main(["reckon", "sweet", "--sweet", "fried-balls", "--change", "soak.brix=70"]) == 0
    said = capsys.readouterr().out
    assert "Fat at" in said and "Syrup:" in said and "beyond the usual" in said


def test_freeze_swap_and_syrup_in_words_and_json(capsys):
    assert main(["reckon", "freeze", "--each", "70 ml", "--freezer", "-20", "--fan"]) == 0
    said = capsys.readouterr().out
    assert "begins to freeze at -2.7 °C" in said and "% of the water" in said
    assert main(["reckon", "freeze", "--mould", "clay", "--json"]) == 0
    assert json.loads(capsys.readouterr().out)["answer"]["dip_s"] is None
    assert main(["reckon", "swap", "khoya-pindi", "--most", "whole-powder 10 g"]) == 0
    assert "Leave it out" in capsys.readouterr().out
    assert main(["reckon", "swap", "--json"]) == 0
    assert json.loads(capsys.readouterr().out)["ways"][0]["good"]
    assert main(["reckon", "syrup", "--sugar", "450 g", "--water", "1 L", "--to", "50"]) == 0
    assert "31.0 °Brix" in capsys.readouterr().out
    assert main(["reckon", "syrup", "--boils", "106", "--water-boils", "100", "--json"]) == 0
    assert json.loads(capsys.readouterr().out)["stage"] == "one thread"


@pytest.mark.parametrize(
    ("flags", "field"),
    [
        (["sweet", "--sweet", "gravel"], "sweet"),
        (["sweet", "--change", "much"], "change"),
        (["sweet", "--milk", "honey"], "milk"),
        (["freeze", "--sweet", "burfi"], "sweet"),
        (["swap", "gravel"], "ingredient"),
        (["syrup"], "brix"),
    ],
)
def test_sweets_that_cannot_be_reckoned_name_the_word(capsys, flags, field):
    assert main(["reckon", *flags, "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == field


@pytest.mark.parametrize(
    "option", [["--tls"], ["--host", "0.0.0.0"], ["--host", "192.168.1.5"], ["--name", "kitchen.lan"]]
)
def test_the_house_is_served_only_when_that_is_said(tmp_path, capsys, option):
    assert main(["serve", "--data", str(tmp_path / "data"), *option]) == 2
    assert "--home" in capsys.readouterr().err
    assert not (tmp_path / "data").exists()


SHAPE = {"kind": "straight", "diameter_m": 0.28, "height_m": 0.14}
A_DAY = {
    "sweets": [{"plan": {"sweet": "basundi", "want": "1.2 kg"}}, {"plan": {"sweet": "kalakand", "want": "24"}}],
    "serve_s": 1_800_054_000,
    "now_s": 1_800_000_000,
    "kitchen": {
        "pans": [{"name": "kadhai", "shape": SHAPE}, {"name": "pot", "shape": SHAPE}],
        "burners": [{"name": "left"}, {"name": "right"}],
    },
}


def test_a_day_from_a_file_in_words_and_as_lines(tmp_path, capsys):
    file = tmp_path / "supper.json"
    file.write_text(json.dumps(A_DAY))
    assert main(["reckon", "day", str(file)]) == 0
    said = capsys.readouterr().out
    assert said.startswith("On time, with ") and "kalakand: Acid in" in said
    assert main(["reckon", "day", str(file), "--json", "--seconds", "0.2"]) == 0
    lines = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    costs = [line["plan"]["cost"] for line in lines]
    assert costs and costs == sorted(costs, reverse=True)
    file.write_text(json.dumps({**A_DAY, "serve_s": 1_800_010_000}))
    assert main(["reckon", "day", str(file), "--seconds", "0.2"]) == 0
    assert "would be" in (said := capsys.readouterr().out) and "Without the kalakand: 0 minutes late then." in said


@pytest.mark.parametrize(
    ("text", "field"),
    [
        ("no json", "file"),
        ("{}", "sweets"),
        (json.dumps({**A_DAY, "serve_s": 1}), "serve_s"),
        (json.dumps({**A_DAY, "sweets": [{"plan": {"sweet": "moon", "want": "3"}}]}), "sweets.0.sweet"),
        (json.dumps({**A_DAY, "sweets": [{"plan": {"sweet": "kulfi", "want": "3", "pan": 9}}]}), "sweets.0.pan"),
    ],
)
def test_a_day_that_cannot_be_read_names_its_place(tmp_path, capsys, text, field):
    file = tmp_path / "supper.json"
    file.write_text(text)
    assert main(["reckon", "day", str(file), "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == field
    assert main(["reckon", "day", str(tmp_path / "none.json"), "--json"]) == 2
    assert json.loads(capsys.readouterr().out)["field"] == "file"
