#!/usr/bin/env bash
# Delivering and saving where there is no room: one clear sentence, code 2, and what was there before stays whole.
# Room is taken away by a limit on the size of files, which fails a write as a full disk does.
# usage: full_disk.sh BUILD_FOLDER
set -uo pipefail
build=$(cd "$1" && pwd)
cli=$build/src/cli/wembrix-cli
work=$build/full-disk-test
rm -rf "$work"
mkdir -p "$work"
"$build/demo/wembrix-demo-maker" "$work" > /dev/null
"$cli" deliver "$work/tansy.wembrix" --out "$work/out" > /dev/null
find "$work/out" -type f -exec sha256sum {} + | sort > "$work/before"
sed 's/"factor": 0.01/"factor": 0.011/' "$work/tansy.wembrix" > "$work/larger.wembrix"
failed=0
for blocks in 1 2 8 64 300 512 1000 2000; do
    # Writing beyond the limit gives an error instead of a signal when the signal is ignored.
    (
        trap '' XFSZ
        ulimit -f "$blocks"
        "$cli" deliver "$work/larger.wembrix" --out "$work/out" > "$work/said" 2> "$work/err"
    )
    code=$?
    find "$work/out" -type f -exec sha256sum {} + | sort > "$work/after"
    if [ "$code" -ne 2 ]; then echo "not so: $blocks blocks end with code $code"; failed=1; fi
    if [ "$(wc -l < "$work/err")" -ne 1 ] || ! grep -q "disk has room" "$work/err"; then
        echo "not so: $blocks blocks are one clear sentence: $(cat "$work/err")"; failed=1
    fi
    if ! cmp -s "$work/before" "$work/after"; then echo "not so: $blocks blocks leave all as it was"; failed=1; fi
done
# A cache that is written frame by frame: the one that was there stays, whole.
for every in 40 2; do
    python3 - "$work/tansy_strands.wembrix" "$work/every_$every.wembrix" $every << 'PY'
import json, sys
job = json.load(open(sys.argv[1]))
job["name"], job["destinations"] = "cache", job["destinations"][:1]
for step in job["steps"]:
    if step["step"] == "cache_strands":
        step["every"] = int(sys.argv[3])
json.dump(job, open(sys.argv[2], "w"))
PY
done
"$cli" deliver "$work/every_40.wembrix" --out "$work/cache" > /dev/null
find "$work/cache" -type f -exec sha256sum {} + | sort > "$work/before"
for blocks in 2200 4000 9000; do # the model has room, the cache has not
    (
        trap '' XFSZ
        ulimit -f "$blocks"
        "$cli" deliver "$work/every_2.wembrix" --out "$work/cache" > "$work/said" 2> "$work/err"
    )
    code=$?
    find "$work/cache" -type f -exec sha256sum {} + | sort > "$work/after"
    if [ "$code" -ne 2 ] || [ "$(wc -l < "$work/err")" -ne 1 ] || ! grep -q "disk has room" "$work/err"; then
        echo "not so: a cache with $blocks blocks ends with code 2 and one sentence: $code $(cat "$work/err")"; failed=1
    fi
    if ! cmp -s "$work/before" "$work/after"; then echo "not so: a cache with $blocks blocks leaves all as it was"; failed=1; fi
done
# A package, as one archive and as a folder: the earlier one stays, and nothing of the new one.
"$cli" deliver "$work/tansy.wembrix" > /dev/null
"$cli" package "$work/tansy.wembrix" --out "$work/packages" --zip > /dev/null
find "$work/packages" | sort > "$work/before"
for kind in --zip ""; do
    for blocks in 1 64 600; do
        (
            trap '' XFSZ
            ulimit -f "$blocks"
            "$cli" package "$work/tansy.wembrix" --out "$work/packages" $kind > "$work/said" 2> "$work/err"
        )
        code=$?
        find "$work/packages" | sort > "$work/after"
        if [ "$code" -ne 2 ] || [ "$(wc -l < "$work/err")" -ne 1 ]; then
            echo "not so: a package $kind with $blocks blocks ends with code 2 and one sentence: $code $(cat "$work/err")"; failed=1
        fi
        if ! cmp -s "$work/before" "$work/after"; then echo "not so: a package $kind with $blocks blocks leaves nothing"; failed=1; fi
    done
done
"$cli" verify "$work/packages/"*.zip > /dev/null || { echo "not so: the earlier package is whole"; failed=1; }
# Six at the same time into one folder: each under a name of its own, each whole.
for n in 1 2 3 4 5 6; do
    "$cli" package "$work/tansy.wembrix" --out "$work/at_once" $([ $((n % 2)) -eq 0 ] && echo --zip) > "$work/said_$n" 2>&1 &
done
wait
if [ "$(ls "$work/at_once" | wc -l)" -ne 6 ] || [ "$(ls -A "$work/at_once" | grep -c '^\.')" -ne 0 ]; then
    echo "not so: six packages at once are six: $(ls -A "$work/at_once" | tr '\n' ' ') $(cat "$work"/said_?)"; failed=1
fi
for package in "$work/at_once/"*; do
    "$cli" verify "$package" > /dev/null || { echo "not so: $package is whole"; failed=1; }
done
cp "$work/tansy.wembrix" "$work/job.wembrix"
python3 -c "print('name,first,last,note'); [print(f'c{k},{k*10},{k*10+8},' + 'x' * 200) for k in range(80)]" > "$work/cuts.csv"
(
    trap '' XFSZ
    ulimit -f 4
    "$cli" cuts "$work/job.wembrix" --from "$work/cuts.csv" > /dev/null 2> "$work/err"
)
code=$?
if [ "$code" -ne 2 ] || ! cmp -s "$work/tansy.wembrix" "$work/job.wembrix"; then
    echo "not so: a job that cannot be saved stays as it was"; failed=1
fi
if ls "$work"/*.part > /dev/null 2>&1; then echo "not so: no half file is left"; failed=1; fi
[ "$failed" -eq 0 ] && echo "a full disk leaves everything as it was"
exit "$failed"
