package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Levels;
import taxon.core.text.Texts;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.XmlElement;

/** Reads one DMXChannel element: its slots as written, its values and functions. Where it goes, {@link ModeReader} decides. */
final class ChannelReader {
    static final int LONGEST_NAME = 80;

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
        return attribute(writtenAttribute(), line());
    }

    Attribute attribute(String written, int atLine) {
        return facts.attribute(notes.cut(written, 60, "attribute", atLine));
    }

    /** As the file names it. */
    String writtenAttribute() {
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
                .map(text -> value(text, bytes, line()))
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
        Kind broken = byLastName.isEmpty() ? Kind.INITIAL_FUNCTION_UNKNOWN : Kind.INITIAL_FUNCTION_GUESSED;
        notes.add(broken, where, line(), link.get());
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
                .map(t -> value(t, bytes, line()));
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
        return new FunctionReader(this, bytes, masters, facts, notes).read(functionElements());
    }

    /** True when one of its functions is called so. */
    boolean hasFunction(String name) {
        List<XmlElement> elements = functionElements();
        return IntStream.range(0, elements.size())
                .anyMatch(i -> name(elements.get(i), i).equals(name));
    }

    /** How wide its values are: four bytes where no slot carries it. */
    int bytes() {
        String text = element.attribute("Offset").orElse("None");
        return text.equalsIgnoreCase("None")
                ? Levels.MOST_BYTES
                : Math.min(Levels.MOST_BYTES, text.split(",", Levels.MOST_BYTES + 2).length);
    }

    /** The name of a function that has none (from memory). */
    static String defaultName(String attribute, int index) {
        return Texts.clip(attribute + " " + (index + 1), LONGEST_NAME);
    }

    String name(XmlElement function, int index) {
        return function.attribute("Name")
                .orElseGet(() -> defaultName(function.attribute("Attribute").orElseGet(this::writtenAttribute), index));
    }

    long value(String text, int bytes, int atLine) {
        Optional<DmxValue> value = DmxValue.read(text);
        if (value.isEmpty()) {
            notes.add(Kind.VALUE_UNCLEAR, where, atLine, text);
        }
        return value.map(v -> v.at(bytes)).orElse(0L);
    }
}
