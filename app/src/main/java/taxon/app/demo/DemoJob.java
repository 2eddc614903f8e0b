package taxon.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeBook;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ListReading;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.packing.Effort;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.demo.DemoTypes;
import taxon.formats.table.TableFile;
import taxon.formats.table.TableReader;

/** "Lantern Pageant", a week of evening performances in a disused dry dock. Invented throughout. */
final class DemoJob {
    static final String QUAY_NODE = "Quay node";
    static final String GATE_NODE = "Gate node";
    private static final String LIST = "equipment.csv";

    private DemoJob() {}

    /** The job as it was when revision A was frozen: out of its equipment list, routed, and set on part of the rig. */
    static Plan beforeRevision(Ipv4 nodeA, Ipv4 nodeB, Instant now) {
        Plan plan = Plan.empty(new JobSheet(
                "Lantern Pageant",
                "Old dry dock",
                Optional.of(LocalDate.of(2026, 12, 1)),
                Optional.of(LocalDate.of(2026, 12, 6)),
                "Six evenings. Access by the pump house; power from the quay. The laser has its own universe."));
        plan = apply(plan, list(plan).edit());
        plan = plan.with(List.of(
                Box.node(1, QUAY_NODE, nodeA, 4),
                Box.node(2, GATE_NODE, nodeB, 4),
                new ReservedRun(1, UniverseNumber.of(4), new SlotRange(301, 400), "house lights"),
                artNet(1, "racks and quays", 1, 1),
                artNet(2, "crane rail", 1, 2),
                artNet(3, "gate tower", 1, 3),
                artNet(4, "dock floor", 1, 4),
                sacn(5, "hull and gate", 2, 1),
                sacn(6, "laser only", 2, 2),
                new Universe(UniverseNumber.of(7), "wireless", List.of())));
        return DemoWishes.wish(DemoGroups.gather(DemoLines.draw(DemoPlaces.hang(plan.with(evidence(plan, now))))));
    }

    private static EquipmentList list(Plan plan) {
        try (InputStream in = Objects.requireNonNull(DemoJob.class.getResourceAsStream(LIST), LIST)) {
            TableFile.Read table = (TableFile.Read) TableReader.read(in.readAllBytes(), "");
            ListReading list = ListReading.of(table.rows(), ColumnGuess.of(table.rows()));
            EquipmentList intake =
                    EquipmentList.of(plan, list, DemoTypes.withGeneric(), ListChoices.NONE, Effort.of(1));
            if (!intake.faulty().isEmpty()) {
                throw new IllegalStateException("the demo's list has faults: " + intake.faulty());
            }
            return intake;
        } catch (IOException e) {
            throw new UncheckedIOException(LIST + " is part of the application", e);
        }
    }

    private static Universe artNet(int number, String label, int node, int port) {
        Route route = new Route.ArtNet(new PortAddress(number), new PortRef(node, port));
        return new Universe(UniverseNumber.of(number), label, List.of(route));
    }

    private static Universe sacn(int number, String label, int node, int port) {
        Route route = new Route.Sacn(new SacnUniverse(number), new PortRef(node, port));
        return new Universe(UniverseNumber.of(number), label, List.of(route));
    }

    /** What crew has done so far: the north quay proved, half of the gate tower set, and one Heron set to what it was once. */
    private static List<BlockEvidence> evidence(Plan plan, Instant now) {
        Instant yesterday = now.minus(1, ChronoUnit.DAYS).truncatedTo(ChronoUnit.MINUTES);
        List<BlockEvidence> evidence = new ArrayList<>();
        for (PlannedBlock block : plan.blocks()) {
            int id = block.fixture().id().map(FixtureId::number).orElse(0);
            Mark asPlanned =
                    new Mark(block.start().orElseThrow(), block.mode().name(), yesterday, "crew, from the ladder");
            if (id >= 101 && id <= 108 && id != 104) {
                evidence.add(BlockEvidence.none(block.ref()).withProved(asPlanned, ""));
            } else if (id >= 401 && id <= 406) {
                evidence.add(BlockEvidence.none(block.ref()).withSet(asPlanned));
            } else if (id == 204 && block.ref().block() == 1) {
                evidence.add(BlockEvidence.none(block.ref())
                        .withSet(new Mark(
                                StartAddress.of(2, 65), block.mode().name(), yesterday, "crew, from the ladder")));
            }
        }
        return evidence;
    }

    /** What was done since revision A, each an edit of its own: the honest faults that the findings show. */
    static List<Edit> sinceRevision() {
        return List.of(
                added(
                        "1 × Tern added to the crane rail",
                        "Tern",
                        "16-channel",
                        "Crane rail",
                        1,
                        305,
                        Optional.of(StartAddress.of(2, 209))),
                added(
                        "2 × Avocet added, not yet placed",
                        "Avocet",
                        "12-channel",
                        "Dock floor",
                        2,
                        613,
                        Optional.empty()),
                new Edit("521 added at 4.508, past the end", DemoJob::pastTheEnd),
                new Edit("522 added in a mode that its type lacks", DemoJob::withoutMode),
                new Edit(
                        "Dunlin 912 renumbered to 911",
                        plan -> FixtureEdits.renumber(fixture(plan, 912).key(), FixtureId.of(911))
                                .applyTo(plan)));
    }

    private static Edit added(
            String title,
            String type,
            String mode,
            String position,
            int count,
            int firstId,
            Optional<StartAddress> from) {
        TypeBook types = DemoTypes.withGeneric();
        FixtureType found = types.named("", type).orElseThrow();
        return FixtureEdits.add(
                title,
                List.of(Added.of(
                                found,
                                found.mode(mode).orElseThrow(),
                                count,
                                new Added.Words(position, "", "late addition"))
                        .withIds(Optional.of(FixtureId.of(firstId)))
                        .from(from)));
    }

    private static Edit.Outcome pastTheEnd(Plan plan) {
        Plan more = apply(plan, added("x", "Plover", "9-channel", "Dock floor", 1, 521, Optional.empty()));
        return new Edit.Changed(more.with(fixture(more, 521).withAddress(1, Optional.of(StartAddress.of(4, 508)))));
    }

    private static Edit.Outcome withoutMode(Plan plan) {
        Plan more = apply(
                plan, added("x", "Plover", "9-channel", "Dock floor", 1, 522, Optional.of(StartAddress.of(4, 181))));
        return new Edit.Changed(more.with(fixture(more, 522).withMode("12-channel")));
    }

    static Fixture fixture(Plan plan, int id) {
        return plan.fixtures().stream()
                .filter(f -> f.id().equals(Optional.of(FixtureId.of(id))))
                .findFirst()
                .orElseThrow();
    }

    static Plan apply(Plan plan, Edit edit) {
        if (edit.applyTo(plan) instanceof Edit.Changed changed) {
            return changed.plan();
        }
        throw new IllegalStateException("the demo's own edit was refused: " + edit.title());
    }
}
