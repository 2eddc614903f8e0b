package taxon.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.text.Likeness;

/** Finds what explains the differences of many rows at once. What is one row's own is no pattern, but for two that are swapped. */
final class PatternFinder {
    /** So large a part must say the same before all are said to. */
    private static final double MOST_OF = 0.8;

    private static final int SEVERAL = 2;

    private final List<Match> matches;
    private final List<Placed> placed;
    private final List<Pattern> patterns = new ArrayList<>();
    private final Set<Match> explained = new HashSet<>();

    /** A match of which both sides have an address. */
    private record Placed(Match match, StartAddress ours, StartAddress theirs) {
        int universes() {
            return theirs.universe().number() - ours.universe().number();
        }

        int slots() {
            return theirs.slot().number() - ours.slot().number();
        }
    }

    private PatternFinder(List<Match> matches) {
        this.matches = matches;
        placed = matches.stream()
                .filter(m -> m.ours().start().isPresent() && m.theirs().start().isPresent())
                .map(m -> new Placed(
                        m, m.ours().start().orElseThrow(), m.theirs().start().orElseThrow()))
                .toList();
    }

    /** Those that explain most first. */
    static List<Pattern> find(List<Match> matches) {
        PatternFinder finder = new PatternFinder(matches);
        finder.universes();
        finder.slots();
        finder.modes();
        finder.profiles();
        finder.shifts();
        finder.swaps();
        finder.ids();
        return finder.patterns.stream()
                .sorted(Comparator.comparingInt(p -> -p.explains().size()))
                .toList();
    }

    private void keep(Pattern pattern) {
        patterns.add(pattern);
        explained.addAll(pattern.explains());
    }

    /** What most say, where that is not 0. */
    private static Optional<Integer> common(List<Placed> some, Function<Placed, Integer> by) {
        Map<Integer, Long> counted =
                some.stream().collect(Collectors.groupingBy(by, TreeMap::new, Collectors.counting()));
        return counted.entrySet().stream()
                .filter(e -> e.getKey() != 0 && e.getValue() >= SEVERAL && e.getValue() >= MOST_OF * some.size())
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private static List<Match> those(List<Placed> some, Function<Placed, Integer> by, int value) {
        return some.stream()
                .filter(p -> by.apply(p) == value)
                .map(Placed::match)
                .toList();
    }

    private void universes() {
        Optional<Integer> all = common(placed, Placed::universes);
        if (all.isPresent()) {
            keep(new Pattern.UniversesOff(all.get(), those(placed, Placed::universes, all.get())));
            return;
        }
        byUniverse()
                .forEach((universe, own) -> common(own, Placed::universes)
                        .ifPresent(by -> keep(new Pattern.UniverseMoved(
                                universe,
                                UniverseNumber.of(universe.number() + by),
                                those(own, Placed::universes, by)))));
    }

    private void slots() {
        common(placed, Placed::slots).ifPresent(by -> keep(new Pattern.SlotsOff(by, those(placed, Placed::slots, by))));
    }

    private Map<UniverseNumber, List<Placed>> byUniverse() {
        Map<UniverseNumber, List<Placed>> byUniverse = new TreeMap<>();
        placed.forEach(p -> byUniverse
                .computeIfAbsent(p.ours().universe(), u -> new ArrayList<>())
                .add(p));
        byUniverse.values().forEach(l -> l.sort(Comparator.comparing(Placed::ours)));
        return byUniverse;
    }

    private record Modes(String type, String ours, String theirs) {}

    /** Of all units of a type, most are in one other mode; that later units stand elsewhere by its length comes of it. */
    private void modes() {
        Map<String, Integer> ofType = new HashMap<>();
        Map<Modes, List<Match>> changed = new LinkedHashMap<>();
        for (Match match : matches) {
            String type = Likeness.key(match.ours().type());
            ofType.merge(type, 1, Integer::sum);
            if (isOtherMode(match)) {
                Modes modes =
                        new Modes(type, match.ours().mode(), match.theirs().mode());
                changed.computeIfAbsent(modes, m -> new ArrayList<>()).add(match);
            }
        }
        Set<Match> after = afterOtherLengths();
        changed.forEach((modes, units) -> {
            if (units.size() >= SEVERAL && units.size() >= MOST_OF * ofType.getOrDefault(modes.type(), 0)) {
                Set<Match> all = new HashSet<>(units);
                all.addAll(after);
                String type = units.get(0).ours().type();
                keep(new Pattern.OtherMode(
                        type,
                        modes.ours(),
                        modes.theirs(),
                        matches.stream().filter(all::contains).toList()));
            }
        });
    }

    /** One and the same mode, of which both sides say another length. */
    private record Profile(String type, String mode, int ours, int theirs) {}

    private void profiles() {
        Map<Profile, List<Match>> changed = new LinkedHashMap<>();
        for (Match match : matches) {
            PatchRow ours = match.ours();
            PatchRow theirs = match.theirs();
            boolean named = !ours.mode().isBlank() && !theirs.mode().isBlank() && !isOtherMode(match);
            if (named
                    && ours.footprint().isPresent()
                    && theirs.footprint().isPresent()
                    && !ours.footprint().equals(theirs.footprint())) {
                changed.computeIfAbsent(
                                new Profile(
                                        ours.type(),
                                        ours.mode(),
                                        ours.footprint().getAsInt(),
                                        theirs.footprint().getAsInt()),
                                p -> new ArrayList<>())
                        .add(match);
            }
        }
        changed.forEach((p, units) -> {
            if (units.size() >= SEVERAL) {
                patterns.add(new Pattern.OtherProfile(p.type(), p.mode(), p.ours(), p.theirs(), units));
            }
        });
    }

    private static boolean isOtherMode(Match match) {
        return !match.ours().mode().isBlank()
                && !match.theirs().mode().isBlank()
                && !Likeness.key(match.ours().mode())
                        .equals(Likeness.key(match.theirs().mode()));
    }

    /** Units that stand elsewhere by just as much as those before them are longer or shorter. */
    private Set<Match> afterOtherLengths() {
        Set<Match> after = new HashSet<>();
        byUniverse().values().forEach(units -> {
            int longer = 0;
            for (Placed unit : units) {
                if (longer != 0 && unit.slots() == longer && unit.universes() == 0) {
                    after.add(unit.match());
                }
                longer += length(unit.match().theirs()) - length(unit.match().ours());
            }
        });
        return after;
    }

    private static int length(PatchRow row) {
        return row.footprint().orElse(0);
    }

    /** From a place on, several that follow each other stand elsewhere by the same. */
    private void shifts() {
        byUniverse().values().forEach(all -> {
            List<Placed> units =
                    all.stream().filter(p -> !explained.contains(p.match())).toList();
            int now = 0;
            for (int i = 0; i + 1 < units.size(); i++) {
                int by = units.get(i).slots();
                if (by != now && units.get(i + 1).slots() == by) {
                    if (by != 0) {
                        keep(new Pattern.Shifted(units.get(i).ours(), by, run(units, i, by)));
                    }
                    now = by;
                }
            }
        });
    }

    private static List<Match> run(List<Placed> units, int from, int by) {
        List<Match> run = new ArrayList<>();
        for (int i = from; i < units.size(); i++) {
            boolean isLast = i + 1 == units.size();
            if (units.get(i).slots() == by) {
                run.add(units.get(i).match());
            } else if (isLast || units.get(i + 1).slots() == units.get(i).slots()) {
                return run;
            }
        }
        return run;
    }

    private void swaps() {
        Map<StartAddress, Placed> byOurs = new HashMap<>();
        placed.forEach(p -> byOurs.put(p.ours(), p));
        for (Placed one : placed) {
            Optional.ofNullable(byOurs.get(one.theirs()))
                    .filter(other -> isSwap(one, other))
                    .ifPresent(other -> keep(new Pattern.Swapped(one.match(), other.match())));
        }
    }

    private boolean isSwap(Placed one, Placed other) {
        return one.ours().compareTo(one.theirs()) < 0
                && other.theirs().equals(one.ours())
                && !explained.contains(one.match())
                && !explained.contains(other.match());
    }

    private void ids() {
        Map<Integer, List<Match>> by = new TreeMap<>();
        int numbered = 0;
        for (Match match : matches) {
            if (match.ours().id().isPresent() && match.theirs().id().isPresent()) {
                numbered++;
                by.computeIfAbsent(
                                match.theirs().id().getAsInt()
                                        - match.ours().id().getAsInt(),
                                k -> new ArrayList<>())
                        .add(match);
            }
        }
        int all = numbered;
        by.forEach((off, units) -> {
            if (off != 0 && units.size() >= SEVERAL && units.size() >= MOST_OF * all) {
                keep(new Pattern.IdsOff(off, units));
            }
        });
    }
}
