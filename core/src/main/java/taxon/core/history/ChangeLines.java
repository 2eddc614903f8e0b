package taxon.core.history;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.addressing.text.WishText;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Box;
import taxon.core.rig.Element;
import taxon.core.rig.ElementCases;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Line;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import taxon.core.rig.Position;
import taxon.core.rig.RadioLink;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Share;
import taxon.core.rig.Traits;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.Universe;
import taxon.core.setting.MenuText;

/** Says what a change did. Names are looked up in one plan; what that no longer holds is told by its number. */
public final class ChangeLines {
    private final Plan names;
    private final ElementCases<String> subject = new Subject();
    private final ElementCases<String> words = new Words();
    private final ElementCases<Map<String, String>> fields;
    private final List<ChangeLine> lines = new ArrayList<>();

    private ChangeLines(Plan names) {
        this.names = names;
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
        compare(before, after, "Type", this::type);
        compare(before, after, "Mode", Fixture::mode);
        compare(before, after, "Position", f -> position(f.position()));
        compare(before, after, "Unit", f -> Integer.toString(f.unit()));
        compare(before, after, "Offset", this::offset);
        compare(before, after, "Address", ChangeLines::addresses);
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

    private String type(Fixture fixture) {
        return names.types()
                .find(fixture.type())
                .map(FixtureType::fullName)
                .orElse(fixture.type().value());
    }

    private String position(int number) {
        return names.position(number).map(Position::name).orElse("position " + number);
    }

    private String offset(Fixture fixture) {
        return fixture.offset().map(names.sheet().view().unit()::words).orElse("");
    }

    private static String addresses(Fixture fixture) {
        return fixture.addresses().entrySet().stream()
                .map(e -> (fixture.addresses().size() > 1 || e.getKey() > 1 ? "block " + e.getKey() + " " : "")
                        + e.getValue())
                .collect(Collectors.joining(", "));
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

    /** Of what a line tells. */
    private final class Subject implements ElementCases<String> {
        @Override
        public String jobSheet(JobSheet jobSheet) {
            return "Job sheet";
        }

        @Override
        public String type(RigType type) {
            return type.type().fullName();
        }

        @Override
        public String position(Position position) {
            return words.position(position);
        }

        @Override
        public String box(Box box) {
            return words.box(box);
        }

        @Override
        public String line(Line line) {
            return words.line(line);
        }

        @Override
        public String radioLink(RadioLink link) {
            return "Link of " + NetworkText.receiver(names, link.receiver());
        }

        @Override
        public String universe(Universe universe) {
            return "Universe " + universe.number();
        }

        @Override
        public String reservedRun(ReservedRun reservedRun) {
            return words.reservedRun(reservedRun);
        }

        @Override
        public String fixture(Fixture fixture) {
            return fixture.label();
        }

        @Override
        public String evidence(BlockEvidence evidence) {
            return names.fixture(evidence.ref().fixture())
                    .map(Fixture::label)
                    .orElse("no. " + evidence.ref().fixture());
        }

        @Override
        public String check(UnitCheck check) {
            return names.fixture(check.fixture()).map(Fixture::label).orElse("no. " + check.fixture());
        }

        @Override
        public String group(Group group) {
            return words.group(group);
        }

        @Override
        public String share(Share share) {
            return words.share(share);
        }

        @Override
        public String wish(KeptWish wish) {
            return wish.number() == KeptWish.IN_FORCE ? "Wish in force" : "Wish " + wish.name();
        }
    }

    /** What an element is, in few words. */
    private final class Words implements ElementCases<String> {
        @Override
        public String jobSheet(JobSheet jobSheet) {
            return jobSheet.name();
        }

        @Override
        public String type(RigType type) {
            String menu = type.menu().values().entrySet().stream()
                    .map(v -> v.getKey() + " = " + v.getValue())
                    .collect(Collectors.joining("; "));
            return type.type().fullName() + (menu.isEmpty() ? "" : ", menu " + menu);
        }

        @Override
        public String position(Position position) {
            return position.name();
        }

        @Override
        public String box(Box box) {
            return NetworkText.box(box);
        }

        @Override
        public String line(Line line) {
            return "Line " + line.name() + ", " + line.stops().size()
                    + (line.stops().size() == 1 ? " stop" : " stops");
        }

        @Override
        public String radioLink(RadioLink link) {
            return link.lost().map(l -> "lost after " + l.after()).orElse("to " + NetworkText.port(names, link.to()));
        }

        @Override
        public String universe(Universe universe) {
            return (universe.label() + " " + NetworkText.ways(names, universe)).strip();
        }

        @Override
        public String reservedRun(ReservedRun reservedRun) {
            return new StartAddress(
                            reservedRun.universe(), Slot.of(reservedRun.slots().first())) + " to "
                    + reservedRun.slots().last() + " " + reservedRun.label();
        }

        @Override
        public String fixture(Fixture fixture) {
            return ChangeLines.this.type(fixture) + ", " + ChangeLines.this.position(fixture.position()) + " "
                    + fixture.unit()
                    + Optional.of(addresses(fixture))
                            .filter(a -> !a.isEmpty())
                            .map(a -> ", " + a)
                            .orElse("");
        }

        @Override
        public String evidence(BlockEvidence evidence) {
            return "what is known of the unit";
        }

        @Override
        public String check(UnitCheck check) {
            return check.item().name() + " checked: " + check.seen().words()
                    + (check.note().isEmpty() ? "" : ", " + check.note());
        }

        @Override
        public String group(Group group) {
            return group.name();
        }

        @Override
        public String share(Share share) {
            return share.blocks().size() + " blocks that share an address";
        }

        @Override
        public String wish(KeptWish wish) {
            return WishText.sentence(wish.wish());
        }
    }
}
