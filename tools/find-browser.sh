#!/bin/sh
# The browser tests need Chromium: install it if it is missing and we may, else say what to do.
set -eu

for name in chromium chromium-browser google-chrome; do
    if command -v "$name" >/dev/null; then exit 0; fi
done
if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium
elif command -v sudo >/dev/null && sudo -n true 2>/dev/null && command -v apt-get >/dev/null; then
    sudo -n apt-get update -qq && sudo -n apt-get install -y -qq chromium
else
    echo "The browser tests need Chromium. Install it first: sudo apt-get install chromium" >&2
    exit 1
fi
