#!/usr/bin/env bash
# Prints the figures of docs/figures.md: time to start, server time of each page, and the JMH benchmarks of the core.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

runs=${RUNS:-60}
port=${PORT:-8399}
out=$(mktemp)
pid=""

median() { sort -n | awk '{v[NR]=$1} END {printf "%7.1f %7.1f %7.1f", v[int((NR+1)/2)], v[1], v[NR]}'; }

start() {
  : >"$out"
  begun=$(date +%s%N)
  ./taxon demo --port "$port" >"$out" 2>&1 &
  pid=$!
  until grep -q 'Taxon is ready' "$out"; do
    kill -0 "$pid" 2>/dev/null || { cat "$out" >&2; exit 1; }
    sleep 0.05
  done
  echo $(( ($(date +%s%N) - begun) / 1000000 ))
}

stop() { [ -n "$pid" ] && kill "$pid" 2>/dev/null || true; wait "$pid" 2>/dev/null || true; }
trap stop EXIT

if [ "${1:-all}" != core ] && [ "${1:-all}" != times ] && [ "${1:-all}" != lines ]; then
  start >/dev/null
  stop
  echo "Demo, from command to ready, ms (build not counted)"
  for _ in 1 2 3; do
    start
    stop
  done
  start >/dev/null
  base=http://127.0.0.1:$port
  echo
  echo "Server time to the first byte, ms, demo rig, $runs requests each after 20"
  printf '%-34s %7s %7s %7s\n' page median min max
  for page in / /jobs/1/rig '/jobs/1/rig?sel=25' /jobs/1/types /jobs/1/types/fernglass-heron-380 '/jobs/1/types?q=16+ch+wash' /jobs/1/types/fernglass-heron-380/compare '/jobs/1/types/advice?universes=6' /jobs/1/addresses \
    '/jobs/1/addresses?sel=25' /jobs/1/network /jobs/1/paperwork/by-fixture /jobs/1/paperwork/by-universe \
    /jobs/1/checks /jobs/1/handover /jobs/1/findings /jobs/1/sheet; do
    for _ in $(seq 20); do curl -s -o /dev/null "$base$page"; done
    figures=$(for _ in $(seq "$runs"); do curl -s -o /dev/null -w '%{time_starttransfer}\n' "$base$page"; done |
      awk '{print $1 * 1000}' | median)
    printf '%-34s %s\n' "$page" "$figures"
  done
  stop
fi

if [ "${1:-all}" = lines ]; then
  mvn -q -DskipTests -pl core,formats,wire,bench -am install
  mvn -q -pl bench exec:exec -Dexec.executable=java -Dexec.args="-Xmx3g -XX:+UseSerialGC -cp %classpath taxon.bench.LineFigures"
  exit 0
fi

if [ "${1:-all}" = times ]; then
  mvn -q -DskipTests -pl core,formats,wire,bench -am install
  mvn -q -pl bench exec:exec -Dexec.executable=java -Dexec.args="-Xmx3g -XX:+UseSerialGC -cp %classpath taxon.bench.PlannerTimes"
  exit 0
fi

if [ "${1:-all}" != pages ]; then
  echo
  mvn -q -DskipTests -pl core,formats,wire,bench -am install
  mvn -q -pl bench exec:exec -Dexec.executable=java -Dexec.args="-cp %classpath taxon.bench.AddressingFigures"
  echo
  mvn -q -pl bench exec:exec -Dexec.executable=java -Dexec.args="-cp %classpath taxon.bench.TypeFigures"
fi
