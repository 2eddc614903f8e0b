package taxon.core.typesheet;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.AttributeWords;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;
import taxon.core.typesheet.Titles.BlockTitle;
import taxon.core.typesheet.Titles.ModeTitle;

/**
 * Writes the modes of a type as a type sheet, in the order of the slots. {@link SheetReader} reads the same modes back, but
 * for white space at the ends of names.
 */
public final class SheetWriter {
    static final String UNUSED = "not used";

    private final StringBuilder text = new StringBuilder();
    private Set<Attribute> masters = Set.of();

    private SheetWriter() {}

    public static String write(FixtureType type) {
        SheetWriter writer = new SheetWriter();
        type.modes().forEach(writer::mode);
        return writer.text.toString();
    }

    private void line(String line) {
        text.append(line).append('\n');
    }

    private void mode(Mode mode) {
        if (text.length() > 0) {
            line("");
        }
        masters = mode.channels().map(Channel::attribute).collect(Collectors.toSet());
        line("Mode: " + ModeTitle.write(mode.name(), mode.personality()));
        for (int i = 0; i < mode.blocks().size(); i++) {
            Block block = mode.blocks().get(i);
            int number = mode.breaks().get(i);
            Optional<Integer> other = number == i + 1 ? Optional.empty() : Optional.of(number);
            line("Block: " + BlockTitle.write(block.name(), other));
            if (!block.needs().isEmpty()) {
                line("Needs: " + Quoted.where(block.needs(), String::strip));
            }
            block(block);
        }
    }

    private void block(Block block) {
        List<List<Channel>> runs = runs(block.channels());
        Part current = Part.WHOLE;
        int next = 1;
        for (int i = 0; i < runs.size(); ) {
            int repeats = repeats(runs, i);
            List<Channel> run = runs.get(i);
            Part part = run.get(0).part();
            if (repeats > 1) {
                line((part.kind() == Part.Kind.CELL ? "Cells: " : "Layers: ") + repeats);
            } else if (!part.equals(current)) {
                line(part.equals(Part.WHOLE) ? "Whole" : heading(part));
            }
            current = repeats > 1 ? new Part(part.kind(), List.of(Integer.MAX_VALUE)) : part;
            for (int k = 0; k < run.size(); k++) {
                Channel channel = run.get(k);
                channel(channel, next, wouldJoin(run.subList(0, k), channel));
                next = Math.max(next, channel.lastOffset() + 1);
            }
            next += (repeats - 1) * length(run);
            i += repeats;
        }
    }

    private static String heading(Part part) {
        return (part.kind() == Part.Kind.CELL ? "Cell: " : "Layer: ") + part.number();
    }

    /** Neighbouring channels of one part. */
    private static List<List<Channel>> runs(List<Channel> channels) {
        List<List<Channel>> runs = new ArrayList<>();
        for (Channel channel : channels) {
            boolean goesOn =
                    !runs.isEmpty() && runs.get(runs.size() - 1).get(0).part().equals(channel.part());
            if (!goesOn) {
                runs.add(new ArrayList<>());
            }
            runs.get(runs.size() - 1).add(channel);
        }
        return runs;
    }

    /** How many runs from here are cells 1, 2, 3 … that do the same, each right behind the one before. */
    private static int repeats(List<List<Channel>> runs, int from) {
        List<Channel> first = runs.get(from);
        Part part = first.get(0).part();
        boolean canRepeat =
                part.path().equals(List.of(1)) && first.stream().noneMatch(Channel::isVirtual) && isDense(first);
        int count = 1;
        while (canRepeat && from + count < runs.size()) {
            Part expected = new Part(part.kind(), List.of(count + 1));
            if (!isCopy(first, runs.get(from + count), expected, count * length(first))) {
                break;
            }
            count++;
        }
        return count;
    }

    private static int firstSlot(List<Channel> run) {
        return run.stream()
                .flatMap(c -> c.offsets().stream())
                .min(Integer::compare)
                .orElse(1);
    }

    private static int length(List<Channel> run) {
        int last = run.stream().mapToInt(Channel::lastOffset).max().orElse(0);
        return last - firstSlot(run) + 1;
    }

    private static boolean isDense(List<Channel> run) {
        return run.stream().mapToInt(c -> c.offsets().size()).sum() == length(run);
    }

    private static boolean isCopy(List<Channel> run, List<Channel> other, Part part, int moved) {
        return run.size() == other.size()
                && IntStream.range(0, run.size())
                        .allMatch(i -> moved(run.get(i), part, moved).equals(other.get(i)));
    }

    private static Channel moved(Channel channel, Part part, int moved) {
        return new Channel(
                channel.attribute(),
                part,
                channel.offsets().stream().map(o -> o + moved).toList(),
                channel.rest(),
                channel.highlight(),
                channel.functions());
    }

    /** True when "Pan 16 bit" would be read as the fine slot of a channel above. Then the slots are written out. */
    private static boolean wouldJoin(List<Channel> above, Channel channel) {
        return above.stream()
                .anyMatch(c -> c.attribute().equals(channel.attribute())
                        && c.offsets().size() == channel.offsets().size() - 1);
    }

    private void channel(Channel channel, int next, boolean spelledOut) {
        List<String> extras = new ArrayList<>();
        Optional<String> known = known(channel.attribute());
        String words = known.orElse("channel");
        if (known.isEmpty()) {
            extras.add(word(channel.attribute()));
        }
        channel.highlight().ifPresent(h -> extras.add("highlight " + h));
        String rest = channel.rest() == 0 ? "" : " = " + channel.rest();
        boolean counted = isNext(channel, next) && !(spelledOut && channel.isFine());
        line(slots(channel, counted) + words + width(channel, counted) + rest + brackets(extras));
        channel.functions().forEach(f -> function(channel, f));
    }

    /** The words of the manuals where they mean this attribute and nothing else, else its name; empty where neither does. */
    private static Optional<String> known(Attribute attribute) {
        return Stream.of(AttributeBook.words(attribute), attribute.name())
                .filter(words -> {
                    AttributeWords.Parsed reading = AttributeWords.read(words);
                    return reading.known()
                            && reading.attribute().equals(attribute)
                            && reading.width() == 1
                            && reading.cell().isEmpty();
                })
                .findFirst();
    }

    private static String slots(Channel channel, boolean counted) {
        if (channel.isVirtual()) {
            return ChannelLines.NO_SLOT + " ";
        }
        return counted ? "" : channel.offsets().stream().map(String::valueOf).collect(Collectors.joining(", ")) + " ";
    }

    private static boolean isNext(Channel channel, int next) {
        return IntStream.range(0, channel.offsets().size())
                .allMatch(i -> channel.offsets().get(i) == next + i);
    }

    private static String width(Channel channel, boolean counted) {
        return channel.isFine() && counted ? " " + 8 * channel.bytes() + " bit" : "";
    }

    private void function(Channel channel, ChannelFunction function) {
        List<String> extras = new ArrayList<>();
        if (!AttributeWords.ofRun(channel.attribute(), function.name()).equals(function.attribute())) {
            extras.add(word(function.attribute()));
        }
        if (!function.physical().equals(PhysicalRange.UNIT)) {
            extras.add(words(function.physical()));
        }
        boolean initial = channel.initialFunction().filter(function::equals).isPresent();
        if (function.rest() != function.from() && !initial) {
            extras.add("rest " + function.rest());
        }
        function.condition().ifPresent(c -> extras.add(words(c)));
        line("  " + function.from() + "-" + channel.lastValue(function) + " " + name(function.name())
                + brackets(extras));
        for (RangeSet set : function.sets()) {
            List<String> physical =
                    set.physical().map(SheetWriter::words).stream().toList();
            line(("    > " + set.from() + "-" + channel.lastValue(function, set) + " " + name(set.name())
                            + brackets(physical))
                    .stripTrailing());
        }
    }

    /** An attribute as brackets take it. */
    private static String word(Attribute attribute) {
        return Quoted.where(attribute.name(), Extras::attributeIn);
    }

    /** What a run or a step is called, so that the line of it gives the name back. */
    private static String name(String name) {
        return Quoted.where(name, SheetWriter::nameInLine);
    }

    private static String nameInLine(String name) {
        return name.isEmpty()
                ? ""
                : SheetLine.of("  0-1 " + name) instanceof SheetLine.Range range
                        ? Extras.of(range.text()).text()
                        : "";
    }

    private static String words(PhysicalRange range) {
        return number(range.from()) + " to " + number(range.to());
    }

    private static String number(double value) {
        BigDecimal decimal = BigDecimal.valueOf(value).stripTrailingZeros();
        return Math.abs(decimal.scale()) > 30 ? decimal.toString() : decimal.toPlainString();
    }

    /** In one byte where that says it and the mode has the other channel, whose width it then takes when it is read. */
    private String words(Condition condition) {
        Attribute master = condition.master();
        String function = condition.function().isEmpty() ? "" : " " + Quoted.quote(condition.function());
        boolean canBeNarrow = masters.contains(master) && condition.isOfOneByte();
        Condition said = canBeNarrow ? condition.at(1) : condition;
        String bytes = said.bytes() == 1 ? "" : "/" + said.bytes();
        return "when " + Quoted.where(master.name(), m -> m.matches("[^\\s\";\\[\\]]+") ? m : "") + function + " "
                + said.from() + "-" + said.to() + bytes;
    }

    private static String brackets(List<String> extras) {
        return Optional.of(String.join("; ", extras))
                .filter(t -> !t.isEmpty())
                .map(t -> " [" + t + "]")
                .orElse("");
    }
}
