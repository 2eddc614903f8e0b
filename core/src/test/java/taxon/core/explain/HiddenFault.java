package taxon.core.explain;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;

/** A mistake that can be hidden in a rig. */
enum HiddenFault {
    OFF_BY_ONE,
    ANOTHER_ADDRESS,
    SAME_ADDRESS,
    OTHER_MODE,
    SWAPPED,
    BLOCK_OFF,
    UNIT_OFF,
    LINE_BROKEN,
    BOX_OFF,
    OTHER_UNIVERSE,
    AXIS_REVERSED,
    AXES_SWAPPED,
    OTHER_ORDER,
    NO_TERMINATOR,
    TWO_SOURCES;

    /** Hides it and gives what is to be found; empty where this rig cannot have it. */
    Optional<Predicate<Cause>> hide(HiddenRig rig, Random random) {
        List<Fixture> all = rig.plan().fixtures();
        return hide(rig, random, all.get(random.nextInt(all.size())), all.get(random.nextInt(all.size())));
    }

    private static boolean hasAxes(FixtureType type) {
        return !type.equals(HiddenRig.WASH);
    }

    /** Hides it in one unit, and where it takes two, in another. */
    private Optional<Predicate<Cause>> hide(HiddenRig rig, Random random, Fixture one, Fixture two) {
        int[] own = rig.slots.get(one.key());
        FixtureType type = rig.plan().type(one);
        int universe = one.address(1).orElseThrow().universe().number();
        boolean neighbours = !one.equals(two)
                && universe == two.address(1).orElseThrow().universe().number()
                && own.length == rig.slots.get(two.key()).length;
        switch (this) {
            case OFF_BY_ONE, ANOTHER_ADDRESS -> {
                int wrong = this == OFF_BY_ONE
                        ? own[0] + (random.nextBoolean() || own[0] == 1 ? 1 : -1)
                        : 1 + random.nextInt(500);
                if (wrong == own[0]) {
                    return Optional.empty();
                }
                own[0] = wrong;
                return Optional.of(
                        c -> c instanceof Cause.OtherAddress a && a.unit().equals(one.key()) && a.slot() == wrong
                                || c instanceof Cause.SameAddress s && s.unit().equals(one.key()) && s.slot() == wrong);
            }
            case SAME_ADDRESS -> {
                if (!neighbours) {
                    return Optional.empty();
                }
                own[0] = rig.slots.get(two.key())[0];
                int wrong = own[0];
                return Optional.of(
                        c -> c instanceof Cause.SameAddress s && s.unit().equals(one.key()) && s.slot() == wrong);
            }
            case OTHER_MODE -> {
                if (type.modes().size() < 2) {
                    return Optional.empty();
                }
                Mode other = type.modes().get(1 + random.nextInt(type.modes().size() - 1));
                rig.modes.put(one.key(), other);
                return Optional.of(c -> c instanceof Cause.OtherMode m
                        && m.unit().equals(one.key())
                        && m.mode().equals(other));
            }
            case SWAPPED -> {
                if (!neighbours) {
                    return Optional.empty();
                }
                rig.slots.put(one.key(), rig.slots.get(two.key()));
                rig.slots.put(two.key(), own);
                return Optional.of(c -> c instanceof Cause.Swapped s
                        && Set.of(s.one(), s.other()).equals(Set.of(one.key(), two.key())));
            }
            case BLOCK_OFF -> {
                if (own.length < 2) {
                    return Optional.empty();
                }
                own[1] = 0;
                return Optional.of(
                        c -> c instanceof Cause.BlockOff b && b.unit().equals(one.key()) && b.block() == 2);
            }
            case UNIT_OFF -> {
                rig.slots.put(one.key(), new int[own.length]);
                return Optional.of(c -> c instanceof Cause.UnitOff u && u.unit().equals(one.key()));
            }
            case LINE_BROKEN -> {
                List<FixtureKey> order = rig.plan().line(universe).orElseThrow().units();
                int from = order.indexOf(one.key());
                if (order.size() - from < 2) {
                    return Optional.empty();
                }
                order.subList(from, order.size()).forEach(k -> rig.slots.put(k, new int[rig.slots.get(k).length]));
                return Optional.of(
                        c -> c instanceof Cause.LineBroken l && l.firstSilent().equals(one.key()));
            }
            case OTHER_UNIVERSE -> {
                int wrong = universe + List.of(1, -1, 16).get(random.nextInt(3));
                if (wrong < 1) {
                    return Optional.empty();
                }
                rig.heard.put(universe, wrong);
                return Optional.of(c -> c instanceof Cause.OtherUniverse u
                        && u.line().number() == universe
                        && u.carried().number() == wrong);
            }
            case AXES_SWAPPED -> {
                if (!hasAxes(type)) {
                    return Optional.empty();
                }
                rig.swapped.add(one.key());
                return Optional.of(
                        c -> c instanceof Cause.AxesSwapped a && a.unit().equals(one.key()));
            }
            case OTHER_ORDER -> {
                rig.reorder(one.key(), random);
                return Optional.of(
                        c -> c instanceof Cause.OtherOrder o && o.unit().equals(one.key()));
            }
            case BOX_OFF -> {
                rig.slots.replaceAll((k, was) -> new int[was.length]);
                return Optional.of(c -> c instanceof Cause.BoxOff b && b.box() == 1);
            }
            case NO_TERMINATOR -> {
                List<FixtureKey> order = rig.plan().line(universe).orElseThrow().units();
                rig.unsteady.addAll(order.subList(order.size() / 2, order.size()));
                return Optional.of(c -> c instanceof Cause.NoTerminator n && n.line() == universe);
            }
            case TWO_SOURCES -> {
                rig.unsteady.addAll(rig.plan().line(universe).orElseThrow().units());
                return Optional.of(
                        c -> c instanceof Cause.TwoSources t && t.universe().number() == universe);
            }
            default -> {
                if (!hasAxes(type)) {
                    return Optional.empty();
                }
                Attribute axis = Attribute.of(random.nextBoolean() ? "Pan" : "Tilt");
                rig.reversed.add(Response.of(one.key(), axis));
                return Optional.of(c -> c instanceof Cause.AxisReversed a
                        && a.unit().equals(one.key())
                        && a.axis().equals(axis));
            }
        }
    }
}
