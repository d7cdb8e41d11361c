#!/usr/bin/env bash
# The large character, and the bake of a long take, in our core and in three.js, in one run. usage: side_by_side.sh BUILD_FOLDER (preset bench)
set -euo pipefail
here=$(cd "$(dirname "$0")" && pwd)
build=$(cd "$1" && pwd)
work=$build/side-by-side
mkdir -p "$work"
cp "$here/three_bench.mjs" "$here/three_bake.mjs" "$here/../tests/interop/package.json" "$here/../tests/interop/package-lock.json" "$here/../tests/interop/.npmrc" "$work/"
(cd "$work" && npm ci --silent)
export WEMBRIX_LARGE_FILE=$work/large.glb
"$build/bench/wembrix-bench" --benchmark_filter=large_ --benchmark_min_time=0.5
(cd "$work" && node three_bench.mjs "$WEMBRIX_LARGE_FILE")
"$build/bench/wembrix-bench" --benchmark_filter='clip_bake|clip_plain' --benchmark_min_time=0.5
(cd "$work" && node three_bake.mjs)
