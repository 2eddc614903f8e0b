package taxon.core.checklist;

import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Predicate;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelName;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.raising.ChannelFamily;
import taxon.core.raising.Raises;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** Which levels show whether one thing of a unit is right. Nothing is checked here; each slot passes the gate of raising. */
public final class CheckRaise {
    /** An axis is driven from the middle towards its end: three quarters of its way. */
    private static final double TOWARDS_ITS_END = 0.75;

    private static final double A_STEP_ON = 0.5;

    private CheckRaise() {}

    /** The levels for a check; none for one that is only looked at. Where light is needed to see it, the unit is made visible too. */
    public static SortedMap<StartAddress, Integer> levels(Plan plan, Fixture fixture, CheckItem item) {
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        switch (item.kind()) {
            case THERE -> {}
            case ADDRESS, INTENSITY -> levels.putAll(Raises.visible(plan, fixture, Part.WHOLE));
            case COLOUR -> {
                levels.putAll(Raises.visible(plan, fixture, Part.WHOLE));
                levels.putAll(oneColour(plan, fixture));
            }
            case PAN -> moved(plan, fixture, "pan", levels);
            case TILT -> moved(plan, fixture, "tilt", levels);
            case WHEEL -> {
                levels.putAll(Raises.visible(plan, fixture, Part.WHOLE));
                levels.putAll(
                        of(plan, fixture, b -> true, c -> c.attribute().name().equals(item.what()), A_STEP_ON));
            }
            case BLOCK -> {
                int block = Integer.parseInt(item.what());
                levels.putAll(Raises.visible(plan, fixture, Part.WHOLE));
                levels.putAll(of(
                        plan,
                        fixture,
                        b -> b.ref().block() == block,
                        c -> ChannelFamily.of(c) != ChannelFamily.CONTROL,
                        1));
            }
            case PART ->
                levels.putAll(
                        Raises.visible(plan, fixture, Part.read(item.what()).orElse(Part.WHOLE)));
        }
        return levels;
    }

    private static void moved(Plan plan, Fixture fixture, String axis, SortedMap<StartAddress, Integer> levels) {
        levels.putAll(Raises.visible(plan, fixture, Part.WHOLE));
        levels.putAll(Raises.channel(plan, fixture, ChannelName.read(axis), TOWARDS_ITS_END));
    }

    /** One colour alone: of those that are mixed by adding the first stays up, of filters the first goes in. */
    private static SortedMap<StartAddress, Integer> oneColour(Plan plan, Fixture fixture) {
        boolean[] first = {true};
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            String one = block.block().channels().stream()
                    .filter(c -> ChannelFamily.of(c) == ChannelFamily.COLOUR)
                    .map(c -> c.attribute().name())
                    .findFirst()
                    .orElse("");
            boolean here = first[0] && !one.isEmpty();
            first[0] &= one.isEmpty();
            levels.putAll(of(
                    plan,
                    fixture,
                    b -> b.equals(block),
                    c -> ChannelFamily.of(c) == ChannelFamily.COLOUR
                            && !(here && c.attribute().name().equals(one)),
                    0));
            if (here) {
                levels.putAll(of(
                        plan,
                        fixture,
                        b -> b.equals(block),
                        c -> c.attribute().name().equals(one),
                        1));
            }
        }
        return levels;
    }

    private static SortedMap<StartAddress, Integer> of(
            Plan plan, Fixture fixture, Predicate<PlannedBlock> blocks, Predicate<Channel> channels, double share) {
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        plan.blocksOf(fixture).stream().filter(blocks).forEach(b -> {
            for (int i = 0; i < b.block().channels().size(); i++) {
                Channel channel = b.block().channels().get(i);
                if (!channel.isVirtual() && channels.test(channel)) {
                    Raises.value(plan, fixture, b.ref().block(), i, Math.round(share * Levels.most(channel.bytes())))
                            .ifPresent(l -> levels.putAll(l));
                }
            }
        });
        return levels;
    }
}
