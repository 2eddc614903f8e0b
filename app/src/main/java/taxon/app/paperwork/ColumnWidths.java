package taxon.app.paperwork;

import java.util.Arrays;
import java.util.List;
import taxon.core.paper.Cell;
import taxon.core.paper.Column;

/**
 * How wide each column of a paper is, from its texts: worked out once for the whole paper, so that all its tables stand in
 * line and none of its cells has to be measured while it is drawn. Where not all texts have room the longest wrap, at their
 * spaces.
 */
final class ColumnWidths {
    /** A text longer than that wraps rather than taking room from the others, and so does the longest word. */
    private static final int LONGEST = 34;

    private static final int LONGEST_WORD = 18;

    /** What stands left and right of a text, in letters. */
    private static final int PADDING = 2;

    /** Letters across a page. */
    private static final int ROOM = 145;

    private final int[] texts;
    private final int[] words;

    private ColumnWidths(int columns) {
        texts = new int[columns];
        words = new int[columns];
    }

    /** In percent, one for each column, 100 in all. */
    static List<Double> of(Sheet sheet) {
        ColumnWidths widths = new ColumnWidths(sheet.paper().columns().size());
        widths.add(sheet.paper().columns().stream().map(Column::name).toList());
        sheet.paper()
                .parts()
                .forEach(part -> part.rows()
                        .forEach(row -> widths.add(row.stream().map(Cell::words).toList())));
        int[] letters = widths.withinTheRoom();
        double all = Arrays.stream(letters).sum();
        return Arrays.stream(letters).mapToObj(each -> 100 * each / all).toList();
    }

    private void add(List<String> row) {
        for (int i = 0; i < Math.min(texts.length, row.size()); i++) {
            String text = row.get(i);
            texts[i] = Math.max(texts[i], Math.min(text.length(), LONGEST));
            words[i] = Math.max(words[i], Math.min(longestWord(text), LONGEST_WORD));
        }
    }

    private static int longestWord(String text) {
        int longest = 0;
        int from = 0;
        for (int space = text.indexOf(' '); space >= 0; space = text.indexOf(' ', from)) {
            longest = Math.max(longest, space - from);
            from = space + 1;
        }
        return Math.max(longest, text.length() - from);
    }

    private int[] withinTheRoom() {
        int[] letters = limited(LONGEST);
        for (int most = LONGEST - 1; most > 0 && Arrays.stream(letters).sum() > ROOM; most--) {
            letters = limited(most);
        }
        return letters;
    }

    private int[] limited(int most) {
        int[] letters = new int[texts.length];
        Arrays.setAll(letters, i -> Math.max(words[i], Math.min(texts[i], most)) + PADDING);
        return letters;
    }
}
