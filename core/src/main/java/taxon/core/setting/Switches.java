package taxon.core.setting;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.dmx.AddressSwitches;
import taxon.core.dmx.AddressSwitches.Counting;
import taxon.core.dmx.Slot;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.PlannedBlock;

/**
 * How the switches of a unit stand for a start slot.
 *
 * @param counting what the nine add up to
 * @param nine switch 1 first, true is on; empty where nine do not reach the slot
 * @param tenth how the tenth stands, where the type has one
 */
public record Switches(Counting counting, List<Boolean> nine, Optional<Boolean> tenth) {
    public Switches {
        nine = List.copyOf(nine);
    }

    /** Those of a block; empty where its type has none that are known, or it has no address. */
    public static Optional<Switches> of(PlannedBlock block) {
        FixtureType type = block.type();
        Optional<Slot> slot = block.start().map(a -> a.slot());
        return slot.flatMap(s -> type.facts()
                .switches()
                .map(c -> new Switches(
                        c,
                        AddressSwitches.reach(s, c) ? AddressSwitches.of(s, c).positions() : List.of(),
                        type.facts()
                                .guide()
                                .tenth()
                                .map(t -> t.onIn().contains(block.mode().name())))));
    }

    /** True when they can stand for it. */
    public boolean reach() {
        return !nine.isEmpty();
    }

    /** What they add up to: "plain count". */
    public String counted() {
        return counting == Counting.PLAIN ? "plain count" : "the address less one";
    }

    /** "1, 4 and 10 on"; "all off". */
    public String words() {
        if (!reach()) {
            return "nine switches do not reach it";
        }
        List<String> on = IntStream.rangeClosed(1, nine.size())
                .filter(n -> nine.get(n - 1))
                .mapToObj(Integer::toString)
                .collect(Collectors.toList());
        tenth.filter(t -> t).ifPresent(t -> on.add("10"));
        return on.isEmpty() ? "all off" : String.join(" ", on) + " on";
    }
}
