#!/usr/bin/env python3
"""Runs over many takes through a real scheduler with two nodes, with everything killed at random meanwhile.

usage: farm.py BUILD_FOLDER [TAKES [KILLS]]
"""
import json
import os
import pathlib
import random
import shutil
import signal
import subprocess
import sys
import time

from many_takes import make_takes

here = pathlib.Path(__file__).resolve().parent
build = pathlib.Path(sys.argv[1]).resolve()
takes = int(sys.argv[2]) if len(sys.argv) > 2 else 48
kills = int(sys.argv[3]) if len(sys.argv) > 3 else 8
cli = build / "src/cli/wembrix-cli"
work = build / "farm-test"
cluster = build / "farm-cluster"
random.seed(20261130)
wrong = []


def check(holds, what):
    if not holds:
        wrong.append(what)
        print("not so:", what)


def coordinator(folder, out, *more, skewed=False):
    """`skewed`: it and its workers are on machines whose clock is an hour ahead; the files' own clock is not."""
    before = ["env", "NO_FAKE_STAT=1", "faketime", "-f", "+1h"] if skewed else []
    return subprocess.Popen([*before, cli, "farm", "run", work / "over.wembrix", "--takes", work / "takes", "--out", work / out,
                             "--folder", work / folder, "--on", "slurm", "--look-every", "0.2", "--per-item", "4",
                             "--tries", "60", *more],
                            stdout=subprocess.DEVNULL, stderr=subprocess.PIPE)


def status(folder):
    said = subprocess.run([cli, "farm", "status", work / folder, "--json"], capture_output=True)
    return json.loads(said.stdout)


def files_of(out):
    folder = work / out / "Lantern_web_view"
    return {path.name: path.read_bytes() for path in folder.iterdir()
            if path.is_file() and path.suffix == ".glb"}


def check_all(out, whole):
    """Everything arrived, once, and nothing of the dead is left."""
    folder = work / out / "Lantern_web_view"
    manifest = json.loads((folder / "delivery.json").read_text())
    listed = [row["file"] for row in manifest["files"]]
    check(len(listed) == len(set(listed)) == takes, f"{out}: each of {takes} files is listed once, and {len(listed)} are")
    check(not any(row.get("state") for row in manifest["files"]), f"{out}: nothing is still coming")
    check(files_of(out) == whole, f"{out}: the files are those of one run alone")
    subprocess.run([cli, "deliver", work / "over.wembrix", "--takes", work / "takes", "--out", work / out], check=True,
                   stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    left = [path.name for path in folder.iterdir() if path.name.startswith(".wembrix-") or path.name.endswith(".part")]
    check(not left, f"{out}: the next run takes away what the dead left: {left}")


def workers():
    """Processes of items that run now, on any node."""
    found = []
    for entry in pathlib.Path("/proc").iterdir():
        if entry.name.isdigit():
            try:
                words = (entry / "cmdline").read_bytes().split(b"\0")
            except OSError:
                continue
            if words[0] == str(cli).encode() and len(words) > 2 and (words[1] == b"deliver" or words[2] == b"task"):
                found.append(int(entry.name))
    return found


if os.geteuid() != 0 or not shutil.which("slurmctld"):
    print("farm: a scheduler of its own needs root and Debian's slurm-wlm and munge")
    sys.exit(77)
make_takes(build, work, takes)
subprocess.run([cli, "deliver", work / "over.wembrix", "--takes", work / "takes", "--out", work / "alone"], check=True,
               stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
whole = files_of("alone")
check(len(whole) == takes, f"one run alone makes all {takes}")
subprocess.run(["bash", here / "two_nodes.sh", "start", cluster], check=True)
os.environ["SLURM_CONF"] = str(cluster / "slurm.conf")
try:
    # Everything that can die does, at random moments.
    running = coordinator("killed", "out_killed")
    done = 0
    counts = {"coordinator": 0, "worker": 0, "node": 0}
    end = time.monotonic() + 900
    while time.monotonic() < end:
        time.sleep(random.uniform(0.1, 1.5))
        if running.poll() is not None:
            if running.returncode == 0:
                break
            check(False, "the coordinator ended with " + running.stderr.read().decode())
            break
        if done < kills:
            what = random.choice(list(counts))
            if what == "coordinator":
                running.kill()
                running.wait()
                running = coordinator("killed", "out_killed")
            elif what == "worker":
                victims = workers()
                if not victims:
                    continue
                os.kill(random.choice(victims), signal.SIGKILL)
            else:
                node = random.choice(["n1", "n2"])
                os.kill(int((cluster / f"{node}.started").read_text()), signal.SIGKILL)
                time.sleep(0.3)
                subprocess.run(["bash", here / "two_nodes.sh", "node", cluster, node], check=True)
            counts[what] += 1
            done += 1
    now = status("killed")
    check(now["failed"] == 0 and now["done"] == len(now["items"]), f"every item is done: {now['done']} of {len(now['items'])}")
    check_all("out_killed", whole)
    again = max(item["attempts"] for item in now["items"])

    # Two farms into one folder at a time, of the same takes.
    # The second one's machines are an hour ahead, where that can be made.
    both = [coordinator("first", "out_both"), coordinator("second", "out_both", skewed=bool(shutil.which("faketime")))]
    codes = [one.wait(timeout=600) for one in both]
    check(codes == [0, 0], f"both end well: {codes}")
    check_all("out_both", whole)
    # A second coordinator of one run is refused.
    shutil.rmtree(work / "twice", ignore_errors=True)
    first = coordinator("twice", "out_twice")
    while not (work / "twice/coordinator.lease").exists():
        time.sleep(0.05)
    second = coordinator("twice", "out_twice")
    check(second.wait(timeout=60) == 2 and b"already" in second.stderr.read(), "a second coordinator is refused")
    check(first.wait(timeout=600) == 0, "the first one ends well")

    # One node's disk is full: what it is given fails, with the reason; with room again all arrives.
    os.kill(int((cluster / "n2.started").read_text()), signal.SIGKILL)
    subprocess.run(["bash", here / "two_nodes.sh", "full", cluster, "n2"], check=True)
    full = coordinator("full", "out_full")
    said = ""
    end = time.monotonic() + 300
    while not said and full.poll() is None and time.monotonic() < end:
        time.sleep(0.3)
        if (work / "full/plan.json").exists() or (work / "full").exists():
            try:
                said = " ".join(item.get("problem", "") for item in status("full")["items"])
            except (ValueError, KeyError):
                pass
            said = said.strip()
    check(said != "", f"a node without room says so: {said[:200]!r}")
    os.kill(int((cluster / "n2.started").read_text()), signal.SIGKILL)
    time.sleep(0.3)
    subprocess.run(["bash", here / "two_nodes.sh", "node", cluster, "n2"], check=True)
    check(full.wait(timeout=600) == 0, "with room again it ends well")
    check_all("out_full", whole)
finally:
    subprocess.run(["bash", here / "two_nodes.sh", "stop", cluster])
print(f"farm: {takes} takes in {len(now['items'])} items, killed {counts}, at most {again} tries of an item; {len(wrong)} wrong")
sys.exit(1 if wrong else 0)
