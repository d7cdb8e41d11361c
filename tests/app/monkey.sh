#!/usr/bin/env bash
# monkey.sh BUILD [SECONDS [FIRST [COUNT]]]: random clicks and keys in the window on the demo jobs, a run for each seed.
# Ends with 1 where one crashed, failed an assertion or could not undo what it did; its log of deeds is kept.
set -uo pipefail
build=$(cd "$1" && pwd)
seconds=${2:-20} first=${3:-1} count=${4:-2}
work=$build/monkey-test
rm -rf "$work"
mkdir -p "$work/home" "$work/run"
chmod 700 "$work/run"
export HOME=$work/home XDG_RUNTIME_DIR=$work/run
"$build/demo/wembrix-demo-maker" "$work/demo" >"$work/demo.log" || exit 1
jobs=("$work"/demo/*.wembrix)
bad=0
for seed in $(seq "$first" $((first + count - 1))); do
    job=${jobs[$((seed % ${#jobs[@]}))]}
    echo "== $(basename "$job")"
    timeout $((seconds + 180)) xvfb-run -a -s "-screen 0 1400x900x24" \
        "$build/tests/wembrix-monkey" "$job" "$seed" "$seconds" "$work/deeds_$seed.log"
    ended=$?
    if [ "$ended" != 0 ]; then
        echo "seed $seed on $(basename "$job") ended with $ended; its last deeds:"
        tail -12 "$work/deeds_$seed.log"
        bad=1
    fi
done
exit $bad
