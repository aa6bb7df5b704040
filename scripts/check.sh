#!/usr/bin/env bash
# Types, lint, layers, unused code.
cd "$(dirname "$0")/.." && exec node scripts/test.mjs checks
