package taxon.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.ModeNames;
import taxon.core.fixture.TypeSource;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.Proposed;
import taxon.core.rigtable.FieldChange;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.rigtable.TableProposal;
import taxon.core.text.Counted;

/** Takes over what was chosen of the other side, as one edit. What cannot be taken is left out, and said to be. */
public final class TakeTheirs {
    private static final String SEPARATOR = ", ";

    private final Plan plan;
    private final Comparison comparison;
    private final TypeSource types;
    private final List<FieldChange> changes = new ArrayList<>();
    private final List<FixtureKey> removed = new ArrayList<>();
    private final List<Added> added = new ArrayList<>();
    private final List<NotTaken> left = new ArrayList<>();

    private TakeTheirs(Plan plan, Comparison comparison, TypeSource types) {
        this.plan = plan;
        this.comparison = comparison;
        this.types = types;
    }

    /**
     * What taking over would do.
     *
     * @param done how many cells change, and fixtures come or go
     * @param staying how many differences were not chosen
     */
    public record Proposal(Edit edit, int done, int staying, List<NotTaken> omissions) implements Proposed {
        public Proposal {
            omissions = List.copyOf(omissions);
        }
    }

    /**
     * Proposes it.
     *
     * @param comparison with the plan's own rows ({@link PlanPatch}) as our side
     * @param types by which what only they have is known
     */
    public static Proposal propose(Plan plan, Comparison comparison, Taken taken, TypeSource types) {
        return new TakeTheirs(plan, comparison, types).propose(taken);
    }

    private Proposal propose(Taken taken) {
        comparison.matches().forEach(m -> fields(m, taken));
        comparison.onlyOurs().stream()
                .filter(r -> taken.removed().contains(r.place()))
                .forEach(r -> removed.add(fixture(r).key()));
        comparison.onlyTheirs().stream()
                .filter(r -> taken.added().contains(r.place()))
                .forEach(this::add);
        TableProposal table = TableProposal.of(plan, "Taken over", changes);
        table.omissions().forEach(f -> left.add(new NotTaken(f.who(), f.reason().sentence())));
        List<Edit> edits = new ArrayList<>(List.of(table.edit()));
        if (!removed.isEmpty()) {
            edits.add(FixtureEdits.remove(removed));
        }
        if (!added.isEmpty()) {
            edits.add(FixtureEdits.add("Added", added));
        }
        int done = table.work().moves().size() + removed.size() + added.size();
        return new Proposal(Edit.inTurn(title(done), edits), done, staying(taken), left);
    }

    private static String title(int done) {
        return done == 0 ? "Nothing taken over" : Counted.of(done, "difference") + " of another list taken over";
    }

    private int staying(Taken taken) {
        int fields = comparison.differences().keySet().stream()
                .mapToInt(m -> taken.kept(comparison, m).size())
                .sum();
        return fields
                + comparison.onlyOurs().size()
                + comparison.onlyTheirs().size()
                - taken.removed().size()
                - taken.added().size();
    }

    /** The rows of our side are the plan's fixtures in their order. */
    private Fixture fixture(PatchRow ours) {
        return plan.fixtures().get(ours.place());
    }

    private void fields(Match match, Taken taken) {
        Fixture fixture = fixture(match.ours());
        List<FieldChange> own = new ArrayList<>();
        if (taken.has(match, Kind.MODE) || taken.has(match, Kind.FOOTPRINT)) {
            mode(match, fixture).ifPresent(m -> own.add(change(fixture, FixtureColumn.MODE, m.name())));
        }
        if (taken.has(match, Kind.UNIVERSE) || taken.has(match, Kind.ADDRESS)) {
            own.add(change(fixture, FixtureColumn.ADDRESS, addresses(match)));
        }
        if (taken.has(match, Kind.ID)) {
            match.theirs().id().ifPresent(i -> own.add(change(fixture, FixtureColumn.ID, String.valueOf(i))));
        }
        if (taken.has(match, Kind.NAME)) {
            own.add(change(fixture, FixtureColumn.NAME, match.theirs().name()));
        }
        changes.addAll(own);
    }

    private static FieldChange change(Fixture fixture, FixtureColumn column, String text) {
        return new FieldChange(fixture.key(), column, text);
    }

    /** Blocks of which they say nothing stay where they are. */
    private static String addresses(Match match) {
        List<StartAddress> theirs = match.theirs().starts();
        List<StartAddress> ours = match.ours().starts();
        Stream<StartAddress> rest =
                theirs.isEmpty() ? Stream.of() : ours.stream().skip(theirs.size());
        return Stream.concat(theirs.stream(), rest).map(StartAddress::toString).collect(Collectors.joining(SEPARATOR));
    }

    private Optional<Mode> mode(Match match, Fixture fixture) {
        FixtureType type = plan.type(fixture);
        Optional<Mode> found = mode(type, match.theirs());
        if (found.filter(m -> m.name().equals(fixture.mode())).isPresent()) {
            leaveProfile(match, found.get());
            return Optional.empty();
        }
        if (found.isEmpty()) {
            leave(match.ours(), type, match.theirs());
        }
        return found;
    }

    /** It is in that mode already, of which they say another length: no setting of the fixture can mend that. */
    private void leaveProfile(Match match, Mode mode) {
        left.add(new NotTaken(
                match.ours().label(),
                mode.name() + " takes " + PlanPatch.footprint(mode) + " slots here and "
                        + length(match.theirs().footprint())
                        + " there: one of the profiles is not that of the unit; mend the type, or the other side."));
    }

    private void leave(PatchRow row, FixtureType type, PatchRow theirs) {
        String said = theirs.mode().isBlank() ? length(theirs.footprint()) : "“" + theirs.mode() + "”";
        String known = type.modes().stream().map(Mode::name).collect(Collectors.joining(SEPARATOR));
        left.add(new NotTaken(
                row.label(),
                "its mode there, " + said + ", is none of " + type.fullName() + ", which has " + known + "."));
    }

    private static String length(OptionalInt footprint) {
        return footprint.isPresent() ? Counted.of(footprint.getAsInt(), "slot") : "which is not said";
    }

    /** By what it is called; else the only one that is so long. */
    private static Optional<Mode> mode(FixtureType type, PatchRow theirs) {
        List<Mode> named = ModeNames.fitting(type, theirs.mode());
        List<Mode> long_ = named.size() == 1
                ? named
                : type.modes().stream()
                        .filter(m -> theirs.footprint().isPresent()
                                && PlanPatch.footprint(m) == theirs.footprint().getAsInt())
                        .toList();
        return long_.size() == 1 ? Optional.of(long_.get(0)) : Optional.empty();
    }

    private void add(PatchRow theirs) {
        Optional<FixtureType> type = types.named("", theirs.type());
        if (type.isEmpty()) {
            left.add(new NotTaken(
                    theirs.label(),
                    "its type, “" + theirs.type()
                            + "”, is not known here; bring it in by an equipment list, which asks."));
            return;
        }
        Optional<Mode> mode = mode(type.get(), theirs);
        if (mode.isEmpty()) {
            leave(theirs, type.get(), theirs);
            return;
        }
        Map<Integer, StartAddress> later = new HashMap<>();
        for (int i = 1; i < theirs.starts().size(); i++) {
            later.put(i + 1, theirs.starts().get(i));
        }
        added.add(Added.of(type.get(), mode.get(), 1, new Added.Words(Added.NOWHERE, theirs.name(), ""))
                .withIds(
                        theirs.id().isPresent()
                                ? Optional.of(FixtureId.of(theirs.id().getAsInt()))
                                : Optional.empty())
                .from(theirs.start())
                .with(laterBlocks(mode.get(), later)));
    }

    private static SortedMap<Integer, Optional<StartAddress>> laterBlocks(Mode mode, Map<Integer, StartAddress> said) {
        SortedMap<Integer, Optional<StartAddress>> later = new TreeMap<>();
        for (int block = 2; block <= mode.blocks().size(); block++) {
            later.put(block, Optional.ofNullable(said.get(block)));
        }
        return later;
    }
}
