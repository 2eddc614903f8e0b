package taxon.app.paperwork;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.web.util.HtmlUtils;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.PaperText;
import taxon.core.paper.Papers;
import taxon.core.rig.Plan;

/**
 * A paper of a job at one moment: what it is headed by, and its content. The same for page, PDF, CSV and workbook.
 *
 * @param revision as it stands on every page
 * @param date when it was made, or for a frozen revision when that was frozen
 */
public record Sheet(Paper paper, String job, String venue, String revision, String date) {
    private static final int ROWS_ON_A_SCREEN = 3_000;

    /** A paper of a plan. */
    public static Sheet of(Plan plan, PaperKind kind, PaperChoice choice, String revision, String date) {
        return new Sheet(
                Papers.of(plan, kind, choice), plan.sheet().name(), plan.sheet().venue(), revision, date);
    }

    public String name() {
        return paper.kind().slug();
    }

    /** "Patch by fixture", or "Patch by fixture: 101 to 112". */
    public String title() {
        return paper.title();
    }

    /** What stands below the title: job, venue, revision and day. */
    public String origin() {
        return heading() + ". " + revision + ". " + date + ".";
    }

    String heading() {
        return job + (venue.isBlank() ? "" : ", " + venue);
    }

    /** What is on it but revision and day, which say nothing about whether it is still true. */
    public PaperText text() {
        return textOf(paper, heading());
    }

    /** What is on a label or card of that job. */
    static PaperText textOf(Paper paper, Plan plan) {
        String venue = plan.sheet().venue();
        return textOf(paper, plan.sheet().name() + (venue.isBlank() ? "" : ", " + venue));
    }

    /** Labels do not say of what job and venue they are. */
    private static PaperText textOf(Paper paper, String heading) {
        return PaperText.of(paper, paper.kind().isLabels() ? "" : heading);
    }

    /** Its rows for a spreadsheet; of what job, revision and day a row is stands at its end. */
    public Listing listing() {
        List<String> header = new ArrayList<>(paper.list().header());
        header.addAll(List.of("Job", "Revision", "Date"));
        List<Cell> origin = List.of(Cell.of(job), Cell.of(revision), Cell.of(date));
        return new Listing(
                header,
                paper.list().rows().stream()
                        .map(row -> Stream.concat(row.stream(), origin.stream()).toList())
                        .toList());
    }

    /**
     * The cells of one row as markup, their text escaped. A long sheet has a hundred thousand cells, of which the template
     * would evaluate each.
     */
    public String cells(List<Cell> row) {
        StringBuilder cells = new StringBuilder();
        for (int i = 0; i < row.size(); i++) {
            cells.append(isFigure(i) ? "<td class=\"n\">" : "<td>")
                    .append(HtmlUtils.htmlEscape(row.get(i).words(), "UTF-8"))
                    .append("</td>");
        }
        return cells.toString();
    }

    private boolean isFigure(int column) {
        return paper.columns().get(column).isEven();
    }

    /** Everything that stands on it but the names of its columns. */
    Stream<String> texts() {
        return Stream.concat(
                Stream.of(title(), origin()),
                paper.parts().stream()
                        .flatMap(p -> Stream.concat(
                                Stream.of(p.title()),
                                p.rows().stream().flatMap(List::stream).map(Cell::words))));
    }

    /** The first rows, for a screen. */
    public List<Part> beginning() {
        return cut(ROWS_ON_A_SCREEN).get(0);
    }

    /** How many rows a screen leaves to the files; 0 for all but very long papers. */
    public int beyond() {
        return Math.max(0, paper.size() - ROWS_ON_A_SCREEN);
    }

    /**
     * The same rows as sheets of about equal length, none with more rows than that; this one where they are not more.
     *
     * @param most at least 1
     */
    public List<Sheet> parts(int most) {
        int rows = paper.size();
        if (rows <= most) {
            return List.of(this);
        }
        int parts = (rows + most - 1) / most;
        return cut((rows + parts - 1) / parts).stream()
                .map(p -> new Paper(paper.kind(), paper.of(), paper.columns(), p, paper.list()))
                .map(p -> new Sheet(p, job, venue, revision, date))
                .toList();
    }

    private List<List<Part>> cut(int most) {
        List<List<Part>> cut = new ArrayList<>(List.of(new ArrayList<>()));
        int room = most;
        for (Part part : paper.parts()) {
            if (part.rows().isEmpty()) {
                cut.get(cut.size() - 1).add(part);
            }
            for (int from = 0; from < part.rows().size(); ) {
                if (room == 0) {
                    cut.add(new ArrayList<>());
                    room = most;
                }
                int to = Math.min(part.rows().size(), from + room);
                String title = from == 0 || part.title().isEmpty() ? part.title() : part.title() + ", continued";
                cut.get(cut.size() - 1).add(new Part(title, part.rows().subList(from, to)));
                room -= to - from;
                from = to;
            }
        }
        return cut;
    }
}
