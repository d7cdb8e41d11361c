#!/usr/bin/env python3
"""Holds what the engine imported against our own evaluation of the same files.

usage: godot_check.py ask OURS_DIR            writes asked.json: which moments of which clips to play, and what repeats
       godot_check.py LOOK.json OURS_DIR
The engine rewrites some bone names, so bones are paired by place.
"""
import json, math, pathlib, sys

if sys.argv[1] == "ask":
    folder = pathlib.Path(sys.argv[2])
    asked = {}
    for ours in sorted(folder.glob("*.glb.json")):
        repeats = set()
        manifest = folder / (ours.name.removesuffix(".glb.json") + ".repeats")
        if manifest.exists():
            repeats = set(manifest.read_text().split())
        asked[ours.name.removesuffix(".json")] = {
            clip["name"]: {"at": [f["seconds"] for f in clip["frames"]], "repeats": clip["name"] in repeats}
            for clip in json.loads(ours.read_text())["clips"]}
    (folder / "asked.json").write_text(json.dumps(asked))
    sys.exit(0)

look = json.loads(pathlib.Path(sys.argv[1]).read_text())
folder = pathlib.Path(sys.argv[2])
failed = 0


def apart(a, b):
    return math.dist(a, b)


def check_shapes(ours, there, limit):
    """Names, order, and where the vertices are with each shape alone, half of it, and some of all."""
    wrong = []
    # A point that only lends its shapes' names has nothing to be moved.
    mine = [s for s in ours["shaped"] if len(s["states"][0]["points"]) > 1]
    for surface in mine:
        same = [s for s in there["shaped"] if s["names"] == surface["names"] and
                len(s["base"]) == len(surface["states"][0]["points"])]
        if not same:
            wrong.append(f"{surface['surface']}: no mesh with its {len(surface['names'])} shapes, in order, and its vertices there")
            continue
        mesh = same[0]
        for state in surface["states"]:
            far = 0
            for v, (at, base) in enumerate(zip(state["points"], mesh["base"])):
                place = list(base)
                for weight, target in zip(state["weights"], mesh["targets"]):
                    if weight:
                        for k in range(3):
                            place[k] += weight * (target[v][k] - (0 if mesh["relative"] else base[k]))
                far = max(far, apart(place, at))
            shapes["states"] += 1
            shapes["worst"] = max(shapes["worst"], far / (limit / 1e-5))
            if far > limit:
                wrong.append(f"{surface['surface']}: shapes at {state['weights']} are {far * 1000:.4f} mm apart")
    return wrong


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
    pairs = {}
    for n, parent, at in mine:
        for b in free:
            bone = there["bones"][b]
            above = there["bones"][bone["parent"]]["at"] if bone["parent"] >= 0 else None
            same_parent = (above is None) == (parent is None) and (above is None or apart(above, places[parent]) <= limit)
            if apart(bone["at"], at) <= limit and same_parent:
                free.remove(b)
                pairs[n] = b
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
    wrong += check_shapes(ours, there, 1e-5 * size)
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
        # Played by the engine: where every bone is, how many keys there are, and no stutter from round to round.
        played = there["played"].get(clip["name"])
        if played is None:
            wrong.append(f"clip {clip['name']} was not played")
            continue
        if played["keys"] != clip["keys"]:
            wrong.append(f"clip {clip['name']} has {played['keys']} frames there, {clip['keys']} here")
        for frame, places in zip(clip["frames"], played["at"]):
            for n, b in pairs.items():
                far = apart(places[b], frame["joints"][n])
                worst["mm"] = max(worst["mm"], far * 1000)
                if far > limit:
                    wrong.append(f"clip {clip['name']} at {frame['seconds']:.3f} s: {n} is {far * 1000:.3f} mm away")
        for frame, weights in zip(clip["frames"], played["weights"]):
            for surface, mine_now in frame["shape_weights"].items():
                there_now = weights.get(surface) or (list(weights.values())[0] if len(weights) == 1 else None)
                if there_now is None or len(there_now) != len(mine_now):
                    wrong.append(f"clip {clip['name']} has no shapes of {surface} there")
                    continue
                far = max(abs(a - b) for a, b in zip(there_now, mine_now))
                shapes["weights"] += len(mine_now)
                shapes["moved"] = max(shapes["moved"], max(mine_now))
                if far > 1e-3:
                    wrong.append(f"clip {clip['name']} at {frame['seconds']:.3f} s: shapes of {surface} weigh {far:.4f} otherwise")
        worst["bones"] += len(pairs) * len(clip["frames"])
        if "across" in played:
            loops.append(clip["name"])
            if played["rounds"] < 2 or played["across"] > 1.2 * played["inside"] + limit:
                wrong.append(f"clip {clip['name']} stutters: {played['across'] * 1000:.1f} mm across its end, at most "
                             f"{played['inside'] * 1000:.1f} mm elsewhere, {played['rounds']} times")
    return wrong


worst = {"mm": 0, "bones": 0}
shapes = {"states": 0, "worst": 0, "weights": 0, "moved": 0}
loops = []
bones = 0
for name in sorted(look):
    problems = check(name, look[name])
    bones += len(look[name]["bones"]) if look[name] else 0
    for problem in problems[:4]:
        print(f"{name}: {problem}")
    failed += bool(problems)
print(f"engine: {len(look) - failed} of {len(look)} files imported as delivered · {bones} bones · "
      f"{worst['bones']} places played, farthest {worst['mm']:.4f} mm · {len(loops)} loops played three times without a stutter: "
      f"{' '.join(sorted(loops))}")
print(f"engine: {shapes['states']} states of shapes, farthest {shapes['worst']:.2e} of the height · "
      f"{shapes['weights']} weights played, the largest {shapes['moved']:.2f}")
few = len(loops) < 3 or shapes["states"] < 10 or shapes["moved"] < 0.2
sys.exit(1 if failed or not look or few else 0)
