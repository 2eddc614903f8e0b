#!/usr/bin/env bash
# Mutation tests of the planner, the rules and the proof: which changes of the code does no test notice?
# mutants.sh [--own | --by PACKAGE or TEST,…] [PACKAGE or CLASS …], a class as packing.SiteFilling (a star stands for any letters); prints a line for each
# package and leaves the reports in core/target/mutants. With --own only the tests of that package take part, with --by those of others and all
# below them, or single ones: minutes instead of hours for the planner, and a lower bound of what all tests would
# notice. SEEDS says how many random rigs a test tries at most, 40 where it does not.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

own="" by=""
case "${1:-}" in
  --own) own=yes; shift ;;
  --by) by=${2:?--by takes packages or tests}; shift 2 ;;
esac
packages=("$@")
[ $# -gt 0 ] || packages=(dmx proof finding packing addressing)

mvn -q -pl core test-compile
for package in "${packages[@]}"; do
  report=target/mutants/$package
  classes="taxon.core.$package.*"
  # A class with what is nested in it; a package's own name begins with a small letter.
  case "${package##*.}" in [A-Z]*) classes="taxon.core.$package*" ;; esac
  tests=""
  for one in ${by//,/ }; do
    case "${one##*.}" in [A-Z]*) tests+="taxon.core.$one*," ;; *) tests+="taxon.core.$one.*," ;; esac
  done
  tests=${tests%,}
  tests=${tests:-taxon.core.*}
  # The package of a class is what stands before its capital letter.
  [ -z "$own" ] || tests="taxon.core.$(sed 's/\.[A-Z*].*//' <<<"$package").*"
  mvn -q -pl core -Pmutants org.pitest:pitest-maven:mutationCoverage \
    -Dmutants.classes="$classes" -Dmutants.tests="$tests" -Dmutants.seeds="${SEEDS:-40}" -DreportsDirectory="\${project.build.directory}/mutants/$package" \
    > "core/target/mutants-$package.log" 2>&1 || { tail -20 "core/target/mutants-$package.log"; exit 1; }
  awk -F, -v name="$package" '
    { total++; if ($6 == "SURVIVED" || $6 == "NO_COVERAGE") alive++ }
    END { printf "%s: %d of %d mutants found, %.0f %%\n", name, total - alive, total, 100 * (total - alive) / total }
  ' "core/$report/mutations.csv"
done
