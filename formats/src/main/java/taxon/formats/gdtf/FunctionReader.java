package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Levels;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.XmlElement;

/** Reads what the values of one channel do. */
final class FunctionReader {
    private static final int MOST_FUNCTIONS = 1024;

    private final ChannelReader channel;
    private final int bytes;
    private final MasterLinks masters;
    private final FactsFile facts;
    private final Notes notes;
    private final IdentityHashMap<RangeSet, Integer> lines = new IdentityHashMap<>();

    FunctionReader(ChannelReader channel, int bytes, MasterLinks masters, FactsFile facts, Notes notes) {
        this.channel = channel;
        this.bytes = bytes;
        this.masters = masters;
        this.facts = facts;
        this.notes = notes;
    }

    /** In the order of the file; empty when the file only gives the channel a name. */
    List<ChannelFunction> read(List<XmlElement> elements) {
        List<ChannelFunction> functions = new ArrayList<>();
        for (int i = 0; i < Math.min(elements.size(), MOST_FUNCTIONS); i++) {
            functions.add(function(elements.get(i), i));
        }
        return saysNothing(functions) ? List.of() : withoutStraySteps(functions);
    }

    /** A single function over the whole channel with the name that is given by default. */
    private boolean saysNothing(List<ChannelFunction> functions) {
        if (functions.size() != 1) {
            return functions.isEmpty();
        }
        ChannelFunction only = functions.get(0);
        return only.from() == 0
                && only.name().equals(ChannelReader.defaultName(channel.writtenAttribute(), 0))
                && only.attribute().equals(channel.attribute())
                && only.physical().equals(PhysicalRange.UNIT)
                && only.sets().isEmpty()
                && only.condition().isEmpty();
    }

    private ChannelFunction function(XmlElement function, int index) {
        Attribute attribute = function.attribute("Attribute")
                .map(a -> channel.attribute(a, function.line()))
                .orElseGet(channel::attribute);
        if (AttributeBook.find(attribute).isEmpty()) {
            notes.add(Kind.ATTRIBUTE_UNKNOWN, "", 0, attribute.name());
        }
        long from = value(function, "DMXFrom");
        return new ChannelFunction(
                facts.function(name(function, channel.name(function, index))),
                attribute,
                from,
                value(function, "Default"),
                new PhysicalRange(number(function, "PhysicalFrom", 0), number(function, "PhysicalTo", 1)),
                sets(function, from),
                condition(function));
    }

    private String name(XmlElement element, String written) {
        return notes.cut(written, ChannelReader.LONGEST_NAME, channel.where(), element.line());
    }

    private List<RangeSet> sets(XmlElement function, long from) {
        List<RangeSet> sets = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        for (XmlElement set :
                function.children("ChannelSet").limit(MOST_FUNCTIONS).toList()) {
            String name = name(set, set.attribute("Name").orElse(""));
            long at = value(set, "DMXFrom");
            if (at < from || !seen.add(at)) {
                notes.add(Kind.RANGE_LEFT_OUT, channel.where(), set.line(), name);
                continue;
            }
            RangeSet read = new RangeSet(name, at, physical(set));
            lines.put(read, set.line());
            sets.add(read);
        }
        return sets;
    }

    private Optional<PhysicalRange> physical(XmlElement set) {
        boolean said = set.attribute("PhysicalFrom").isPresent()
                || set.attribute("PhysicalTo").isPresent();
        return said
                ? Optional.of(new PhysicalRange(number(set, "PhysicalFrom", 0), number(set, "PhysicalTo", 1)))
                : Optional.empty();
    }

    /** Steps that begin behind the end of their function are left out; a channel refuses them. */
    private List<ChannelFunction> withoutStraySteps(List<ChannelFunction> functions) {
        List<ChannelFunction> kept = new ArrayList<>();
        for (ChannelFunction function : functions) {
            long end = functions.stream()
                    .filter(f -> f.from() > function.from() && f.condition().equals(function.condition()))
                    .mapToLong(f -> f.from() - 1)
                    .min()
                    .orElse(Levels.most(bytes));
            List<RangeSet> inside =
                    function.sets().stream().filter(s -> s.from() <= end).toList();
            function.sets().stream()
                    .filter(s -> s.from() > end)
                    .forEach(s -> notes.add(
                            Kind.RANGE_LEFT_OUT, channel.where(), lines.getOrDefault(s, channel.line()), s.name()));
            kept.add(new ChannelFunction(
                    function.name(),
                    function.attribute(),
                    function.from(),
                    function.rest(),
                    function.physical(),
                    inside,
                    function.condition()));
        }
        return kept;
    }

    private Optional<Condition> condition(XmlElement function) {
        return function.attribute("ModeMaster").map(link -> {
            MasterLinks.Target target = masters.resolve(link);
            if (!target.known()) {
                notes.add(Kind.MASTER_UNKNOWN, channel.where(), function.line(), link);
            } else if (!target.functionKnown()) {
                notes.add(Kind.MASTER_FUNCTION_UNKNOWN, channel.where(), function.line(), link);
            }
            int width = target.bytes().orElseGet(() -> widest(function, "ModeFrom", "ModeTo"));
            long from = value(function, "ModeFrom", width);
            long to = value(function, "ModeTo", width);
            return new Condition(
                    channel.attribute(target.attribute(), function.line()),
                    facts.function(name(function, target.function())),
                    Math.min(from, to),
                    Math.max(from, to),
                    width);
        });
    }

    /** How wide values are written. */
    private static int widest(XmlElement element, String... names) {
        return Stream.of(names)
                .flatMap(n -> element.attribute(n).flatMap(DmxValue::read).stream())
                .mapToInt(DmxValue::bytes)
                .max()
                .orElse(1);
    }

    private long value(XmlElement element, String name) {
        return value(element, name, bytes);
    }

    private long value(XmlElement element, String name, int width) {
        return element.attribute(name)
                .map(t -> channel.value(t, width, element.line()))
                .orElse(0L);
    }

    private double number(XmlElement from, String name, double otherwise) {
        Optional<String> text = from.attribute(name);
        if (text.isEmpty()) {
            return otherwise;
        }
        boolean isNumber = text.get().matches("[-+]?\\d{0,20}(\\.\\d{0,20})?([eE][-+]?\\d{1,3})?")
                && text.get().matches(".*\\d.*");
        double value = isNumber ? Double.parseDouble(text.get()) : Double.NaN;
        if (!Double.isFinite(value)) {
            notes.add(Kind.VALUE_UNCLEAR, channel.where(), from.line(), text.get());
            return otherwise;
        }
        return value;
    }
}
