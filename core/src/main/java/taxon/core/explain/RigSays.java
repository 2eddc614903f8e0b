package taxon.core.explain;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison;
import taxon.core.proof.UnitSays;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;

/** A reading of the rig as evidence: what each unit said of itself, and who was silent. */
public final class RigSays {
    private static final int MOST = 60;

    private RigSays() {}

    /**
     * Those that are otherwise than planned, and beside each that is silent the units before and after it on its line, which tell a dead unit
     * from a broken line. A unit that is not certainly one of the plan, or answered on another universe than its own, is left out.
     */
    public static List<Reading> of(Plan plan, RigComparison comparison) {
        Explainer explainer = new Explainer(plan);
        Map<FixtureKey, Reading> all = new LinkedHashMap<>();
        comparison.lines().forEach(l -> reading(plan, l).ifPresent(r -> all.put(r.unit(), r)));
        Set<Reading> told = new LinkedHashSet<>();
        all.values().stream().filter(r -> !explainer.isAsPlanned(r)).forEach(told::add);
        List.copyOf(told).stream()
                .filter(r -> r.said().isEmpty())
                .flatMap(r -> beside(plan, r.unit()))
                .flatMap(u -> Optional.ofNullable(all.get(u)).stream())
                .forEach(told::add);
        return told.stream().limit(MOST).toList();
    }

    private static Stream<FixtureKey> beside(Plan plan, FixtureKey unit) {
        return plan.lines().stream()
                .map(Line::units)
                .filter(l -> l.contains(unit))
                .flatMap(l -> {
                    int at = l.indexOf(unit);
                    return l.subList(Math.max(0, at - 1), Math.min(l.size(), at + 2)).stream();
                });
    }

    private static Optional<Reading> reading(Plan plan, RigComparison.Line line) {
        if (line.fixture().isEmpty()) {
            return Optional.empty();
        }
        Fixture fixture = line.fixture().get();
        if (line.found().isEmpty()) {
            return Optional.of(Reading.silent(fixture.key()));
        }
        FoundUnit unit = line.found().get();
        boolean elsewhere = line.differences().contains(RigComparison.Difference.UNIVERSE);
        return line.isCertain() && !elsewhere
                ? Optional.of(new Reading(fixture.key(), Optional.of(said(plan.type(fixture), fixture, unit))))
                : Optional.empty();
    }

    private static Reading.Said said(FixtureType type, Fixture fixture, FoundUnit unit) {
        List<Integer> starts =
                unit.blocks().stream().map(b -> b.start().number()).toList();
        Optional<Mode> mode =
                type.modes().stream().filter(m -> unit.isIn(type, m)).findFirst();
        return new Reading.Said(starts, mode, axes(fixture.traits(), unit.says().axes()));
    }

    private static Optional<Reading.Axes> axes(Traits planned, UnitSays.Axes axes) {
        Set<Attribute> turned = new HashSet<>();
        axes.panReversed().filter(r -> r != planned.panReversed()).ifPresent(r -> turned.add(Quirks.PAN));
        axes.tiltReversed().filter(r -> r != planned.tiltReversed()).ifPresent(r -> turned.add(Quirks.TILT));
        boolean swapped = axes.swapped().filter(s -> s != planned.axesSwapped()).isPresent();
        return axes.equals(UnitSays.Axes.UNKNOWN) ? Optional.empty() : Optional.of(new Reading.Axes(turned, swapped));
    }
}
