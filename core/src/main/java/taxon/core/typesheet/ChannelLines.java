package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeWords;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.fixture.RangeSet;
import taxon.core.text.Texts;
import taxon.core.typesheet.DraftChannel.DraftRange;
import taxon.core.typesheet.SheetFinding.Kind;

/** Reads the lines of a section that are no headings: channels, fine channels, ranges and steps. */
final class ChannelLines {
    private static final Pattern REST = Pattern.compile("(.*?)\\s*(?:=|,?\\s+default)\\s*(\\d{1,10})");
    private static final Pattern BITS = Pattern.compile("(?i)\\b(8|16|24|32)[ -]?bits?\\b");
    private static final Pattern VIRTUAL = Pattern.compile("(?i)virtual\\s+(.+)");

    private final Consumer<SheetFinding> findings;

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
            channel(section, words.slots(), words.text(), number);
        }
    }

    /** "5-6 Pan" names two slots when 5 is next and Pan is a channel; "0-7 Closed" is a range. */
    private static boolean isSlots(DraftSection section, SheetLine.Range range) {
        long count = range.to() - range.from() + 1;
        if (range.inner() || range.indented() || range.text().isBlank() || count < 1 || count > Levels.MOST_BYTES) {
            return false;
        }
        Split split = Split.of(range.text());
        return range.from() == section.next
                && (split.extras.attribute.isPresent()
                        || AttributeWords.read(split.words).known());
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
        AttributeWords.Parsed reading = AttributeWords.read(split.words);
        Attribute attribute = split.extras.attribute.orElse(reading.attribute());
        if (split.extras.attribute.isEmpty() && !reading.known()) {
            tell(Kind.ATTRIBUTE_UNKNOWN, number, split.words, split.words, "");
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

    private static DraftRange range(DraftChannel channel, SheetLine.Range line, Extras.Split split, int number) {
        String name = split.text().isBlank() ? line.from() + "-" + line.to() : Texts.clip(split.text(), 80);
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
        outer.sets.add(new RangeSet(Texts.clip(split.text(), 80), line.from(), split.extras().physical));
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
