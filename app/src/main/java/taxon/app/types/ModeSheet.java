package taxon.app.types;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Block;
import taxon.core.fixture.Block.SlotUse;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Mode;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.PhysicalUnit;

/** A mode as a manual prints it: its slots in order, and what their values do. */
record ModeSheet(Mode mode, List<BlockSheet> blocks) {

    /** @param unslotted channels that no slot carries, in words */
    record BlockSheet(Block block, List<Slot> slots, List<String> unslotted) {}

    /**
     * One slot.
     *
     * @param words "gobo 2 rotation"
     * @param part "cell 3"; empty for the whole
     * @param resolution "coarse", "fine" …; empty for a channel of one byte
     * @param highlight this slot's byte of the highlight value; empty where there is none
     * @param runs what the values do, on the coarse slot only
     */
    record Slot(
            int number,
            String words,
            String attribute,
            String part,
            String resolution,
            int rest,
            String highlight,
            List<Run> runs) {}

    /**
     * A run of values.
     *
     * @param values "0–31", counted in the coarse byte where that is exact
     * @param physical "1 to 25 Hz"; empty where nothing was said
     * @param condition "while control is 0–127"; empty where there is none
     * @param inner true for a step inside the run above
     */
    record Run(String values, String name, String physical, String condition, boolean inner) {}

    static ModeSheet of(Mode mode) {
        return new ModeSheet(mode, mode.blocks().stream().map(ModeSheet::block).toList());
    }

    private static BlockSheet block(Block block) {
        return new BlockSheet(
                block,
                block.slotUses().stream().map(ModeSheet::slot).toList(),
                block.virtualChannels().stream()
                        .map(c -> AttributeBook.words(c.attribute())
                                + (c.part().toString().isEmpty() ? "" : ", " + c.part()))
                        .toList());
    }

    private static Slot slot(SlotUse use) {
        Channel channel = use.channel();
        return new Slot(
                use.offset(),
                AttributeBook.words(channel.attribute()),
                channel.attribute().name(),
                channel.part().toString(),
                use.resolution(),
                use.restByte(),
                channel.highlight()
                        .map(h -> String.valueOf(Levels.byteAt(h, channel.bytes(), use.byteIndex())))
                        .orElse(""),
                use.byteIndex() == 0 ? runs(channel) : List.of());
    }

    /** What the values of a channel do, each run and step in one line: "0–127 pages 1 to 10". */
    static List<String> runWords(Channel channel) {
        return runs(channel).stream()
                .map(r -> (r.values() + " " + r.name() + " " + r.physical() + " " + r.condition())
                        .strip()
                        .replaceAll(" +", " "))
                .toList();
    }

    private static List<Run> runs(Channel channel) {
        return channel.functions().stream()
                .flatMap(f -> java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(run(channel, f)),
                        f.sets().stream()
                                .filter(s -> !s.name().isBlank())
                                .map(s -> new Run(
                                        values(s.from(), channel.lastValue(f, s), channel.bytes()),
                                        s.name(),
                                        s.physical().map(p -> physical(p, f)).orElse(""),
                                        "",
                                        true))))
                .toList();
    }

    private static Run run(Channel channel, ChannelFunction function) {
        boolean plain = function.physical().equals(PhysicalRange.UNIT);
        return new Run(
                values(function.from(), channel.lastValue(function), channel.bytes()),
                function.name(),
                plain ? "" : physical(function.physical(), function),
                function.condition().map(ModeSheet::condition).orElse(""),
                false);
    }

    private static String condition(Condition condition) {
        return "while " + AttributeBook.words(condition.master())
                + (condition.function().isEmpty() ? "" : " (" + condition.function() + ")") + " is "
                + values(condition.from(), condition.to(), condition.bytes());
    }

    private static String values(long from, long to, int bytes) {
        boolean exact = Levels.shifted(Levels.byteAt(from, bytes, 0), 1, bytes) == from
                && Levels.shifted(Levels.byteAt(to, bytes, 0) + 1L, 1, bytes) - 1 == to;
        return exact ? span(Levels.byteAt(from, bytes, 0), Levels.byteAt(to, bytes, 0)) : span(from, to);
    }

    private static String span(long from, long to) {
        return from == to ? String.valueOf(from) : from + "–" + to;
    }

    private static String physical(PhysicalRange range, ChannelFunction function) {
        PhysicalUnit unit = AttributeBook.describe(function.attribute()).unit();
        String ends =
                range.from() == range.to() ? number(range.from()) : number(range.from()) + " to " + number(range.to());
        return Optional.of(unit.sign())
                .filter(s -> !s.isEmpty())
                .map(s -> ends + " " + s)
                .orElse(ends);
    }

    private static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? String.valueOf((long) value)
                : BigDecimal.valueOf(value)
                        .setScale(2, RoundingMode.HALF_UP)
                        .stripTrailingZeros()
                        .toPlainString();
    }
}
