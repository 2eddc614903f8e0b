package taxon.app.paperwork;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.web.util.HtmlUtils;

/**
 * A paper: what it is of, and its rows in groups. The same for page, PDF and CSV.
 *
 * @param name as in its address, "by-fixture"
 * @param date when it was made, or for a frozen revision when that was frozen
 */
public record Sheet(
        String name,
        String title,
        String job,
        String venue,
        String revision,
        String date,
        List<String> columns,
        List<Group> groups) {
    private static final int ROWS_ON_A_PAGE = 36;
    private static final Set<String> FIGURES = Set.of("Address", "Slots", "Fixture ID");

    /** @param title empty when the sheet has one group only */
    public record Group(String title, List<List<String>> rows) {
        public Group {
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /** A part that fits a page. */
    public record Page(int number, int of, List<Group> groups) {}

    public Sheet {
        columns = List.copyOf(columns);
        groups = List.copyOf(groups);
    }

    /**
     * The cells of one row as markup, their text escaped. A long sheet has a hundred thousand cells, of which the template
     * would evaluate each.
     */
    public String cells(List<String> row) {
        StringBuilder cells = new StringBuilder();
        for (int i = 0; i < row.size(); i++) {
            cells.append(isFigure(i) ? "<td class=\"n\">" : "<td>")
                    .append(HtmlUtils.htmlEscape(row.get(i), "UTF-8"))
                    .append("</td>");
        }
        return cells.toString();
    }

    /** Columns of figures, which stand in figures of one width. */
    private boolean isFigure(int column) {
        return column < columns.size() && FIGURES.contains(columns.get(column));
    }

    /** The rows cut into pages; one empty page where there are none. */
    public List<Page> pages() {
        List<List<Group>> cut = cut(ROWS_ON_A_PAGE);
        List<Page> pages = new ArrayList<>();
        cut.forEach(groupsOfPage -> pages.add(new Page(pages.size() + 1, cut.size(), groupsOfPage)));
        return pages;
    }

    /**
     * The same rows as sheets of about equal length, none with more rows than that; this one where they are not more.
     *
     * @param most at least 1
     */
    public List<Sheet> parts(int most) {
        int rows = groups.stream().mapToInt(g -> g.rows().size()).sum();
        if (rows <= most) {
            return List.of(this);
        }
        int parts = (rows + most - 1) / most;
        return cut((rows + parts - 1) / parts).stream()
                .map(g -> new Sheet(name, title, job, venue, revision, date, columns, g))
                .toList();
    }

    private List<List<Group>> cut(int most) {
        List<List<Group>> cut = new ArrayList<>(List.of(new ArrayList<>()));
        int room = most;
        for (Group group : groups) {
            for (int from = 0; from < group.rows().size(); ) {
                if (room == 0) {
                    cut.add(new ArrayList<>());
                    room = most;
                }
                int to = Math.min(group.rows().size(), from + room);
                String title = from == 0 || group.title().isEmpty() ? group.title() : group.title() + ", continued";
                cut.get(cut.size() - 1).add(new Group(title, group.rows().subList(from, to)));
                room -= to - from;
                from = to;
            }
        }
        return cut;
    }
}
