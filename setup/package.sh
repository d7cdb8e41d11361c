#!/usr/bin/env bash
# Builds the Debian package from what is committed, and holds it against Debian's rules (lintian).
# usage: setup/package.sh [--try]   --try: then installs, starts and removes it in a clean system of its own (needs root)
set -euo pipefail
cd "$(dirname "$0")/.."
setup/install.sh build package
setup/node.sh
version=$(dpkg-parsechangelog -S Version)
work=$PWD/build/package
rm -rf "$work"
mkdir -p "$work/wembrix-$version"
git archive HEAD | tar -x -C "$work/wembrix-$version"
if [ -d listeners/web/node_modules/three ]; then # what the page of the live hand-over draws with
    mkdir -p "$work/wembrix-$version/listeners/web/node_modules"
    cp -r listeners/web/node_modules/three "$work/wembrix-$version/listeners/web/node_modules/"
fi
(cd "$work/wembrix-$version" && DEB_BUILD_OPTIONS="parallel=$(nproc)" dpkg-buildpackage -us -uc -b > "$work/build.log" 2>&1) ||
    { tail -30 "$work/build.log"; exit 1; }
package=$(echo "$work"/wembrix_*.deb)
git rev-parse HEAD > "$work/commit" # demo.sh uses it as long as nothing is newer
echo "made $package ($(du -h "$package" | cut -f1))"
lintian --fail-on error,warning --suppress-tags initial-upload-closes-no-bugs "$package"
echo "lintian: no errors and no warnings"
[ "${1:-}" = --try ] || exit 0
root=$work/root
debootstrap --variant=minbase bookworm "$root" > "$work/root.log"
cp "$package" "$root/tmp/"
# The mirrors and proxies that this machine's apt knows.
rm -f "$root/etc/apt/sources.list"
cp -r /etc/apt/sources.list* /etc/apt/apt.conf.d "$root/etc/apt/"
chroot "$root" bash -euc '
    export DEBIAN_FRONTEND=noninteractive
    apt-get update -qq
    apt-get install -y -qq --no-install-recommends /tmp/wembrix_*.deb xvfb xauth man-db > /dev/null
    wembrix-cli --version
    mkdir -p /tmp/job && cd /tmp/job
    /usr/libexec/wembrix/wembrix-demo-maker . > /dev/null
    wembrix-cli deliver tansy.wembrix | grep arrived
    timeout 20 xvfb-run -a wembrix tansy.wembrix || [ $? -eq 124 ]
    man -l /usr/share/man/man1/wembrix-cli.1.gz | head -5
    bash -c ". /usr/share/bash-completion/completions/wembrix-cli && complete -p wembrix-cli"
    apt-get remove -y -qq wembrix > /dev/null
    ! command -v wembrix && ! ls /usr/share/mime/packages/wembrix.xml 2> /dev/null
'
echo "installed, started and removed in a clean system"
