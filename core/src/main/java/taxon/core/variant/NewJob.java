package taxon.core.variant;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.network.NetworkRules;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.edit.Added;

/** A job that begins from an old one, as for the next venue of a tour. What was set, proved and checked there is never taken along. */
public final class NewJob {
    private NewJob() {}

    /** What can be taken along, beside the types, which always are. */
    public enum Keep {
        /** The fixtures, with their modes and what is known of each, and the groups that they are in. */
        FIXTURES,
        /** The fixtures' IDs. */
        NUMBERING,
        /** Their addresses, shares, and what is reserved. */
        ADDRESSES,
        /** Positions with their places; without them all fixtures are not yet placed. */
        POSITIONS,
        /** Boxes, universes with their ways, counting, IP plan, lines of cable and wireless links. */
        NETWORK,
        /** Wishes that were kept, and the one in force. */
        WISHES;

        /** The kinds of elements that are left where it is not taken along. */
        private Set<Kind> kinds() {
            return switch (this) {
                case FIXTURES -> EnumSet.of(Kind.FIXTURE, Kind.GROUP);
                case NUMBERING -> EnumSet.noneOf(Kind.class);
                case ADDRESSES -> EnumSet.of(Kind.SHARE, Kind.RESERVED_RUN);
                case POSITIONS -> EnumSet.of(Kind.POSITION);
                case NETWORK -> EnumSet.of(Kind.BOX, Kind.UNIVERSE, Kind.LINE, Kind.LINK);
                case WISHES -> EnumSet.of(Kind.WISH);
            };
        }
    }

    /**
     * The plan of the new job.
     *
     * @param sheet what the new job is called, where and when; of the old sheet only how the rig is shown stays
     */
    public static Plan from(Plan old, JobSheet sheet, Set<Keep> kept) {
        Plan plan = WithoutEvidence.of(old);
        if (kept.contains(Keep.FIXTURES)) {
            plan = plan.with(fixtures(plan, kept));
        }
        List<ElementKey> left = new ArrayList<>();
        for (Keep each : Keep.values()) {
            if (!kept.contains(each)) {
                each.kinds().forEach(k -> keys(old, k, left));
            }
        }
        // A job with fixtures that are not placed keeps the one position where they are.
        Optional<Position> nowhere = plan.positionNamed(Added.NOWHERE);
        nowhere.filter(p -> kept.contains(Keep.FIXTURES)).ifPresent(p -> left.remove(p.elementKey()));
        plan = plan.without(left);
        NetworkRules rules = kept.contains(Keep.NETWORK) ? old.sheet().network() : NetworkRules.USUAL;
        return Plan.of(plan.with(sheet.withView(old.sheet().view()).with(rules))
                .elements()
                .values());
    }

    private static void keys(Plan plan, Kind kind, List<ElementKey> into) {
        plan.elements().keySet().stream().filter(k -> k.kind() == kind).forEach(into::add);
    }

    /** The fixtures as they are taken along; without positions they hang where nothing is placed yet. */
    private static List<Element> fixtures(Plan plan, Set<Keep> kept) {
        List<Element> changed = new ArrayList<>();
        boolean placed = kept.contains(Keep.POSITIONS);
        int nowhere =
                plan.positionNamed(Added.NOWHERE).map(Position::number).orElseGet(() -> plan.nextNumber(Kind.POSITION));
        if (!placed) {
            changed.add(new Position(nowhere, Added.NOWHERE));
        }
        for (Fixture fixture : plan.fixtures()) {
            Fixture now = kept.contains(Keep.NUMBERING) ? fixture : fixture.withId(Optional.empty());
            now = kept.contains(Keep.ADDRESSES) ? now : now.withAddresses(Map.of());
            changed.add(placed ? now : now.withPlace(nowhere, now.unit()).withOffset(Optional.empty()));
        }
        return changed;
    }
}
