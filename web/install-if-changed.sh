#!/usr/bin/env bash
# Installs the front end's packages from the lock file, unless this very lock file is installed already.
set -euo pipefail
cd "$(dirname "$0")"
if ! cmp -s package-lock.json node_modules/.installed-lock; then
    npm ci --no-audit --no-fund --loglevel=error
    cp package-lock.json node_modules/.installed-lock
fi
