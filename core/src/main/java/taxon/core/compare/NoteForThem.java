package taxon.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.dmx.AddressText;

/** What the other side has to change so that both agree, in its own numbering: all that differs and is not taken over. */
public final class NoteForThem {
    private NoteForThem() {}

    /**
     * One thing to change.
     *
     * @param line of their list; 0 for what they have not
     * @param who as they call it
     * @param what changes, in a word
     * @param now as they have it
     * @param wanted as it should be
     */
    public record Line(int line, String who, String type, String what, String now, String wanted) {}

    /** The lines in the order of their list, what they have not last. */
    public static List<Line> of(Comparison comparison, TheirPatch theirs, Taken taken) {
        List<Line> lines = new ArrayList<>();
        for (Match match : comparison.differences().keySet()) {
            taken.kept(comparison, match).stream()
                    .filter(d -> d.kind() != Kind.ORDER)
                    .forEach(d -> lines.add(line(match, d, theirs)));
        }
        comparison.onlyTheirs().stream()
                .filter(r -> !taken.added().contains(r.place()))
                .forEach(r -> lines.add(
                        new Line(theirs.line(r), r.label(), r.type(), "whole row", place(r, theirs), "take it out")));
        lines.sort(Comparator.comparingInt(Line::line));
        comparison.onlyOurs().stream()
                .filter(r -> !taken.removed().contains(r.place()))
                .forEach(r -> lines.add(new Line(
                        0, r.label(), r.type(), "whole row", "not there", "add it: " + mode(r) + place(r, theirs))));
        return lines;
    }

    private static String mode(PatchRow row) {
        return row.mode().isBlank() ? "" : row.mode() + ", ";
    }

    private static String place(PatchRow row, TheirPatch theirs) {
        return theirs.counting().words(row.start());
    }

    private static Line line(Match match, RowDifference difference, TheirPatch theirs) {
        PatchRow there = match.theirs();
        boolean where = difference.kind() == Kind.UNIVERSE || difference.kind() == Kind.ADDRESS;
        return new Line(
                theirs.line(there),
                there.label(),
                there.type().isBlank() ? match.ours().type() : there.type(),
                CompareText.of(difference.kind()),
                where ? recounted(difference.theirs(), theirs) : difference.theirs(),
                where ? recounted(difference.ours(), theirs) : difference.ours());
    }

    private static String recounted(String words, TheirPatch theirs) {
        return AddressText.read(words) instanceof AddressText.Read read
                ? theirs.counting().words(read.address())
                : words;
    }
}
