package taxon.app.checks;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import taxon.app.TaxonSettings;
import taxon.app.checks.RigReading.Way;
import taxon.app.checks.boxes.Allowed;
import taxon.app.edit.JobEditor;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.ReadingEvidence;
import taxon.core.proof.RigComparison;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.JobEdits;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.link.CardLinks;
import taxon.wire.rdm.codec.Uid;

/**
 * Writes the planned address to one unit, once it is armed for just that, and reads it back.
 *
 * <p>Writing to a real unit cannot be undone, so it takes two steps. What is armed names the unit and the address, holds
 * for one write, and ends after a minute.
 */
@Service
class UnitWriter {
    private final JobEditor editor;
    private final Readings readings;
    private final TaxonSettings settings;
    private final Clock clock;
    private final ArmedWrites<Armed> armed = new ArmedWrites<>(System::nanoTime);

    UnitWriter(JobEditor editor, Readings readings, TaxonSettings settings, Clock clock) {
        this.editor = editor;
        this.readings = readings;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * What may be written now.
     *
     * @param unit as it answered at the newest reading
     * @param reason why it was taken for the fixture
     * @param until for people to read; what decides is the clock that cannot be set
     */
    record Armed(
            BlockRef block,
            String label,
            FoundUnit unit,
            RigComparison.Reason reason,
            StartAddress address,
            Way way,
            Instant until) {
        String uid() {
            return unit.uid();
        }
    }

    /** A write that was not done, with the reason as a sentence. */
    static final class NotWrittenException extends Exception {
        private static final long serialVersionUID = 1L;

        NotWrittenException(String sentence) {
            super(sentence);
        }
    }

    Optional<Armed> armed(int job) {
        return armed.find(job);
    }

    void disarm(int job) {
        armed.disarm(job);
    }

    /** Arms the planned address of a block for the unit that the newest reading took for its fixture. */
    Armed arm(int job, Plan plan, BlockRef block) throws NotWrittenException {
        RigReading reading = readings.state(job)
                .last()
                .orElseThrow(
                        () -> new NotWrittenException("The rig was not read yet, so no unit is known. Read it first."));
        RigComparison.Line line = reading.against(plan).lines().stream()
                .filter(l -> l.key().equals(Optional.of(block.fixture())))
                .findFirst()
                .orElseThrow(() -> new NotWrittenException("No unit answered for this fixture at the newest reading."));
        FoundUnit unit = line.found()
                .orElseThrow(() -> new NotWrittenException("No unit answered for this fixture at the newest reading."));
        StartAddress address = plan.fixture(block.fixture())
                .flatMap(f -> f.address(block.block()))
                .orElseThrow(() -> new NotWrittenException("This block has no planned address."));
        if (!unit.universe().equals(address.universe())) {
            throw new NotWrittenException("Unit " + unit.uid() + " answers on universe " + unit.universe()
                    + ", and planned is universe " + address.universe()
                    + ": it hangs on another line, where no start address makes it right.");
        }
        if (block.block() > unit.blocks().size()) {
            throw new NotWrittenException("Unit " + unit.uid() + " has no block " + block.block()
                    + " in the mode that it is in: set the mode on the unit first.");
        }
        Way way = reading.way(unit).orElseThrow(() -> new NotWrittenException("The line of this unit was not read."));
        String label = plan.fixture(block.fixture()).map(Fixture::label).orElse("");
        Armed now = new Armed(
                block, label, unit, line.reason(), address, way, clock.instant().plus(ArmedWrites.ARMED_FOR));
        armed.arm(job, now);
        return now;
    }

    /**
     * Does what is armed, and records what the unit says afterwards.
     *
     * @return what the unit has now, in a sentence
     */
    String write(int job, BlockRef block) throws NotWrittenException, InterruptedException {
        Armed order = armed.take(job)
                .filter(a -> a.block().equals(block))
                .orElseThrow(() -> new NotWrittenException(
                        "Nothing is armed for this block, or it was armed more than a minute ago. Arm it again."));
        Plan plan = editor.find(job).orElseThrow().plan();
        if (!plan.fixture(block.fixture())
                .flatMap(f -> f.address(block.block()))
                .equals(Optional.of(order.address()))) {
            throw new NotWrittenException("The planned address changed since this was armed. Arm it again.");
        }
        doubt(job, plan, order);
        FoundUnit after = send(order, plan);
        record(job, plan, after, order);
        int slot = after.blocks().get(block.block() - 1).start().number();
        if (slot != order.address().slot().number()) {
            throw new NotWrittenException("Unit " + order.uid() + " took the address and still says " + slot + ".");
        }
        return order.label() + " listens at slot " + slot + " now, read back from unit " + order.uid();
    }

    private FoundUnit send(Armed order, Plan plan) throws NotWrittenException, InterruptedException {
        Uid uid = Uid.parse(order.uid());
        // To be armed is to be allowed: this one write may go to this one node.
        try (CardLinks.Lease lease = readings.lease(plan);
                ArtNetController controller = ArtNetController.over(
                        lease.link(),
                        ip -> Allowed.to(plan, true).allows(ip)
                                && ip.equals(order.way().node()),
                        settings.answerWithin())) {
            RdmClient client =
                    new RdmClient(controller, order.way().node(), order.way().address());
            client.setStartAddress(
                    uid, order.block().block() - 1, order.address().slot().number());
            return RigReader.unit(client, order.unit().universe(), uid);
        } catch (IOException e) {
            throw new NotWrittenException("The unit cannot be reached: " + e.getMessage() + ".");
        } catch (RdmException e) {
            throw new NotWrittenException(
                    e.isRefused()
                            ? "Not written: " + e.getMessage() + "."
                            : "It is not known what the unit has now: " + e.getMessage()
                                    + ". Read the rig again; what was proved of it is not, until then.");
        }
    }

    /** From now on nobody knows what the unit has, until it has said so: an answer may be lost, and so may this process. */
    private void doubt(int job, Plan plan, Armed order) {
        Fixture fixture = plan.fixture(order.block().fixture()).orElseThrow();
        List<BlockEvidence> without = plan.blocksOf(fixture).stream()
                .map(b -> plan.evidence(b.ref()))
                .filter(e -> e.proved().isPresent())
                .map(BlockEvidence::withoutProof)
                .toList();
        if (!without.isEmpty()) {
            editor.record(job, "the rig", JobEdits.record("Writing to " + fixture.label() + " begun", without));
        }
    }

    private void record(int job, Plan plan, FoundUnit unit, Armed order) {
        Fixture fixture = plan.fixture(order.block().fixture()).orElseThrow();
        readings.replace(job, unit);
        RigComparison.Line line = RigComparison.held(plan, fixture, unit, order.reason());
        editor.record(
                job,
                "the rig",
                JobEdits.record(
                        "Address written to " + fixture.label(), ReadingEvidence.of(plan, line, clock.instant())));
    }
}
