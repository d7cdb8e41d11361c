#!/usr/bin/env python3
"""A delivery into the folder of an engine's project: the board waits until the engine has taken each file, and again
after the next version.

usage: engine_folder.py BUILD_FOLDER DEMO_FOLDER WORK_FOLDER
"""
import json, os, pathlib, shutil, signal, subprocess, sys

build, demo, work = (pathlib.Path(p).resolve() for p in sys.argv[1:4])
cli = build / "src/cli/wembrix-cli"
shutil.rmtree(work, ignore_errors=True)
project = work / "project"
(project / "models").mkdir(parents=True)
(work / "home").mkdir()
(project / "project.godot").write_text('config_version=4\n[application]\nconfig/name="folder"\n')
job = json.load(open(demo / "market_props.wembrix"))
job["destinations"] = [{k: v for k, v in job["destinations"][0].items() if k not in ("pictures", "report")}]
job["destinations"][0].update(folder=str(project / "models"), import_record="{file}.import")
path = demo / "engine_folder.wembrix"


def run(*words):
    done = subprocess.run([cli, *words], capture_output=True, text=True)
    return done.returncode, done.stdout + done.stderr


def board(*words):
    code, out = run("board", path, "--json", *words)
    return code, [cell["engine"] for cell in json.loads(out)["board"][0]["cells"]]


def engine():
    """Its editor imports what is new and quits; it may hang when it does, so it is ended with all it started."""
    return subprocess.Popen(["godot3-server", "--path", project, "--editor", "--quit"], start_new_session=True,
                            stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
                            env={**os.environ, "HOME": str(work / "home")})


versions = 0
for extra in ([], [{"step": "scale", "factor": 1.1}]):
    json.dump({**job, "steps": job["steps"] + extra}, open(path, "w"))
    code, out = run("deliver", path)
    assert code == 0, out
    code, states = board()
    assert code == 0 and states and set(states) == {"waiting"}, states
    code, states = board("--wait", "0.3")
    assert code == 1 and set(states) == {"waiting"}, "nobody took it, and it is not said that somebody did"
    editor = engine()
    try:
        code, states = board("--wait", "120")
    finally:
        os.killpg(editor.pid, signal.SIGKILL)
        editor.wait()
    assert code == 0 and set(states) == {"taken"}, states
    versions += len(states)
print(f"engine's folder: {versions} files handed over and taken, in two versions")
