package taxon.app.compare;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.compare.CompareRequest.With;
import taxon.app.compare.ComparedSides.Table;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.proposals.FileProposalKind;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.MappingStore;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.store.RevisionStore;
import taxon.core.compare.Comparison;
import taxon.core.compare.ListPatch;
import taxon.core.compare.PatchColumns;
import taxon.core.compare.PatchRow;
import taxon.core.compare.PlanPatch;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.compare.ScenePatch;
import taxon.core.compare.TakeTheirs;
import taxon.core.compare.Taken;
import taxon.core.compare.TheirPatch;
import taxon.core.compare.Told;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.KeptMapping;
import taxon.core.listing.ListReading;
import taxon.core.listing.NumberHabits;
import taxon.core.listing.TableRow;
import taxon.core.packing.Effort;
import taxon.core.proposal.Proposal;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;
import taxon.formats.table.TableFile;
import tools.jackson.databind.node.ObjectNode;

/** The plan held against another side. It is looked at for the job, and for the other side, as they are; what was said of it stays. */
@Component
public class ComparisonKind extends FileProposalKind<ComparedSides, GivenPatch> {
    public static final String NAME = "comparison";

    private final MappingStore mappings;
    private final RevisionStore revisions;
    private final JobEditor editor;
    private final ProposalDesk desk;
    private final RigSide rig;

    ComparisonKind(
            TypeLibrary library,
            ProposalStore proposals,
            MappingStore mappings,
            RevisionStore revisions,
            JobEditor editor,
            ProposalDesk desk,
            RigSide rig) {
        super(new Names(NAME, "comparisons", "compare/page"), library, proposals, GivenPatch::of);
        this.mappings = mappings;
        this.revisions = revisions;
        this.editor = editor;
        this.desk = desk;
        this.rig = rig;
    }

    @Override
    public Stage stage() {
        return Stage.HANDOVER;
    }

    /** The other side is asked about too, where it may change: a mapping, another job, the rig. */
    @Override
    public String question(StoredProposal stored) {
        CompareRequest request = CompareRequest.read(ProposalDesk.request(stored));
        String other = request.side().with() == With.FILE
                ? " mappings " + mappings.all().hashCode()
                : " at " + stamp(request);
        return super.question(stored) + other;
    }

    /**
     * The other side, as far as it is there.
     *
     * @param trouble why it is not; else empty
     */
    private record Other(String name, String stamp, TheirPatch patch, Optional<Table> table, String trouble) {
        static Other of(String name, String stamp, TheirPatch patch) {
            return new Other(name, stamp, patch, Optional.empty(), "");
        }

        static Other none(String name, String trouble) {
            return new Other(name, "", TheirPatch.of(List.of()), Optional.empty(), trouble);
        }
    }

    /** Of the state of a side that Taxon has itself; a revision never changes. */
    private String stamp(CompareRequest request) {
        return switch (request.side().with()) {
            case FILE, REVISION -> request.side().which();
            case JOB ->
                editor.find(Integer.parseInt(request.side().which()))
                        .map(s -> String.valueOf(s.version()))
                        .orElse("gone");
            case RIG ->
                rig.lastRead(request.side().job()).map(RigSide.Read::stamp).orElse("not read");
        };
    }

    private Other other(StoredProposal stored, CompareRequest request) {
        String which = request.side().which();
        return switch (request.side().with()) {
            case FILE -> ofFile(stored, request);
            case REVISION ->
                revisions
                        .find(request.side().job(), which)
                        .map(r -> Other.of(
                                "Revision " + which,
                                which,
                                TheirPatch.of(PlanPatch.of(
                                        revisions.plan(request.side().job(), r)))))
                        .orElseGet(() -> Other.none("Revision " + which, "That revision is not there."));
            case JOB ->
                editor.find(Integer.parseInt(which))
                        .map(s -> Other.of(
                                s.plan().sheet().name(),
                                String.valueOf(s.version()),
                                TheirPatch.of(PlanPatch.of(s.plan()))))
                        .orElseGet(() -> Other.none("Job " + which, "That job is not there any more."));
            case RIG ->
                rig.lastRead(request.side().job())
                        .map(r -> Other.of("What the rig says", r.stamp(), r.patch()))
                        .orElseGet(() -> Other.none(
                                "What the rig says",
                                "The rig was not read since Taxon was started; read it under Checks."));
        };
    }

    private Other ofFile(StoredProposal stored, CompareRequest request) {
        GivenPatch given = files().of(stored.id());
        if (given instanceof GivenPatch.OfScene scene) {
            return Other.of(stored.fileName(), "", ScenePatch.of(scene.scene().scene()));
        }
        if (given instanceof GivenPatch.Refused refused) {
            return Other.none(stored.fileName(), refused.sentence());
        }
        TableFile table = ((GivenPatch.Table) given).file().sheet(request.look().sheet());
        if (table instanceof TableFile.Unreadable unreadable) {
            return Other.none(stored.fileName(), unreadable.sentence());
        }
        return ofTable(stored.fileName(), (TableFile.Read) table, request);
    }

    private Other ofTable(String name, TableFile.Read table, CompareRequest request) {
        List<TableRow> rows = table.rows();
        Optional<KeptMapping> kept = request.look().mapping(mappings.all(), rows);
        ColumnMap columns = request.look()
                .columns()
                .or(() -> kept.flatMap(k -> k.on(rows)))
                .orElseGet(() -> PatchColumns.guess(rows));
        ListReading reading = ListReading.of(rows, columns);
        NumberHabits habits = NumberHabits.of(reading.rows(), request.answers());
        TheirPatch patch = ListPatch.read(reading, habits, request.counting());
        Table read = new Table(table, kept.map(KeptMapping::name).orElse(""), reading, habits.doubts());
        String trouble = columns.columns().isEmpty()
                ? "What its columns hold is not known; say below."
                : patch.rows().isEmpty() ? "It has no row that says anything of a fixture." : "";
        return new Other(name, "", patch, Optional.of(read), trouble);
    }

    @Override
    public Optional<ComparedSides> compute(StoredProposal stored, JobState state, Effort effort) {
        CompareRequest request = CompareRequest.read(ProposalDesk.request(stored));
        Other other = other(stored, request);
        Plan plan = state.plan();
        List<PatchRow> ours = PlanPatch.of(plan);
        boolean holds = request.stamp().isEmpty() || request.stamp().equals(other.stamp());
        Map<Integer, Integer> places = places(plan);
        Told told = holds ? told(request, places) : Told.NOTHING;
        boolean can = other.trouble().isEmpty();
        Comparison comparison =
                Comparison.of(can ? ours : List.of(), other.patch().rows(), told);
        Taken taken = holds ? taken(request, places) : Taken.NOTHING;
        return Optional.of(new ComparedSides(
                request,
                other.name(),
                other.stamp(),
                other.trouble(),
                other.table(),
                ours,
                other.patch(),
                comparison,
                taken,
                TakeTheirs.propose(plan, comparison, taken, library().knownTo(plan)),
                !holds));
    }

    /** For the key of a fixture the place of its row. */
    private static Map<Integer, Integer> places(Plan plan) {
        Map<Integer, Integer> places = new HashMap<>();
        for (Fixture fixture : plan.fixtures()) {
            places.put(fixture.key().number(), places.size());
        }
        return places;
    }

    private static Told told(CompareRequest request, Map<Integer, Integer> places) {
        Map<Integer, Optional<Integer>> told = new HashMap<>();
        request.told()
                .forEach((key, there) -> Optional.ofNullable(places.get(key))
                        .ifPresent(place -> told.put(place, Optional.of(there).filter(t -> t >= 0))));
        return new Told(told);
    }

    private static Taken taken(CompareRequest request, Map<Integer, Integer> places) {
        SortedMap<Integer, Set<Kind>> fields = new TreeMap<>();
        request.fields()
                .forEach((key, kinds) ->
                        Optional.ofNullable(places.get(key)).ifPresent(place -> fields.put(place, kinds)));
        TreeSet<Integer> removed = new TreeSet<>();
        request.removed().forEach(key -> Optional.ofNullable(places.get(key)).ifPresent(removed::add));
        return new Taken(fields, removed, request.added());
    }

    @Override
    public Optional<String> hindrance(Proposal<ComparedSides> proposal) {
        return Optional.of(proposal.content().trouble()).filter(t -> !t.isEmpty());
    }

    @Override
    public String headline(Looked<ComparedSides> looked) {
        ComparedSides sides = looked.content();
        if (!sides.trouble().isEmpty()) {
            return "nothing can be taken over";
        }
        int done = sides.proposal().done();
        return done == 0
                ? "nothing is taken over yet"
                : Counted.of(done, "thing") + " taken over, " + Counted.of(sides.staying(), "difference") + " left";
    }

    @Override
    public ObjectNode json(Looked<ComparedSides> looked) {
        return ComparisonJson.write(looked.stored(), looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        model.addAttribute("stored", stored);
        model.addAttribute("mappings", mappings.all());
        model.addAttribute("wanted", Wanted.of(request));
    }

    @Override
    public void show(Looked<ComparedSides> looked, Model model) {
        Wanted wanted = (Wanted) Objects.requireNonNull(model.getAttribute("wanted"));
        model.addAttribute(
                "list", ComparePage.of(looked.content(), looked.state().plan(), wanted));
    }

    /** After something was taken over, what is left of the comparison is open again; one that is dropped is left. */
    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        if (!request.getRequestURI().endsWith("/apply")) {
            return "/jobs/" + job + "/compare";
        }
        long version = editor.find(job).map(JobState::version).orElse(stored.baseVersion());
        CompareRequest now = CompareRequest.read(ProposalDesk.request(stored)).takingNothing();
        int next = now.side().with() == With.FILE
                ? desk.again(job, version, this, stored)
                : desk.open(job, version, NAME, now.json());
        desk.choose(job, desk.find(job, next, NAME), NAME, now.json());
        return "/jobs/" + job + "/comparisons/" + next;
    }
}
