#!/usr/bin/env bash
# Runs everything: types, lint and layers, core, server, browser, faults. Needs Node 20.19 or newer and npm; installs the rest.
cd "$(dirname "$0")/.." && exec node scripts/test.mjs "$@"
