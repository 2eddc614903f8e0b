package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.text.Texts;
import taxon.core.typesheet.SheetFinding.Kind;
import taxon.core.typesheet.Titles.BlockTitle;
import taxon.core.typesheet.Titles.ModeTitle;

/**
 * Reads a type sheet. Every problem is told, with its line; what can be understood becomes a mode all the same, so that it
 * can be looked at while one types.
 */
public final class SheetReader {
    public static final int LONGEST = 400_000;

    private static final int MOST_LINES = 20_000;
    private static final int LONGEST_LINE = 400;
    private static final int MOST_FINDINGS = 200;
    private static final Pattern COUNT = Pattern.compile("(\\d{1,4})(?:\\s*,\\s*(own blocks|each its own block))?");
    private static final Pattern PATH = Pattern.compile("[1-9]\\d{0,3}(?:\\.[1-9]\\d{0,3}){0,7}");

    private final List<SheetFinding> findings = new ArrayList<>();
    private final List<DraftMode> modes = new ArrayList<>();
    private final ChannelLines lines = new ChannelLines(this::tell);

    private SheetReader() {}

    /** Reads the text, of which lines that begin with {@code #} are remarks. */
    public static ParsedSheet read(String text) {
        SheetReader reader = new SheetReader();
        if (text.length() > LONGEST) {
            reader.tell(new SheetFinding(
                    Kind.TOO_MUCH, 1, "the sheet", text.length() + " characters", LONGEST + " at most"));
            return new ParsedSheet(List.of(), reader.findings);
        }
        reader.readLines(text);
        return reader.reading();
    }

    private void tell(SheetFinding finding) {
        if (findings.size() < MOST_FINDINGS) {
            findings.add(finding);
        }
    }

    private void readLines(String text) {
        List<String> all = text.lines().limit(MOST_LINES + 1L).toList();
        List<String> taken = all.subList(0, Math.min(all.size(), MOST_LINES));
        for (TabbedTable.Line line : TabbedTable.unfolded(taken, this::tell)) {
            readText(line.text(), line.number());
        }
        if (all.size() > MOST_LINES) {
            tell(new SheetFinding(
                    Kind.TOO_MUCH, MOST_LINES, "the sheet", all.size() + " lines or more", MOST_LINES + " at most"));
        }
    }

    private void readText(String text, int number) {
        String line = plain(text);
        if (line.length() > LONGEST_LINE) {
            tell(new SheetFinding(
                    Kind.TOO_MUCH, number, "the line", line.length() + " characters", LONGEST_LINE + " at most"));
        } else if (!line.isEmpty() && !line.strip().startsWith("#")) {
            readLine(line, number);
        }
    }

    /** What is left and right of it drawn together to one space: that it is set in, or that no name follows, means something. */
    private static String plain(String line) {
        String spaced = Quoted.spaced(line);
        String bare = spaced.strip();
        if (bare.isEmpty()) {
            return "";
        }
        return (spaced.stripLeading().length() < spaced.length() ? " " : "")
                + bare
                + (spaced.stripTrailing().length() < spaced.length() ? " " : "");
    }

    private void readLine(String line, int number) {
        SheetLine read = SheetLine.of(line);
        if (read instanceof SheetLine.Heading heading) {
            heading(heading, number);
        } else {
            lines.read(mode(number).section(), read, number);
        }
    }

    /** The mode that lines belong to; one without a heading gets its name from its length in the end. */
    private DraftMode mode(int number) {
        if (modes.isEmpty()) {
            modes.add(new DraftMode(ModeTitle.of(""), number, this::tell));
        }
        return modes.get(modes.size() - 1);
    }

    private void heading(SheetLine.Heading heading, int number) {
        switch (heading.word()) {
            case "mode" -> openMode(heading.rest(), number);
            case "block" -> openBlock(heading.rest(), number);
            case "needs" -> mode(number).needs(cut(Quoted.plain(heading.rest()), 120, number));
            case "whole" -> mode(number).openWhole();
            case "cell" -> openPart(Part.Kind.CELL, heading.rest(), number);
            case "layer" -> openPart(Part.Kind.LAYER, heading.rest(), number);
            case "cells" -> openRepeated(Part.Kind.CELL, heading.rest(), number);
            case "layers" -> openRepeated(Part.Kind.LAYER, heading.rest(), number);
            default ->
                unclear(
                        "the heading",
                        heading.word(),
                        "Mode, Block, Needs, Whole, Cell, Cells, Layer or Layers",
                        number);
        }
    }

    private void openMode(String rest, int number) {
        if (modes.size() >= FixtureType.MOST_MODES) {
            tell(new SheetFinding(
                    Kind.TOO_MUCH, number, "the sheet", "another mode", FixtureType.MOST_MODES + " modes at most"));
            return;
        }
        if (!modes.isEmpty()) {
            modes.get(modes.size() - 1).closeSection();
        }
        ModeTitle title = ModeTitle.of(rest);
        String name = cut(title.name(), 60, number);
        modes.add(new DraftMode(new ModeTitle(name, title.personality(), title.length()), number, this::tell));
    }

    private String cut(String text, int longest, int number) {
        String kept = Texts.clip(text, longest);
        boolean whole = kept.equals(text) || text.length() <= longest && kept.equals(text.strip());
        if (!whole) {
            tell(new SheetFinding(Kind.TEXT_CUT, number, "the name", kept, ""));
        }
        return whole && text.length() <= longest ? text : kept;
    }

    private void openBlock(String rest, int number) {
        BlockTitle title = BlockTitle.of(rest);
        String name = cut(title.name(), 60, number);
        if (name.isBlank()) {
            unclear("the heading Block", "nothing", "a name", number);
        } else {
            mode(number).openBlock(new DraftBlock(name, number, title.breakNumber()));
        }
    }

    private void openPart(Part.Kind kind, String rest, int number) {
        if (!PATH.matcher(rest).matches()) {
            unclear("the heading", rest, "a number such as 3 or 2.5", number);
            return;
        }
        List<Integer> path =
                List.of(rest.split("\\.")).stream().map(Integer::valueOf).toList();
        mode(number).openPart(new Part(kind, path));
    }

    private void openRepeated(Part.Kind kind, String rest, int number) {
        Matcher matcher = COUNT.matcher(rest);
        int count = matcher.matches() ? Integer.parseInt(matcher.group(1)) : 0;
        if (count < 1 || count > 512) {
            unclear("the heading", rest.isEmpty() ? "nothing" : rest, "how many there are, 1 to 512", number);
            return;
        }
        mode(number).openRepeated(kind, count, matcher.group(2) != null);
    }

    private void unclear(String subject, String value, String allowed, int number) {
        tell(new SheetFinding(Kind.HEADING_UNCLEAR, number, subject, value, allowed));
    }

    private ParsedSheet reading() {
        if (!modes.isEmpty()) {
            modes.get(modes.size() - 1).closeSection();
        }
        List<Mode> built = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (DraftMode draft : modes) {
            DraftMode.named(draft).ifPresent(mode -> {
                if (names.add(mode.name())) {
                    built.add(mode);
                } else {
                    tell(new SheetFinding(Kind.NAME_TWICE, draft.line, "mode", mode.name(), ""));
                }
            });
        }
        List<SheetFinding> sorted = findings.stream()
                .sorted(java.util.Comparator.comparingInt(SheetFinding::line))
                .toList();
        return new ParsedSheet(built, sorted);
    }
}
