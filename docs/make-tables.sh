#!/usr/bin/env bash
# Puts the tables of steps and of formats into the documentation, from what these declare of themselves.
# usage: docs/make-tables.sh [BUILD_FOLDER]   (default build/dev)
set -euo pipefail
cd "$(dirname "$0")/.."
cli=${1:-build/dev}/src/cli/wembrix-cli
put() { # PAGE NAME: the table that stands on input, between its two marks
    python3 -c '
import pathlib, sys
page, name = pathlib.Path(sys.argv[1]), sys.argv[2]
begin, end = f"<!-- {name}: made by `docs/make-tables.sh` -->\n", f"<!-- end of {name} -->\n"
head, rest = page.read_text().split(begin)
page.write_text(head + begin + "\n" + sys.stdin.read() + end + rest.split(end)[1])' "$1" "$2"
}
"$cli" steps --markdown | put docs/cli.md steps
"$cli" formats --markdown | put docs/guide/formats.md formats
