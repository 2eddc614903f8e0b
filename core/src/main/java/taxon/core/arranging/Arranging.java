package taxon.core.arranging;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.arranging.ArrangingProposal.Move;
import taxon.core.length.Length;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.numbering.UnitNumbers;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;

/** Spreads units along their positions, each position by itself. */
public final class Arranging {
    private static final NumberingOrder ALONG = new NumberingOrder(NumberingOrder.By.POSITION, false, false);

    private final Plan plan;
    private final Spread spread;
    private final List<Move> moves = new ArrayList<>();
    private final List<Fixture> unknown = new ArrayList<>();

    private Arranging(Plan plan, Spread spread) {
        this.plan = plan;
        this.spread = spread;
    }

    /** @throws IllegalArgumentException when a unit would hang more than a kilometre away */
    public static ArrangingProposal propose(Plan plan, Set<FixtureKey> fixtures, Spread spread) {
        Arranging arranging = new Arranging(plan, spread);
        List<Fixture> asked =
                plan.fixtures().stream().filter(f -> fixtures.contains(f.key())).toList();
        Map<Integer, List<Fixture>> rows = RigOrder.of(plan, asked, ALONG).stream()
                .collect(Collectors.groupingBy(Fixture::position, TreeMap::new, Collectors.toList()));
        rows.values().forEach(arranging::arrange);
        int count = arranging.moves.size();
        String title = count == 1 ? "1 unit arranged" : count + " units arranged";
        return new ArrangingProposal(
                title,
                Edit.computed(
                        title,
                        plan,
                        after(plan, arranging.moves),
                        other -> propose(other, fixtures, spread).edit().applyTo(other)),
                fixtures,
                spread,
                arranging.moves,
                arranging.unknown);
    }

    private void arrange(List<Fixture> units) {
        List<Fixture> row = spread instanceof Spread.Shifted ? known(units) : units;
        Optional<List<Length>> offsets = offsets(row);
        for (int i = 0; i < row.size() && offsets.isPresent(); i++) {
            Fixture fixture = row.get(i);
            Length after = offsets.get().get(i);
            if (!fixture.offset().equals(Optional.of(after))) {
                moves.add(new Move(fixture, fixture.offset(), after, isBeyond(fixture, after)));
            }
        }
    }

    /** Those of which it is known where they are; the others are told of. */
    private List<Fixture> known(List<Fixture> units) {
        units.stream().filter(f -> f.offset().isEmpty()).forEach(unknown::add);
        return units.stream().filter(f -> f.offset().isPresent()).toList();
    }

    private boolean isBeyond(Fixture fixture, Length offset) {
        return plan.position(fixture)
                .geometry()
                .length()
                .filter(l -> 2 * Math.abs(offset.micrometres()) > l.micrometres())
                .isPresent();
    }

    private Optional<List<Length>> offsets(List<Fixture> row) {
        int count = row.size();
        if (spread instanceof Spread.FromTo run) {
            return Optional.of(
                    count == 1
                            ? List.of(run.from().towards(run.to(), 1, 2))
                            : counted(count, i -> run.from().towards(run.to(), i, count - 1)));
        }
        if (spread instanceof Spread.Pitch run) {
            return Optional.of(counted(count, i -> steps(run.first(), run.pitch(), 2 * i)));
        }
        if (spread instanceof Spread.Centred run) {
            return Optional.of(counted(count, i -> steps(Length.ZERO, run.pitch(), 2 * i - (count - 1))));
        }
        if (spread instanceof Spread.Shifted shift) {
            return Optional.of(
                    counted(count, i -> row.get(i).offset().orElseThrow().plus(shift.way())));
        }
        return mirrored(row);
    }

    private static List<Length> counted(int count, java.util.function.IntFunction<Length> offset) {
        List<Length> offsets = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            offsets.add(offset.apply(i));
        }
        return offsets;
    }

    /** So many half steps on. */
    private static Length steps(Length from, Length step, int halves) {
        return new Length(from.micrometres() + step.micrometres() * halves / 2);
    }

    private Optional<List<Length>> mirrored(List<Fixture> row) {
        int half = row.size() / 2;
        List<Fixture> missing =
                row.subList(0, half).stream().filter(f -> f.offset().isEmpty()).toList();
        if (!missing.isEmpty()) {
            unknown.addAll(missing);
            return Optional.empty();
        }
        return Optional.of(counted(row.size(), i -> {
            if (i < half) {
                return row.get(i).offset().orElseThrow();
            }
            boolean middle = 2 * i + 1 == row.size();
            return middle
                    ? Length.ZERO
                    : row.get(row.size() - 1 - i).offset().orElseThrow().negated();
        }));
    }

    private static Plan after(Plan plan, List<Move> moves) {
        Map<FixtureKey, Fixture> moved = new HashMap<>();
        moves.forEach(m -> moved.put(m.fixture().key(), m.fixture().withOffset(Optional.of(m.after()))));
        Plan arranged = plan.with(moved.values());
        Map<FixtureKey, Integer> units = UnitNumbers.along(arranged, moved.keySet(), false);
        return arranged.with(arranged.fixtures().stream()
                .filter(f -> units.containsKey(f.key()))
                .map(f -> f.withPlace(f.position(), units.getOrDefault(f.key(), f.unit())))
                .toList());
    }
}
