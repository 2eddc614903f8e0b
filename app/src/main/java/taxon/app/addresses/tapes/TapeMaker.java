package taxon.app.addresses.tapes;

import java.util.Comparator;
import java.util.List;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import taxon.app.addresses.tapes.Tape.Box;
import taxon.app.addresses.tapes.Tape.Clash;
import taxon.app.addresses.tapes.Tape.Run;
import taxon.app.form.Selection;
import taxon.app.frame.Marks;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Grounds;
import taxon.core.proof.Standing;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Shares;
import taxon.core.text.Counted;

/** Lays one universe out as a tape, so that no words run into each other. */
public final class TapeMaker {
    private static final double ROOM_FOR_MARK = 46;
    private static final double ROOM_FOR_FREE = 62;
    private static final double ROOM_FOR_NUMBER = 26;

    private final Plan plan;
    private final ToIntFunction<PlannedBlock> tints;
    private final Selection selection;
    private final Shares shares;

    public TapeMaker(Plan plan, ToIntFunction<PlannedBlock> tints, Selection selection) {
        this.plan = plan;
        this.tints = tints;
        this.selection = selection;
        shares = Shares.of(plan);
    }

    public Tape tape(
            int y,
            int universe,
            String name,
            Fits fits,
            List<PlannedBlock> blocks,
            List<ReservedRun> reserved,
            List<Grounds.Overlap> overlaps,
            List<SlotRange> lit) {
        List<PlannedBlock> inOrder = blocks.stream()
                .sorted(Comparator.comparing(TapeMaker::start).thenComparing(PlannedBlock::ref))
                .toList();
        UniverseNumber number = UniverseNumber.of(universe);
        return new Tape(
                y,
                universe,
                name,
                fits.used(number) + " used",
                inOrder.stream().map(this::box).toList(),
                reserved.stream().map(r -> run(r.slots(), reservedWords(r))).toList(),
                fits.freeRuns(number).stream().map(r -> run(r, freeWords(r))).toList(),
                lit.stream().map(r -> run(r, "")).toList(),
                TapeCaptions.of(inOrder, overlaps, shares),
                overlaps.stream().map(o -> clash(o.shared())).toList(),
                inOrder.stream().flatMap(TapeMaker::parked).toList());
    }

    private Box box(PlannedBlock block) {
        SlotRange slots = block.slots().orElseThrow();
        double width = slots.length() * Tape.SLOT;
        String label = block.fixture().label();
        Standing standing = Standing.of(block, plan);
        boolean fits = width >= Math.max(TapeCaptions.ROOM_FOR_LABEL, label.length() * TapeCaptions.LETTER + 8);
        return new Box(
                Tape.x(slots.first()),
                width,
                block.fixture().key().number(),
                block.ref().block(),
                slots.first(),
                slots.length(),
                fits ? label : "",
                tints.applyAsInt(block),
                selection.holds(block.fixture().key()),
                width >= ROOM_FOR_MARK + (label.length() - 3) * TapeCaptions.LETTER,
                Marks.of(standing),
                block.fixture().traits().locked(),
                block.label() + " " + block.type().fullName() + ", " + Counted.of(block.footprint(), "slot") + " from "
                        + start(block)
                        + ", " + Marks.of(standing).word()
                        + (block.fixture().traits().locked() ? ", locked" : ""));
    }

    /** The parked slots of a block that lie inside the universe. */
    private static Stream<Tape.Parked> parked(PlannedBlock block) {
        SlotRange slots = block.slots().orElseThrow();
        return block.fixture().traits().parked().stream()
                .filter(p -> p.block() == block.ref().block() && p.offset() <= slots.length())
                .map(p -> new Tape.Parked(
                        Tape.x(slots.first() + p.offset() - 1),
                        block.label() + ": slot " + (slots.first() + p.offset() - 1) + " parked at " + p.value() + ", "
                                + p.why()));
    }

    private static Run run(SlotRange slots, String words) {
        return new Run(Tape.x(slots.first()), slots.length() * Tape.SLOT, words);
    }

    private static String reservedWords(ReservedRun run) {
        return run.label().length() * TapeCaptions.LETTER + 12 <= run.slots().length() * Tape.SLOT ? run.label() : "";
    }

    private static String freeWords(SlotRange run) {
        double width = run.length() * Tape.SLOT;
        return width >= ROOM_FOR_FREE ? run.length() + " free" : width >= ROOM_FOR_NUMBER ? "" + run.length() : "";
    }

    private static Clash clash(SlotRange slots) {
        return new Clash(Tape.x(slots.first()), slots.length() * Tape.SLOT);
    }

    private static StartAddress start(PlannedBlock block) {
        return block.start().orElseThrow();
    }
}
