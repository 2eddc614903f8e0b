package taxon.app.rig.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import taxon.app.frame.PageView;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * Which fixtures the rig table shows, in which order and with which columns: what the address of the page asks for.
 *
 * @param columns to show, the ID first
 * @param sort by which columns, each with true for descending; none means the order of the IDs
 * @param words that a fixture must all have; "position:crane" must be in that column
 */
public record RigTable(List<TableColumn> columns, Map<TableColumn, Boolean> sort, List<String> words) {
    private static final int MOST_SORTED = 3;
    private static final int MOST_WORDS = 8;

    public RigTable {
        columns = List.copyOf(columns);
        sort = new LinkedHashMap<>(sort);
        words = List.copyOf(words);
    }

    /** What is not understood is left out: a link that outlived a column still opens. */
    public static RigTable of(PageView view) {
        List<TableColumn> columns = new ArrayList<>();
        Arrays.stream(view.value("cols").split(","))
                .flatMap(c -> TableColumn.of(c).stream())
                .distinct()
                .forEach(columns::add);
        Map<TableColumn, Boolean> sort = new LinkedHashMap<>();
        Arrays.stream(view.value("sort").split(",")).limit(MOST_SORTED).forEach(s -> {
            boolean down = s.startsWith("-");
            TableColumn.of(down ? s.substring(1) : s).ifPresent(c -> sort.putIfAbsent(c, down));
        });
        List<String> words = Arrays.stream(
                        view.value("filter").toLowerCase(Locale.ROOT).split("\\s+"))
                .filter(w -> !w.isEmpty())
                .limit(MOST_WORDS)
                .toList();
        return new RigTable(columns.isEmpty() ? TableColumn.USUAL : columns, sort, words);
    }

    /** True when a column shows something of other fixtures, so that a row may change though its fixture does not. */
    boolean showsOthers() {
        return columns.contains(TableColumn.MIRRORS);
    }

    /** The fixtures in the order of the table. */
    public List<Fixture> rows(Plan plan) {
        List<Fixture> rows = new ArrayList<>(
                plan.fixtures().stream().filter(f -> fits(plan, f)).toList());
        Optional<Comparator<Fixture>> order = sort.entrySet().stream()
                .map(e -> e.getValue()
                        ? e.getKey().order(plan).reversed()
                        : e.getKey().order(plan))
                .reduce(Comparator::thenComparing);
        order.ifPresent(rows::sort);
        return rows;
    }

    private boolean fits(Plan plan, Fixture fixture) {
        return words.stream().allMatch(w -> has(plan, fixture, w));
    }

    private static boolean has(Plan plan, Fixture fixture, String word) {
        int colon = word.indexOf(':');
        Optional<TableColumn> column = colon < 1 ? Optional.empty() : TableColumn.of(word.substring(0, colon));
        if (column.isPresent()) {
            return text(column.get(), plan, fixture).contains(word.substring(colon + 1));
        }
        return Arrays.stream(TableColumn.values())
                .anyMatch(c -> text(c, plan, fixture).contains(word));
    }

    private static String text(TableColumn column, Plan plan, Fixture fixture) {
        return column.text(plan, fixture).toLowerCase(Locale.ROOT);
    }
}
