package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Block.SlotUse;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Shares;

/**
 * What one slot of a universe does.
 *
 * @param who "204", or who holds it; empty where it is free
 * @param key the fixture, 0 where there is none
 * @param attribute what it drives, with its part; "unused" inside a block, the label of a reserved run, or empty
 * @param resolution "coarse", "fine"; empty for one byte
 * @param rest the level at rest; empty where nobody says
 * @param tint 0 to 9, −1 where there is no fixture
 * @param begins true where a block begins
 * @param meeting whether others take it too
 */
public record SlotLine(
        int slot,
        String who,
        int key,
        String type,
        String attribute,
        String resolution,
        String rest,
        int tint,
        boolean begins,
        Meeting meeting) {

    /** What it means that two take a slot. */
    public enum Meeting {
        NONE,
        /** They have one address on purpose. */
        SHARED,
        CLASH
    }

    /** All 512, in order. Where two take a slot, each is told. */
    public static List<SlotLine> of(Plan plan, UniverseNumber universe, TintBy tints) {
        SlotLine[] lines = IntStream.rangeClosed(Slot.FIRST, Slot.LAST)
                .mapToObj(s -> new SlotLine(s, "", 0, "", "", "", "", -1, false, Meeting.NONE))
                .toArray(SlotLine[]::new);
        for (ReservedRun run : plan.reservedRuns()) {
            for (int s = run.slots().first();
                    run.universe().equals(universe) && s <= run.slots().last();
                    s++) {
                lines[s - 1] =
                        new SlotLine(s, "", 0, "", "reserved for " + run.label(), "", "", -1, false, Meeting.NONE);
            }
        }
        Shares shares = Shares.of(plan);
        PlannedBlock[] owners = new PlannedBlock[Slot.LAST];
        plan.blocks().stream()
                .filter(b ->
                        b.start().filter(a -> a.universe().equals(universe)).isPresent())
                .sorted(Comparator.comparing((PlannedBlock b) -> b.start().orElseThrow())
                        .thenComparing(PlannedBlock::ref))
                .forEach(b -> put(lines, owners, b, tints, shares));
        return List.of(lines);
    }

    private static void put(SlotLine[] lines, PlannedBlock[] owners, PlannedBlock block, TintBy tints, Shares shares) {
        List<SlotUse> uses = block.block().slotUses();
        int first = block.start().orElseThrow().slot().number();
        for (int offset = 1; offset <= block.footprint() && first + offset - 1 <= Slot.LAST; offset++) {
            int at = offset;
            SlotLine before = lines[first + offset - 2];
            SlotLine now = uses.stream()
                    .filter(u -> u.offset() == at)
                    .findFirst()
                    .map(u -> used(first + at - 1, block, u, tints))
                    .orElseGet(() -> new SlotLine(
                            first + at - 1,
                            block.label(),
                            block.fixture().key().number(),
                            block.type().shortName(),
                            "unused",
                            "",
                            "",
                            tints.of(block),
                            at == 1,
                            Meeting.NONE));
            PlannedBlock owner = owners[first + offset - 2];
            boolean isMeant = owner != null && before.meeting() != Meeting.CLASH && shares.isMeant(owner, block);
            lines[first + offset - 2] = owner == null ? now : before.and(now, isMeant);
            owners[first + offset - 2] = block;
        }
    }

    private static SlotLine used(int slot, PlannedBlock block, SlotUse use, TintBy tints) {
        String part = use.channel().part().toString();
        return new SlotLine(
                slot,
                block.label(),
                block.fixture().key().number(),
                block.type().shortName(),
                AttributeBook.words(use.channel().attribute()) + (part.isEmpty() ? "" : " of " + part),
                use.resolution(),
                Integer.toString(use.restByte()),
                tints.of(block),
                use.offset() == 1,
                Meeting.NONE);
    }

    /** Two on one slot. */
    private SlotLine and(SlotLine other, boolean isMeant) {
        return new SlotLine(
                slot,
                who + " and " + other.who,
                key,
                type,
                attribute.equals(other.attribute) ? attribute : attribute + " / " + other.attribute,
                resolution,
                rest,
                tint,
                begins || other.begins,
                isMeant ? Meeting.SHARED : Meeting.CLASH);
    }

    public boolean isClash() {
        return meeting == Meeting.CLASH;
    }

    /** As a row: what shares a slot on purpose is said to. */
    public List<String> cells() {
        return new ArrayList<>(List.of(Integer.toString(slot), whoWords(), type, attribute, resolution, rest));
    }

    /** Who is there, and that it is meant where several are. */
    public String whoWords() {
        return meeting == Meeting.SHARED ? who + ", shared on purpose" : who;
    }
}
