package taxon.core.variant;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import taxon.core.history.ChangeLine;
import taxon.core.history.ChangeLines;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Fixture;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import taxon.core.rig.Refusal;
import taxon.core.rig.RigType;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;
import taxon.core.text.Counted;

/**
 * What another plan has otherwise, element by element, and which of it is taken over. An element that was changed on both sides is left out: to
 * take it would undo somebody's work.
 */
public final class TakeOver {
    private final Plan now;
    private final Map<ElementKey, Change> wanted = new LinkedHashMap<>();
    private final Map<ElementKey, Change> conflicts = new LinkedHashMap<>();

    /**
     * One element that is otherwise.
     *
     * @param lines what is otherwise in it, in words
     * @param taken true when it is taken over
     * @param both true when it was changed here too, so that it cannot be
     */
    public record Part(ElementKey key, List<ChangeLine> lines, boolean taken, boolean both) {
        public Part {
            lines = List.copyOf(lines);
        }
    }

    /** An element that was changed on both sides. */
    public record Conflict(String who, String sentence) implements Omission {}

    /**
     * What would be taken over.
     *
     * @param parts all that is otherwise
     * @param staying how many parts are not chosen
     */
    public record Proposal(Edit edit, List<Part> parts, int staying, List<Conflict> omissions) implements Proposed {
        public Proposal {
            parts = List.copyOf(parts);
            omissions = List.copyOf(omissions);
        }
    }

    private TakeOver(Plan now, PlanDelta delta) {
        this.now = now;
        delta.changes().forEach((key, change) -> {
            if (!WithoutEvidence.isEvidence(key)) {
                sort(key, key.equals(JobSheet.KEY) ? network(change) : Optional.of(change));
            }
        });
    }

    /**
     * Proposes to take over.
     *
     * @param now the plan into which
     * @param before what the other plan was made from
     * @param other the other plan
     * @param title of the edit
     * @param chosen which elements
     */
    public static Proposal propose(Plan now, Plan before, Plan other, String title, Predicate<ElementKey> chosen) {
        return new TakeOver(now, PlanDelta.between(before, other)).propose(other, title, chosen);
    }

    private void sort(ElementKey key, Optional<Change> change) {
        change.filter(c -> !now.element(key).equals(c.after())).ifPresent(c -> {
            boolean fits = now.element(key).equals(c.before());
            (fits ? wanted : conflicts).put(key, c);
        });
    }

    /** Name, venue and days are the job's own; what is decided for its network is part of the plan. */
    private Optional<Change> network(Change change) {
        JobSheet was = (JobSheet) change.before().orElseThrow();
        JobSheet is = (JobSheet) change.after().orElseThrow();
        if (was.network().equals(is.network())) {
            return Optional.empty();
        }
        JobSheet own = now.sheet();
        return Optional.of(new Change(Optional.of(own.with(was.network())), Optional.of(own.with(is.network()))));
    }

    private Proposal propose(Plan other, String title, Predicate<ElementKey> chosen) {
        Set<ElementKey> taken = new HashSet<>();
        wanted.keySet().stream().filter(chosen).forEach(k -> take(k, taken));
        List<Part> parts = new ArrayList<>();
        wanted.forEach(
                (key, change) -> parts.add(new Part(key, lines(key, change, other), taken.contains(key), false)));
        List<Conflict> left = new ArrayList<>();
        conflicts.forEach((key, change) -> {
            Part part = new Part(key, lines(key, change, other), false, true);
            parts.add(part);
            if (chosen.test(key)) {
                left.add(new Conflict(
                        part.lines().isEmpty()
                                ? key.toString()
                                : part.lines().get(0).who(),
                        "it was changed here too since; settle it by hand."));
            }
        });
        Edit edit = new Edit(title + ", " + Counted.of(taken.size(), "part"), plan -> outcome(plan, taken));
        return new Proposal(edit, parts, wanted.size() - taken.size(), left);
    }

    private List<ChangeLine> lines(ElementKey key, Change change, Plan other) {
        TreeMap<ElementKey, Change> one = new TreeMap<>(Map.of(key, change));
        return ChangeLines.of(new PlanDelta(one), change.after().isPresent() ? other : now);
    }

    /** What is new and a fixture needs comes with it. */
    private void take(ElementKey key, Set<ElementKey> taken) {
        taken.add(key);
        change(key).after().ifPresent(e -> {
            if (e instanceof Fixture fixture) {
                comes(RigType.keyOf(fixture.type()), taken);
                comes(ElementKey.of(ElementKey.Kind.POSITION, fixture.position()), taken);
            }
        });
    }

    private Change change(ElementKey key) {
        return Optional.ofNullable(wanted.get(key)).orElseThrow();
    }

    private void comes(ElementKey key, Set<ElementKey> taken) {
        if (wanted.containsKey(key) && now.element(key).isEmpty()) {
            taken.add(key);
        }
    }

    private Edit.Outcome outcome(Plan plan, Set<ElementKey> taken) {
        List<Element> put = new ArrayList<>();
        List<ElementKey> gone = new ArrayList<>();
        for (ElementKey key : taken) {
            change(key).after().ifPresentOrElse(put::add, () -> gone.add(key));
        }
        try {
            Plan grown = plan.with(put);
            return new Edit.Changed(gone.isEmpty() ? grown : grown.without(gone));
        } catch (IllegalArgumentException bond) {
            return Edit.refuse(new Refusal(
                    "what is chosen",
                    Counted.of(taken.size(), "part"),
                    Refusal.Fault.NOT_FOUND,
                    "all that they need: " + bond.getMessage()));
        }
    }
}
