#!/usr/bin/env bash
# Starts Cairn with demo data: npm run demo [-- --fresh]. Needs Node 20.19 or newer and npm; installs the rest.
cd "$(dirname "$0")/.." && exec node scripts/demo.mjs "$@"
