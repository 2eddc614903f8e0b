package taxon.core.explain;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.rig.FixtureKey;

/** The causes that may have to do with what was seen: those about units that answered otherwise than planned. Bounded. */
final class Suspects {
    /** Where more are wrong at once, it is no single unit, and some of them say as much as all. */
    private static final int MOST_UNITS = 12;

    private static final List<Integer> USUAL_SHIFTS = List.of(1, -1, 16, -16);

    private final RigUnits rig;
    private final World planned;
    private final Set<Cause> causes = new LinkedHashSet<>();

    private Suspects(RigUnits rig) {
        this.rig = rig;
        planned = World.asPlanned(rig);
    }

    /** None where all is as planned. */
    static Set<Cause> of(RigUnits rig, List<? extends Evidence> evidence) {
        Suspects suspects = new Suspects(rig);
        Set<FixtureKey> wrong = new LinkedHashSet<>();
        for (Evidence one : evidence) {
            if (one instanceof Observation seen) {
                wrong.addAll(suspects.wrong(seen));
                suspects.axes(seen);
                suspects.unsteady(seen);
            } else {
                Reading reading = (Reading) one;
                if (suspects.isOtherwise(reading)) {
                    wrong.add(reading.unit());
                }
                reading.said().flatMap(Reading.Said::axes).ifPresent(a -> suspects.axes(reading.unit(), a));
            }
        }
        List<FixtureKey> some = wrong.stream().limit(MOST_UNITS).toList();
        some.forEach(suspects::add);
        return suspects.causes;
    }

    private Set<FixtureKey> wrong(Observation observation) {
        if (!isOtherwise(observation)) {
            return Set.of();
        }
        Set<Response> expected = planned.answers(observation.trial());
        Set<Response> different = new HashSet<>(expected);
        different.addAll(observation.seen());
        different.removeIf(r -> expected.contains(r) && observation.seen().contains(r));
        Set<FixtureKey> units = new LinkedHashSet<>();
        different.stream().map(Response::unit).sorted().forEach(units::add);
        return units;
    }

    private boolean isOtherwise(Evidence evidence) {
        return new Likelihood(rig, List.of(evidence)).of(planned).unexplained() > 0;
    }

    private void axes(Observation observation) {
        observation.seen().stream()
                .filter(Response::otherWay)
                .forEach(r -> r.what().ifPresent(a -> causes.add(new Cause.AxisReversed(r.unit(), a))));
    }

    private void axes(FixtureKey unit, Reading.Axes axes) {
        axes.turned().forEach(a -> causes.add(new Cause.AxisReversed(unit, a)));
        if (axes.swapped()) {
            causes.add(new Cause.AxesSwapped(unit));
        }
    }

    private void unsteady(Observation observation) {
        observation.seen().stream().filter(Response::isUnsteady).forEach(r -> {
            rig.cables().path(r.unit()).forEach(l -> causes.add(new Cause.NoTerminator(l.number())));
            rig.unit(r.unit()).stream()
                    .flatMap(u -> u.starts().stream().flatMap(Optional::stream))
                    .forEach(s -> causes.add(new Cause.TwoSources(s.line())));
        });
    }

    private void add(FixtureKey key) {
        rig.unit(key).ifPresent(unit -> {
            causes.add(new Cause.UnitOff(key));
            Stream.concat(Stream.of(key), rig.cables().before(key).stream())
                    .forEach(k -> causes.add(new Cause.LineBroken(k)));
            rig.cables()
                    .path(key)
                    .forEach(l -> causes.add(new Cause.BoxOff(l.from().box())));
            modes(unit);
            orders(unit);
            for (int block = 1; block <= unit.starts().size(); block++) {
                int counted = block;
                unit.starts().get(block - 1).ifPresent(s -> block(unit, counted, s));
            }
        });
    }

    private void modes(UnitState unit) {
        rig.type(unit.key()).stream()
                .flatMap(t -> t.modes().stream())
                .filter(m -> !m.equals(unit.mode()))
                .forEach(m -> causes.add(new Cause.OtherMode(unit.key(), m)));
    }

    private void orders(UnitState unit) {
        Set<Attribute> attributes = unit.mode().blocks().stream()
                .flatMap(b -> b.slotUses().stream())
                .map(u -> u.channel().attribute())
                .collect(Collectors.toSet());
        if (attributes.containsAll(Set.of(Quirks.PAN, Quirks.TILT))) {
            causes.add(new Cause.AxesSwapped(unit.key()));
        }
        if (attributes.size() > 1) {
            causes.add(new Cause.OtherOrder(unit.key()));
        }
    }

    private void block(UnitState unit, int block, UnitState.Start start) {
        if (unit.starts().size() > 1) {
            causes.add(new Cause.BlockOff(unit.key(), block));
        }
        neighbours(unit, start);
        for (int slot = Slot.FIRST; slot <= Slot.LAST; slot++) {
            if (slot != start.slot()) {
                causes.add(new Cause.OtherAddress(unit.key(), block, start.slot(), slot));
            }
        }
        carried(start.line());
    }

    private void neighbours(UnitState unit, UnitState.Start start) {
        for (UnitState other : rig.on(start.line())) {
            Optional<UnitState.Start> theirs = other.starts().get(0);
            if (!other.key().equals(unit.key()) && theirs.isPresent()) {
                causes.add(new Cause.SameAddress(
                        unit.key(), other.key(), theirs.get().slot()));
                causes.add(
                        unit.key().compareTo(other.key()) < 0
                                ? new Cause.Swapped(unit.key(), other.key())
                                : new Cause.Swapped(other.key(), unit.key()));
            }
        }
    }

    private void carried(UniverseNumber line) {
        List<UniverseNumber> others = new ArrayList<>(rig.universes());
        USUAL_SHIFTS.stream()
                .map(by -> line.number() + by)
                .filter(UniverseNumber::isLegal)
                .map(UniverseNumber::of)
                .forEach(others::add);
        others.stream().filter(u -> !u.equals(line)).forEach(u -> causes.add(new Cause.OtherUniverse(line, u)));
    }
}
