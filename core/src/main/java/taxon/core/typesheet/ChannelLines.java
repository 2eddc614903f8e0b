package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.AttributeWords;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.fixture.RangeSet;
import taxon.core.text.Likeness;
import taxon.core.text.Texts;
import taxon.core.typesheet.DraftChannel.DraftRange;
import taxon.core.typesheet.SheetFinding.Kind;

/** Reads the lines of a section that are no headings: channels, fine channels, ranges and steps. */
final class ChannelLines {
    private static final Pattern REST = Pattern.compile("(.*?)\\s*(?:=|,?\\s+default)\\s*(\\d{1,10})");
    private static final int LONGEST_NAME = 80;
    private static final Pattern BITS = Pattern.compile("(?i)\\b(8|16|24|32)[ -]?bits?\\b");
    /** Before the name of a channel that takes no slot; no manual writes it. */
    static final String NO_SLOT = "~";

    private static final Pattern VIRTUAL = Pattern.compile("~\\s*(.+)");
    private static final Pattern VIRTUAL_IN_NAME = Pattern.compile("(?i)\\bvirtual\\b");

    private final Consumer<SheetFinding> findings;
    private final Set<String> told = new HashSet<>();

    ChannelLines(Consumer<SheetFinding> findings) {
        this.findings = findings;
    }

    void read(DraftSection section, SheetLine line, int number) {
        if (line instanceof SheetLine.Range range) {
            if (isSlots(section, range)) {
                List<Integer> slots = new ArrayList<>();
                for (long slot = range.from(); slot <= range.to(); slot++) {
                    slots.add((int) slot);
                }
                channel(section, slots, range.text(), number);
            } else {
                range(section, range, number);
            }
        } else if (line instanceof SheetLine.Words words) {
            if (isValue(section, words)) {
                range(section, words.value().orElseThrow(), number);
            } else {
                channel(section, words.slots(), words.text(), number);
            }
        }
    }

    /**
     * "255 Lamp on" is a value of the channel above when it goes on where the range above ended, or is no slot that comes next:
     * it is set in and its words name no channel, or no slot has such a number.
     */
    private static boolean isValue(DraftSection section, SheetLine.Words words) {
        Optional<SheetLine.Range> value = words.value();
        Optional<DraftChannel> above = section.last();
        if (value.isEmpty() || above.isEmpty()) {
            return false;
        }
        long number = value.get().from();
        if (value.get().inner() || !DraftBlock.isInside((int) Math.min(number, Integer.MAX_VALUE))) {
            return true;
        }
        if (number == section.next) {
            return above.get().endsBefore(number) && !namesChannel(words.text());
        }
        return above.get().endsBefore(number)
                || !namesChannel(words.text())
                        && (value.get().indented() || !above.get().ranges.isEmpty());
    }

    private static boolean namesChannel(String text) {
        Split split = Split.of(text);
        return split.extras.attribute.isPresent()
                || AttributeWords.read(split.words).known();
    }

    /** "5-6 Pan" names two slots when 5 is next and Pan is a channel; "0-7 Closed" is a range. */
    private static boolean isSlots(DraftSection section, SheetLine.Range range) {
        long count = range.to() - range.from() + 1;
        if (range.inner() || range.indented() || range.text().isBlank() || count < 1 || count > Levels.MOST_BYTES) {
            return false;
        }
        boolean goesOn = section.last().filter(c -> c.endsBefore(range.from())).isPresent();
        return range.from() == section.next && !goesOn && namesChannel(range.text());
    }

    /** A line's words apart from its value at rest, its width and its brackets. */
    private record Split(String words, Extras extras, Optional<Long> rest, int bits, boolean virtual) {
        static Split of(String text) {
            Extras.Split brackets = Extras.of(text);
            String words = brackets.text();
            Optional<Long> rest = Optional.empty();
            Matcher value = REST.matcher(words);
            if (value.matches()) {
                words = value.group(1).strip();
                rest = Optional.of(Long.valueOf(value.group(2)));
            }
            Matcher bits = BITS.matcher(words);
            int width = 0;
            if (bits.find()) {
                width = Integer.parseInt(bits.group(1)) / 8;
                words = bits.replaceFirst(" ").replaceAll("\\(\\s*\\)", " ").strip();
            }
            Matcher virtual = VIRTUAL.matcher(words);
            boolean isVirtual = virtual.matches();
            words = isVirtual ? virtual.group(1) : words;
            return new Split(words.isBlank() ? text : words, brackets.extras(), rest, width, isVirtual);
        }
    }

    private void channel(DraftSection section, List<Integer> slots, String text, int number) {
        Split split = Split.of(text);
        AttributeWords.Parsed reading = recognised(split.words);
        Attribute attribute = split.extras.attribute.orElse(reading.attribute());
        if (split.extras.attribute.isEmpty()) {
            tellReading(reading, split.words, number);
        }
        checkExtras(split.extras, split.words, number);
        DraftChannel channel = new DraftChannel(attribute, part(section, reading), split.words, number);
        int width = split.extras.attribute.isPresent() ? 1 : reading.width();
        Optional<DraftChannel> coarse = coarse(section, channel, split, width);
        if (coarse.isPresent()) {
            widen(section, coarse.get(), slots, split, number);
            return;
        }
        if (width > 1) {
            tell(
                    Kind.FINE_WITHOUT_COARSE,
                    number,
                    split.words,
                    "",
                    AttributeWords.read(attribute.name()).attribute() + "");
        }
        channel.rest = split.rest.or(() -> split.extras.rest).orElse(0L);
        channel.highlight = split.extras.highlight;
        if (!split.virtual) {
            place(section, channel, slots, Math.max(1, split.bits), number);
        }
        if (split.virtual || !channel.offsets.isEmpty()) {
            section.channels.add(channel);
        }
    }

    /** A manual that calls a channel virtual means a dimmer in software: the channel has its slot like any other. */
    private static AttributeWords.Parsed recognised(String words) {
        AttributeWords.Parsed plain = AttributeWords.read(words);
        String bare = VIRTUAL_IN_NAME.matcher(words).replaceAll(" ").strip();
        AttributeWords.Parsed without = bare.isEmpty() ? plain : AttributeWords.read(bare);
        return plain.known() || !without.known() ? plain : without;
    }

    /** What is kept under its own name, and what was understood as something that the sheet does not call so; each word once. */
    private void tellReading(AttributeWords.Parsed reading, String words, int number) {
        if (!reading.known()) {
            tell(Kind.ATTRIBUTE_UNKNOWN, number, words, words, "");
            return;
        }
        String plain = AttributeBook.words(reading.attribute());
        Set<String> said = wordsOf(words);
        boolean saysSo = said.stream().anyMatch(wordsOf(plain)::contains)
                || said.contains(Likeness.key(reading.attribute().name()))
                || Likeness.key(words).equals(Likeness.key(reading.attribute().name()));
        if (!saysSo && told.add(Likeness.key(words) + " " + plain)) {
            tell(Kind.READ_AS, number, words, plain, "");
        }
    }

    private static Set<String> wordsOf(String text) {
        return Stream.of(text.toLowerCase(Locale.ROOT).split("[^\\p{L}]+"))
                .filter(w -> !w.isEmpty())
                .collect(Collectors.toSet());
    }

    private static Part part(DraftSection section, AttributeWords.Parsed reading) {
        boolean whole = section.parts.equals(List.of(Part.WHOLE));
        return whole ? reading.cell().map(Part::cell).orElse(Part.WHOLE) : section.parts.get(0);
    }

    /** The channel that this line makes finer, if it does. */
    private static Optional<DraftChannel> coarse(DraftSection section, DraftChannel like, Split split, int width) {
        return width > 1
                ? section.last(like, width - 1)
                : split.bits > 1 ? section.last(like, split.bits - 1) : Optional.empty();
    }

    private void widen(DraftSection section, DraftChannel coarse, List<Integer> slots, Split split, int number) {
        if (coarse.offsets.size() >= Levels.MOST_BYTES) {
            tell(Kind.TOO_FINE, number, coarse.words, String.valueOf(coarse.offsets.size() + 1), "1 to 4");
            return;
        }
        int before = coarse.offsets.size();
        place(section, coarse, slots, 1, number);
        if (coarse.offsets.size() > before) {
            coarse.rest = (coarse.rest << 8) + split.rest.orElse(0L);
            coarse.highlight = coarse.highlight.map(h -> (h << 8) + 0xFF);
        }
    }

    private void place(DraftSection section, DraftChannel channel, List<Integer> slots, int count, int number) {
        List<Integer> taken = new ArrayList<>(slots);
        for (int i = 0; slots.isEmpty() && i < count; i++) {
            taken.add(section.next + i);
        }
        for (int slot : taken) {
            if (!DraftBlock.isInside(slot)) {
                tell(Kind.SLOT_OUTSIDE, number, channel.words, String.valueOf(slot), "1 to 512");
                return;
            }
        }
        int first = taken.stream().min(Integer::compare).orElse(section.next);
        if (first > section.next) {
            String run = section.next == first - 1 ? String.valueOf(section.next) : section.next + " to " + (first - 1);
            tell(Kind.GAP, number, channel.words, run, "");
        }
        channel.offsets.addAll(taken);
        section.next =
                Math.max(section.next, taken.stream().max(Integer::compare).orElse(0) + 1);
    }

    private void range(DraftSection section, SheetLine.Range line, int number) {
        Optional<DraftChannel> channel = section.last();
        String shown = line.from() + "-" + line.to();
        if (channel.isEmpty()) {
            tell(Kind.RANGE_WITHOUT_CHANNEL, number, line.text(), shown, "");
            return;
        }
        if (line.to() < line.from() || line.to() > Levels.most(Levels.MOST_BYTES)) {
            tell(Kind.VALUE_OUTSIDE, number, "the range", shown, "a first value and a last one that is not below it");
            return;
        }
        Extras.Split split = Extras.of(line.text());
        checkExtras(split.extras(), shown, number);
        if (line.inner()) {
            step(channel.get(), line, split, number);
        } else {
            channel.get().ranges.add(range(channel.get(), line, split, number));
        }
    }

    /** As it stands between marks, else without what is around it; that it was cut is told. */
    private String name(String text, int number) {
        String whole = Quoted.plain(text);
        String kept = whole.length() > LONGEST_NAME ? whole.substring(0, LONGEST_NAME) : whole;
        if (!kept.equals(whole)) {
            tell(Kind.TEXT_CUT, number, "the name", kept, "");
        }
        return kept;
    }

    private DraftRange range(DraftChannel channel, SheetLine.Range line, Extras.Split split, int number) {
        String said = name(split.text(), number);
        String name = said.isBlank() ? line.from() + "-" + line.to() : said;
        Extras extras = split.extras();
        Attribute attribute = extras.attribute.orElseGet(() -> AttributeWords.ofRun(channel.attribute, name));
        DraftRange range = new DraftRange(name, attribute, line.from(), line.to(), number);
        range.rest = extras.rest;
        range.condition = extras.condition;
        extras.physical.ifPresent(p -> range.physical = p);
        return range;
    }

    private void step(DraftChannel channel, SheetLine.Range line, Extras.Split split, int number) {
        if (channel.ranges.isEmpty()) {
            tell(Kind.RANGE_WITHOUT_CHANNEL, number, split.text(), line.from() + "-" + line.to(), "");
            return;
        }
        DraftRange outer = channel.ranges.get(channel.ranges.size() - 1);
        boolean inside = line.from() >= outer.from && line.to() <= outer.to;
        boolean free = outer.sets.stream().noneMatch(s -> s.from() >= line.from());
        if (!inside || !free) {
            String allowed = outer.from + " to " + outer.to + ", after the steps above it";
            tell(Kind.VALUE_OUTSIDE, number, "a step of " + outer.name, line.from() + "-" + line.to(), allowed);
            return;
        }
        outer.sets.add(new RangeSet(name(split.text(), number), line.from(), split.extras().physical));
    }

    private void checkExtras(Extras extras, String subject, int number) {
        if (!extras.unclear.isEmpty()) {
            tell(Kind.EXTRA_UNCLEAR, number, subject, extras.unclear, Extras.ALLOWED);
        }
    }

    private void tell(Kind kind, int line, String subject, String value, String allowed) {
        findings.accept(new SheetFinding(kind, line, Texts.clip(subject, 80), Texts.clip(value, 80), allowed));
    }
}
