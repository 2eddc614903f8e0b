package taxon.core.rigtable;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.RigPart;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.PositionEdits;
import taxon.core.rigtable.FieldReader.CellRefusedException;

/**
 * Many cells changed at once.
 *
 * @param plan after all cells that can be taken
 * @param moves what changes, in the order given; a cell that reads as it did is none
 * @param faults the cells that cannot be taken
 * @param newPositions names of positions that come with it
 */
public record TableWork(Plan plan, List<Move> moves, List<FieldFault> faults, List<String> newPositions) {
    public TableWork {
        moves = List.copyOf(moves);
        faults = List.copyOf(faults);
        newPositions = List.copyOf(newPositions);
    }

    /** One cell before and after. */
    public record Move(RigPart row, FixtureColumn column, String before, String after) {
        public Fixture fixture() {
            return row.fixture();
        }
    }

    /** Reads every cell. One that is at fault leaves its fixture as the others make it. */
    public static TableWork of(Plan plan, List<FieldChange> changes) {
        return new Worker(plan).work(changes);
    }

    /** All cells as one edit, refused as a whole when one is at fault. */
    public static Edit edit(String title, List<FieldChange> changes) {
        return new Edit(title, plan -> {
            TableWork work = of(plan, changes);
            return work.faults().isEmpty()
                    ? new Edit.Changed(work.plan())
                    : new Edit.Refused(
                            work.faults().stream().map(FieldFault::reason).toList());
        });
    }

    private static final class Worker {
        private final Plan plan;
        private final Map<FixtureKey, Fixture> changed = new TreeMap<>();
        private final Map<Integer, Group> groups = new TreeMap<>();
        private final List<Position> made = new ArrayList<>();
        private final FieldReader reader;

        Worker(Plan plan) {
            this.plan = plan;
            reader = new FieldReader(plan, this::positionNamed);
        }

        private int positionNamed(String name) {
            return plan.positionNamed(name)
                    .or(() -> made.stream()
                            .filter(p -> p.name().equalsIgnoreCase(name.strip()))
                            .findFirst())
                    .orElseGet(() -> make(name))
                    .number();
        }

        private Position make(String name) {
            int rank = PositionEdits.lastRank(plan);
            Position position = new Position(plan.nextNumber(Kind.POSITION) + made.size(), name.strip())
                    .withRank(rank + 1 + made.size());
            made.add(position);
            return position;
        }

        TableWork work(List<FieldChange> changes) {
            List<FieldFault> faults = new ArrayList<>();
            List<FieldChange> taken = new ArrayList<>();
            for (FieldChange change : changes) {
                Optional<Refusal> fault = take(change);
                fault.ifPresentOrElse(
                        f -> faults.add(new FieldFault(change, label(change), f)), () -> taken.add(change));
            }
            List<Element> elements = new ArrayList<>(made);
            elements.addAll(changed.values());
            elements.addAll(groups.values());
            Plan after = plan.with(elements);
            return new TableWork(
                    after,
                    taken.stream().flatMap(c -> move(after, c).stream()).toList(),
                    faults,
                    made.stream().map(Position::name).toList());
        }

        private String label(FieldChange change) {
            return plan.fixture(change.fixture())
                    .map(f -> new RigPart(f, change.row().part()).label())
                    .orElse("no. " + change.row());
        }

        private Optional<Refusal> take(FieldChange change) {
            Optional<Fixture> known = plan.fixture(change.fixture());
            if (known.isEmpty()) {
                return Optional.of(new Refusal(
                        "fixture with the key",
                        change.fixture().toString(),
                        Fault.NOT_FOUND,
                        plan.fixtures().size() + " fixtures in the job"));
            }
            Fixture now = changed.getOrDefault(change.fixture(), known.get());
            RigPart row = new RigPart(now, change.row().part());
            if (!row.isWhole() && !RigPart.isIn(plan, now, row.part())) {
                return Optional.of(new Refusal(
                        "part",
                        row.part().toString(),
                        Fault.NOT_FOUND,
                        "in mode " + now.mode() + " of " + now.label()));
            }
            if (readsSo(change, row, known.get())) {
                return Optional.empty();
            }
            try {
                put(change, row);
                return Optional.empty();
            } catch (CellRefusedException e) {
                return Optional.of(e.reason());
            }
        }

        private boolean readsSo(FieldChange change, RigPart row, Fixture known) {
            boolean untouched = change.column() == FixtureColumn.GROUPS
                    ? groups.isEmpty()
                    : row.fixture().equals(known);
            return untouched && change.text().equals(FieldText.of(plan, row, change.column()));
        }

        private void put(FieldChange change, RigPart row) {
            if (change.column() == FixtureColumn.GROUPS) {
                List<Group> now = plan.groups().stream()
                        .map(g -> groups.getOrDefault(g.number(), g))
                        .toList();
                GroupsText.changed(now, row, change.text()).forEach(g -> groups.put(g.number(), g));
            } else {
                changed.put(change.fixture(), reader.read(row.fixture(), change));
            }
        }

        private Optional<Move> move(Plan after, FieldChange change) {
            RigPart before = new RigPart(
                    plan.fixture(change.fixture()).orElseThrow(), change.row().part());
            RigPart now = new RigPart(
                    after.fixture(change.fixture()).orElseThrow(), change.row().part());
            String was = FieldText.of(plan, before, change.column());
            String is = FieldText.of(after, now, change.column());
            return was.equals(is) ? Optional.empty() : Optional.of(new Move(before, change.column(), was, is));
        }
    }
}
