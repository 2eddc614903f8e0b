package taxon.core.history;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import taxon.core.rig.Element;
import taxon.core.rig.ElementCases;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import taxon.core.rig.Traits;
import taxon.core.setting.MenuText;

/** Says what a change did. Names are looked up in one plan; what that no longer holds is told by its number. */
public final class ChangeLines {
    private final Plan names;
    private final ElementWords words;
    private final ElementCases<String> subject;
    private final ElementCases<Map<String, String>> fields;
    private final List<ChangeLine> lines = new ArrayList<>();

    private ChangeLines(Plan names) {
        this.names = names;
        words = new ElementWords(names);
        subject = new ElementSubject(names, words);
        fields = new ElementFields(names);
    }

    /** @param names the plan in which types, positions and fixtures are looked up by name */
    public static List<ChangeLine> of(PlanDelta delta, Plan names) {
        ChangeLines text = new ChangeLines(names);
        delta.changes().values().forEach(text::add);
        return List.copyOf(text.lines);
    }

    private void add(Change change) {
        Element any = change.after().or(change::before).orElseThrow();
        if (change.before().isPresent() && change.after().isPresent()) {
            changed(change.before().get(), change.after().get());
        } else {
            boolean isNew = change.after().isPresent();
            lines.add(new ChangeLine(
                    any.match(subject),
                    isNew ? ChangeLine.ADDED : ChangeLine.GONE,
                    isNew ? "" : any.match(words),
                    isNew ? any.match(words) : ""));
        }
    }

    private void changed(Element before, Element after) {
        if (before instanceof Fixture one && after instanceof Fixture other) {
            fixture(one, other);
        } else if (!fields(before, after)) {
            String was = before.match(words);
            String is = after.match(words);
            lines.add(new ChangeLine(
                    before.match(subject), "changed", was.equals(is) ? "" : was, was.equals(is) ? "" : is));
        }
    }

    /** Tells each field that differs. @return false where none of those that have a name does */
    private boolean fields(Element before, Element after) {
        Map<String, String> was = before.match(fields);
        Map<String, String> is = after.match(fields);
        Set<String> all = new LinkedHashSet<>(was.keySet());
        all.addAll(is.keySet());
        List<ChangeLine> told = all.stream()
                .filter(f -> !was.getOrDefault(f, "").equals(is.getOrDefault(f, "")))
                .map(f -> new ChangeLine(before.match(subject), f, was.getOrDefault(f, ""), is.getOrDefault(f, "")))
                .toList();
        lines.addAll(told);
        return !told.isEmpty();
    }

    private void fixture(Fixture before, Fixture after) {
        compare(before, after, "ID", f -> f.id().map(FixtureId::toString).orElse(""));
        compare(before, after, "Type", words::typeOf);
        compare(before, after, "Mode", Fixture::mode);
        compare(before, after, "Position", f -> words.positionAt(f.position()));
        compare(before, after, "Unit", f -> Integer.toString(f.unit()));
        compare(before, after, "Offset", this::offset);
        compare(before, after, "Address", ElementWords::addresses);
        compare(before, after, "Name", Fixture::name);
        compare(before, after, "Note", Fixture::note);
        compare(before, after, "What to know", f -> traits(f.traits()));
    }

    private void compare(Fixture before, Fixture after, String what, Function<Fixture, String> text) {
        String was = text.apply(before);
        String is = text.apply(after);
        if (!was.equals(is)) {
            lines.add(new ChangeLine(before.label(), what, was, is));
        }
    }

    private String offset(Fixture fixture) {
        return fixture.offset().map(names.sheet().view().unit()::words).orElse("");
    }

    private static String traits(Traits traits) {
        List<String> words = new ArrayList<>();
        say(words, traits.purpose(), "");
        say(words, traits.colour(), "colour ");
        say(words, traits.panReversed() ? "pan reversed" : "", "");
        say(words, traits.tiltReversed() ? "tilt reversed" : "", "");
        say(words, traits.axesSwapped() ? "axes swapped" : "", "");
        say(words, traits.mirrors().map(FixtureKey::toString).orElse(""), "mirrors no. ");
        say(words, traits.hazard(), "hazard ");
        say(words, traits.line(), "line ");
        say(words, traits.locked() ? "locked" : "", "");
        traits.names().names().forEach((part, name) -> words.add(part + " named " + name));
        traits.parked().forEach(p -> words.add("parked " + p.block() + "." + p.offset() + " at " + p.value()));
        say(words, MenuText.of(traits.menu()), "menu ");
        return String.join(", ", words);
    }

    private static void say(List<String> words, String word, String before) {
        if (!word.isEmpty()) {
            words.add(before + word);
        }
    }
}
