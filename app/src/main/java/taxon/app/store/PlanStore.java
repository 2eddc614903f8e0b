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
import taxon.app.store.PlanRows.CheckRow;
import taxon.app.store.PlanRows.EvidenceRow;
import taxon.app.store.PlanRows.GroupRow;
import taxon.app.store.PlanRows.PositionRow;
import taxon.app.store.PlanRows.ReservedRow;
import taxon.app.store.PlanRows.TypeRow;
import taxon.app.store.PlanRows.ValueRow;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Box;
import taxon.core.rig.Element;
import taxon.core.rig.ElementCases;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Position;
import taxon.core.rig.RadioLink;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Share;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.Universe;
import taxon.formats.json.ElementJson;
import taxon.formats.json.Json;
import taxon.formats.json.PlaceJson;

/** Loads a plan whole, and writes what a change touches. */
@Repository
public class PlanStore {
    private final JobMapper jobs;
    private final PlanMapper rows;
    private final Staging staging;

    PlanStore(JobMapper jobs, PlanMapper rows, Staging staging) {
        this.jobs = jobs;
        this.rows = rows;
        this.staging = staging;
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
        rows.boxes(job).forEach(r -> elements.add(r.element(Kind.BOX)));
        rows.universes(job).forEach(r -> elements.add(r.element(Kind.UNIVERSE)));
        rows.lines(job).forEach(r -> elements.add(r.element(Kind.LINE)));
        rows.reservedRuns(job).forEach(r -> elements.add(r.element()));
        Map<Integer, Map<Integer, StartAddress>> addresses = new HashMap<>();
        rows.addresses(job)
                .forEach(a -> addresses
                        .computeIfAbsent(a.fixture(), f -> new HashMap<>())
                        .put(a.block(), a.address()));
        rows.fixtures(job).forEach(r -> elements.add(r.element(addresses.getOrDefault(r.number(), Map.of()))));
        rows.evidence(job).forEach(r -> elements.add(r.element()));
        rows.checks(job).forEach(r -> elements.add(r.element()));
        rows.radioLinks(job).forEach(r -> elements.add(r.element(Kind.LINK)));
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
                PlaceJson.readView(Json.parse(row.view())),
                ElementJson.readRules(ElementJson.readCounting(Json.parse(row.counting())), Json.parse(row.network())));
    }

    /** Writes the changed rows. Call inside a transaction. */
    public void write(int job, PlanDelta delta) {
        new Rows(job).of(delta).run();
    }

    /**
     * A change that is ready to be written.
     *
     * @param rows writes it; to be run inside a transaction
     * @param afterwards to be run when that is over, however it ended
     */
    public record Writing(Runnable rows, Runnable afterwards) {}

    /** Makes everything ready that is long to make ready, so that nobody waits for it inside the transaction. */
    public Writing writing(int job, PlanDelta delta) {
        Rows written = new Rows(job, staging);
        return new Writing(written.of(delta), () -> written.afterwards.forEach(Runnable::run));
    }

    /** How an element of each kind is written: fixtures together, before whatever comes behind them and may refer to them. */
    private final class Rows implements ElementCases<Optional<Runnable>> {
        private final int job;
        private final Optional<Staging> beforehand;
        private final List<Runnable> steps = new ArrayList<>();
        private final List<Runnable> afterwards = new ArrayList<>();
        private final List<Fixture> fixtures = new ArrayList<>();

        Rows(int job) {
            this.job = job;
            beforehand = Optional.empty();
        }

        Rows(int job, Staging staging) {
            this.job = job;
            beforehand = Optional.of(staging);
        }

        Runnable of(PlanDelta delta) {
            List<ElementKey> removed = new ArrayList<>();
            delta.changes()
                    .forEach((key, change) ->
                            change.after().ifPresentOrElse(e -> add(e.match(this)), () -> removed.add(key)));
            flush();
            Collections.reverse(removed);
            removed.forEach(key -> steps.add(() -> drop(job, key)));
            return () -> steps.forEach(Runnable::run);
        }

        private void add(Optional<Runnable> step) {
            step.ifPresent(s -> {
                flush();
                steps.add(s);
            });
        }

        private void flush() {
            Optional<Staging> worth = beforehand.filter(s -> Staging.isWorth(fixtures));
            if (worth.isPresent()) {
                Writing staged = worth.get().writing(job, fixtures);
                steps.add(staged.rows());
                afterwards.add(staged.afterwards());
            } else if (!fixtures.isEmpty()) {
                steps.add(new FixtureBatch(fixtures).writing(job, rows));
            }
            fixtures.clear();
        }

        @Override
        public Optional<Runnable> jobSheet(JobSheet sheet) {
            return Optional.of(() -> jobs.putSheet(
                    job,
                    sheet.name(),
                    sheet.venue(),
                    sheet.from().map(LocalDate::toString).orElse(null),
                    sheet.to().map(LocalDate::toString).orElse(null),
                    sheet.note(),
                    PlaceJson.write(sheet.view()).toString(),
                    ElementJson.write(sheet.counting()).toString(),
                    ElementJson.write(sheet.network()).toString()));
        }

        @Override
        public Optional<Runnable> fixture(Fixture fixture) {
            fixtures.add(fixture);
            return Optional.empty();
        }

        @Override
        public Optional<Runnable> type(RigType type) {
            TypeRow row = TypeRow.of(type);
            return Optional.of(() -> rows.putType(job, row));
        }

        @Override
        public Optional<Runnable> position(Position position) {
            PositionRow row = PositionRow.of(position);
            return Optional.of(() -> rows.putPosition(job, row));
        }

        @Override
        public Optional<Runnable> box(Box box) {
            ValueRow row = ValueRow.of(box);
            return Optional.of(() -> rows.putBox(job, row));
        }

        @Override
        public Optional<Runnable> line(Line line) {
            ValueRow row = ValueRow.of(line);
            return Optional.of(() -> rows.putLine(job, row));
        }

        @Override
        public Optional<Runnable> radioLink(RadioLink link) {
            ValueRow row = ValueRow.of(link);
            String receiver = link.elementKey().text();
            return Optional.of(() -> rows.putRadioLink(job, receiver, row));
        }

        @Override
        public Optional<Runnable> universe(Universe universe) {
            ValueRow row = ValueRow.of(universe);
            return Optional.of(() -> rows.putUniverse(job, row));
        }

        @Override
        public Optional<Runnable> reservedRun(ReservedRun reservedRun) {
            ReservedRow row = ReservedRow.of(reservedRun);
            return Optional.of(() -> rows.putReserved(job, row));
        }

        @Override
        public Optional<Runnable> evidence(BlockEvidence evidence) {
            EvidenceRow row = EvidenceRow.of(evidence);
            return Optional.of(() -> rows.putEvidence(job, row));
        }

        @Override
        public Optional<Runnable> check(UnitCheck check) {
            CheckRow row = CheckRow.of(check);
            return Optional.of(() -> rows.putCheck(job, row));
        }

        @Override
        public Optional<Runnable> group(Group group) {
            GroupRow row = GroupRow.of(group);
            return Optional.of(() -> rows.putGroup(job, row));
        }

        @Override
        public Optional<Runnable> share(Share share) {
            ValueRow row = ValueRow.of(share);
            return Optional.of(() -> rows.putShare(job, row));
        }

        @Override
        public Optional<Runnable> wish(KeptWish wish) {
            ValueRow row = ValueRow.of(wish);
            return Optional.of(() -> rows.putWish(job, row));
        }
    }

    private void drop(int job, ElementKey key) {
        switch (key.kind()) {
            case JOB_SHEET -> throw new IllegalArgumentException("a job keeps its sheet");
            case TYPE -> rows.dropType(job, key.text());
            case POSITION -> rows.dropPosition(job, key.number());
            case BOX -> rows.dropBox(job, key.number());
            case LINE -> rows.dropLine(job, key.number());
            case LINK -> rows.dropRadioLink(job, key.text(), key.number());
            case UNIVERSE -> rows.dropUniverse(job, key.number());
            case RESERVED_RUN -> rows.dropReserved(job, key.number());
            case FIXTURE -> rows.dropFixture(job, key.number());
            case CHECK -> rows.dropCheck(job, key.number(), key.text());
            case EVIDENCE -> rows.dropEvidence(job, key.number(), Integer.parseInt(key.text()));
            case GROUP -> rows.dropGroup(job, key.number());
            case SHARE -> rows.dropShare(job, key.number());
            case WISH -> rows.dropWish(job, key.number());
        }
    }
}
