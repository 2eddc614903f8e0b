package taxon.app.rig.equipmentlist;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.form.Fields;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.equipmentlist.ListChoices.TakenAddresses;
import taxon.core.equipmentlist.ListChoices.TakenIds;
import taxon.core.equipmentlist.TypeWords;
import taxon.core.fixture.TypeId;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.KeptMapping;
import taxon.core.listing.ListRow;
import taxon.core.listing.NumberDoubt;
import taxon.core.listing.TableRow;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** What a form says of a list. A form holds some of it; what it does not name stays as it was. */
final class SaidOfList {
    private static final Pattern CHOICE = Pattern.compile("choice-(\\d{1,7})");
    private static final Pattern COLUMN = Pattern.compile("column-(\\d{1,3})");
    private static final Pattern ANSWER = Pattern.compile("answer\\.([a-z-]{1,20})\\.([a-z-]{1,30})");

    private final Fields fields;
    private final Supplier<GivenList> list;
    private Optional<KeptMapping> toKeep = Optional.empty();

    /** @param list as it was understood before; asked for only where it matters */
    SaidOfList(Fields fields, Supplier<GivenList> list) {
        this.fields = fields;
        this.list = list;
    }

    /** What the columns hold, where it is to be kept by a name. */
    Optional<KeptMapping> toKeep() {
        return toKeep;
    }

    ListRequest applyTo(ListRequest before, Map<String, String[]> form) {
        ListRequest now = before;
        if (form.containsKey("sheet") && !fields.text("sheet").equals(before.sheet())) {
            return now.onSheet(fields.raw("sheet"));
        }
        if (form.containsKey("kept")) {
            now = now.keptBy(fields.text("kept"));
        } else if (form.containsKey("header")) {
            now = columns(now, form);
        }
        return now.with(choices(now.choices(), form));
    }

    private ListRequest columns(ListRequest before, Map<String, String[]> form) {
        Optional<Integer> header = fields.number("header", "line of the header", 0, 999_999);
        GivenList given = list.get();
        int headerNow = given.reading().map(r -> r.columns().headerLine()).orElse(0);
        if (header.isEmpty()) {
            return before;
        }
        if (header.get() != headerNow) {
            return before.with(guessed(given, header.get()));
        }
        Map<Integer, Column> columns = new TreeMap<>();
        form.forEach((name, values) -> {
            Matcher column = COLUMN.matcher(name);
            if (column.matches() && !values[0].isBlank()) {
                fields.choice(name, Column.class, Column.NOTE)
                        .ifPresent(c -> put(columns, Integer.parseInt(column.group(1)), c));
            }
        });
        if (fields.isFaulty()) {
            return before;
        }
        ColumnMap map = new ColumnMap(header.get(), columns);
        if (fields.has("keepAs")) {
            fields.build("keepAs", () -> Texts.requireLine("name", fields.text("keepAs"), KeptMapping.LONGEST_NAME));
            toKeep = Optional.of(KeptMapping.of(fields.text("keepAs"), given.rows(), map));
        }
        return before.with(map);
    }

    private void put(Map<Integer, Column> columns, int index, Column column) {
        if (columns.containsValue(column)) {
            fields.refuse("header", "Two columns cannot both hold the " + column.words() + ".");
        } else {
            columns.put(index, column);
        }
    }

    private static ColumnMap guessed(GivenList given, int line) {
        for (int i = 0; i < given.rows().size(); i++) {
            TableRow row = given.rows().get(i);
            if (row.line() == line) {
                return ColumnGuess.under(given.rows(), i);
            }
        }
        return ColumnMap.unknown(0);
    }

    private ListChoices choices(ListChoices before, Map<String, String[]> form) {
        Map<NumberDoubt.Key, NumberDoubt.Answer> answers = new HashMap<>(before.answers());
        form.forEach((name, values) -> {
            Matcher answer = ANSWER.matcher(name);
            if (answer.matches() && !values[0].isBlank()) {
                Optional<NumberDoubt.Key> key = key(answer);
                if (key.isEmpty()) {
                    fields.refuse(name, "Nothing of that kind is asked.");
                }
                key.ifPresent(k -> fields.choice(name, NumberDoubt.Answer.class, NumberDoubt.Answer.PLAIN)
                        .ifPresent(a -> answers.put(k, a)));
            }
        });
        return new ListChoices(
                types(before.types(), form),
                answers,
                fields.choice("ids", TakenIds.class, before.ids()).orElse(before.ids()),
                fields.choice("addresses", TakenAddresses.class, before.addresses())
                        .orElse(before.addresses()));
    }

    private static Optional<NumberDoubt.Key> key(Matcher answer) {
        return Arrays.stream(Column.values())
                .filter(c -> Json.slug(c).equals(answer.group(1)))
                .flatMap(c -> Arrays.stream(NumberDoubt.Kind.values())
                        .filter(k -> Json.slug(k).equals(answer.group(2)))
                        .map(k -> new NumberDoubt.Key(c, k)))
                .findFirst();
    }

    /** What is chosen on one line holds for all rows that call their type the same. */
    private Map<TypeWords, Choice> types(Map<TypeWords, Choice> before, Map<String, String[]> form) {
        Map<TypeWords, Choice> types = new LinkedHashMap<>(before);
        form.forEach((name, values) -> {
            Matcher choice = CHOICE.matcher(name);
            if (choice.matches() && !values[0].isBlank()) {
                String[] wanted = (values[0] + "/").split("/", 2);
                String mode = wanted[1].isEmpty() ? "" : wanted[1].substring(0, wanted[1].length() - 1);
                Optional<TypeWords> words = words(Integer.parseInt(choice.group(1)));
                if (words.isEmpty()) {
                    fields.refuse(name, "The list has no row on line " + choice.group(1) + ".");
                }
                words.ifPresent(w -> fields.build(name, () -> new Choice(TypeId.of(wanted[0]), mode))
                        .ifPresent(c -> types.put(w, c)));
            }
        });
        return types;
    }

    private Optional<TypeWords> words(int line) {
        return list.get()
                .reading()
                .flatMap(r -> r.rows().stream()
                        .filter(row -> row.line() == line)
                        .findFirst()
                        .map((ListRow row) -> TypeWords.of(row)));
    }
}
