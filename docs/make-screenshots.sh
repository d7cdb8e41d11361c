#!/usr/bin/env bash
# Takes the pictures in docs/screenshots from the demo job, at 1280x800, on a virtual screen.
# usage: docs/make-screenshots.sh [BUILD_FOLDER]   (default build/dev)
set -euo pipefail
cd "$(dirname "$0")/.."
build=${1:-build/dev}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
"$build/demo/wembrix-demo-maker" "$work" > /dev/null
xvfb-run -a -s "-screen 0 1280x800x24" "$build/tests/wembrix-pictures" "$work" docs/screenshots
# The page that comes with the program, in a browser, with what was handed over to it live.
WEMBRIX_PAGE_SHOT="$PWD/docs/screenshots/live.png" xvfb-run -a -s "-screen 0 1280x800x24" "$build/tests/wembrix-app-tests" \
    --gtest_brief=1 --gtest_filter='LiveHandOver.APageInABrowserShowsAnswersAndFollows' > /dev/null
rm -f docs/screenshots/live.png.dialog.png
ls docs/screenshots
