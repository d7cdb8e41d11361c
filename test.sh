#!/usr/bin/env bash
# Installs what is missing, builds, and runs every test. A preset can be named: ./test.sh ci
set -euo pipefail
cd "$(dirname "$0")"
preset=${1:-dev}
setup/install.sh build test
setup/node.sh
cmake --preset "$preset"
cmake --build --preset "$preset"
# The core's tests once more, under the address and undefined-behaviour sanitizers: built while the others run, many of
# which wait for a window or a process.
cmake --preset asan
(nice -n 19 cmake --build --preset asan --target wembrix-core-tests > build/asan/build.txt 2>&1) &
sanitized=$!
ctest --preset "$preset"
wait $sanitized || { tail -60 build/asan/build.txt; exit 1; }
# In two halves, side by side.
export WEMBRIX_SEEDS=12 GTEST_TOTAL_SHARDS=2
GTEST_SHARD_INDEX=1 build/asan/tests/wembrix-core-tests --gtest_brief=1 > build/asan/second_half.txt 2>&1 &
second=$!
GTEST_SHARD_INDEX=0 build/asan/tests/wembrix-core-tests --gtest_brief=1
wait $second || { cat build/asan/second_half.txt; exit 1; }
tail -2 build/asan/second_half.txt
