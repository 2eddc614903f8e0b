package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Levels;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;
import taxon.core.text.Texts;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.XmlElement;

/** Reads one DMXChannel element: its slots as written, its values and functions. Where it goes, {@link ModeReader} decides. */
final class ChannelReader {
    private static final int MOST_FUNCTIONS = 1024;
    private static final int LONGEST_NAME = 80;

    private final XmlElement element;
    private final String where;
    private final FactsFile facts;
    private final Notes notes;

    ChannelReader(XmlElement element, String modeName, FactsFile facts, Notes notes) {
        this.element = element;
        this.facts = facts;
        this.notes = notes;
        where = modeName + ", " + attribute();
    }

    /** For notes: the mode and the attribute. */
    String where() {
        return where;
    }

    int line() {
        return element.line();
    }

    Optional<String> geometry() {
        return element.attribute("Geometry");
    }

    /** The name that other elements refer to it by. */
    String linkName() {
        return geometry().orElse("") + "_" + writtenAttribute();
    }

    Attribute attribute() {
        return facts.attribute(Texts.clip(writtenAttribute(), 60));
    }

    private String writtenAttribute() {
        return logicalChannels().stream()
                .findFirst()
                .flatMap(l -> l.attribute("Attribute"))
                .or(() -> functionElements().stream().findFirst().flatMap(f -> f.attribute("Attribute")))
                .orElse("NoFeature");
    }

    private List<XmlElement> logicalChannels() {
        return element.children("LogicalChannel").toList();
    }

    private List<XmlElement> functionElements() {
        return element.path("LogicalChannel", "ChannelFunction");
    }

    /** The break, or empty for "Overwrite". */
    Optional<Integer> dmxBreak() {
        String text = element.attribute("DMXBreak").orElse("1");
        if (text.equalsIgnoreCase("Overwrite")) {
            return Optional.empty();
        }
        Optional<Integer> number = GeometryInstance.number(Optional.of(text)).filter(n -> n >= 1);
        if (number.isEmpty()) {
            notes.add(Kind.BREAK_UNCLEAR, where, line(), text);
        }
        return Optional.of(number.orElse(1));
    }

    /**
     * Slots before they are moved, coarse first; empty for a virtual channel.
     *
     * @return empty when they are none: not numbers, below 1, or the same twice
     */
    Optional<List<Integer>> offsets() {
        String text = element.attribute("Offset").orElse("None");
        if (text.equalsIgnoreCase("None")) {
            return Optional.of(List.of());
        }
        List<Integer> offsets = new ArrayList<>();
        for (String part : text.split(",", Levels.MOST_BYTES + 2)) {
            Optional<Integer> offset =
                    GeometryInstance.number(Optional.of(part)).filter(n -> n >= 1 && n <= 512);
            if (offset.isEmpty() || offsets.contains(offset.get()) || offsets.size() >= Levels.MOST_BYTES) {
                notes.add(
                        Kind.CHANNEL_LEFT_OUT,
                        where,
                        line(),
                        "its slots read “" + text + "”; it takes one to four different ones from 1 to 512");
                return Optional.empty();
            }
            offsets.add(offset.get());
        }
        return Optional.of(offsets);
    }

    /** The value at rest at a width: that of the initial function, or as files of version 1.0 give it on the channel. */
    long rest(int bytes) {
        return initialFunction()
                .flatMap(f -> f.attribute("Default"))
                .or(() -> element.attribute("Default"))
                .or(() -> functionElements().stream().findFirst().flatMap(f -> f.attribute("Default")))
                .map(text -> value(text, bytes))
                .orElse(0L);
    }

    private Optional<XmlElement> initialFunction() {
        Optional<String> link = element.attribute("InitialFunction");
        if (link.isEmpty()) {
            return functionElements().stream().findFirst();
        }
        for (XmlElement logical : logicalChannels()) {
            String prefix = linkName() + "." + logical.attribute("Attribute").orElse("") + ".";
            List<XmlElement> functions = logical.children("ChannelFunction").toList();
            for (int i = 0; i < functions.size(); i++) {
                if (link.get().equals(prefix + name(functions.get(i), i))) {
                    return Optional.of(functions.get(i));
                }
            }
        }
        Optional<XmlElement> byLastName = byLastName(link.get());
        if (byLastName.isEmpty()) {
            notes.add(Kind.INITIAL_FUNCTION_UNKNOWN, where, line(), link.get());
        }
        return byLastName.or(() -> functionElements().stream().findFirst());
    }

    /** Files that rename a geometry often leave the rest of the link right. */
    private Optional<XmlElement> byLastName(String link) {
        return functionElements().stream()
                .filter(f ->
                        f.attribute("Name").filter(n -> link.endsWith("." + n)).isPresent())
                .findFirst();
    }

    Optional<Long> highlight(int bytes) {
        return element.attribute("Highlight")
                .filter(t -> !t.equalsIgnoreCase("None"))
                .map(t -> value(t, bytes));
    }

    /** What the values do, at a width; empty when the file only gives the channel a name. */
    List<ChannelFunction> functions(int bytes, MasterLinks masters) {
        if (logicalChannels().size() > 1) {
            notes.add(
                    Kind.LOGICAL_CHANNELS_JOINED,
                    where,
                    line(),
                    String.valueOf(logicalChannels().size()));
        }
        List<ChannelFunction> functions = new ArrayList<>();
        List<XmlElement> elements = functionElements();
        for (int i = 0; i < Math.min(elements.size(), MOST_FUNCTIONS); i++) {
            functions.add(function(elements.get(i), i, bytes, masters));
        }
        return saysNothing(functions) ? List.of() : withoutStraySteps(functions, bytes);
    }

    /** A single function over the whole channel with the name that is given by default. */
    private boolean saysNothing(List<ChannelFunction> functions) {
        if (functions.size() != 1) {
            return functions.isEmpty();
        }
        ChannelFunction only = functions.get(0);
        return only.from() == 0
                && only.name().equals(defaultName(writtenAttribute(), 0))
                && only.attribute().equals(attribute())
                && only.physical().equals(PhysicalRange.UNIT)
                && only.sets().isEmpty()
                && only.condition().isEmpty();
    }

    /** The name of a function that has none (from memory). */
    static String defaultName(String attribute, int index) {
        return Texts.clip(attribute + " " + (index + 1), LONGEST_NAME);
    }

    private String name(XmlElement function, int index) {
        return function.attribute("Name")
                .orElseGet(() -> defaultName(function.attribute("Attribute").orElseGet(this::writtenAttribute), index));
    }

    private ChannelFunction function(XmlElement function, int index, int bytes, MasterLinks masters) {
        Attribute attribute = function.attribute("Attribute")
                .map(a -> facts.attribute(Texts.clip(a, 60)))
                .orElseGet(this::attribute);
        if (AttributeBook.find(attribute).isEmpty()) {
            notes.add(Kind.ATTRIBUTE_UNKNOWN, "", 0, attribute.name());
        }
        long from = function.attribute("DMXFrom").map(t -> value(t, bytes)).orElse(0L);
        return new ChannelFunction(
                facts.function(Texts.clip(name(function, index), LONGEST_NAME)),
                attribute,
                from,
                function.attribute("Default").map(t -> value(t, bytes)).orElse(0L),
                new PhysicalRange(number(function, "PhysicalFrom", 0), number(function, "PhysicalTo", 1)),
                sets(function, from, bytes),
                condition(function, masters));
    }

    private List<RangeSet> sets(XmlElement function, long from, int bytes) {
        List<RangeSet> sets = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        for (XmlElement set :
                function.children("ChannelSet").limit(MOST_FUNCTIONS).toList()) {
            String name = Texts.clip(set.attribute("Name").orElse(""), LONGEST_NAME);
            long at = set.attribute("DMXFrom").map(t -> value(t, bytes)).orElse(0L);
            if (at < from || !seen.add(at)) {
                notes.add(Kind.RANGE_LEFT_OUT, where, set.line(), name);
                continue;
            }
            boolean physical = set.attribute("PhysicalFrom").isPresent()
                    || set.attribute("PhysicalTo").isPresent();
            Optional<PhysicalRange> range = physical
                    ? Optional.of(new PhysicalRange(number(set, "PhysicalFrom", 0), number(set, "PhysicalTo", 1)))
                    : Optional.empty();
            sets.add(new RangeSet(name, at, range));
        }
        return sets;
    }

    /** Steps that begin behind the end of their function are left out; a channel refuses them. */
    private List<ChannelFunction> withoutStraySteps(List<ChannelFunction> functions, int bytes) {
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
                    .forEach(s -> notes.add(Kind.RANGE_LEFT_OUT, where, line(), s.name()));
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

    private Optional<Condition> condition(XmlElement function, MasterLinks masters) {
        return function.attribute("ModeMaster").map(link -> {
            MasterLinks.Target target = masters.resolve(link);
            if (!target.known()) {
                notes.add(Kind.MASTER_UNKNOWN, where, function.line(), link);
            }
            long from = function.attribute("ModeFrom")
                    .map(t -> value(t, Levels.MOST_BYTES))
                    .orElse(0L);
            long to = function.attribute("ModeTo")
                    .map(t -> value(t, Levels.MOST_BYTES))
                    .orElse(0L);
            return new Condition(
                    facts.attribute(Texts.clip(target.attribute(), 60)),
                    facts.function(Texts.clip(target.function(), LONGEST_NAME)),
                    Math.min(from, to),
                    Math.max(from, to));
        });
    }

    private long value(String text, int bytes) {
        Optional<DmxValue> value = DmxValue.read(text);
        if (value.isEmpty()) {
            notes.add(Kind.VALUE_UNCLEAR, where, line(), text);
        }
        return value.map(v -> v.at(bytes)).orElse(0L);
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
            notes.add(Kind.VALUE_UNCLEAR, where, from.line(), text.get());
            return otherwise;
        }
        return value;
    }
}
