#!/usr/bin/env python3
"""What a run over very many takes comes to on very many nodes: an event for each item and each change of a manifest.

usage: farm_scale.py --takes N --nodes N --cores N --per-folder N --per-item N
                     --start S --take S --change S --row S
Costs are of one core, measured (docs/scale.md): `start` of an item (the job is read and the model replayed), `take` of
one take, `change` of a manifest under its lock (read, written, synced), and `row` what each of its rows adds to that.
"""
import argparse
import heapq

options = argparse.ArgumentParser()
for name, kind in (("takes", int), ("nodes", int), ("cores", int), ("per-folder", int), ("per-item", int),
                   ("start", float), ("take", float), ("change", float), ("row", float)):
    options.add_argument("--" + name, type=kind, required=True)
at = options.parse_args()

settle_every = 1.0  # an item puts in place what has arrived so often, or twenty times as long as that takes, and at its end
workers = at.nodes * at.cores
items = []
for first in range(0, at.takes, at.per_folder):
    size = min(at.per_folder, at.takes - first)
    for begin in range(0, size, at.per_item):
        items.append((first // at.per_folder, min(at.per_item, size - begin)))
items.reverse()
free_at = {}   # when the lock of a folder is free
rows = {}      # of its manifest
events = []    # (time, worker, folder, takes left, when it settled last)
waited = held = busy = 0.0
end = 0.0


def begin(now):
    if items:
        folder, takes = items.pop()
        heapq.heappush(events, (now + at.start, folder, takes))
        return True
    return False


for _ in range(min(workers, len(items))):
    begin(0.0)
while events:
    now, folder, left = heapq.heappop(events)
    if left == 0:
        end = max(end, now)
        begin(now)
        continue
    often = max(settle_every, 20 * (at.change + at.row * rows.get(folder, 0)))
    some = min(left, max(1, round(often / at.take)))
    ready = now + some * at.take
    busy += some * at.take
    got = max(ready, free_at.get(folder, 0.0))
    rows[folder] = rows.get(folder, 0) + some
    cost = at.change + at.row * rows[folder]
    free_at[folder] = got + cost
    waited += got - ready
    held += cost
    heapq.heappush(events, (got + cost, folder, left - some))
ideal = (at.takes * at.take + len(range(0, at.takes, at.per_item)) * at.start) / workers
print(f"{at.takes} takes, {at.nodes} x {at.cores} cores, {at.per_folder} in a folder, {at.per_item} an item: "
      f"{end:.0f} s, {ideal / end:.0%} of what the cores could; {waited / workers:.0f} s a core waited for locks, "
      f"{held / workers:.0f} s had them")
