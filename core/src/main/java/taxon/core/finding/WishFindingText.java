package taxon.core.finding;

import java.util.List;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;

/** The sentences of findings about what was asked for and about shares. */
final class WishFindingText {
    private static final int TOLD = 6;

    private WishFindingText() {}

    static String sentence(Grounds grounds) {
        if (grounds instanceof Grounds.ShareBroken s) {
            return "A shared address has come apart: "
                    + s.blocks().stream().map(WishFindingText::place).collect(Collectors.joining(", ")) + "."
                    + (s.why().isBlank() ? "" : " They share it since they " + s.why() + ".");
        }
        if (grounds instanceof Grounds.GapShort g) {
            return g.later().label() + " begins at " + g.later().start().orElseThrow() + ", "
                    + slots(g.free()) + " behind " + g.earlier().label() + "; the wish in force keeps "
                    + slots(g.asked()) + " free between neighbours.";
        }
        if (grounds instanceof Grounds.HeadroomUsed h) {
            return "Universe " + h.universe() + " is used up to slot " + h.lastUsed() + " by " + labels(h.blocks())
                    + "; the wish in force keeps its last " + slots(h.headroom()) + " free.";
        }
        if (grounds instanceof Grounds.HazardShares h) {
            return labels(h.hazards()) + " can hurt people and shares universe " + h.universe() + " with "
                    + (h.others() == 1 ? "1 other fixture" : h.others() + " other fixtures")
                    + ": whoever drives those drives it too.";
        }
        if (grounds instanceof Grounds.RoomShort r) {
            return r.block().label() + " " + r.block().type().fullName() + " has " + slots(r.kept()) + " from "
                    + r.block().start().orElseThrow() + " to itself; the wish in force keeps room for " + r.needed()
                    + ".";
        }
        Grounds.OutOfStep o = (Grounds.OutOfStep) grounds;
        return "On " + o.position() + ", addresses do not ascend with the numbers: "
                + names(o.fixtures().stream().map(Fixture::label).toList())
                + (o.fixtures().size() == 1 ? " is" : " are") + " out of step.";
    }

    private static String place(PlannedBlock block) {
        return block.label() + " at "
                + block.start().map(StartAddress::toString).orElse("no address");
    }

    private static String slots(int count) {
        return count == 1 ? "1 slot" : count + " slots";
    }

    private static String labels(List<PlannedBlock> blocks) {
        return names(blocks.stream().map(PlannedBlock::label).toList());
    }

    private static String names(List<String> names) {
        String told = names.stream().limit(TOLD).collect(Collectors.joining(", "));
        return names.size() > TOLD ? told + " and " + (names.size() - TOLD) + " more" : told;
    }
}
