#!/bin/bash
# The twenty jobs that must go well, as far as the command line goes: one script each. Usage: run.sh BUILD [NUMBER…]
build=$(realpath -e "$1") || exit 1
cd "$(dirname "$0")" || exit 1
shift
bad=0
for script in [0-2][0-9]-*.sh; do
    if [ $# -gt 0 ] && [[ " $* " != *" ${script%%-*} "* ]]; then
        continue
    fi
    bash "$script" "$build" || { bad=$((bad + 1)); echo "  $script went wrong"; }
done
[ $bad -eq 0 ] && echo "all jobs went well" || echo "$bad went wrong"
exit $((bad > 0))
