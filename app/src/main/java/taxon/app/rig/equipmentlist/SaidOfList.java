package taxon.app.rig.equipmentlist;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.form.Fields;
import taxon.app.lists.NumberAnswers;
import taxon.app.lists.SaidOfColumns;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.equipmentlist.ListChoices.TakenAddresses;
import taxon.core.equipmentlist.ListChoices.TakenIds;
import taxon.core.equipmentlist.TypeWords;
import taxon.core.fixture.TypeId;
import taxon.core.listing.KeptMapping;
import taxon.core.listing.ListRow;

/** What a form says of a list. A form holds some of it; what it does not name stays as it was. */
final class SaidOfList {
    private static final Pattern CHOICE = Pattern.compile("choice-(\\d{1,7})");

    private final Fields fields;
    private final Supplier<GivenList> list;
    private final SaidOfColumns columns;

    /** @param list as it was understood before; asked for only where it matters */
    SaidOfList(Fields fields, Supplier<GivenList> list) {
        this.fields = fields;
        this.list = list;
        columns = new SaidOfColumns(fields, () -> {
            GivenList given = list.get();
            return new SaidOfColumns.Table(
                    given.rows(),
                    given.reading().map(r -> r.columns().headerLine()).orElse(0));
        });
    }

    /** What the columns hold, where it is to be kept by a name. */
    Optional<KeptMapping> toKeep() {
        return columns.toKeep();
    }

    ListRequest applyTo(ListRequest before, Map<String, String[]> form) {
        ListRequest now = before.with(columns.applyTo(before.look(), form));
        return columns.isOtherSheet(before.look(), form) ? now : now.with(choices(now.choices(), form));
    }

    private ListChoices choices(ListChoices before, Map<String, String[]> form) {
        return new ListChoices(
                types(before.types(), form),
                NumberAnswers.said(fields, form, before.answers()),
                fields.choice("ids", TakenIds.class, before.ids()).orElse(before.ids()),
                fields.choice("addresses", TakenAddresses.class, before.addresses())
                        .orElse(before.addresses()));
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
