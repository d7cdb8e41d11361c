#!/usr/bin/env python3
"""How long a run over many short takes lasts on two nodes of a real scheduler, and on one of them; a core each.

usage: farm_nodes.py BUILD_FOLDER [TAKES]      needs root and Debian's slurm-wlm and munge, and nothing else running
"""
import os
import pathlib
import subprocess
import sys
import time

here = pathlib.Path(__file__).resolve().parent
sys.path.insert(0, str(here.parent / "tests/farm"))
from many_takes import make_takes  # noqa: E402

build = pathlib.Path(sys.argv[1]).resolve()
takes = int(sys.argv[2]) if len(sys.argv) > 2 else 2000
cli = build / "src/cli/wembrix-cli"
work = build / "farm-bench"
cluster = build / "farm-bench-cluster"
make_takes(build, work, takes)
subprocess.run(["bash", here.parent / "tests/farm/two_nodes.sh", "start", cluster], check=True)
os.environ["SLURM_CONF"] = str(cluster / "slurm.conf")
# A node's processes would use whatever cores there are: each node is bound to one.
for core, node in enumerate(("n1", "n2")):
    subprocess.run(["taskset", "-acp", str(core), (cluster / f"{node}.started").read_text().strip()], check=True,
                   stdout=subprocess.DEVNULL)


def seconds(name):
    begin = time.monotonic()
    subprocess.run([cli, "farm", "run", work / "over.wembrix", "--takes", work / "takes", "--out", work / name, "--folder",
                    work / f"run_{name}", "--on", "slurm", "--look-every", "0.5", "--per-item", "50"], check=True,
                   stdout=subprocess.DEVNULL)
    lasted = time.monotonic() - begin
    made = len(list((work / name / "Lantern_web_view").glob("*.glb")))
    print(f"{name}: {lasted:.1f} s, {made} of {takes} files", flush=True)
    return lasted


try:
    two = seconds("two")
    subprocess.run(["scontrol", "update", "NodeName=n2", "State=DRAIN", "Reason=bench"], check=True)
    one = seconds("one")
    print(f"two nodes are {one / two:.2f} times as fast as one")
finally:
    subprocess.run(["bash", here.parent / "tests/farm/two_nodes.sh", "stop", cluster])
