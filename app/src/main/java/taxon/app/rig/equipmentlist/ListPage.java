package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import taxon.app.library.TypeSearch;
import taxon.app.library.TypeSearch.Offer;
import taxon.app.lists.ColumnChooser;
import taxon.app.lists.NumberAnswers;
import taxon.app.lists.NumberAnswers.Question;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.equipmentlist.TypeWords;
import taxon.core.listing.Column;
import taxon.core.listing.ListReading;
import taxon.core.listing.SkippedRow;
import taxon.formats.table.TableFile;

/**
 * The page of an equipment list.
 *
 * @param origin "UTF-8, semicolon"
 * @param header "header on line 5"
 * @param kept the name of the mapping that the columns were read by; empty for none
 * @param doubts what is asked of whole columns
 * @param clashing true when some ID or address is taken, or was and something was chosen for it
 * @param rows which of them are shown, and from where on
 */
public record ListPage(
        String origin,
        String header,
        String sheet,
        List<String> sheets,
        String kept,
        ColumnChooser columns,
        List<Question> doubts,
        ListChoices choices,
        boolean clashing,
        int faulty,
        int remarked,
        int all,
        Rows rows,
        int matching,
        List<Line> lines,
        List<String> leftOut,
        List<SkippedRow> skipped) {
    static final int PAGE = 100;
    private static final int SKIPPED_SHOWN = 20;

    /** Which rows are shown, and from which on. */
    public record Rows(String which, int from) {
        static Rows of(HttpServletRequest request) {
            String which = Objects.requireNonNullElse(request.getParameter("rows"), "");
            String from = Objects.requireNonNullElse(request.getParameter("from"), "");
            return new Rows(
                    Set.of("faulty", "remarked").contains(which) ? which : "all",
                    from.matches("\\d{1,6}") ? Integer.parseInt(from) : 0);
        }

        boolean takes(EquipmentLine line) {
            return switch (which) {
                case "faulty" -> line.added().isEmpty();
                case "remarked" -> !line.remarks().isEmpty();
                default -> true;
            };
        }
    }

    /** @param clash true when it is as it is written, and clashes with something */
    public record Told(boolean clash, String words) {}

    /**
     * A line of the preview.
     *
     * @param given what stood in the row
     * @param becomes what it adds, in words; empty when it has faults
     * @param alike how many rows call their type the same, this one among them; 0 where nothing is to be chosen here
     * @param offered types and modes to choose from
     * @param typed what was looked for in the library
     * @param type what the row calls its type
     */
    public record Line(
            int line,
            String given,
            String becomes,
            List<String> faults,
            List<Told> remarks,
            int alike,
            List<Offer> offered,
            String typed,
            String type) {}

    static ListPage of(GivenList given, Rows rows, TypeSearch searched) {
        List<EquipmentLine> lines = given.lines();
        List<EquipmentLine> matching = lines.stream().filter(rows::takes).toList();
        Optional<TableFile.Read> read = Optional.of(given.table())
                .filter(TableFile.Read.class::isInstance)
                .map(TableFile.Read.class::cast);
        Optional<ListReading> reading = given.reading();
        int headerLine = reading.map(r -> r.columns().headerLine()).orElse(0);
        ListChoices choices = given.request().choices();
        return new ListPage(
                read.map(r -> r.origin().words()).orElse("not read"),
                headerLine == 0 ? "no header" : "header on line " + headerLine,
                read.map(r -> r.origin().sheet()).orElse(""),
                read.map(r -> r.origin().sheets()).orElse(List.of()),
                given.kept(),
                ColumnChooser.of(given.rows(), reading, Set.of(Column.TYPE)),
                given.list().map(ListPage::questions).orElse(List.of()),
                choices,
                isClashing(choices, lines),
                count(lines, l -> l.added().isEmpty()),
                count(lines, l -> !l.remarks().isEmpty()),
                lines.size(),
                rows,
                matching.size(),
                shown(matching, rows, lines, searched),
                reading.map(ListReading::leftOut).orElse(List.of()),
                reading.map(r -> r.skipped().stream().limit(SKIPPED_SHOWN).toList())
                        .orElse(List.of()));
    }

    private static boolean isClashing(ListChoices choices, List<EquipmentLine> lines) {
        return choices.ids() != ListChoices.TakenIds.KEEP
                || choices.addresses() != ListChoices.TakenAddresses.KEEP
                || lines.stream().anyMatch(EquipmentLine::clashes);
    }

    private static int count(List<EquipmentLine> lines, Predicate<EquipmentLine> which) {
        return (int) lines.stream().filter(which).count();
    }

    private static List<Question> questions(EquipmentList list) {
        return list.doubts().stream()
                .map(d -> NumberAnswers.question(d, list.choices().answers()))
                .toList();
    }

    private static List<Line> shown(
            List<EquipmentLine> matching, Rows rows, List<EquipmentLine> all, TypeSearch searched) {
        int from = Math.min(rows.from(), matching.size());
        Set<TypeWords> asked = new HashSet<>();
        List<Line> shown = new ArrayList<>();
        for (EquipmentLine line : matching.subList(from, Math.min(matching.size(), from + PAGE))) {
            boolean choosing = line.isTypeOpen() && asked.add(TypeWords.of(line.row()));
            shown.add(LineWords.of(line, choosing ? alike(all, line) : 0, searched));
        }
        return shown;
    }

    private static int alike(List<EquipmentLine> all, EquipmentLine line) {
        TypeWords words = TypeWords.of(line.row());
        return count(all, l -> TypeWords.of(l.row()).equals(words));
    }
}
