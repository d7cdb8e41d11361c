#!/usr/bin/env bash
# How long building takes, without a compiler cache: cold, and after a change of a step, of step.h and of scene.h.
# usage: bench/build_time.sh [dev|release]   (default dev; measured in a copy, the checkout is left alone)
set -euo pipefail
cd "$(dirname "$0")/.."
preset=${1:-dev}
export CCACHE_DISABLE=1
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
git ls-files -z -co --exclude-standard | xargs -0 cp --parents -t "$work"
cd "$work"
took() { # took WHAT COMMAND...
    local what=$1 begin end
    shift
    begin=$(date +%s.%N)
    "$@" > build-log.txt 2>&1 || { tail -20 build-log.txt; exit 1; }
    end=$(date +%s.%N)
    printf '%-44s %6.1f s\n' "$what" "$(echo "$end - $begin" | bc)"
}
build() { cmake --build --preset "$preset" "$@"; }
after() { # after FILE TARGET...: a line is added, so that the file is another one
    echo "// $RANDOM" >> "$1"
    took "$1 changed, to ${2:-all} linked" build ${2:+--target "$2"}
}
took "configure ($preset)" cmake --preset "$preset"
took "cold build ($preset), $(nproc) cores" build
if [ "$preset" = dev ]; then
    after src/core/steps/scene/scale.cpp wembrix-core-tests
    after src/core/steps/step.h
    after src/core/scene/scene.h
fi
