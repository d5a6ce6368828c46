"""Rules of the repository that no linter knows."""

from __future__ import annotations

import json
import re
import subprocess
import sys
from pathlib import Path

import pytest

from dearhost.cli import build_parser
from dearhost.production import ensure_speakable, open_script, production_from_json
from server.config.api import api
from tests.conftest import ROOT

TRACKED = [
    ROOT / name
    for name in subprocess.run(
        ["git", "ls-files", "-z", "--cached", "--others", "--exclude-standard"],
        cwd=ROOT,
        capture_output=True,
        text=True,
    ).stdout.split("\0")
    if name and (ROOT / name).is_file()
]
PYTHON = [p for p in TRACKED if p.suffix == ".py" and p.relative_to(ROOT).parts[0] in ("dearhost", "server")]


def test_modules_keep_one_job() -> None:
    assert len(PYTHON) > 50
    sizes = {str(p.relative_to(ROOT)): len(p.read_text().splitlines()) for p in PYTHON}
    assert {name: lines for name, lines in sizes.items() if lines > 400} == {}


def test_module_names_say_what_is_in_them() -> None:
    vague = {"utils", "util", "helpers", "helper", "misc", "common", "manager", "base", "core", "tools"}
    assert [p for p in PYTHON if p.stem in vague] == []


def test_the_pages_of_the_documentation_know_every_command() -> None:
    readme = (ROOT / "README.md").read_text()
    commands = build_parser()._subparsers._group_actions[0].choices  # type: ignore[union-attr]
    assert {"render", "speak", "mouth", "check", "voices", "hosts"} <= set(commands or ())
    assert [c for c in commands or () if f"dear-host {c}" not in readme] == []
    for page in [ROOT / "README.md", ROOT / "CONTRIBUTING.md", *sorted((ROOT / "docs").glob("*.md"))]:
        for target in re.findall(r"\]\(([^)#:]+)\)", page.read_text()):
            assert (page.parent / target).exists(), (page.name, target)


def test_the_architecture_page_names_every_package() -> None:
    page = (ROOT / "docs" / "architecture.md").read_text()
    packages = [p.parent for p in PYTHON if p.name == "__init__.py" and p.parent.parent.name in ("dearhost", "server")]
    assert [p.name for p in packages if f"`{p.name}" not in page and f"{p.name}/`" not in page] == []


def test_the_clients_types_are_those_of_the_server(tmp_path: Path) -> None:
    (tmp_path / "openapi.json").write_text(json.dumps(api.get_openapi_schema(), default=str))
    made = tmp_path / "schema.ts"
    tool = ROOT / "web" / "node_modules" / ".bin" / "openapi-typescript"
    subprocess.run([tool, tmp_path / "openapi.json", "-o", made], check=True, capture_output=True, cwd=ROOT / "web")
    kept = (ROOT / "web" / "src" / "shared" / "api" / "schema.ts").read_text()
    assert made.read_text() == kept, "Run 'make client'."


@pytest.mark.parametrize("name", ["requirements.lock", "web/package-lock.json"])
def test_locks_name_no_registry(name: str) -> None:
    assert re.findall(r"https?://[^\s\"']+\.(?:tgz|whl|tar\.gz)", (ROOT / name).read_text()) == []
    assert "--index-url" not in (ROOT / name).read_text()


def test_no_file_names_a_folder_of_one_machine() -> None:
    homes = re.compile("|".join([r"/ho" + "me/", r"/ro" + "ot/", r"/wo" + "rk/"]))
    texts = [p for p in TRACKED if p.suffix in (".py", ".ts", ".tsx", ".md", ".toml", ".sh", ".json", ".css", ".lock")]
    assert [str(p) for p in texts if homes.search(p.read_text(encoding="utf-8"))] == []


def test_every_demo_production_can_be_rendered() -> None:
    listed = json.loads((ROOT / "demo" / "productions.json").read_text())
    sources = {"causeway-article.md", "causeway-comments.txt"}  # what a production was begun from
    files = {p.name for p in (ROOT / "demo").iterdir() if p.is_file()} - {"productions.json"} - sources
    assert {entry["script"] for entry in listed} == files and len(files) == 6
    on_shelf = {row["file"] for row in json.loads((ROOT / "demo" / "shelf" / "shelf.json").read_text())}
    assert on_shelf == {p.name for p in (ROOT / "demo" / "shelf").iterdir()} - {"shelf.json"}
    for entry in listed:
        ensure_speakable(open_script(ROOT / "demo" / entry["script"]))
    with pytest.raises(Exception, match="scenes"):
        production_from_json({"script": {}})


def test_a_server_begins_without_a_compiler() -> None:
    """It takes 60 MB and most of a second, and is not needed until something is heard or played."""
    told = subprocess.run(
        [sys.executable, "-c", "import sys, server.config.asgi, server.config.urls; print(*sys.modules)"],
        check=True, capture_output=True, text=True, cwd=ROOT,
    )  # fmt: skip
    loaded = set(told.stdout.split())
    assert "server.productions.painters" in loaded
    assert not {"numba", "llvmlite", "onnxruntime", "parselmouth", "sklearn"} & loaded


def test_processes_that_draw_load_nothing_that_is_for_sound() -> None:
    """There are several of them, and each such library takes 20 to 80 MB."""
    slow_to_load = "scipy.signal scipy.ndimage parselmouth sklearn onnxruntime pocketsphinx pyloudnorm django"
    told = subprocess.run(
        [sys.executable, "-c", "import sys, dearhost.render.chunk_worker, dearhost.render.colour; print(*sys.modules)"],
        check=True, capture_output=True, text=True, cwd=ROOT,
    )  # fmt: skip
    assert not set(slow_to_load.split()) & set(told.stdout.split())
