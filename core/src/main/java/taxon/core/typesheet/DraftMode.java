package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import taxon.core.fixture.Block;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.typesheet.DraftChannel.DraftRange;
import taxon.core.typesheet.SheetFinding.Kind;
import taxon.core.typesheet.Titles.ModeTitle;

/** A mode while its lines are read. */
final class DraftMode {
    final String name;
    final Optional<Integer> personality;
    private final Optional<Integer> length;
    final int line;
    private final Consumer<SheetFinding> findings;
    private final List<DraftBlock> blocks = new ArrayList<>();
    private DraftSection section;

    DraftMode(ModeTitle title, int line, Consumer<SheetFinding> findings) {
        name = title.name();
        personality = title.personality();
        length = title.length();
        this.line = line;
        this.findings = findings;
        blocks.add(new DraftBlock("Main", line, Optional.empty()));
        section = DraftSection.whole(1);
    }

    DraftSection section() {
        return section;
    }

    private DraftBlock block() {
        return blocks.get(blocks.size() - 1);
    }

    void openBlock(DraftBlock block) {
        closeSection();
        if (block().isEmpty()) {
            blocks.remove(blocks.size() - 1);
        }
        blocks.add(block);
        section = DraftSection.whole(1);
    }

    void needs(String setting) {
        block().needs = setting;
    }

    void openWhole() {
        closeSection();
        section = DraftSection.whole(block().next());
    }

    void openPart(Part part) {
        closeSection();
        section = new DraftSection(List.of(part), false, block().next());
    }

    void openRepeated(Part.Kind kind, int count, boolean ownBlocks) {
        closeSection();
        section = DraftSection.repeated(kind, count, ownBlocks, ownBlocks ? 1 : block().next());
    }

    void closeSection() {
        int stride = section.stride();
        for (int i = 0; i < section.parts.size(); i++) {
            if (section.ownBlocks) {
                addBlock(section.parts.get(i));
            }
            int moved = section.ownBlocks ? 0 : i * stride;
            for (DraftChannel channel : section.channels) {
                place(channel, section.isRepeated() ? section.parts.get(i) : channel.part, moved);
            }
        }
        section = DraftSection.whole(block().next());
    }

    private void addBlock(Part part) {
        String words = part.toString();
        DraftBlock made = new DraftBlock(
                words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1), line, Optional.empty());
        if (block().isEmpty()) {
            blocks.remove(blocks.size() - 1);
        }
        blocks.add(made);
    }

    private void place(DraftChannel channel, Part part, int moved) {
        int last = channel.offsets.stream().mapToInt(o -> o + moved).max().orElse(1);
        if (!DraftBlock.isInside(last)) {
            tell(Kind.SLOT_OUTSIDE, channel.line, channel.words + " of " + part, last, "1 to 512");
            return;
        }
        if (moved == 0) {
            checkRanges(channel);
        }
        try {
            block().add(channel, channel.channel(part, moved), findings);
        } catch (IllegalArgumentException e) {
            // The values were checked one by one above; what is still refused contradicts itself, such as an odd step.
            findings.accept(new SheetFinding(Kind.TEXT_REFUSED, channel.line, channel.words, e.getMessage() + ".", ""));
        }
    }

    /** Brings ranges that are counted in one byte to the width of the channel, and drops those that cannot stand. */
    private void checkRanges(DraftChannel channel) {
        long most = Levels.most(channel.bytes());
        channel.scaleRanges();
        List<DraftRange> kept = new ArrayList<>();
        for (DraftRange range : channel.ranges) {
            Optional<DraftRange> other = kept.stream()
                    .filter(k -> k.condition.equals(range.condition) && k.from <= range.to && range.from <= k.to)
                    .findFirst();
            if (range.to > most) {
                tell(Kind.VALUE_OUTSIDE, range.line, "the range " + range.name, range.to, "0 to " + most);
            } else if (other.isPresent()) {
                String taken = other.get().name + ", " + other.get().from + " to " + other.get().to;
                tell(Kind.RANGE_OVERLAP, range.line, range.name, range.from, taken);
            } else {
                kept.add(range);
            }
        }
        channel.ranges.clear();
        kept.sort(java.util.Comparator.comparingLong(r -> r.from));
        channel.ranges.addAll(kept);
        if (channel.rest > most) {
            tell(Kind.VALUE_OUTSIDE, channel.line, channel.words, channel.rest, "0 to " + most);
            channel.rest = 0;
        }
        if (channel.highlight.filter(h -> h > most).isPresent()) {
            tell(Kind.VALUE_OUTSIDE, channel.line, channel.words, channel.highlight.get(), "0 to " + most);
            channel.highlight = Optional.empty();
        }
    }

    /** The mode of a draft, if anything of it can be built; without a name it is called by its length, "16-channel". */
    static Optional<Mode> named(DraftMode draft) {
        Optional<Mode> built = draft.mode();
        built.ifPresent(draft::checkLength);
        return built.map(m -> draft.name.isBlank()
                ? new Mode(m.footprint() + "-channel", m.personality(), m.blocks(), m.breaks())
                : m);
    }

    /** Against the length that is stated, else against the one that the name speaks of. */
    private void checkLength(Mode built) {
        Optional<Integer> named = Titles.lengthInName(name);
        length.filter(l -> l != built.footprint())
                .ifPresent(l -> tell(Kind.LENGTH_DIFFERS, line, "the mode " + name, built.footprint(), "" + l));
        named.filter(l -> length.isEmpty() && !isLong(built, l))
                .ifPresent(l -> tell(Kind.LENGTH_NAMED_OTHERWISE, line, "the mode " + name, built.footprint(), "" + l));
    }

    /** In all, or one of its blocks: names often speak of the main block alone. */
    private static boolean isLong(Mode mode, int slots) {
        return mode.footprint() == slots || mode.blocks().stream().anyMatch(b -> b.footprint() == slots);
    }

    private Optional<Mode> mode() {
        List<DraftBlock> full = blocks.stream().filter(b -> !b.isEmpty()).toList();
        blocks.stream()
                .filter(b -> b.isEmpty() && blocks.size() > 1)
                .forEach(
                        b -> findings.accept(new SheetFinding(Kind.NO_CHANNEL, b.line, "the block " + b.name, "", "")));
        if (full.isEmpty() || full.size() > Mode.MOST_BLOCKS) {
            tell(
                    full.isEmpty() ? Kind.NO_CHANNEL : Kind.TOO_MUCH,
                    line,
                    "the mode " + name,
                    full.size() + " blocks",
                    "1 to " + Mode.MOST_BLOCKS);
            return Optional.empty();
        }
        try {
            List<Block> built = full.stream().map(DraftBlock::block).toList();
            List<Integer> breaks = IntStream.range(0, full.size())
                    .mapToObj(i -> full.get(i).breakNumber.orElse(i + 1))
                    .toList();
            return Optional.of(new Mode(name.isBlank() ? "unnamed" : name, personality, built, breaks));
        } catch (IllegalArgumentException e) {
            // Too long a name, a personality out of range, breaks out of order: the constructors say which.
            findings.accept(new SheetFinding(Kind.TEXT_REFUSED, line, "the mode " + name, e.getMessage() + ".", ""));
            return Optional.empty();
        }
    }

    private void tell(Kind kind, int atLine, String subject, Object value, String allowed) {
        findings.accept(new SheetFinding(kind, atLine, subject, String.valueOf(value), allowed));
    }
}
