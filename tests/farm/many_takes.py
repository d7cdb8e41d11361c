"""Many short takes and a job for them, to be run over: for the farm's test and its benchmark."""
import json
import shutil
import subprocess


def make_takes(build, work, takes):
    """One short take under many names, each moved a little differently: no two are the same motion."""
    cli = build / "src/cli/wembrix-cli"
    shutil.rmtree(work, ignore_errors=True)
    (work / "takes").mkdir(parents=True)
    subprocess.run([build / "demo/wembrix-demo-maker", work], check=True, stdout=subprocess.DEVNULL)
    job = json.loads((work / "tansy.wembrix").read_text())
    job["destinations"] = job["destinations"][1:]
    job["destinations"][0]["container"] = "bvh"
    (work / "source.wembrix").write_text(json.dumps(job))
    subprocess.run([cli, "deliver", work / "source.wembrix", "--out", work / "bvh"], check=True, stdout=subprocess.DEVNULL)
    text = (work / "bvh/Lantern_web_view/tansy_stamp.bvh").read_text()
    head, motion = text.split("MOTION\n")
    frames = motion.splitlines()[2:14]
    for number in range(takes):
        own = []
        for frame in frames:
            values = frame.split()
            values[0] = f"{float(values[0]) + 0.001 * number:.6f}"
            own.append(" ".join(values))
        (work / f"takes/take_{number:04}.bvh").write_text(
            head + "MOTION\n" + f"Frames: {len(own)}\nFrame Time: 0.0333333\n" + "\n".join(own) + "\n")
    job = json.loads((work / "tansy.wembrix").read_text())
    job["destinations"] = job["destinations"][1:]
    job["sources"] = ["tansy_model.glb"]
    job["steps"] = [step for step in job["steps"] if step["step"] != "split_take"]
    (work / "over.wembrix").write_text(json.dumps(job))
