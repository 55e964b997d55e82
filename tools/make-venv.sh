#!/bin/sh
# Makes .venv with Python 3.11 or newer. Debian ships venv apart from Python: fetch it if we may.
set -eu

python=$(command -v python3.11 || command -v python3 || true)
if [ -z "$python" ] || ! "$python" -c 'import sys; sys.exit(sys.version_info < (3, 11))'; then
    echo "Kersey needs Python 3.11 or newer. On Debian: apt-get install python3" >&2
    exit 1
fi
if ! "$python" -c 'import ensurepip' 2>/dev/null; then
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
        apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq python3-venv
    else
        echo "Python's venv is missing. Install it first: sudo apt-get install python3-venv" >&2
        exit 1
    fi
fi
[ -x .venv/bin/pip ] || "$python" -m venv .venv
