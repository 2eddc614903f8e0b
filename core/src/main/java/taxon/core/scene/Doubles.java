package taxon.core.scene;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.TypeId;
import taxon.core.rig.BlockRef;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Share;
import taxon.core.rig.Shares;

/** Blocks of a scene that have one address and do the same: they are taken as doubled on purpose. */
final class Doubles {
    private static final String WHY = "one address in the scene";

    private final Plan plan;
    private final List<Share> found = new ArrayList<>();

    private record Place(TypeId type, String mode, int block, StartAddress address) {}

    /** @param fixtures those whose addresses came from the scene, as they are in the plan */
    Doubles(Plan plan, Collection<Fixture> fixtures) {
        this.plan = plan;
        Map<Place, SortedSet<BlockRef>> places = new LinkedHashMap<>();
        fixtures.stream()
                .filter(f -> plan.mode(f).isPresent())
                .forEach(f -> f.addresses()
                        .forEach((block, address) -> places.computeIfAbsent(
                                        new Place(f.type(), f.mode(), block, address), k -> new TreeSet<>())
                                .add(new BlockRef(f.key(), block))));
        Shares known = Shares.of(plan);
        int next = Math.max(1, plan.nextNumber(Kind.SHARE));
        for (SortedSet<BlockRef> blocks : places.values()) {
            Optional<Share> there =
                    blocks.stream().flatMap(b -> known.of(b).stream()).findFirst();
            TreeSet<BlockRef> free = new TreeSet<>(blocks);
            free.removeIf(b -> known.of(b).isPresent());
            boolean isNew = there.isEmpty() && free.size() > 1;
            if (isNew || there.isPresent() && !free.isEmpty()) {
                there.ifPresent(s -> free.addAll(s.blocks()));
                found.add(new Share(
                        there.isPresent() ? there.get().number() : next++,
                        free,
                        there.map(Share::why).orElse(WHY)));
            }
        }
    }

    /** The shares that are new, or hold more than before. */
    List<Share> shares() {
        return List.copyOf(found);
    }

    /** "1.001: 201, 202". */
    List<String> words() {
        return found.stream()
                .map(s -> plan.block(s.blocks().first())
                                .flatMap(b -> b.start())
                                .map(StartAddress::toString)
                                .orElse("")
                        + ": "
                        + String.join(
                                ", ",
                                s.blocks().stream()
                                        .flatMap(b -> plan.block(b).stream())
                                        .map(b -> b.label())
                                        .toList()))
                .toList();
    }
}
