package taxon.core.handover;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.checklist.CheckProgress;
import taxon.core.compare.Comparison;
import taxon.core.compare.PatternText;
import taxon.core.compare.PlanPatch;
import taxon.core.history.ChangeLine;
import taxon.core.history.ChangeLines;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import taxon.core.rig.Traits;

/** What a change means, told for those whom it concerns: what crew has to touch, what the network has to set, what the programmer has to patch. */
public final class AudienceNotice {
    private final Plan before;
    private final Plan after;
    private final PlanDelta delta;

    private AudienceNotice(Plan before, Plan after) {
        this.before = before;
        this.after = after;
        delta = PlanDelta.between(before, after);
    }

    /** For whom. */
    public enum Audience {
        CREW,
        NETWORK,
        PROGRAMMER
    }

    /**
     * One thing to do or to know.
     *
     * @param where a position, or a universe; may be empty
     * @param who a unit, a box or a universe
     */
    public record Line(String where, String who, String what, String was, String is) {}

    /**
     * For one audience.
     *
     * @param heading what it comes to, with counts
     * @param patterns what explains many lines at once
     * @param lines for crew in walking order
     */
    public record Notice(Audience audience, String heading, List<String> patterns, List<Line> lines) {
        public Notice {
            patterns = List.copyOf(patterns);
            lines = List.copyOf(lines);
        }
    }

    /** What changed from one plan to another, for one audience. */
    public static Notice of(Plan before, Plan after, Audience audience) {
        AudienceNotice notice = new AudienceNotice(before, after);
        return switch (audience) {
            case CREW -> notice.crew();
            case NETWORK -> notice.network();
            case PROGRAMMER -> notice.programmer();
        };
    }

    /** The fixtures that changed, came or went, along the rig as it is now; those that went last, where they hung. */
    private Stream<FixtureKey> along() {
        Stream<Fixture> here = CheckProgress.along(after).stream();
        Stream<Fixture> gone = CheckProgress.along(before).stream()
                .filter(f -> after.fixture(f.key()).isEmpty());
        return Stream.concat(here, gone)
                .map(Fixture::key)
                .filter(k -> delta.changes().containsKey(Fixture.keyOf(k)));
    }

    private Notice crew() {
        List<Line> lines = new ArrayList<>();
        along().forEach(key -> touch(before.fixture(key), after.fixture(key), lines));
        long units =
                lines.stream().map(l -> l.where() + "\n" + l.who()).distinct().count();
        String heading = units == 0
                ? "No unit has to be touched."
                : units + (units == 1 ? " unit has" : " units have") + " to be touched, in walking order.";
        return new Notice(Audience.CREW, heading, List.of(), lines);
    }

    private void touch(Optional<Fixture> was, Optional<Fixture> is, List<Line> lines) {
        if (was.isEmpty() || is.isEmpty()) {
            Fixture one = is.or(() -> was).orElseThrow();
            Plan plan = is.isPresent() ? after : before;
            String settings = plan.type(one).fullName() + ", " + one.mode() + ", " + addresses(one);
            lines.add(new Line(
                    plan.position(one).name(),
                    one.label(),
                    is.isPresent() ? "hang it and set it" : "take it down",
                    is.isPresent() ? "" : settings,
                    is.isPresent() ? settings : ""));
            return;
        }
        Fixture old = was.get();
        Fixture now = is.get();
        String where = after.position(now).name();
        line(
                lines,
                where,
                now,
                "type",
                before.type(old).fullName(),
                after.type(now).fullName());
        line(lines, where, now, "mode", old.mode(), now.mode());
        line(lines, where, now, "address", addresses(old), addresses(now));
        line(lines, where, now, "position", before.position(old).name(), where);
        line(lines, where, now, "directions", directions(old.traits()), directions(now.traits()));
        line(lines, where, now, "label", old.label(), now.label());
    }

    private static void line(List<Line> lines, String where, Fixture who, String what, String was, String is) {
        if (!was.equals(is)) {
            lines.add(new Line(where, who.label(), what, was, is));
        }
    }

    private static String addresses(Fixture fixture) {
        return fixture.addresses().isEmpty()
                ? "no address"
                : fixture.addresses().values().stream().map(Object::toString).collect(Collectors.joining(", "));
    }

    private static String directions(Traits traits) {
        List<String> words = new ArrayList<>();
        if (traits.panReversed()) {
            words.add("pan reversed");
        }
        if (traits.tiltReversed()) {
            words.add("tilt reversed");
        }
        if (traits.axesSwapped()) {
            words.add("axes swapped");
        }
        return words.isEmpty() ? "as built" : String.join(", ", words);
    }

    private Notice network() {
        List<Line> lines = new ArrayList<>();
        delta.changes().forEach((key, change) -> {
            if (isOfNetwork(key)) {
                words(key, change).forEach(l -> lines.add(new Line("", l.who(), l.what(), l.before(), l.after())));
            }
        });
        long things = lines.stream().map(Line::who).distinct().count();
        String heading = things == 0
                ? "Nothing of the network has to be set."
                : things + (things == 1 ? " box, line or universe" : " boxes, lines or universes") + " to look at.";
        return new Notice(Audience.NETWORK, heading, List.of(), lines);
    }

    private static boolean isOfNetwork(ElementKey key) {
        return key.kind() == Kind.BOX
                || key.kind() == Kind.UNIVERSE
                || key.kind() == Kind.LINE
                || key.kind() == Kind.LINK
                || key.kind() == Kind.RESERVED_RUN;
    }

    private List<ChangeLine> words(ElementKey key, Change change) {
        TreeMap<ElementKey, Change> one = new TreeMap<>();
        one.put(key, change);
        Plan names = change.after().isPresent() ? after : before;
        return ChangeLines.of(new PlanDelta(one), names);
    }

    /** Patterns first; then what moved, what is new and what is gone, and what is to be known. */
    private Notice programmer() {
        Comparison comparison = Comparison.of(PlanPatch.of(before), PlanPatch.of(after));
        List<String> patterns =
                comparison.patterns().stream().map(PatternText::of).toList();
        List<Line> lines = new ArrayList<>();
        along().forEach(key -> {
            Change change =
                    Optional.ofNullable(delta.changes().get(Fixture.keyOf(key))).orElseThrow();
            words(Fixture.keyOf(key), change)
                    .forEach(l -> lines.add(new Line("", l.who(), l.what(), l.before(), l.after())));
        });
        delta.changes().forEach((key, change) -> {
            Element any = change.after().or(change::before).orElseThrow();
            if (key.kind() == Kind.GROUP || key.kind() == Kind.SHARE) {
                words(any.elementKey(), change)
                        .forEach(l -> lines.add(new Line("", l.who(), l.what(), l.before(), l.after())));
            }
        });
        return new Notice(Audience.PROGRAMMER, programmerHeading(), patterns, lines);
    }

    private String programmerHeading() {
        int fresh = 0;
        int gone = 0;
        int moved = 0;
        int modes = 0;
        for (Change change : delta.changes().values()) {
            boolean fixture = change.after().or(change::before).orElseThrow() instanceof Fixture;
            if (fixture && change.before().isEmpty()) {
                fresh++;
            } else if (fixture && change.after().isEmpty()) {
                gone++;
            } else if (fixture) {
                Fixture was = (Fixture) change.before().orElseThrow();
                Fixture is = (Fixture) change.after().orElseThrow();
                moved += was.addresses().equals(is.addresses()) ? 0 : 1;
                modes += was.mode().equals(is.mode()) && was.type().equals(is.type()) ? 0 : 1;
            }
        }
        return "To patch: " + moved + " moved, " + modes + " in another mode or type, " + fresh + " new, " + gone
                + " gone.";
    }
}
