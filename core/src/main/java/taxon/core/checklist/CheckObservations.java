package taxon.core.checklist;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.explain.Trial;
import taxon.core.rig.CheckItem.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.UnitCheck.Seen;

/** What was seen at the check list, in the lines by which it is explained: "2.073 to 2.096: 204". */
public final class CheckObservations {
    private static final int MOST = 60;
    private static final Map<Kind, String> CHANNELS =
            Map.of(Kind.PAN, "pan", Kind.TILT, "tilt", Kind.INTENSITY, "intensity");

    private CheckObservations() {}

    /** Of the universes on which something was wrong, all that was seen there: what is right tells causes apart too. */
    public static List<String> of(Plan plan) {
        Set<UniverseNumber> wrong = new TreeSet<>();
        List<CheckState> seen = new ArrayList<>();
        for (Fixture fixture : plan.fixtures()) {
            for (CheckState state : CheckState.of(plan, fixture)) {
                if (state.seen().isPresent() && !state.stale()) {
                    seen.add(state);
                    universe(plan, fixture).filter(u -> state.isWrong()).ifPresent(wrong::add);
                }
            }
        }
        return seen.stream()
                .flatMap(s -> s.seen().stream())
                .filter(c -> plan.fixture(c.fixture())
                        .flatMap(f -> universe(plan, f))
                        .filter(wrong::contains)
                        .isPresent())
                .flatMap(c -> line(plan, c).stream())
                .limit(MOST)
                .toList();
    }

    private static Optional<UniverseNumber> universe(Plan plan, Fixture fixture) {
        return plan.blocksOf(fixture).stream()
                .flatMap(b -> b.start().stream())
                .map(StartAddress::universe)
                .findFirst();
    }

    /** What was raised alone: the whole of a unit; or moved alone: an axis, or the intensity. */
    private static Optional<String> line(Plan plan, UnitCheck check) {
        Fixture fixture = plan.fixture(check.fixture()).orElseThrow();
        Optional<String> channel = Optional.ofNullable(CHANNELS.get(check.item().kind()));
        return channel.isPresent()
                ? channel.flatMap(c -> ofChannel(plan, fixture, check, c))
                : check.item().kind() == Kind.ADDRESS ? ofUnit(plan, fixture, check) : Optional.empty();
    }

    private static Optional<String> ofChannel(Plan plan, Fixture fixture, UnitCheck check, String channel) {
        String raised = fixture.label() + " " + channel;
        Optional<String> seen = check.seen() == Seen.RIGHT || check.seen() == Seen.OTHER_WAY
                ? Optional.of(raised + (check.seen() == Seen.OTHER_WAY ? " other way" : ""))
                : answered(plan, fixture, check);
        return seen.map(s -> raised + ": " + s);
    }

    private static Optional<String> ofUnit(Plan plan, Fixture fixture, UnitCheck check) {
        List<PlannedBlock> raised = plan.blocksOf(fixture).stream()
                .filter(b -> b.start().isPresent())
                .toList();
        // A line tells of one run of slots; what was raised of several blocks at once is none.
        return raised.size() == 1
                ? answered(plan, fixture, check)
                        .map(who -> Trial.whole(raised.get(0)).orElseThrow() + ": " + who)
                : Optional.empty();
    }

    /** Who answered instead is only known where the note names a unit of the plan. */
    private static Optional<String> answered(Plan plan, Fixture fixture, UnitCheck check) {
        if (check.seen() == Seen.RIGHT) {
            return Optional.of(fixture.label());
        }
        if (check.seen() == Seen.NOTHING) {
            return Optional.of("nothing");
        }
        String named = check.note().strip();
        return plan.fixtures().stream()
                .map(Fixture::label)
                .filter(named::equals)
                .findFirst();
    }
}
