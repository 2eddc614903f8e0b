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

echo "Checking that the committed style sheet is the one that its sources give …"
(
  cd app
  npm ci --silent --no-fund --no-audit
  cp src/main/resources/static/taxon.css target-styles.before
  trap 'rm -f target-styles.before' EXIT
  npm run --silent css >/dev/null 2>&1
  if ! cmp -s target-styles.before src/main/resources/static/taxon.css; then
    echo "app/src/main/resources/static/taxon.css was not up to date: run ./taxon styles and commit it." >&2
    exit 1
  fi
)

exec mvn spotless:check verify "$@"
