package taxon.core.rig.edit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Stream;
import taxon.core.fixture.ChannelName;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Parks a channel of many fixtures by its name, wherever its slots are in each of them. */
public final class ParkEdits {
    private ParkEdits() {}

    /**
     * From now on that channel holds a value in all of these, in every cell and layer unless its name says which: "zoom", "red 3". Slots
     * of a fine channel hold the same byte. Refused when none of them has it; the title says how many have not.
     *
     * @param value 0 to 255; empty to let the channel go again
     * @param why at most 120 characters, not blank where there is a value
     */
    public static Edit park(
            Plan now, Collection<FixtureKey> fixtures, String channel, Optional<Integer> value, String why) {
        List<FixtureKey> keys = List.copyOf(new TreeSet<>(fixtures));
        ChannelName wanted = ChannelName.read(channel);
        long having = keys.stream()
                .flatMap(k -> now.fixture(k).stream())
                .filter(f -> !slots(now, f, wanted).isEmpty())
                .count();
        String title = (value.isPresent() ? wanted + " parked at " + value.get() : wanted + " let go") + " on " + having
                + (having == keys.size() ? "" : "; " + (keys.size() - having) + " have no such channel");
        return new Edit(title, plan -> parked(plan, keys, wanted, channel, value, why));
    }

    private record Place(int block, int offset) {}

    private static List<Place> slots(Plan plan, Fixture fixture, ChannelName wanted) {
        List<Place> slots = new ArrayList<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            block.block().channels().stream()
                    .filter(wanted::means)
                    .flatMap(c -> c.offsets().stream())
                    .forEach(o -> slots.add(new Place(block.ref().block(), o)));
        }
        return slots;
    }

    private static Outcome parked(
            Plan plan, List<FixtureKey> keys, ChannelName wanted, String channel, Optional<Integer> value, String why) {
        List<Fixture> changed = new ArrayList<>();
        try {
            for (FixtureKey key : keys) {
                plan.fixture(key).stream()
                        .flatMap(f -> parked(f, slots(plan, f, wanted), value, why).stream())
                        .forEach(changed::add);
            }
        } catch (IllegalArgumentException e) {
            // A value, a reason or a number of parked slots that a fixture does not take; it says which.
            return Edit.refuse(
                    new Refusal("channel to park", channel, Fault.NOT_UNDERSTOOD, String.valueOf(e.getMessage())));
        }
        return changed.isEmpty()
                ? Edit.refuse(new Refusal("channel", channel, Fault.NOT_FOUND, "in none of the chosen fixtures"))
                : new Changed(plan.with(changed));
    }

    private static Optional<Fixture> parked(Fixture fixture, List<Place> slots, Optional<Integer> value, String why) {
        if (slots.isEmpty()) {
            return Optional.empty();
        }
        Stream<Parked> others =
                fixture.traits().parked().stream().filter(p -> !slots.contains(new Place(p.block(), p.offset())));
        Stream<Parked> own =
                value.stream().flatMap(v -> slots.stream().map(s -> new Parked(s.block(), s.offset(), v, why)));
        return Optional.of(fixture.withTraits(
                fixture.traits().withParked(Stream.concat(others, own).toList())));
    }
}
