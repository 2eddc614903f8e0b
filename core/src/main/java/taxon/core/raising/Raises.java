package taxon.core.raising;

import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelName;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.visible.Recipe;
import taxon.core.visible.RecipeStep;

/**
 * Which slots of a unit have which levels when something of it is raised: by its planned addresses and mode. Nothing is checked here; each
 * slot passes the {@link Gate}. A block without an address has none.
 */
public final class Raises {
    private Raises() {}

    /** What makes a part of a unit, or the whole of it, visible in white. */
    public static SortedMap<StartAddress, Integer> visible(Plan plan, Fixture fixture, Part part) {
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        plan.mode(fixture).ifPresent(mode -> {
            var parts = part.equals(Part.WHOLE) && !mode.parts().isEmpty() ? mode.parts() : java.util.List.of(part);
            for (Part each : parts) {
                for (RecipeStep step : Recipe.of(mode, each)) {
                    put(plan, fixture, c -> c.equals(step.channel()), c -> step.value(), levels);
                }
            }
        });
        return levels;
    }

    /**
     * A channel that is called so, of every part that has it.
     *
     * @param share of the whole way, 0 to 1
     */
    public static SortedMap<StartAddress, Integer> channel(Plan plan, Fixture fixture, ChannelName name, double share) {
        return all(plan, fixture, name::means, share);
    }

    /**
     * A family at once.
     *
     * @param share of the whole way, 0 to 1
     */
    public static SortedMap<StartAddress, Integer> family(
            Plan plan, Fixture fixture, ChannelFamily family, double share) {
        return all(plan, fixture, c -> ChannelFamily.of(c) == family, share);
    }

    /**
     * One channel of one block, at a value of its own width.
     *
     * @param block counted from 1
     * @param index of the channel in its block, counted from 0
     * @return empty where there is no such channel or the value is beyond its width
     */
    public static Optional<SortedMap<StartAddress, Integer>> value(
            Plan plan, Fixture fixture, int block, int index, long value) {
        return plan.blocksOf(fixture).stream()
                .filter(b -> b.ref().block() == block)
                .filter(b -> index >= 0 && index < b.block().channels().size())
                .filter(b ->
                        Levels.isLegal(value, b.block().channels().get(index).bytes()))
                .findFirst()
                .map(b -> {
                    SortedMap<StartAddress, Integer> levels = new TreeMap<>();
                    put(b, b.block().channels().get(index), value, levels);
                    return levels;
                });
    }

    /** The slots of a unit, to let go of what is held of it. */
    public static SortedMap<StartAddress, Integer> whole(Plan plan, Fixture fixture) {
        return all(plan, fixture, c -> true, 0);
    }

    private static SortedMap<StartAddress, Integer> all(
            Plan plan, Fixture fixture, Predicate<Channel> which, double share) {
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("a share of " + share + " is outside 0 to 1");
        }
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        put(plan, fixture, which, c -> Math.round(share * Levels.most(c.bytes())), levels);
        return levels;
    }

    private static void put(
            Plan plan,
            Fixture fixture,
            Predicate<Channel> which,
            ToLongFunction<Channel> value,
            SortedMap<StartAddress, Integer> levels) {
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            block.block().channels().stream()
                    .filter(c -> !c.isVirtual() && which.test(c))
                    .forEach(c -> put(block, c, value.applyAsLong(c), levels));
        }
    }

    private static void put(PlannedBlock block, Channel channel, long value, SortedMap<StartAddress, Integer> levels) {
        block.start().ifPresent(start -> {
            for (int i = 0; i < channel.offsets().size(); i++) {
                int slot = start.slot().number() + channel.offsets().get(i) - 1;
                if (Slot.isLegal(slot)) {
                    levels.put(
                            new StartAddress(start.universe(), Slot.of(slot)),
                            Levels.byteAt(value, channel.bytes(), i));
                }
            }
        });
    }
}
