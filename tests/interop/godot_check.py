#!/usr/bin/env python3
"""Holds what the engine imported against our own evaluation of the same files.

usage: godot_check.py LOOK.json OURS_DIR
The engine rewrites some bone names, so bones are paired by place.
"""
import json, math, pathlib, sys

look = json.loads(pathlib.Path(sys.argv[1]).read_text())
folder = pathlib.Path(sys.argv[2])
failed = 0


def apart(a, b):
    return math.dist(a, b)


def check(name, there):
    ours = json.loads((folder / (name + ".json")).read_text())
    if there is None:
        return ["was not imported"]
    wrong = []
    size = ours["size"]
    limit = max(1e-4 * size, 1e-5)
    mine = [(j["name"], j["parent"], ours["rest"]["joints"][j["name"]]) for j in ours["joints"]]
    places = {n: at for n, _, at in mine}
    if len(mine) != len(there["bones"]):
        wrong.append(f"{len(there['bones'])} bones there, {len(mine)} joints here")
    # Each joint takes one bone at its place whose parent is at its parent's place.
    free = list(range(len(there["bones"])))
    for n, parent, at in mine:
        for b in free:
            bone = there["bones"][b]
            above = there["bones"][bone["parent"]]["at"] if bone["parent"] >= 0 else None
            same_parent = (above is None) == (parent is None) and (above is None or apart(above, places[parent]) <= limit)
            if apart(bone["at"], at) <= limit and same_parent:
                free.remove(b)
                break
        else:
            wrong.append(f"no bone stands where {n} does, below the same parent")
    low, high = [1e30] * 3, [-1e30] * 3
    for surface in ours["rest"]["surfaces"].values():
        for p in surface["points"]:
            low = [min(a, b) for a, b in zip(low, p)]
            high = [max(a, b) for a, b in zip(high, p)]
    sampled = any(s["step"] > 1 for s in ours["rest"]["surfaces"].values())
    if there["bounds"] is not None and high[0] > -1e29 and sum(s["count"] for s in ours["rest"]["surfaces"].values()) > 10:
        reach = 0.02 * size if sampled else limit
        if apart(there["bounds"][0], low) > reach or apart(there["bounds"][1], high) > reach:
            wrong.append(f"bounds {there['bounds']} there, {low} {high} here")
    if len(there["clips"]) != len(ours["clips"]):
        wrong.append(f"{len(there['clips'])} clips there, {len(ours['clips'])} here")
    for clip in ours["clips"]:
        same = [c for c in there["clips"] if c["name"] == clip["name"]]
        if not same:
            wrong.append(f"clip {clip['name']} is missing: {[c['name'] for c in there['clips']]}")
        elif abs(same[0]["seconds"] - clip["seconds"]) > 1e-3:
            wrong.append(f"clip {clip['name']} lasts {same[0]['seconds']} s there, {clip['seconds']} s here")
        elif same[0]["tracks"] < len(mine):
            wrong.append(f"clip {clip['name']} moves {same[0]['tracks']} tracks for {len(mine)} joints")
    return wrong


bones = 0
for name in sorted(look):
    problems = check(name, look[name])
    bones += len(look[name]["bones"]) if look[name] else 0
    for problem in problems[:4]:
        print(f"{name}: {problem}")
    failed += bool(problems)
print(f"engine: {len(look) - failed} of {len(look)} files imported as delivered · {bones} bones")
sys.exit(1 if failed or not look else 0)
