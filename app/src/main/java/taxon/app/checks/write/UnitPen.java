package taxon.app.checks.write;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import taxon.app.checks.Readings;
import taxon.app.checks.RigReading.Way;
import taxon.app.checks.UnitReader;
import taxon.app.edit.JobEditor;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.ReadingEvidence;
import taxon.core.proof.RigComparison;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.JobEdits;
import taxon.core.writing.Item;
import taxon.core.writing.Order;
import taxon.core.writing.Pen;
import taxon.core.writing.Result;
import taxon.core.writing.Target;
import taxon.core.writing.UnitOrders;
import taxon.core.writing.Value;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.Uid;

/** Writes to units by remote management, on the line where each answered, and reads all of the unit again. */
final class UnitPen implements Pen {
    private static final String BY = "the rig";

    private final int job;
    private final JobEditor editor;
    private final Readings readings;
    private final Clock clock;
    private final Controllers controllers;

    /** Who speaks with the node of a unit, allowed to send to that node alone. */
    interface Controllers {
        ArtNetController open() throws IOException;
    }

    UnitPen(int job, JobEditor editor, Readings readings, Clock clock, Controllers controllers) {
        this.job = job;
        this.editor = editor;
        this.readings = readings;
        this.clock = clock;
        this.controllers = controllers;
    }

    @Override
    public Result write(Order order) throws InterruptedException {
        Target.Unit target = (Target.Unit) order.target();
        Optional<Way> way = readings.state(job).last().flatMap(r -> r.way(target.uid()));
        if (way.isEmpty()) {
            return Result.refused("its line was not read since Taxon was started; read the rig first");
        }
        try (ArtNetController controller = controllers.open()) {
            RdmClient client =
                    new RdmClient(controller, way.get().node(), way.get().address());
            return write(order, target, client);
        } catch (IOException e) {
            return Result.unknown("it cannot be reached: " + e.getMessage());
        }
    }

    private Result write(Order order, Target.Unit target, RdmClient client) throws IOException, InterruptedException {
        Uid uid = Uid.parse(target.uid());
        FoundUnit before;
        try {
            before = UnitReader.read(client, target.universe(), uid);
        } catch (RdmException e) {
            return Result.refused(e.getMessage() + "; nothing was written");
        }
        Optional<Result> hindrance = hindrance(order, before);
        return hindrance.isPresent() ? hindrance.get() : send(order, target, client, uid);
    }

    /** Nothing is written over what nobody has seen: it may be somebody's work. */
    private static Optional<Result> hindrance(Order order, FoundUnit before) {
        Optional<Value> now = UnitOrders.valueOf(before, order.item(), order.part());
        if (now.isEmpty()) {
            return Optional.of(Result.refused("it has no " + order.what()));
        }
        boolean known =
                order.was().map(Value::raw).filter(now.get().raw()::equals).isPresent()
                        || now.get().raw().equals(order.will().raw())
                        || order.was().isEmpty();
        return known
                ? Optional.empty()
                : Optional.of(Result.refused("it says " + now.get().words() + " now, and not "
                        + order.was().map(Value::words).orElse("") + ": it was changed since it was read"));
    }

    private Result send(Order order, Target.Unit target, RdmClient client, Uid uid)
            throws IOException, InterruptedException {
        if (order.item() != Item.IDENTIFY && order.item() != Item.LABEL) {
            doubt(target);
        }
        try {
            set(order, client, uid);
            FoundUnit after = UnitReader.read(client, target.universe(), uid);
            record(target, after, order);
            return UnitOrders.valueOf(after, order.item(), order.part())
                    .map(v -> Result.readBack(order, v))
                    .orElseGet(() -> Result.unknown("it does not say what it has now"));
        } catch (RdmException e) {
            return e.isRefused()
                    ? Result.refused(String.valueOf(e.getMessage()))
                    : Result.unknown(e.getMessage() + "; read the rig again to know what it has");
        }
    }

    private static void set(Order order, RdmClient client, Uid uid)
            throws RdmException, IOException, InterruptedException {
        switch (order.item()) {
            case ADDRESS ->
                client.setStartAddress(uid, order.part() - 1, order.will().number());
            case MODE ->
                client.set(uid, 0, Pid.DMX_PERSONALITY, Bytes.of(order.will().number()));
            case LABEL ->
                client.set(uid, 0, Pid.DEVICE_LABEL, Bytes.of(order.will().raw().getBytes(StandardCharsets.UTF_8)));
            default ->
                client.set(uid, 0, pid(order.item()), Bytes.of(order.will().isOn() ? 1 : 0));
        }
    }

    private static int pid(Item item) {
        return switch (item) {
            case PAN_REVERSED -> Pid.PAN_INVERT;
            case TILT_REVERSED -> Pid.TILT_INVERT;
            case AXES_SWAPPED -> Pid.PAN_TILT_SWAP;
            case IDENTIFY -> Pid.IDENTIFY_DEVICE;
            default -> throw new IllegalArgumentException(item + " is nothing that is on or off");
        };
    }

    private Plan plan() {
        return editor.find(job).orElseThrow().plan();
    }

    private Optional<Fixture> fixture(Target.Unit target) {
        return target.fixture().flatMap(plan()::fixture);
    }

    /** From now on nobody knows what the unit has, until it has said so: an answer may be lost, and so may this process. */
    private void doubt(Target.Unit target) {
        fixture(target).ifPresent(fixture -> {
            Plan plan = plan();
            List<BlockEvidence> without = plan.blocksOf(fixture).stream()
                    .map(b -> plan.evidence(b.ref()))
                    .filter(e -> e.proved().isPresent())
                    .map(BlockEvidence::withoutProof)
                    .toList();
            if (!without.isEmpty()) {
                editor.record(job, BY, JobEdits.record("Writing to " + fixture.label() + " begun", without));
            }
        });
    }

    /** What it says now is what is known of it; as proof it counts for the fixture that it was taken for with certainty. */
    private void record(Target.Unit target, FoundUnit unit, Order order) {
        readings.replace(job, unit);
        if (order.item() == Item.IDENTIFY) {
            return;
        }
        Plan plan = plan();
        Optional<RigComparison.Line> line = readings.state(job)
                .last()
                .map(r -> r.against(plan))
                .flatMap(c -> c.lines().stream()
                        .filter(l -> l.found().map(FoundUnit::uid).equals(Optional.of(unit.uid())))
                        .findFirst());
        line.filter(l -> l.key().equals(target.fixture()))
                .map(l -> ReadingEvidence.of(plan, l, clock.instant()))
                .filter(e -> !e.isEmpty())
                .ifPresent(e -> editor.record(
                        job, BY, JobEdits.record("Written to " + target.label() + ": " + order.what(), e)));
    }
}
