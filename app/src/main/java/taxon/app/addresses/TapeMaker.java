package taxon.app.addresses;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.app.addresses.Tape.Box;
import taxon.app.addresses.Tape.Caption;
import taxon.app.addresses.Tape.Clash;
import taxon.app.addresses.Tape.Run;
import taxon.app.web.Marks;
import taxon.app.web.Selection;
import taxon.core.addressing.Occupancy;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Evidence;
import taxon.core.proof.Standing;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Share;
import taxon.core.rig.Shares;

/** Lays one universe out as a tape, so that no words run into each other. */
final class TapeMaker {
    private static final double ROOM_FOR_LABEL = 34;
    private static final double ROOM_FOR_MARK = 46;
    private static final double ROOM_FOR_FREE = 62;
    private static final double LETTER = 7.1;
    private static final double RIGHT = Tape.x(513);

    private final Plan plan;
    private final ToIntFunction<PlannedBlock> tints;
    private final Selection selection;
    private final Shares shares;

    TapeMaker(Plan plan, ToIntFunction<PlannedBlock> tints, Selection selection) {
        this.plan = plan;
        this.tints = tints;
        this.selection = selection;
        shares = Shares.of(plan);
    }

    Tape tape(
            int y,
            int universe,
            String name,
            Occupancy occupancy,
            List<PlannedBlock> blocks,
            List<ReservedRun> reserved,
            List<Evidence.Overlap> overlaps,
            List<SlotRange> lit) {
        List<PlannedBlock> inOrder = blocks.stream()
                .sorted(Comparator.comparing(TapeMaker::start).thenComparing(PlannedBlock::ref))
                .toList();
        UniverseNumber number = UniverseNumber.of(universe);
        return new Tape(
                y,
                universe,
                name,
                occupancy.usedSlots(number) + " used",
                inOrder.stream().map(this::box).toList(),
                reserved.stream().map(r -> run(r.slots(), reservedWords(r))).toList(),
                occupancy.freeRuns(number).stream()
                        .map(r -> run(r, freeWords(r)))
                        .toList(),
                lit.stream().map(r -> run(r, "")).toList(),
                captions(inOrder, overlaps),
                overlaps.stream().map(o -> clash(o.shared())).toList(),
                inOrder.stream().flatMap(TapeMaker::parked).toList());
    }

    private Box box(PlannedBlock block) {
        SlotRange slots = block.slots().orElseThrow();
        double width = slots.length() * Tape.SLOT;
        String label = block.fixture().label();
        Standing standing = Standing.of(block, plan);
        boolean fits = width >= Math.max(ROOM_FOR_LABEL, label.length() * LETTER + 8);
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
                width >= ROOM_FOR_MARK + (label.length() - 3) * LETTER,
                Marks.of(standing),
                block.fixture().traits().locked(),
                block.label() + " " + block.type().fullName() + ", " + block.footprint() + " slots from " + start(block)
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
        return run.label().length() * LETTER + 12 <= run.slots().length() * Tape.SLOT ? run.label() : "";
    }

    private static String freeWords(SlotRange run) {
        return run.length() * Tape.SLOT >= ROOM_FOR_FREE ? run.length() + " free" : "";
    }

    private static Clash clash(SlotRange slots) {
        return new Clash(Tape.x(slots.first()), slots.length() * Tape.SLOT);
    }

    /** Clashes first, since they matter most; then the names of narrow units, each where room is left for it. */
    private List<Caption> captions(List<PlannedBlock> blocks, List<Evidence.Overlap> overlaps) {
        List<Caption> captions = new ArrayList<>();
        for (Evidence.Overlap overlap : overlaps) {
            String who = overlap.earlier().fixture().label() + " and "
                    + overlap.later().fixture().label();
            String slots = overlap.shared().first() == overlap.shared().last()
                    ? "" + overlap.shared().first()
                    : overlap.shared().first() + " to " + overlap.shared().last();
            put(captions, Tape.x(overlap.shared().last()) + 6, List.of(who + ", " + slots, who), true);
        }
        blocks.stream()
                .filter(b -> !start(b).holds(b.footprint()))
                .forEach(b -> putAtEnd(captions, b.fixture().label() + " past the end"));
        for (List<PlannedBlock> run : narrowRuns(blocks)) {
            double from = Tape.x(start(run.get(0)).slot().number());
            double to = Tape.x(run.get(run.size() - 1).slots().orElseThrow().last());
            if (!put(captions, from, captionWords(run), false)) {
                nextRoom(captions, from).filter(x -> x < to).ifPresent(x -> put(captions, x, captionWords(run), false));
            }
        }
        shared(blocks).forEach(s -> {
            double from = Tape.x(start(s.get(0)).slot().number());
            if (!put(captions, from, shareWords(s), false)) {
                nextRoom(captions, from).ifPresent(x -> put(captions, x, shareWords(s), false));
            }
        });
        return List.copyOf(captions);
    }

    private static List<String> shareWords(List<PlannedBlock> blocks) {
        String all = blocks.stream().map(b -> b.fixture().label()).collect(Collectors.joining(" and "));
        return List.of(all + " share", blocks.size() + " share");
    }

    /** Blocks that have one address here on purpose. */
    private Collection<List<PlannedBlock>> shared(List<PlannedBlock> blocks) {
        Map<Share, List<PlannedBlock>> shared = new LinkedHashMap<>();
        blocks.forEach(b -> shares.of(b.ref())
                .ifPresent(
                        s -> shared.computeIfAbsent(s, k -> new ArrayList<>()).add(b)));
        shared.values().removeIf(s -> s.size() < 2 || !shares.isMeant(s.get(0), s.get(s.size() - 1)));
        return shared.values();
    }

    private static List<String> captionWords(List<PlannedBlock> run) {
        PlannedBlock first = run.get(0);
        String ids = run.size() == 1
                ? first.label()
                : first.fixture().label() + " to "
                        + run.get(run.size() - 1).fixture().label();
        String type = " " + first.type().shortName();
        String each = ", " + first.footprint() + (run.size() == 1 ? "" : " each");
        return List.of(ids + type + each, ids + type, ids);
    }

    /** The longest of these words that has room at this place; none where even the shortest has not. */
    private static boolean put(List<Caption> captions, double x, List<String> candidates, boolean isClash) {
        for (String words : candidates) {
            double end = x + words.length() * LETTER;
            boolean free = captions.stream().noneMatch(c -> {
                double from = c.isClash() ? c.x() - 24 : c.x();
                return x < c.x() + (c.words().length() + 1) * LETTER && from < end;
            });
            if (free && end <= RIGHT) {
                captions.add(new Caption(x, words, isClash));
                return true;
            }
        }
        return false;
    }

    private static void putAtEnd(List<Caption> captions, String words) {
        put(captions, RIGHT - words.length() * LETTER - 20, List.of(words), true);
    }

    /** Where the caption ends that stands at this place. */
    private static Optional<Double> nextRoom(List<Caption> captions, double x) {
        return captions.stream()
                .map(c -> c.x() + (c.words().length() + 4) * LETTER)
                .filter(end -> end > x)
                .min(Double::compare);
    }

    /** Neighbours of one type and length that are too narrow to carry their own label. */
    private static List<List<PlannedBlock>> narrowRuns(List<PlannedBlock> blocks) {
        List<List<PlannedBlock>> runs = new ArrayList<>();
        PlannedBlock before = null;
        for (PlannedBlock block : blocks) {
            if (before != null && before.start().equals(block.start())) {
                continue;
            }
            if (block.ref().block() > 1 || block.slots().orElseThrow().length() * Tape.SLOT >= ROOM_FOR_LABEL) {
                before = null;
                continue;
            }
            if (before == null || !continues(before, block)) {
                runs.add(new ArrayList<>());
            }
            runs.get(runs.size() - 1).add(block);
            before = block;
        }
        return runs;
    }

    private static boolean continues(PlannedBlock before, PlannedBlock block) {
        return before.type().id().equals(block.type().id())
                && before.footprint() == block.footprint()
                && start(before).slot().number() + before.footprint()
                        == start(block).slot().number();
    }

    private static StartAddress start(PlannedBlock block) {
        return block.start().orElseThrow();
    }
}
