package taxon.app.types;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.app.form.Fields;
import taxon.app.form.FormFault;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.MenuSetting;
import taxon.core.fixture.MenuStep;
import taxon.core.fixture.Mode;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.SettingGuide.TenthSwitch;
import taxon.core.rig.MenuValues;

/** How the units of a type are set, as the fields of a form hold it. */
final class GuideForm {
    static final String NAME = "guide";

    /** Empty rows for further settings. */
    private static final int FURTHER = 3;

    private static final int MOST_ROWS = 45;

    private GuideForm() {}

    /** @param number counted from 1, the end of the names of its fields */
    record Row(int number, String name, String path, String factory, String choices, String value) {}

    /** @param number counted from 1, its place in the type */
    record ModeLine(int number, String name, boolean isOn) {}

    /** All that the page shows in its fields: what was sent last where that was refused. */
    record View(
            String before,
            String steps,
            String confirm,
            String factory,
            String perCase,
            boolean hasTenth,
            List<ModeLine> modes,
            List<Row> rows) {}

    static View view(FixtureType type, MenuValues values, FormFault fault) {
        SettingGuide guide = type.facts().guide();
        boolean again = fault.is(NAME);
        List<Row> known = new ArrayList<>();
        SortedMap<String, String> left = new TreeMap<>(values.values());
        for (MenuSetting setting : guide.menu()) {
            String value = Optional.ofNullable(left.remove(setting.name())).orElse("");
            known.add(new Row(
                    known.size() + 1,
                    setting.name(),
                    setting.path(),
                    setting.factory(),
                    String.join(", ", setting.choices()),
                    value));
        }
        left.forEach((name, value) -> known.add(new Row(known.size() + 1, name, "", "", "", value)));
        int rows = Math.min(MOST_ROWS, known.size() + FURTHER);
        return new View(
                fault.value(NAME, "before", guide.before()),
                fault.value(
                        NAME,
                        "steps",
                        guide.steps().stream().map(MenuStep::text).collect(Collectors.joining("\n"))),
                fault.value(NAME, "confirm", guide.confirm()),
                fault.value(NAME, "factory", guide.factory()),
                fault.value(
                        NAME,
                        "perCase",
                        guide.perCase().map(n -> Integer.toString(n)).orElse("")),
                again
                        ? !fault.value(NAME, "tenth", "").isEmpty()
                        : guide.tenth().isPresent(),
                modes(type, fault),
                IntStream.rangeClosed(1, rows)
                        .mapToObj(
                                n -> sent(n <= known.size() ? known.get(n - 1) : new Row(n, "", "", "", "", ""), fault))
                        .toList());
    }

    private static Row sent(Row row, FormFault fault) {
        int n = row.number();
        return new Row(
                n,
                fault.value(NAME, "name-" + n, row.name()),
                fault.value(NAME, "path-" + n, row.path()),
                fault.value(NAME, "factory-" + n, row.factory()),
                fault.value(NAME, "choices-" + n, row.choices()),
                fault.value(NAME, "value-" + n, row.value()));
    }

    private static List<ModeLine> modes(FixtureType type, FormFault fault) {
        List<Mode> modes = type.modes();
        return IntStream.range(0, modes.size())
                .mapToObj(i -> new ModeLine(
                        i + 1,
                        modes.get(i).name(),
                        fault.is(NAME)
                                ? !fault.value(NAME, "tenth-" + (i + 1), "").isEmpty()
                                : type.facts()
                                        .guide()
                                        .tenth()
                                        .filter(t ->
                                                t.onIn().contains(modes.get(i).name()))
                                        .isPresent()))
                .toList();
    }

    /** What was sent, as far as it can be. */
    record Sent(SettingGuide guide, MenuValues values) {}

    /** Reads the fields; empty where one of them is at fault. A row without a name is none, and must hold nothing else. */
    static Optional<Sent> read(Fields fields, FixtureType type) {
        Optional<List<MenuStep>> steps = fields.build("steps", () -> MenuStep.lines(fields.text("steps")));
        List<MenuSetting> menu = new ArrayList<>();
        SortedMap<String, String> values = new TreeMap<>();
        for (int n = 1; n <= MOST_ROWS; n++) {
            row(fields, n, menu, values);
        }
        Optional<Integer> perCase = fields.numberOrNone("perCase", "number in a case", 1, SettingGuide.MOST_PER_CASE);
        if (steps.isEmpty() || fields.isFaulty()) {
            return Optional.empty();
        }
        Optional<SettingGuide> guide = fields.build(
                "",
                () -> new SettingGuide(
                        fields.text("before"),
                        steps.get(),
                        fields.text("confirm"),
                        fields.text("factory"),
                        tenth(fields, type),
                        menu,
                        perCase));
        return guide.flatMap(g -> fields.build("", () -> new Sent(g, new MenuValues(values))));
    }

    private static void row(Fields fields, int n, List<MenuSetting> menu, SortedMap<String, String> values) {
        String name = fields.text("name-" + n);
        String value = fields.text("value-" + n);
        List<String> choices = Arrays.stream(fields.text("choices-" + n).split(","))
                .map(String::strip)
                .filter(c -> !c.isEmpty())
                .toList();
        String path = fields.text("path-" + n);
        String factory = fields.text("factory-" + n);
        if (name.isEmpty()) {
            if (!(value + path + factory).isEmpty() || !choices.isEmpty()) {
                fields.refuse("name-" + n, "Row " + n + " has no name; say what the setting is called.");
            }
            return;
        }
        fields.build("name-" + n, () -> menu.add(new MenuSetting(name, path, factory, choices)));
        if (!value.isEmpty()) {
            fields.build("value-" + n, () -> MenuSetting.requireValue(value));
            values.put(name, value);
        }
        if (!value.isEmpty() && !choices.isEmpty() && !choices.contains(value)) {
            fields.refuse(
                    "value-" + n,
                    "“" + value + "” is not among the choices of " + name + ": " + String.join(", ", choices) + ".");
        }
    }

    private static Optional<TenthSwitch> tenth(Fields fields, FixtureType type) {
        return fields.has("tenth")
                ? Optional.of(
                        new TenthSwitch(IntStream.rangeClosed(1, type.modes().size())
                                .filter(n -> fields.has("tenth-" + n))
                                .mapToObj(n -> type.modes().get(n - 1).name())
                                .collect(Collectors.toCollection(TreeSet::new))))
                : Optional.empty();
    }
}
