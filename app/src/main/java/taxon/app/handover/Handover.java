package taxon.app.handover;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.CRC32;
import org.springframework.stereotype.Component;
import taxon.app.edit.JobState;
import taxon.app.paperwork.PrintedPapers;
import taxon.app.store.HandoverStore;
import taxon.app.store.HandoverStore.TakenOver;
import taxon.app.store.ProposalStore;
import taxon.core.finding.Severity;
import taxon.core.handover.Obstacle;
import taxon.core.handover.Obstacle.Kind;
import taxon.core.handover.Readiness;
import taxon.core.text.Counted;

/** Whether a job can be handed over: what stands in the way, and what of it was taken over by somebody. */
@Component
class Handover {
    private static final String COMPARISON = "comparison";

    private final HandoverStore said;
    private final PrintedPapers papers;
    private final ProposalStore proposals;

    Handover(HandoverStore said, PrintedPapers papers, ProposalStore proposals) {
        this.said = said;
        this.papers = papers;
        this.proposals = proposals;
    }

    /**
     * Something that stands in the way.
     *
     * @param about under which it is taken over: once it says something else, it is something else
     * @param taken by whom and why; empty while it is open
     */
    record Line(Obstacle obstacle, String about, Optional<TakenOver> taken) {
        public boolean isOpen() {
            return taken.isEmpty();
        }
    }

    /** All of it: the plan, the rig, paper that is out, and other sides. */
    List<Line> lines(JobState state) {
        List<Obstacle> all = new ArrayList<>(Readiness.of(state.plan(), state.check()));
        long untrue = papers.untrue(state, state.job());
        if (untrue > 0) {
            all.add(new Obstacle(
                    "paper",
                    Kind.PAPER,
                    Severity.WARN,
                    Counted.of(untrue, "paper") + " that " + (untrue == 1 ? "is" : "are") + " out "
                            + (untrue == 1 ? "is" : "are") + " not true any more."));
        }
        comparisons(state.job(), all);
        Map<String, TakenOver> taken = said.taken(state.job());
        return all.stream()
                .sorted(Comparator.comparing(Obstacle::weight))
                .map(o -> new Line(o, about(o), Optional.ofNullable(taken.get(about(o)))))
                .toList();
    }

    /** What stands on its page. */
    HandoverView view(JobState state) {
        int job = state.job();
        return HandoverView.of(
                state.plan(), state.version(), lines(state), said.signed(job), said.notes(job), said.values());
    }

    private void comparisons(int job, List<Obstacle> all) {
        proposals
                .open(job, COMPARISON)
                .forEach(p -> all.add(new Obstacle(
                        "comparison:" + p.id(),
                        Kind.DIFFERENCE,
                        Severity.WARN,
                        "The comparison" + (p.fileName().isEmpty() ? "" : " with " + p.fileName())
                                + " is open: take over what is right, and drop it.")));
    }

    private static String about(Obstacle obstacle) {
        CRC32 sum = new CRC32();
        sum.update(obstacle.sentence().getBytes(StandardCharsets.UTF_8));
        return obstacle.id() + "#" + HexFormat.of().toHexDigits((int) sum.getValue());
    }
}
