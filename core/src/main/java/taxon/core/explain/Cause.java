package taxon.core.explain;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Mode;
import taxon.core.rig.FixtureKey;

/** A single mistake that a rig may have. How often each is met is from practice, not from a source (common practice). */
public sealed interface Cause {
    /** How likely it is before anything was seen, against the others. */
    double weight();

    /** The rig with it; empty where the rig has not what it is about. */
    Optional<World> in(World world);

    /** What a case makes of this kind. */
    <R> R match(CauseCases<R> cases);

    /** A unit that is set to another start address. */
    record OtherAddress(FixtureKey unit, int block, int planned, int slot) implements Cause {
        private static final double BY_ONE = 1.5;
        private static final double BY_ITS_NEIGHBOUR = 0.03;

        /** Where it is set to, counted from where it should be. */
        public int off() {
            return slot - planned;
        }

        @Override
        public double weight() {
            return Math.abs(off()) == 1 ? BY_ONE : BY_ITS_NEIGHBOUR;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.at(block, slot));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.otherAddress(this);
        }
    }

    /** A unit that has the start address of another: both do the same, or their channels run into each other. */
    record SameAddress(FixtureKey unit, FixtureKey other, int slot) implements Cause {
        @Override
        public double weight() {
            return 1;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.at(1, slot));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.sameAddress(this);
        }
    }

    /** A unit that is in another mode; of the same length it is another order of channels. */
    record OtherMode(FixtureKey unit, Mode mode) implements Cause {
        @Override
        public double weight() {
            return 2;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.inMode(mode));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.otherMode(this);
        }
    }

    /** Two units that have each other's addresses. */
    record Swapped(FixtureKey one, FixtureKey other) implements Cause {
        @Override
        public double weight() {
            return 1;
        }

        @Override
        public Optional<World> in(World world) {
            Optional<UnitState> a = world.unit(one);
            Optional<UnitState> b = world.unit(other);
            boolean can = a.isPresent()
                    && b.isPresent()
                    && a.get().starts().size() == b.get().starts().size();
            return can
                    ? Optional.of(world.with(List.of(swap(a.get(), b.get()), swap(b.get(), a.get()))))
                    : Optional.empty();
        }

        private static UnitState swap(UnitState unit, UnitState with) {
            return unit.withSlotsOf(with);
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.swapped(this);
        }
    }

    /** A block of a unit that does not listen: an add-on that nobody switched on. */
    record BlockOff(FixtureKey unit, int block) implements Cause {
        @Override
        public double weight() {
            return 2;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.without(block));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.blockOff(this);
        }
    }

    /** A unit that does nothing at all: no power, no data, on the truck. */
    record UnitOff(FixtureKey unit) implements Cause {
        @Override
        public double weight() {
            return 3;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.off());
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.unitOff(this);
        }
    }

    /** A line that is broken before a unit: it and all behind it hear nothing. */
    record LineBroken(FixtureKey firstSilent) implements Cause {
        @Override
        public double weight() {
            return 2;
        }

        @Override
        public Optional<World> in(World world) {
            List<UnitState> silent = world.rig().cables().fromOn(firstSilent).stream()
                    .flatMap(k -> world.unit(k).stream())
                    .map(UnitState::off)
                    .toList();
            return silent.size() < 2 ? Optional.empty() : Optional.of(world.with(silent));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.lineBroken(this);
        }
    }

    /** A port, or whoever sends, counts otherwise: the lines of one universe carry another. */
    record OtherUniverse(UniverseNumber line, UniverseNumber carried) implements Cause {
        private static final double BY_ONE = 2;
        private static final double BY_SIXTEEN = 1;
        private static final double BY_ANY = 0.3;

        @Override
        public double weight() {
            int off = Math.abs(carried.number() - line.number());
            return off == 1 ? BY_ONE : off == 16 ? BY_SIXTEEN : BY_ANY;
        }

        @Override
        public Optional<World> in(World world) {
            return Optional.of(world.carrying(line, carried));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.otherUniverse(this);
        }
    }

    /** An axis that goes the other way round. */
    record AxisReversed(FixtureKey unit, Attribute axis) implements Cause {
        @Override
        public double weight() {
            return 3;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.with(u.quirks().reversing(axis)));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.axisReversed(this);
        }
    }

    /** Pan and tilt that are exchanged by the menu of a unit. */
    record AxesSwapped(FixtureKey unit) implements Cause {
        @Override
        public double weight() {
            return 1.5;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.with(u.quirks().swapping()));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.axesSwapped(this);
        }
    }

    /** A unit whose channels come in an order that no mode of its type has: the profile is wrong. */
    record OtherOrder(FixtureKey unit) implements Cause {
        @Override
        public double weight() {
            return 0.5;
        }

        @Override
        public Optional<World> in(World world) {
            return world.changing(unit, u -> u.with(u.quirks().reordering()));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.otherOrder(this);
        }
    }

    /** A line that ends without a terminator: what hangs towards its end is unsteady. */
    record NoTerminator(int line) implements Cause {
        @Override
        public double weight() {
            return 2;
        }

        @Override
        public Optional<World> in(World world) {
            return world.unsteady(world.rig().cables().farHalf(line));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.noTerminator(this);
        }
    }

    /** Two who send one universe in turn: whatever listens to it is unsteady. */
    record TwoSources(UniverseNumber universe) implements Cause {
        @Override
        public double weight() {
            return 1.5;
        }

        @Override
        public Optional<World> in(World world) {
            return world.unsteady(
                    world.rig().on(universe).stream().map(UnitState::key).toList());
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.twoSources(this);
        }
    }

    /** A box that carries nothing: whatever hangs behind it hears nothing. */
    record BoxOff(int box) implements Cause {
        @Override
        public double weight() {
            return 1.5;
        }

        @Override
        public Optional<World> in(World world) {
            List<UnitState> silent = world.rig().cables().behind(box).stream()
                    .flatMap(k -> world.unit(k).stream())
                    .map(UnitState::off)
                    .toList();
            return silent.isEmpty() ? Optional.empty() : Optional.of(world.with(silent));
        }

        @Override
        public <R> R match(CauseCases<R> cases) {
            return cases.boxOff(this);
        }
    }
}
