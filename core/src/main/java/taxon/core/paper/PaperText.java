package taxon.core.paper;

import java.util.List;

/**
 * A paper as it was read by people: its words and nothing else, so that a paper of last week can be held against today's.
 *
 * @param title with what it is limited to
 * @param heading job and venue, as they stand below the title
 * @param columns names of its columns
 */
public record PaperText(String title, String heading, List<String> columns, List<Part> parts) {
    public PaperText {
        columns = List.copyOf(columns);
        parts = List.copyOf(parts);
    }

    /** Rows under a title, each with a word for each column. */
    public record Part(String title, List<List<String>> rows) {
        public Part {
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /**
     * The words of a paper.
     *
     * @param heading job and venue
     */
    public static PaperText of(Paper paper, String heading) {
        return new PaperText(
                paper.title(),
                heading,
                paper.columns().stream().map(Column::name).toList(),
                paper.parts().stream()
                        .map(p -> new Part(
                                p.title(),
                                p.rows().stream()
                                        .map(r -> r.stream().map(Cell::words).toList())
                                        .toList()))
                        .toList());
    }

    /** The same for the same words, wherever and whenever they are written: 64 hexadecimal digits. */
    public String fingerprint() {
        Fingerprint print = new Fingerprint().add(title).add(heading).add(columns.stream());
        for (Part part : parts) {
            print.add(part.title());
            part.rows().forEach(row -> print.add(row.stream()));
        }
        return print.end();
    }
}
