package taxon.core.seen;

import java.util.List;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Levels;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.PhysicalUnit;
import taxon.core.fixture.RangeSet;

/**
 * What the levels of a channel say to its fixture.
 *
 * @param value at the channel's own width
 * @param function the one that is in force; empty where nobody wrote down what the values do
 * @param step the named step inside the function
 * @param physical what the value means in the function's unit
 */
public record ChannelReading(
        Channel channel,
        long value,
        Optional<ChannelFunction> function,
        Optional<RangeSet> step,
        Optional<Double> physical) {

    /**
     * Each channel of a block that has slots.
     *
     * @param level the level of an offset inside the block, counted from 1
     */
    public static List<ChannelReading> of(Block block, IntUnaryOperator level) {
        return block.channels().stream()
                .filter(c -> !c.isVirtual())
                .map(c -> of(block, c, level))
                .toList();
    }

    private static ChannelReading of(Block block, Channel channel, IntUnaryOperator level) {
        long value = value(channel, level);
        Optional<ChannelFunction> function = channel.functions().stream()
                .filter(f -> f.from() <= value && value <= channel.lastValue(f))
                .filter(f -> f.condition().filter(c -> !holds(block, c, level)).isEmpty())
                .findFirst();
        Optional<RangeSet> step = function.flatMap(f -> f.sets().stream()
                .filter(s -> s.from() <= value && value <= channel.lastValue(f, s))
                .findFirst());
        return new ChannelReading(
                channel, value, function, step, function.flatMap(f -> physical(channel, f, step, value)));
    }

    /** The value that its slots make, coarse first. */
    static long value(Channel channel, IntUnaryOperator level) {
        long value = 0;
        for (int offset : channel.offsets()) {
            value = value << 8 | level.applyAsInt(offset);
        }
        return value;
    }

    /** A condition on a channel that the block lacks holds for all that is known here. */
    private static boolean holds(Block block, Condition condition, IntUnaryOperator level) {
        return block.channels().stream()
                .filter(c -> !c.isVirtual() && c.attribute().equals(condition.master()))
                .findFirst()
                .map(c -> Levels.shifted(value(c, level), c.bytes(), condition.bytes()))
                .filter(v -> v < condition.from() || v > condition.to())
                .isEmpty();
    }

    private static Optional<Double> physical(
            Channel channel, ChannelFunction function, Optional<RangeSet> step, long value) {
        Optional<PhysicalRange> ofStep = step.flatMap(RangeSet::physical);
        PhysicalRange range = ofStep.orElse(function.physical());
        boolean says = ofStep.isPresent() || !range.equals(PhysicalRange.UNIT);
        if (!says || unit(function) == PhysicalUnit.NONE) {
            return Optional.empty();
        }
        long from = ofStep.isPresent() ? step.orElseThrow().from() : function.from();
        long to = ofStep.isPresent() ? channel.lastValue(function, step.orElseThrow()) : channel.lastValue(function);
        double share = to == from ? 0 : (double) (value - from) / (to - from);
        return Optional.of(range.from() + share * (range.to() - range.from()));
    }

    private static PhysicalUnit unit(ChannelFunction function) {
        return AttributeBook.describe(function.attribute()).unit();
    }

    /** In which unit the physical value is. */
    public PhysicalUnit unit() {
        return function.map(ChannelReading::unit).orElse(PhysicalUnit.NONE);
    }

    /** The value in hundredths of the whole way, 0 to 100. */
    public double percent() {
        return 100.0 * value / Levels.most(channel.bytes());
    }
}
