package taxon.app.rig.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.app.frame.PageView;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;

/**
 * Which rows the rig table shows, in which order and with which columns: what the address of the page asks for.
 *
 * @param columns to show, the ID first
 * @param sort by which columns, each with true for descending; none means the order of the IDs
 * @param words that a row must all have; "position:crane" must be in that column. A cell or layer has those of its fixture, too
 * @param withParts true when cells and layers are rows of their own, below their fixture
 */
public record RigTable(
        List<TableColumn> columns, Map<TableColumn, Boolean> sort, List<String> words, boolean withParts) {
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
        boolean withParts = !view.value("parts").isEmpty();
        return new RigTable(columns.isEmpty() ? usual(withParts) : columns, sort, words, withParts);
    }

    /** True when a column shows something of other fixtures, so that a row may change though its fixture does not. */
    boolean showsOthers() {
        return columns.stream().anyMatch(TableColumn::showsOthers);
    }

    private static List<TableColumn> usual(boolean withParts) {
        return withParts ? TableColumn.OF_PARTS : TableColumn.USUAL;
    }

    /** The rows in the order of the table. */
    public List<RigPart> rows(Plan plan) {
        RowTexts texts = new RowTexts(plan);
        List<Fixture> fixtures = new ArrayList<>(plan.fixtures());
        Optional<Comparator<Fixture>> order = sort.entrySet().stream()
                .map(e -> e.getValue()
                        ? e.getKey().order(texts).reversed()
                        : e.getKey().order(texts))
                .reduce(Comparator::thenComparing);
        order.ifPresent(fixtures::sort);
        return fixtures.stream().flatMap(f -> rows(texts, f)).toList();
    }

    private Stream<RigPart> rows(RowTexts texts, Fixture fixture) {
        RigPart whole = RigPart.whole(fixture);
        List<String> missing = words.stream().filter(w -> !has(texts, whole, w)).toList();
        Stream<RigPart> parts = withParts ? RigPart.of(texts.plan(), fixture).stream() : Stream.empty();
        return Stream.concat(
                missing.isEmpty() ? Stream.of(whole) : Stream.empty(),
                parts.filter(p -> missing.stream().allMatch(w -> has(texts, p, w))));
    }

    private static boolean has(RowTexts texts, RigPart row, String word) {
        int colon = word.indexOf(':');
        Optional<TableColumn> column = colon < 1 ? Optional.empty() : TableColumn.of(word.substring(0, colon));
        if (column.isPresent()) {
            return text(column.get(), texts, row).contains(word.substring(colon + 1));
        }
        return Arrays.stream(TableColumn.values())
                .anyMatch(c -> text(c, texts, row).contains(word));
    }

    private static String text(TableColumn column, RowTexts texts, RigPart row) {
        return column.text(texts, row).toLowerCase(Locale.ROOT);
    }

    /** "95 rows", "12 of 95 rows", "95 rows and 64 of cells and layers". */
    public String counted(Plan plan, List<RigPart> rows) {
        long wholes = rows.stream().filter(RigPart::isWhole).count();
        int all = plan.fixtures().size();
        String fixtures = wholes == all ? all + " rows" : wholes + " of " + all + " rows";
        return withParts ? fixtures + " and " + (rows.size() - wholes) + " of cells and layers" : fixtures;
    }
}
