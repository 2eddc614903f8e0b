package taxon.core.modes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.modes.ChangeProposal.Clash;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Shares;

/** What runs into what, and past the end, where fixtures that change take part. */
final class Clashes {
    private final Shares shares;
    private final Predicate<Fixture> isChanged;

    Clashes(Shares shares, Predicate<Fixture> isChanged) {
        this.shares = shares;
        this.isChanged = isChanged;
    }

    /** Overlaps and ends passed in which a changed block takes part. */
    List<Clash> of(Plan plan) {
        List<Clash> clashes = new ArrayList<>();
        Map<?, List<PlannedBlock>> byUniverse = plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .sorted(Comparator.comparing((PlannedBlock b) -> b.start().orElseThrow())
                        .thenComparing(PlannedBlock::ref))
                .collect(Collectors.groupingBy(
                        b -> b.start().orElseThrow().universe(), TreeMap::new, Collectors.toList()));
        byUniverse.values().forEach(blocks -> {
            for (int i = 0; i < blocks.size(); i++) {
                pastEnd(blocks.get(i)).ifPresent(clashes::add);
                clashes.addAll(overlaps(blocks, i));
            }
        });
        return clashes;
    }

    private Optional<Clash> pastEnd(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        return isChanged.test(block.fixture()) && start.slot().number() + block.footprint() - 1 > Slot.LAST
                ? Optional.of(new Clash(
                        block, Optional.empty(), start.universe(), block.slots().orElseThrow()))
                : Optional.empty();
    }

    /** Overlaps of a block with those that start behind it; the list is in the order of the starts. */
    private List<Clash> overlaps(List<PlannedBlock> blocks, int at) {
        PlannedBlock first = blocks.get(at);
        SlotRange slots = first.slots().orElseThrow();
        List<Clash> clashes = new ArrayList<>();
        for (int i = at + 1; i < blocks.size(); i++) {
            PlannedBlock second = blocks.get(i);
            SlotRange other = second.slots().orElseThrow();
            if (other.first() > slots.last()) {
                break;
            }
            boolean concerns = isChanged.test(first.fixture()) || isChanged.test(second.fixture());
            if (concerns && !shares.isMeant(first, second)) {
                SlotRange shared = new SlotRange(other.first(), Math.min(slots.last(), other.last()));
                clashes.add(new Clash(
                        first, Optional.of(second), first.start().orElseThrow().universe(), shared));
            }
        }
        return clashes;
    }
}
