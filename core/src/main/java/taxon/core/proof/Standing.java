package taxon.core.proof;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** How far a block has come from plan to proof. */
public enum Standing {
    /** It has no planned address yet. */
    UNPLACED,
    /** An address is planned; nothing is known of the unit. */
    PLANNED,
    /** The unit was last set as planned. */
    SET,
    /** The unit answered as planned, and nothing contradicts that since. */
    PROVED,
    /** What was last set or found on the unit is not what is planned now: it must be touched again. */
    STALE;

    /** As people say it: "no address", "planned". */
    public String words() {
        return this == UNPLACED ? "no address" : name().toLowerCase(Locale.ROOT);
    }

    /** True when someone set the unit, or found it set, whether or not that is still planned. */
    public boolean isSet() {
        return this == SET || this == PROVED || this == STALE;
    }

    public static Standing of(PlannedBlock block, Plan plan) {
        return block.start()
                .map(a -> of(a, block.mode().name(), plan.evidence(block.ref())))
                .orElse(UNPLACED);
    }

    /** Only the latest mark can say that the unit differs; an older proof stands as long as none does. */
    static Standing of(StartAddress planned, String mode, BlockEvidence evidence) {
        Optional<Mark> latest = latest(evidence);
        if (latest.isEmpty()) {
            return PLANNED;
        }
        if (!latest.get().confirms(planned, mode)) {
            return STALE;
        }
        return evidence.proved().filter(p -> p.confirms(planned, mode)).isPresent() ? PROVED : SET;
    }

    /** The younger of the two marks; the set mark where both are of one moment. */
    public static Optional<Mark> latest(BlockEvidence evidence) {
        return Stream.of(evidence.set(), evidence.proved())
                .flatMap(Optional::stream)
                .reduce((set, proved) -> proved.at().isAfter(set.at()) ? proved : set);
    }
}
