package taxon.app.checks.seen;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelName;
import taxon.core.fixture.PhysicalUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.seen.ChannelReading;
import taxon.core.visible.DarkText;
import taxon.core.visible.Visibility;

/**
 * A block that listens on a universe, and what its channels are, as the page shows it.
 *
 * @param first its first slot
 */
public record Listener(
        int fixture, String label, String type, String position, int first, int last, List<Place> places) {
    public Listener {
        places = List.copyOf(places);
    }

    /**
     * A channel.
     *
     * @param slots "17, 18", coarse first
     */
    public record Place(String slots, String name) {}

    /** Those on these universes, by their first slot; several at one slot where they share it. */
    static List<Listener> of(Plan plan, List<UniverseNumber> universes) {
        return blocks(plan, universes).stream().map(b -> of(plan, b)).toList();
    }

    private static List<PlannedBlock> blocks(Plan plan, List<UniverseNumber> universes) {
        return plan.blocks().stream()
                .filter(b ->
                        b.start().filter(s -> universes.contains(s.universe())).isPresent())
                .sorted(Comparator.comparing((PlannedBlock b) -> b.start().orElseThrow())
                        .thenComparing(b -> b.fixture().key()))
                .toList();
    }

    private static Listener of(Plan plan, PlannedBlock block) {
        int first = block.start().orElseThrow().slot().number();
        List<Place> places = readings(block, o -> 0).stream()
                .map(r -> new Place(
                        String.join(
                                ", ",
                                r.channel().offsets().stream()
                                        .map(o -> String.valueOf(first + o - 1))
                                        .toList()),
                        ChannelName.of(r.channel())))
                .toList();
        return new Listener(
                block.fixture().key().number(),
                block.label(),
                block.type().fullName(),
                plan.position(block.fixture()).name(),
                first,
                first + block.footprint() - 1,
                places);
    }

    private static List<ChannelReading> readings(PlannedBlock block, IntUnaryOperator level) {
        return ChannelReading.of(block.block(), level);
    }

    /**
     * What levels say to each channel of each block, in the order of {@link #of}.
     *
     * @param levels 512 of them
     */
    static List<Said> said(Plan plan, List<UniverseNumber> universes, List<Integer> levels) {
        List<Said> all = new ArrayList<>();
        for (PlannedBlock block : blocks(plan, universes)) {
            int first = block.start().orElseThrow().slot().number();
            readings(block, o -> level(levels, first + o - 2)).forEach(r -> all.add(Said.of(r)));
        }
        return all;
    }

    /**
     * What keeps the fixture of each block dark, in the order of {@link #of}: a sentence, said once at its first block; empty where nothing
     * that is known does, and where some of it listens on another universe.
     */
    static List<String> dark(Plan plan, List<UniverseNumber> universes, List<Integer> levels) {
        List<PlannedBlock> blocks = blocks(plan, universes);
        Set<FixtureKey> told = new HashSet<>();
        return blocks.stream()
                .map(b -> told.add(b.fixture().key()) ? dark(plan, b.fixture(), universes, levels) : "")
                .toList();
    }

    private static String dark(Plan plan, Fixture fixture, List<UniverseNumber> universes, List<Integer> levels) {
        List<PlannedBlock> all = plan.blocksOf(fixture);
        boolean whole = all.stream()
                .allMatch(b ->
                        b.start().filter(s -> universes.contains(s.universe())).isPresent());
        if (!whole) {
            return "";
        }
        List<ChannelReading> readings = all.stream()
                .flatMap(b -> readings(
                        b, o -> level(levels, b.start().orElseThrow().slot().number() + o - 2))
                        .stream())
                .toList();
        return DarkText.of(Visibility.of(readings));
    }

    private static int level(List<Integer> levels, int index) {
        return index < levels.size() ? levels.get(index) : 0;
    }

    /**
     * What a channel is told.
     *
     * @param function and step in the manual's words; empty where nobody wrote them down
     * @param physical with its unit; empty where the value means nothing in one
     */
    record Said(long value, String percent, String function, String physical) {
        static Said of(ChannelReading reading) {
            String step = reading.step().map(s -> s.name()).orElse("");
            String function = reading.function().map(f -> f.name()).orElse("");
            String both = step.isBlank() || step.equals(function) ? function : function + ": " + step;
            return new Said(
                    reading.value(),
                    number(reading.percent(), 0),
                    both,
                    reading.physical().map(p -> written(p, reading.unit())).orElse(""));
        }

        private static String written(double value, PhysicalUnit unit) {
            String sign = unit.sign();
            String gap = sign.isEmpty() || unit == PhysicalUnit.ANGLE ? "" : " ";
            return number(value, 1) + gap + sign;
        }

        private static String number(double value, int digits) {
            return String.format(Locale.ROOT, "%." + digits + "f", value == 0 ? 0 : value);
        }
    }
}
