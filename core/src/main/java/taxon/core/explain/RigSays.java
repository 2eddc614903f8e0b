package taxon.core.explain;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison;
import taxon.core.proof.UnitSays;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.text.Likeness;

/** A reading of the rig as evidence: what each unit said of itself, and who was silent. */
public final class RigSays {
    private static final int MOST = 60;

    private RigSays() {}

    /**
     * Those that are otherwise than planned first, then others on the same universes, which tell causes apart. A unit that is not certainly one
     * of the plan, or answered on another universe than its own, is left out.
     */
    public static List<Reading> of(Plan plan, RigComparison comparison) {
        Explainer explainer = new Explainer(plan);
        List<Reading> otherwise = new ArrayList<>();
        List<Reading> others = new ArrayList<>();
        Set<UniverseNumber> wrong = new HashSet<>();
        for (RigComparison.Line line : comparison.lines()) {
            reading(plan, line).filter(r -> !explainer.isAsPlanned(r)).ifPresent(r -> {
                otherwise.add(r);
                wrong.add(line.universe());
            });
        }
        for (RigComparison.Line line : comparison.lines()) {
            reading(plan, line)
                    .filter(r -> wrong.contains(line.universe()) && !otherwise.contains(r))
                    .ifPresent(others::add);
        }
        otherwise.addAll(others);
        return otherwise.stream().limit(MOST).toList();
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
        return new Reading.Said(
                starts, mode(type, unit), axes(fixture.traits(), unit.says().axes()));
    }

    /** By personality number as the unit's software counts, else by the name that it gives. */
    private static Optional<Mode> mode(FixtureType type, FoundUnit unit) {
        Optional<Mode> numbered = type.modes().stream()
                .filter(m -> type.numberOf(m, unit.software()).equals(Optional.of(unit.personality())))
                .findFirst();
        return numbered.isPresent()
                ? numbered
                : type.modes().stream()
                        .filter(m -> Likeness.key(m.name()).equals(Likeness.key(unit.modeName())))
                        .findFirst();
    }

    private static Optional<Reading.Axes> axes(Traits planned, UnitSays.Axes axes) {
        Set<Attribute> turned = new HashSet<>();
        axes.panReversed().filter(r -> r != planned.panReversed()).ifPresent(r -> turned.add(Quirks.PAN));
        axes.tiltReversed().filter(r -> r != planned.tiltReversed()).ifPresent(r -> turned.add(Quirks.TILT));
        boolean swapped = axes.swapped().filter(s -> s != planned.axesSwapped()).isPresent();
        return axes.equals(UnitSays.Axes.UNKNOWN) ? Optional.empty() : Optional.of(new Reading.Axes(turned, swapped));
    }
}
