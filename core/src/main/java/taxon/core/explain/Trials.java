package taxon.core.explain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;

/** Chooses what to try next: what splits the causes that are left into the evenest parts, by how likely they are. */
final class Trials {
    private static final int MOST_UNITS = 8;
    private static final int MOST_CHANNELS = 24;
    private static final int MOST_PLACES = 6;
    private static final List<Double> QUANTILES = List.of(0.25, 0.5, 0.75);
    /** A trial whose outcome is all but certain tells nothing. */
    private static final double LEAST_BITS = 0.01;

    private Trials() {}

    /** A cause that is left. */
    record Rival(World world, double weight) {}

    static Optional<Trial> best(RigUnits rig, List<Rival> rivals, Set<Trial> done) {
        Set<Trial> possible = possible(rig, rivals);
        Outcomes outcomes = new Outcomes(rig, rivals.stream().map(Rival::world).toList());
        possible.removeAll(done);
        return possible.stream()
                .map(t -> Map.entry(t, bits(t, rivals, outcomes)))
                .filter(e -> e.getValue() > LEAST_BITS)
                .max(Comparator.comparingDouble(Map.Entry<Trial, Double>::getValue)
                        .thenComparingInt(e -> -e.getKey().slots().length())
                        .thenComparing(e -> e.getKey().toString(), Comparator.reverseOrder()))
                .map(Map.Entry::getKey);
    }

    /** How much its outcome would tell, in bits. */
    private static double bits(Trial trial, List<Rival> rivals, Outcomes outcomes) {
        Map<Outcomes.Parted, Double> weights = new HashMap<>();
        double usual = 0;
        double sum = 0;
        for (Rival rival : rivals) {
            // Most rivals have no part in most trials: what these show is not compared answer by answer.
            Optional<Outcomes.Parted> outcome = outcomes.unusual(rival.world(), trial);
            if (outcome.isPresent()) {
                weights.merge(outcome.get(), rival.weight(), Double::sum);
            } else {
                usual += rival.weight();
            }
            sum += rival.weight();
        }
        weights.merge(outcomes.asPlanned(trial), usual, Double::sum);
        double bits = 0;
        for (double weight : weights.values()) {
            double share = weight / sum;
            bits -= share == 0 ? 0 : share * Math.log(share) / Math.log(2);
        }
        return bits;
    }

    private static Set<Trial> possible(RigUnits rig, List<Rival> rivals) {
        Set<Trial> trials = new LinkedHashSet<>();
        Set<FixtureKey> units = new LinkedHashSet<>();
        for (Rival rival : rivals) {
            rival.world().units().keySet().stream().sorted().limit(MOST_UNITS).forEach(units::add);
            rival.world()
                    .carried()
                    .forEach((line, carried) ->
                            rig.on(line).stream().limit(2).forEach(u -> atStarts(u, line, carried, trials)));
        }
        units.stream().limit(MOST_UNITS).flatMap(k -> rig.unit(k).stream()).forEach(u -> {
            u.starts().forEach(s -> s.ifPresent(start -> atStarts(u, start.line(), start.line(), trials)));
            halves(u, rivals, trials);
        });
        return trials;
    }

    /** Each of the first slots of a unit, on the universe that its line may carry. */
    private static void atStarts(UnitState unit, UniverseNumber line, UniverseNumber carried, Set<Trial> trials) {
        for (int i = 0; i < unit.starts().size(); i++) {
            int footprint = unit.mode().blocks().get(i).footprint();
            unit.starts().get(i).filter(s -> s.line().equals(line)).ifPresent(s -> {
                for (int offset = 0; offset < Math.min(footprint, MOST_CHANNELS); offset++) {
                    if (Slot.isLegal(s.slot() + offset)) {
                        trials.add(Trial.of(carried, s.slot() + offset));
                    }
                }
            });
        }
    }

    /** Where a block of a unit may listen: parts of its universe that split the odds, and the likeliest places one by one. */
    private static void halves(UnitState unit, List<Rival> rivals, Set<Trial> trials) {
        for (int i = 0; i < unit.starts().size(); i++) {
            int block = i;
            unit.starts().get(i).ifPresent(planned -> {
                NavigableMap<Integer, Double> odds = odds(unit, block, rivals);
                odds.entrySet().stream()
                        .sorted(Map.Entry.<Integer, Double>comparingByValue().reversed())
                        .limit(MOST_PLACES)
                        .forEach(e -> trials.add(Trial.of(planned.line(), e.getKey())));
                pieces(unit, block)
                        .forEach(p -> cuts(odds.subMap(p.first(), true, p.last(), true))
                                .forEach(cut -> parts(p, cut).forEach(r -> trials.add(new Trial(planned.line(), r)))));
            });
        }
    }

    private static NavigableMap<Integer, Double> odds(UnitState unit, int block, List<Rival> rivals) {
        NavigableMap<Integer, Double> odds = new TreeMap<>();
        for (Rival rival : rivals) {
            Optional.ofNullable(rival.world().units().get(unit.key()))
                    .filter(u -> block < u.starts().size())
                    .flatMap(u -> u.starts().get(block))
                    .ifPresent(s -> odds.merge(s.slot(), rival.weight(), Double::sum));
        }
        return odds;
    }

    /** The universe without the slots of the unit's other blocks, which would answer whatever this one does. */
    private static List<SlotRange> pieces(UnitState unit, int block) {
        List<SlotRange> pieces = new ArrayList<>();
        int first = Slot.FIRST;
        for (SlotRange other : others(unit, block)) {
            if (other.first() > first) {
                pieces.add(new SlotRange(first, other.first() - 1));
            }
            first = Math.max(first, other.last() + 1);
        }
        if (first <= Slot.LAST) {
            pieces.add(new SlotRange(first, Slot.LAST));
        }
        return pieces;
    }

    private static List<SlotRange> others(UnitState unit, int block) {
        return IntStream.range(0, unit.starts().size())
                .filter(i -> i != block)
                .boxed()
                .flatMap(i -> unit.starts().get(i).stream()
                        .map(s -> SlotRange.clipped(
                                Slot.of(s.slot()), unit.mode().blocks().get(i).footprint())))
                .sorted()
                .toList();
    }

    /** The slots at which a quarter, a half and three quarters of the odds lie below. */
    private static List<Integer> cuts(SortedMap<Integer, Double> odds) {
        double all = odds.values().stream().mapToDouble(w -> w).sum();
        List<Integer> cuts = new ArrayList<>();
        double sum = 0;
        for (Map.Entry<Integer, Double> entry : odds.entrySet()) {
            double before = sum;
            sum += entry.getValue();
            for (double quantile : QUANTILES) {
                if (before < quantile * all && sum >= quantile * all) {
                    cuts.add(entry.getKey());
                }
            }
        }
        return cuts;
    }

    /** Below a cut with it, and above it. */
    private static List<SlotRange> parts(SlotRange piece, int cut) {
        List<SlotRange> parts = new ArrayList<>(List.of(new SlotRange(piece.first(), cut)));
        if (cut < piece.last()) {
            parts.add(new SlotRange(cut + 1, piece.last()));
        }
        return parts;
    }
}
