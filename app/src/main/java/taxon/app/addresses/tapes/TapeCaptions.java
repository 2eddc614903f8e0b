package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.app.addresses.tapes.Tape.Caption;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.Grounds;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Share;
import taxon.core.rig.Shares;

/** The words above a tape, each put only where it runs into no other. */
public final class TapeCaptions {
    static final double LETTER = 7.1;
    /** Units from this width on carry their ID themselves. */
    static final double ROOM_FOR_LABEL = 34;

    private static final double RIGHT = Tape.x(513);

    private final Shares shares;
    private final List<Caption> captions = new ArrayList<>();

    private TapeCaptions(Shares shares) {
        this.shares = shares;
    }

    /**
     * Clashes first, since they matter most; then the names of narrow units and who shares an address.
     *
     * @param blocks in the order of their slots
     */
    public static List<Caption> of(List<PlannedBlock> blocks, List<Grounds.Overlap> overlaps, Shares shares) {
        TapeCaptions made = new TapeCaptions(shares);
        overlaps.forEach(made::overlap);
        blocks.stream().filter(b -> !start(b).holds(b.footprint())).forEach(made::pastEnd);
        narrowRuns(blocks).forEach(made::run);
        made.shared(blocks).forEach(made::share);
        return List.copyOf(made.captions);
    }

    private void overlap(Grounds.Overlap overlap) {
        String who = overlap.earlier().fixture().label() + " and "
                + overlap.later().fixture().label();
        SlotRange shared = overlap.shared();
        String slots = shared.first() == shared.last() ? "" + shared.first() : shared.first() + " to " + shared.last();
        put(Tape.x(shared.last()) + 6, List.of(who + ", " + slots, who), true);
    }

    private void pastEnd(PlannedBlock block) {
        String words = block.fixture().label() + " past the end";
        put(RIGHT - words.length() * LETTER - 20, List.of(words), true);
    }

    private void run(List<PlannedBlock> run) {
        double from = left(run.get(0));
        double to = Tape.x(run.get(run.size() - 1).slots().orElseThrow().last());
        if (!put(from, runWords(run), false)) {
            nextRoom(from).filter(x -> x < to).ifPresent(x -> put(x, runWords(run), false));
        }
    }

    private static List<String> runWords(List<PlannedBlock> run) {
        PlannedBlock first = run.get(0);
        String ids = run.size() == 1
                ? first.label()
                : first.fixture().label() + " to "
                        + run.get(run.size() - 1).fixture().label();
        String type = " " + first.type().shortName();
        String each = ", " + first.footprint() + (run.size() == 1 ? "" : " each");
        return List.of(ids + type + each, ids + type, ids);
    }

    private void share(List<PlannedBlock> blocks) {
        double from = left(blocks.get(0));
        if (!put(from, shareWords(blocks), false)) {
            nextRoom(from).ifPresent(x -> put(x, shareWords(blocks), false));
        }
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

    /** The longest of these words that has room at this place; none where even the shortest has not. */
    private boolean put(double x, List<String> candidates, boolean isClash) {
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

    /** Where the caption ends that stands at this place. */
    private Optional<Double> nextRoom(double x) {
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

    private static double left(PlannedBlock block) {
        return Tape.x(start(block).slot().number());
    }

    private static StartAddress start(PlannedBlock block) {
        return block.start().orElseThrow();
    }
}
