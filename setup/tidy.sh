#!/usr/bin/env bash
# clang-tidy over the core and the command line with the settings in .clang-tidy, as many at a time as there are cores. It
# reads batches of many files: what all of them include is looked through once for each batch.
set -euo pipefail
cd "$(dirname "$0")/.."
cmake --preset tidy > /dev/null
cmake --build build/tidy --target src/core/CMakeFiles/wembrix_core.dir/cmake_pch.hxx.pch > /dev/null
python3 - build/tidy/compile_commands.json <<'PYTHON' | xargs -P "$(nproc)" -n 1 clang-tidy -p build/tidy --quiet --warnings-as-errors='*' 2> /dev/null
import json, sys
for command in json.load(open(sys.argv[1])):
    if "/Unity/" in command["file"] and any(f"/{part}/" in command["file"] for part in ("src/core", "src/cli")):
        print(command["file"])
PYTHON
echo "tidy: no findings"
