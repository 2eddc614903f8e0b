package taxon.app.handover;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.app.handover.Handover.Line;
import taxon.app.store.HandoverStore.Note;
import taxon.app.store.HandoverStore.SignOff;
import taxon.app.store.HandoverStore.TypeValue;
import taxon.core.finding.Severity;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;
import taxon.formats.json.Json;

/**
 * What stands on the page of a hand-over, and on its summary.
 *
 * @param verdict whether it can be handed over
 * @param ready true when it can
 * @param signed who signed off, the newest first, with what was done since
 */
public record HandoverView(
        String verdict,
        boolean ready,
        List<Row> open,
        List<Row> taken,
        List<Signed> signed,
        List<Subject> subjects,
        List<Said> notes,
        List<Value> values) {

    /** One thing that stands in the way. */
    public record Row(String about, String weight, String sentence, String reason, String who, String at) {}

    /** Who signed off. */
    public record Signed(String side, String who, String at, String note, String since) {}

    /** Of what there may be a note, or a value. */
    public record Subject(String about, String name, boolean isType) {
        /** The type's own name, where it is one. */
        public String type() {
            return isType ? about.substring("type ".length()) : "";
        }
    }

    /** A note about something. */
    public record Said(String about, String name, String words) {}

    /** A value of a type. */
    public record Value(String type, String typeName, String name, String value) {}

    static HandoverView of(
            Plan plan, long version, List<Line> lines, List<SignOff> signed, List<Note> notes, List<TypeValue> values) {
        List<Row> open =
                lines.stream().filter(Line::isOpen).map(HandoverView::row).toList();
        List<Row> taken =
                lines.stream().filter(l -> !l.isOpen()).map(HandoverView::row).toList();
        List<Subject> subjects = subjects(plan);
        Map<String, String> names = subjects.stream().collect(Collectors.toMap(Subject::about, Subject::name));
        Set<TypeId> types = plan.fixtures().stream().map(Fixture::type).collect(Collectors.toSet());
        return new HandoverView(
                verdict(open.size(), taken.size()),
                open.isEmpty(),
                open,
                taken,
                signed.stream().map(s -> signed(s, version)).toList(),
                subjects,
                notes.stream()
                        .filter(n -> names.containsKey(n.about()))
                        .map(n -> new Said(n.about(), names.getOrDefault(n.about(), ""), n.words()))
                        .toList(),
                values.stream()
                        .filter(v -> types.contains(v.type()))
                        .map(v -> new Value(
                                v.type().value(),
                                names.getOrDefault("type " + v.type(), v.type().value()),
                                v.name(),
                                v.value()))
                        .toList());
    }

    private static String verdict(int open, int taken) {
        String over =
                taken == 0 ? "" : " " + Counted.of(taken, "thing") + (taken == 1 ? " was" : " were") + " taken over.";
        return open == 0
                ? "It can be handed over." + over
                : "It cannot be handed over yet: " + Counted.of(open, "thing") + (open == 1 ? " stands" : " stand")
                        + " in the way." + over;
    }

    private static Row row(Line line) {
        return new Row(
                line.about(),
                line.obstacle().weight() == Severity.STOP ? "stop" : "warn",
                line.obstacle().sentence(),
                line.taken().map(t -> t.reason()).orElse(""),
                line.taken().map(t -> t.who()).orElse(""),
                line.taken().map(t -> minute(t.at())).orElse(""));
    }

    private static Signed signed(SignOff sign, long version) {
        long edits = version - sign.version();
        return new Signed(
                Json.slug(sign.side()),
                sign.who(),
                minute(sign.at()),
                sign.note(),
                edits == 0 ? "as it is now" : Counted.of(edits, "change") + " since");
    }

    private static String minute(Instant at) {
        return at.truncatedTo(ChronoUnit.MINUTES)
                .toString()
                .replace("T", " ")
                .replace(":00Z", " UTC")
                .replace("Z", " UTC");
    }

    /** The groups and the types of a plan. */
    static List<Subject> subjects(Plan plan) {
        List<Subject> subjects = new ArrayList<>();
        plan.groups().forEach(g -> subjects.add(new Subject("group " + g.number(), g.name(), false)));
        plan.fixtures().stream()
                .map(plan::type)
                .distinct()
                .forEach(t -> subjects.add(new Subject("type " + t.id(), t.fullName(), true)));
        return subjects;
    }
}
