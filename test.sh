#!/usr/bin/env bash
# Installs what is missing, builds, and runs every test. A preset can be named: ./test.sh ci
set -euo pipefail
cd "$(dirname "$0")"
preset=${1:-dev}
export CMAKE_BUILD_PARALLEL_LEVEL=${CMAKE_BUILD_PARALLEL_LEVEL:-$(nproc)} # a large batch takes 2.5 GB of memory
setup/install.sh build test
setup/node.sh
setup/configure.sh "$preset"
cmake --build --preset "$preset"
# The core's tests once more, under the address and undefined-behaviour sanitizers: built while the others run, many of
# which wait for a window or a process.
setup/configure.sh asan
(nice -n 19 cmake --build --preset asan --target wembrix-core-tests > build/asan/build.txt 2>&1) &
sanitized=$!
ctest --preset "$preset"
wait $sanitized || { tail -60 build/asan/build.txt; exit 1; }
# In two halves, side by side. Those that go through a whole body at length, half a minute each or more there, ran above
# without the sanitizers; WEMBRIX_SANITIZE=all has them run here, too. What they call, the others of their suites call on
# smaller scenes.
at_length=LeastMotion.IsNever*:LeastMotion.OnTheDemo*:Foreseen.EachSetting*:Strands.TheyGoWithASkin*:Strands.ThoseThatFollow*
at_length+=:Strands.OnATorus*:Strands.NothingIsTakenAcross*:UsdScene.StrandsKeepTheirRoots*:Retarget.TansysTakeOnSedge
at_length+=:Delivering.LeanFilesArrive*:MiddleOfALimb.*:SuggestedGuides.StandInTheBody*:BindSurface.OnTheDemos*
at_length+=:BindSurface.ASymmetricBody*:Findings.TheStepOfEachMendsIt:MovingFiles.AFileThatSomebodyCut*
[ "${WEMBRIX_SANITIZE:-}" = all ] && at_length=none
export WEMBRIX_SEEDS=6 GTEST_TOTAL_SHARDS=2 GTEST_FILTER="-$at_length"
GTEST_SHARD_INDEX=1 build/asan/tests/wembrix-core-tests --gtest_brief=1 > build/asan/second_half.txt 2>&1 &
second=$!
GTEST_SHARD_INDEX=0 build/asan/tests/wembrix-core-tests --gtest_brief=1
wait $second || { cat build/asan/second_half.txt; exit 1; }
tail -2 build/asan/second_half.txt
