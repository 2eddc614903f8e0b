package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;

/** A channel while its lines are read: slots and ranges still come. */
final class DraftChannel {
    final Attribute attribute;
    final Part part;
    final String words;
    final int line;
    final List<Integer> offsets = new ArrayList<>();
    final List<DraftRange> ranges = new ArrayList<>();
    long rest;
    Optional<Long> highlight = Optional.empty();

    /** A range line. Sets are lines that stand inside it. */
    static final class DraftRange {
        final String name;
        final Attribute attribute;
        final int line;
        long from;
        long to;
        final List<RangeSet> sets = new ArrayList<>();
        Optional<Long> rest = Optional.empty();
        PhysicalRange physical = PhysicalRange.UNIT;
        Optional<Condition> condition = Optional.empty();

        DraftRange(String name, Attribute attribute, long from, long to, int line) {
            this.name = name;
            this.attribute = attribute;
            this.from = from;
            this.to = to;
            this.line = line;
        }

        ChannelFunction function() {
            return new ChannelFunction(name, attribute, from, rest.orElse(from), physical, sets, condition);
        }
    }

    DraftChannel(Attribute attribute, Part part, String words, int line) {
        this.attribute = attribute;
        this.part = part;
        this.words = words;
        this.line = line;
    }

    /** A manual counts the ranges of a fine channel in one byte: ranges that end at 255 in all are brought to its width. */
    void scaleRanges() {
        long highest = ranges.stream().mapToLong(r -> r.to).max().orElse(0);
        int bytes = bytes();
        if (bytes == 1 || highest != Levels.most(1)) {
            return;
        }
        for (DraftRange range : ranges) {
            range.from = Levels.shifted(range.from, 1, bytes);
            range.to = Levels.shifted(range.to + 1, 1, bytes) - 1;
            range.rest = range.rest.map(r -> Levels.shifted(r, 1, bytes));
            range.sets.replaceAll(s -> new RangeSet(s.name(), Levels.shifted(s.from(), 1, bytes), s.physical()));
        }
    }

    /** True when it has ranges and the last of them ends right before this value. */
    boolean endsBefore(long value) {
        return !ranges.isEmpty() && ranges.get(ranges.size() - 1).to + 1 == value;
    }

    int bytes() {
        return offsets.isEmpty() ? Levels.MOST_BYTES : offsets.size();
    }

    /** The channel for a part of the fixture, its slots moved on. */
    Channel channel(Part forPart, int moved) {
        List<ChannelFunction> functions = new ArrayList<>();
        for (int i = 0; i < ranges.size(); i++) {
            DraftRange range = ranges.get(i);
            functions.add(range.function());
            if (leavesGap(range)) {
                functions.add(unused(range.to + 1, range.condition));
            }
        }
        if (!ranges.isEmpty()
                && ranges.get(0).from > 0
                && ranges.get(0).condition.isEmpty()) {
            functions.add(unused(0, Optional.empty()));
        }
        return new Channel(
                attribute, forPart, offsets.stream().map(o -> o + moved).toList(), rest, highlight, functions);
    }

    private boolean leavesGap(DraftRange range) {
        return range.to < Levels.most(bytes())
                && ranges.stream()
                        .noneMatch(r ->
                                r.condition.equals(range.condition) && r.from <= range.to + 1 && r.from > range.from);
    }

    /** A stretch of values that the manual does not name. */
    private static ChannelFunction unused(long from, Optional<Condition> condition) {
        return new ChannelFunction(
                SheetWriter.UNUSED, Attribute.of("NoFeature"), from, from, PhysicalRange.UNIT, List.of(), condition);
    }
}
