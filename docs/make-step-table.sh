#!/usr/bin/env bash
# Puts the table of steps into docs/cli.md, from what the steps declare of themselves.
# usage: docs/make-step-table.sh [BUILD_FOLDER]   (default build/dev)
set -euo pipefail
cd "$(dirname "$0")/.."
"${1:-build/dev}/src/cli/wembrix-cli" steps --markdown > step-table.part
python3 - <<'PYTHON'
import pathlib
page = pathlib.Path("docs/cli.md")
begin, end = "<!-- steps: made by `docs/make-step-table.sh` -->\n", "<!-- end of steps -->\n"
text = page.read_text()
head, rest = text.split(begin)
page.write_text(head + begin + "\n" + pathlib.Path("step-table.part").read_text() + end + rest.split(end)[1])
PYTHON
rm -f step-table.part
