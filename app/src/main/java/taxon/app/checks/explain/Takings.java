package taxon.app.checks.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import taxon.app.checks.Readings;
import taxon.app.checks.raise.Lifts;
import taxon.app.edit.JobState;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.explain.EvidenceText;
import taxon.core.explain.RigSays;
import taxon.core.explain.Trial;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** What is known already of a rig, in the lines by which it is explained. */
@Service
class Takings {
    private static final String NOT_SAID = ": ?";

    private final Readings readings;
    private final Lifts lifts;

    Takings(Readings readings, Lifts lifts) {
        this.readings = readings;
        this.lifts = lifts;
    }

    /** What units said of themselves at the newest reading; none where there was no reading, or all was as planned. */
    List<String> read(JobState state) {
        EvidenceText text = new EvidenceText(state.plan());
        return readings.state(state.job()).last().stream()
                .flatMap(r -> RigSays.of(state.plan(), r.against(state.plan())).stream())
                .map(text::of)
                .toList();
    }

    /** The beginning of a line about what is held up by hand now; empty where nothing is, or more than one thing. */
    Optional<String> raised(JobState state) {
        SortedSet<StartAddress> raised = lifts.raised(state.job());
        List<Trial> runs = runs(raised);
        return runs.size() == 1 ? Optional.of(begun(runs.get(0))) : ofOneUnit(state.plan(), raised);
    }

    /** A line that wants to know what answered. */
    static String begun(Trial trial) {
        return trial + NOT_SAID;
    }

    private static List<Trial> runs(SortedSet<StartAddress> slots) {
        List<Trial> runs = new ArrayList<>();
        for (StartAddress slot : slots) {
            int last = runs.size() - 1;
            if (last >= 0 && follows(runs.get(last), slot)) {
                SlotRange before = runs.get(last).slots();
                runs.set(
                        last,
                        new Trial(
                                slot.universe(),
                                new SlotRange(before.first(), slot.slot().number())));
            } else {
                runs.add(Trial.of(slot.universe(), slot.slot().number()));
            }
        }
        return runs;
    }

    private static boolean follows(Trial run, StartAddress slot) {
        return run.universe().equals(slot.universe())
                && run.slots().last() + 1 == slot.slot().number();
    }

    private static Optional<String> ofOneUnit(Plan plan, SortedSet<StartAddress> raised) {
        Set<FixtureKey> units = plan.blocks().stream()
                .filter(b -> isRaised(b, raised))
                .map(b -> b.ref().fixture())
                .collect(Collectors.toSet());
        return units.size() == 1
                ? plan.fixture(units.iterator().next()).map(f -> f.label() + NOT_SAID)
                : Optional.empty();
    }

    private static boolean isRaised(PlannedBlock block, SortedSet<StartAddress> raised) {
        return block.start().isPresent()
                && block.slots()
                        .map(s -> StartAddress.of(block.start().get().universe().number(), s.last()))
                        .map(last -> raised.tailSet(block.start().get()).stream()
                                .findFirst()
                                .filter(first -> first.compareTo(last) <= 0)
                                .isPresent())
                        .orElse(false);
    }
}
