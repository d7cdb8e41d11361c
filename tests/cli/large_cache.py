#!/usr/bin/env python3
"""A cache of some 2 GB: in memory that does not grow with it, and whole or not at all when it is killed or has no room.

usage: large_cache.py BUILD_FOLDER
"""
import json
import os
import pathlib
import resource
import shutil
import signal
import subprocess
import sys
import time

build = pathlib.Path(sys.argv[1]).resolve()
cli = build / "src/cli/wembrix-cli"
work = build / "large-cache-test"
shutil.rmtree(work, ignore_errors=True)
work.mkdir(parents=True)
subprocess.run([build / "demo/wembrix-demo-maker", work], check=True, stdout=subprocess.DEVNULL)
failed = 0


def complain(what):
    global failed
    failed += 1
    print("not so:", what)


def job(name, strands, seed):
    made = json.loads((work / "tansy_strands.wembrix").read_text())
    made["name"] = "crest"
    made["destinations"] = made["destinations"][:1]
    made["destinations"][0]["rate"] = 60
    made["steps"] = [s for s in made["steps"] if s.get("strands", s.get("name")) != "bag_fringe"]
    for step in made["steps"]:
        if step["step"] == "grow_strands":
            step.update(count=strands, seed=seed, trimmed=False)
    path = work / f"{name}.wembrix"
    path.write_text(json.dumps(made))
    return path


def deliver(path, **more):
    return subprocess.Popen([cli, "deliver", path, "--out", work / "out"], stdout=subprocess.PIPE,
                            stderr=subprocess.PIPE, text=True, **more)


def files():
    return {p.name: (p.stat().st_size, p.stat().st_mtime_ns) for p in (work / "out").rglob("*")
            if p.is_file() and not any(part.startswith(".wembrix-") for part in p.parts) and p.suffix != ".json"}


small = deliver(job("small", 400, 1))
small.communicate()
before = files()
cache = [name for name in before if name.endswith("shake_off.usdc")]
if small.returncode != 0 or len(cache) != 1:
    complain(f"a small one is delivered first: {before}")
peak_small = resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss

large = job("large", 42000, 2)
for seconds in (3, 5, 8, 12):
    run = deliver(large)
    time.sleep(seconds)
    ended = run.poll() is not None
    run.send_signal(signal.SIGKILL)
    run.communicate()
    after = files()
    if not ended and after != before:
        changed = {name for name in after if after.get(name) != before.get(name)}
        if cache[0] in changed and after[cache[0]][0] < 1e9:
            complain(f"killed after {seconds} s the old cache is there, or the new one, whole: {after}")
limited = deliver(large, preexec_fn=lambda: (signal.signal(signal.SIGXFSZ, signal.SIG_IGN),
                                             resource.setrlimit(resource.RLIMIT_FSIZE, (500_000_000, 500_000_000))))
said = limited.communicate()
if limited.returncode != 2 or "disk has room" not in said[1]:
    complain(f"no room is one clear sentence: {limited.returncode} {said[1]}")
if files() != before:
    complain("with no room all stays as it was")
started = time.time()
run = deliver(large)
said = run.communicate()
size = (files().get(cache[0]) or (0, 0))[0]
peak = resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss
print(f"{size / 1e9:.2f} GB in {time.time() - started:.0f} s, at most {peak / 1e6:.2f} GB in memory "
      f"(a small one: {peak_small / 1e6:.2f} GB)")
if run.returncode != 0 or size < 2e9:
    complain(f"the large one arrives: {run.returncode} {said[0][-2000:]} {said[1]}")
if peak * 1024 > 1.0e9:
    complain("memory does not grow with the cache")
shutil.rmtree(work, ignore_errors=True)
sys.exit(1 if failed else 0)
