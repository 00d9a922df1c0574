"""The command line's contract."""

from __future__ import annotations

import json
import subprocess
import sys

import pytest

from mealshift.cli import main

from .kitchen import DEMO, demo

PILAF = str(DEMO / "01-tomato-pilaf.txt")


def run(capsys: pytest.CaptureFixture[str], *argv: str) -> tuple[int, str, str]:
    code = main(argv)
    out, err = capsys.readouterr()
    return code, out, err


def test_pot_prints_the_contract(capsys) -> None:
    code, out, _ = run(capsys, "pot", "--grain", "little-millet", "--amount", "1 cup", "--soak", "30 min", "--json")
    data = json.loads(out)
    assert code == 0 and data["schema"] == 1
    assert {
        "grain",
        "dry",
        "method",
        "texture",
        "lid",
        "water",
        "soak",
        "roast",
        "time",
        "yield",
        "done_when",
        "ledger",
        "time_ledger",
        "cautions",
        "basis",
    } <= set(data)
    assert set(data["water"]) >= {
        "pour_ml",
        "reserve_ml",
        "low_ml",
        "high_ml",
        "ratio_by_volume",
        "depth_above_cm",
        "pour_said",
    }
    said = data["water"]["pour_said"]
    # a quarter of their cup where one is near enough, else as the jug shows it
    assert (
        said["unit"] == "cup"
        and said["amount"] % 0.25 == 0
        or said == {"unit": "ml", "amount": data["water"]["jug_ml"]}
    )
    assert sum(r["ml"] for r in data["ledger"]) == data["water"]["pour_ml"]
    assert data["water"]["ratio_by_volume"] == round(data["water"]["pour_ml"] / data["dry"]["ml"], 2)


def test_open_lid_means_open(capsys) -> None:
    data = json.loads(run(capsys, "pot", "--grain", "quinoa", "--amount", "240 ml", "--lid", "open", "--json")[1])
    assert (data["method"], data["lid"]) == ("open", "open")


def test_read_and_shift_and_grains(capsys) -> None:
    read_data = json.loads(run(capsys, "read", PILAF, "--json")[1])
    assert read_data["source_grain"] == {"slug": "rice-white-long", "as": "raw", "ml": 384.6, "g": 300.0, "line": 0}
    shift_data = json.loads(run(capsys, "shift", PILAF, "--to", "quinoa:1", "--pot-cm", "22", "--json")[1])
    assert {"title", "from", "pots", "ingredients", "steps", "changes", "check", "problems", "cautions"} <= set(
        shift_data
    )
    assert {ln["text"] for ln in read_data["lines"]} <= {i["was"] for i in shift_data["ingredients"]}
    grains = json.loads(run(capsys, "grains", "--json")[1])["grains"]
    assert len(grains) >= 40 and all(g["done_when"] for g in grains)
    code, text, _ = run(capsys, "shift", PILAF, "--to", "quinoa")
    assert code == 0 and "305 ml" not in text and "quinoa" in text
    # cooked grain is cooked first: its water is a line of its own that the recipe did not have
    cooked = str(next(DEMO.glob("09*")))
    text = run(capsys, "shift", cooked, "--to", "quinoa")[1]
    assert "ml water   (new)" in text and "None" not in text


@pytest.mark.parametrize(
    "argv",
    [
        [],
        ["frobnicate"],
        ["pot"],
        ["pot", "--grain", "dust", "--amount", "1 cup"],
        ["pot", "--grain", "quinoa", "--amount", "much"],
        ["pot", "--grain", "quinoa", "--amount", "-1 cup"],
        ["pot", "--grain", "quinoa", "--amount", "1 cup", "--lid", "sealed", "--method", "open"],
        ["pot", "--grain", "quinoa", "--amount", "1 cup", "--altitude", "9000"],
        ["pot", "--grain", "quinoa", "--amount", "1 cup", "--watts", "0"],
        ["pot", "--grain", "quinoa", "--amount", "1 cup", "--pot-cm", "nan"],
        ["pot", "--grain", "quinoa", "--amount", "1 cup", "--soak", "1 month"],
        ["pot", "--grain", "rice-risotto", "--amount", "1 cup", "--texture", "separate"],
        ["shift", "no-such-file", "--to", "quinoa"],
        ["shift", PILAF, "--to", "dust"],
        ["shift", PILAF],
        ["shift", PILAF, "--to", "quinoa", "--servings", "many"],
        ["read", "/"],
    ],
)
def test_bad_input_is_one_line_and_exit_2(capsys, argv: list[str]) -> None:
    code, out, err = run(capsys, *argv)
    assert code == 2 and out == ""
    assert len(err.strip().splitlines()) == 1 and len(err) > 20
    assert "Traceback" not in err and "usage:" not in err


def test_binary_and_empty_files(capsys, tmp_path) -> None:
    (tmp_path / "b").write_bytes(bytes(range(256)) * 20)
    (tmp_path / "e").write_text("")
    for name in "be":
        code, _, err = run(capsys, "read", str(tmp_path / name))
        assert code == 2 and len(err.strip().splitlines()) == 1


def test_a_dinner_names_the_file_at_fault_and_cooks_what_has_no_grain_as_it_is(capsys, tmp_path) -> None:
    side, odd = tmp_path / "carrots.txt", tmp_path / "list.txt"
    side.write_text(
        "Carrots\n\n1 kg carrots\n2 tbsp oil\n\n1. Heat the oven to 210 °C.\n2. Toss the carrots with the oil.\n3. Roast for 35 minutes.\n"
    )
    odd.write_text("Buy\n\nbread\n")
    at = ("--serve-at", "19:00", "--now", "2026-11-25T12:00")
    code, out, _ = run(capsys, "plan", f"{PILAF}=quinoa", str(side), *at)
    assert code == 0 and "Carrots: Roast for 35 minutes  [oven]" in out
    for word, says in (
        (str(odd), "list.txt: "),
        (f"{PILAF}=quinoa,method=fry", "pilaf.txt: "),
        (f"{PILAF}=quinoa,stirred", "is no choice of a dish"),
        (f"{PILAF}=nothing", "pilaf.txt: "),
    ):
        code, _, err = run(capsys, "plan", f"{PILAF}=quinoa", word, *at)
        assert code == 2 and says in err and len(err.strip().splitlines()) == 1
    for text in ("25:00", "13 pm", "Someday 19:00", "T 19:00", "soon"):
        assert run(capsys, "plan", PILAF, "--serve-at", text, *at[2:])[0] == 2


def test_whistles_and_releases_belong_to_a_pressure_cooker(capsys) -> None:
    data = json.loads(
        run(capsys, "pot", "--grain", "rice-brown-long", "--amount", "1 cup", "--whistles", "6", "--json")[1]
    )
    assert data["method"] == "pressure" and data["time"]["cook"]["typical"] == 15
    for more in (["--method", "covered", "--whistles", "3"], ["--release", "quick"]):
        assert run(capsys, "pot", "--grain", "rice-brown-long", "--amount", "1 cup", *more)[0] == 2


@pytest.mark.parametrize(
    ("argv", "says"),
    [
        (["pot", "--grain", "quinoa", "--amount", "1 cup"], "keep 60 ml hot beside it"),
        (["pot", "--grain", "quinoa", "--water", "500 ml"], "pour 500 ml"),
        (["pot", "--grain", "quinoa", "--depth-cm", "1"], "quinoa, fluffy"),
        (["pot", "--grain", "quinoa", "--fill"], "quinoa, fluffy"),
        (["compare", PILAF, "--by-hours", "1", "--gluten-free"], "as the dish wants"),
        (["read", PILAF], "source_grain 300 g long-grain white rice"),
        (["grains"], "foxtail-millet"),
        (["plan", PILAF, "--serve-at", "19:00", "--now", "2026-11-25T12:00"], "Wed 19:00  serve"),
        (["shift", PILAF, "--to", "quinoa:1", "--to", "couscous:1"], "in a pot of its own"),
        (
            [
                "plan",
                f"{PILAF}=barley-hulled,method=pressure,soak=8 h",
                "--serve-at",
                "Sat 7 pm",
                "--now",
                "2026-11-25T12:00",
            ],
            "let the pressure fall, then rest",
        ),
        (
            ["plan", f"{PILAF}=barley-hulled,soak=8 h", "--serve-at", "tomorrow 19.00", "--now", "2026-11-25T12:00"],
            "Thu 19:00  serve",
        ),
        (
            ["plan", f"{PILAF}=quinoa:1+wild-rice:1", "--serve-at", "1900", "--now", "2026-11-25T12:00"],
            "in quinoa and wild rice: rinse grain",
        ),
    ],
)
def test_it_speaks_to_people_too(capsys, argv, says) -> None:
    code, out, _ = run(capsys, *argv)
    assert code == 0 and says in out


ALONE = """
import sys
class NotInstalled:
    def find_spec(self, name, path=None, target=None):
        if name.split(".")[0] in ("django", "ninja", "pydantic", "ortools", "PIL", "gunicorn", "whitenoise"):
            raise ImportError(name)
sys.meta_path.insert(0, NotInstalled())
from mealshift.cli import main
sys.exit(main(sys.argv[1:]))
"""


@pytest.mark.parametrize(
    ("args", "rc", "said"),
    [
        (["shift", "{dish}", "--to", "quinoa"], 0, "quinoa"),
        (["pot", "--grain", "quinoa", "--amount", "200 g"], 0, "ml"),
        (["plan", "{dish}=quinoa", "--serve-at", "19:00"], 2, "mealshift[plan]"),
    ],
)
def test_the_command_line_needs_no_server_and_no_solver(args: list[str], rc: int, said: str, tmp_path) -> None:
    dish = tmp_path / "dish.txt"
    dish.write_text(demo("08"), encoding="utf-8")
    asked = [x.format(dish=dish) for x in args]
    done = subprocess.run([sys.executable, "-c", ALONE, *asked], capture_output=True, text=True, check=False)
    assert done.returncode == rc and said in done.stdout + done.stderr
    assert rc == 0 or len(done.stderr.strip().splitlines()) == 1
