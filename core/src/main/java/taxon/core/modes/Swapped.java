package taxon.core.modes;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.RigType;

/** A plan with other types and modes in it, every start kept that the new mode has a block for. */
final class Swapped {
    private Swapped() {}

    static Plan plan(Plan plan, ChangeRequest request) {
        List<Element> put = new ArrayList<>();
        Set<FixtureKey> otherBoxes = new HashSet<>();
        for (ChangeRequest.Switch one : request.switches()) {
            put.add(RigType.in(plan, one.type()));
            int blocks = one.type().mode(one.mode()).orElseThrow().blocks().size();
            for (FixtureKey key : one.fixtures()) {
                plan.fixture(key).ifPresent(f -> {
                    put.add(swapped(f, one, blocks));
                    if (!f.type().equals(one.type().id())) {
                        otherBoxes.add(key);
                    }
                });
            }
        }
        return plan.without(evidence(plan, otherBoxes)).with(put);
    }

    private static Fixture swapped(Fixture fixture, ChangeRequest.Switch one, int blocks) {
        Map<Integer, taxon.core.dmx.StartAddress> kept =
                new TreeMap<>(fixture.addresses().headMap(blocks + 1));
        return fixture.withType(one.type().id()).withMode(one.mode()).withAddresses(kept);
    }

    /** Another type is another box: what was set on the old one, or proved of it, says nothing of the new. */
    private static List<ElementKey> evidence(Plan plan, Set<FixtureKey> fixtures) {
        if (fixtures.isEmpty()) {
            return List.of();
        }
        return plan.elements().entrySet().stream()
                .filter(e -> e.getValue() instanceof BlockEvidence b
                        && fixtures.contains(b.ref().fixture()))
                .map(Map.Entry::getKey)
                .toList();
    }
}
