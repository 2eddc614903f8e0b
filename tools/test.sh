#!/usr/bin/env bash
# Installs what the tests need, where it is missing and permitted; then checks styles and format and runs every test.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

declare -A needs=([chromium-headless-shell]=chromium-headless-shell [chromedriver]=chromium-driver [tshark]=tshark [pdftotext]=poppler-utils [curl]=curl)
missing=()
for command in "${!needs[@]}"; do
  command -v "$command" >/dev/null || missing+=("${needs[$command]}")
done
if [ ${#missing[@]} -gt 0 ]; then
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    echo "Installing ${missing[*]} …"
    export DEBIAN_FRONTEND=noninteractive
    apt-get update -qq
    apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
  else
    echo "The tests need these packages: ${missing[*]}. Install them, or run this as root." >&2
    exit 1
  fi
fi

# Every random rig and every machine that a test knows, where some of them are tried by default, and every warning of the compiler's plugin, in tests every error.
options=()
for option in "$@"; do
  case "$option" in
    --thorough) options+=(-Dtaxon.seeds=1000000 -Dtaxon.oracle.rigs=30 -Dtaxon.oracle.effort=4 -Dtaxon.explain.rounds=3
      -Dtaxon.thorough=true -Dlint.warnings=-Xep:MissingSummary:OFF
      "-Dlint.tests=-XepDisableAllWarnings -Xep:NullAway:OFF") ;;
    *) options+=("$option") ;;
  esac
done

scratch=$(mktemp -d)
trap 'rm -rf "$scratch"' EXIT
# Is the committed style sheet the one that its sources give? Asked beside the rest, and built where Tailwind does not look for its sources.
styles() {
  cd app
  npm ci --silent --no-fund --no-audit
  STYLES=$scratch/taxon.css npm run --silent css
  cmp -s "$scratch/taxon.css" src/main/resources/static/taxon.css
}
styles >"$scratch/styles.log" 2>&1 &
styles=$!

# More test classes at once where there are cores for them and for what they start.
cores=$(nproc)
((cores < 4)) || options+=(-Dtests.at-once=$((cores < 8 ? cores + 1 : 8)))

failed=0
# Two modules at a time: the format of all sources is checked while the core is compiled; the core's tests, and what is held
# against other solvers, run while the rest is compiled. Those of formats, wire and simulated rig run with the application's.
mvn -T 2 -Dtests.beside=true verify ${options[@]+"${options[@]}"} || failed=1
if ! wait "$styles"; then
  cat "$scratch/styles.log" >&2
  echo "app/src/main/resources/static/taxon.css is not up to date: run ./taxon styles and commit it." >&2
  failed=1
fi
exit "$failed"
