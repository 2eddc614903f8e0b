package taxon.app.store;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import taxon.app.store.JobMapper.JobRow;
import taxon.app.store.PlanRows.EvidenceRow;
import taxon.app.store.PlanRows.GroupRow;
import taxon.app.store.PlanRows.NodeRow;
import taxon.app.store.PlanRows.PositionRow;
import taxon.app.store.PlanRows.ReservedRow;
import taxon.app.store.PlanRows.TypeRow;
import taxon.app.store.PlanRows.UniverseRow;
import taxon.app.store.PlanRows.ValueRow;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Element;
import taxon.core.rig.ElementCases;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Node;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Position;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Share;
import taxon.core.rig.Universe;
import taxon.formats.json.Json;
import taxon.formats.json.PlaceJson;

/** Loads a plan whole, and writes what a change touches. */
@Repository
public class PlanStore {
    private final JobMapper jobs;
    private final PlanMapper rows;

    PlanStore(JobMapper jobs, PlanMapper rows) {
        this.jobs = jobs;
        this.rows = rows;
    }

    /** A plan as stored, with its version. */
    public record Stored(int job, long version, Plan plan) {}

    public Optional<Stored> load(int job) {
        return jobs.find(job).map(this::load);
    }

    private Stored load(JobRow row) {
        List<Element> elements = new ArrayList<>();
        int job = row.id();
        elements.add(sheet(row));
        rows.types(job).forEach(r -> elements.add(r.element()));
        rows.positions(job).forEach(r -> elements.add(r.element()));
        rows.nodes(job).forEach(r -> elements.add(r.element()));
        rows.universes(job).forEach(r -> elements.add(r.element()));
        rows.reservedRuns(job).forEach(r -> elements.add(r.element()));
        Map<Integer, Map<Integer, StartAddress>> addresses = new HashMap<>();
        rows.addresses(job)
                .forEach(a -> addresses
                        .computeIfAbsent(a.fixture(), f -> new HashMap<>())
                        .put(a.block(), a.address()));
        rows.fixtures(job).forEach(r -> elements.add(r.element(addresses.getOrDefault(r.number(), Map.of()))));
        rows.evidence(job).forEach(r -> elements.add(r.element()));
        rows.groups(job).forEach(r -> elements.add(r.element()));
        rows.shares(job).forEach(r -> elements.add(r.element(Kind.SHARE)));
        rows.wishes(job).forEach(r -> elements.add(r.element(Kind.WISH)));
        return new Stored(job, row.version(), Plan.of(elements));
    }

    static JobSheet sheet(JobRow row) {
        return new JobSheet(
                row.name(),
                row.venue(),
                Optional.ofNullable(row.fromDay()).map(LocalDate::parse),
                Optional.ofNullable(row.toDay()).map(LocalDate::parse),
                row.note(),
                PlaceJson.readView(Json.parse(row.view())));
    }

    /** Writes the changed rows. Call inside a transaction. */
    public void write(int job, PlanDelta delta) {
        List<ElementKey> removed = new ArrayList<>();
        Rows written = new Rows(job);
        delta.changes()
                .forEach((key, change) ->
                        change.after().ifPresentOrElse(e -> e.match(written).run(), () -> removed.add(key)));
        written.fixtures.write(job, rows);
        Collections.reverse(removed);
        removed.forEach(key -> drop(job, key));
    }

    /** How an element of each kind is written: fixtures together, before whatever comes behind them and may refer to them. */
    private final class Rows implements ElementCases<Runnable> {
        private final int job;
        private final FixtureBatch fixtures = new FixtureBatch();

        Rows(int job) {
            this.job = job;
        }

        @Override
        public Runnable jobSheet(JobSheet sheet) {
            return () -> jobs.putSheet(
                    job,
                    sheet.name(),
                    sheet.venue(),
                    sheet.from().map(LocalDate::toString).orElse(null),
                    sheet.to().map(LocalDate::toString).orElse(null),
                    sheet.note(),
                    PlaceJson.write(sheet.view()).toString());
        }

        @Override
        public Runnable fixture(Fixture fixture) {
            return () -> fixtures.add(fixture);
        }

        @Override
        public Runnable type(RigType type) {
            return () -> rows.putType(job, TypeRow.of(type));
        }

        @Override
        public Runnable position(Position position) {
            return () -> rows.putPosition(job, PositionRow.of(position));
        }

        @Override
        public Runnable node(Node node) {
            return () -> rows.putNode(job, NodeRow.of(node));
        }

        @Override
        public Runnable universe(Universe universe) {
            return () -> rows.putUniverse(job, UniverseRow.of(universe));
        }

        @Override
        public Runnable reservedRun(ReservedRun reservedRun) {
            return () -> rows.putReserved(job, ReservedRow.of(reservedRun));
        }

        @Override
        public Runnable evidence(BlockEvidence evidence) {
            return () -> {
                fixtures.write(job, rows);
                rows.putEvidence(job, EvidenceRow.of(evidence));
            };
        }

        @Override
        public Runnable group(Group group) {
            return () -> rows.putGroup(job, GroupRow.of(group));
        }

        @Override
        public Runnable share(Share share) {
            return () -> rows.putShare(job, ValueRow.of(share));
        }

        @Override
        public Runnable wish(KeptWish wish) {
            return () -> rows.putWish(job, ValueRow.of(wish));
        }
    }

    private void drop(int job, ElementKey key) {
        switch (key.kind()) {
            case JOB_SHEET -> throw new IllegalArgumentException("a job keeps its sheet");
            case TYPE -> rows.dropType(job, key.text());
            case POSITION -> rows.dropPosition(job, key.number());
            case NODE -> rows.dropNode(job, key.number());
            case UNIVERSE -> rows.dropUniverse(job, key.number());
            case RESERVED_RUN -> rows.dropReserved(job, key.number());
            case FIXTURE -> rows.dropFixture(job, key.number());
            case EVIDENCE -> rows.dropEvidence(job, key.number(), Integer.parseInt(key.text()));
            case GROUP -> rows.dropGroup(job, key.number());
            case SHARE -> rows.dropShare(job, key.number());
            case WISH -> rows.dropWish(job, key.number());
        }
    }
}
