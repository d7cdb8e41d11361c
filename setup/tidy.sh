#!/usr/bin/env bash
# clang-tidy over the core and the command line with the settings in .clang-tidy; two at a time.
set -euo pipefail
cd "$(dirname "$0")/.."
cmake -S . -B build/tidy -G Ninja -DCMAKE_CXX_COMPILER=g++ -DCMAKE_DISABLE_PRECOMPILE_HEADERS=ON -DWEMBRIX_TESTS=OFF > /dev/null
git ls-files 'src/core/*.cpp' 'src/cli/*.cpp' | xargs -P "$(nproc)" -n 4 clang-tidy -p build/tidy --quiet --warnings-as-errors='*' 2> /dev/null
echo "tidy: no findings"
