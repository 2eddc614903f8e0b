package taxon.core.jot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import taxon.core.dmx.AddressText;
import taxon.core.history.ChangeLines;
import taxon.core.jot.JotMeaning.Changes;
import taxon.core.jot.JotMeaning.Chooses;
import taxon.core.jot.JotMeaning.Refused;
import taxon.core.jot.JotMeaning.Turns;
import taxon.core.jot.JotMeaning.Unfinished;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Refusal;
import taxon.core.rig.edit.Edit;

/** Reads a jot line. Nothing is changed by reading; what it would change is told. */
public final class JotLine {
    /** Longer lines are refused. */
    public static final int LONGEST = 400;

    static final int MOST_WAYS = 8;

    private final String line;
    private final Plan plan;
    private final Set<FixtureKey> chosen;
    private final JotNames names;

    private JotLine(String line, Plan plan, Set<FixtureKey> chosen, JotNames names) {
        this.line = line;
        this.plan = plan;
        this.chosen = chosen;
        this.names = names;
    }

    /**
     * Reads a line.
     *
     * @param chosen the fixtures that "chosen" means
     */
    public static JotMeaning read(String line, Plan plan, Set<FixtureKey> chosen, JotNames names) {
        if (line.length() > LONGEST) {
            return new Refused(
                    "The line has " + line.length() + " characters; it takes at most " + LONGEST + ".", List.of());
        }
        return new JotLine(line, plan, chosen, names).read();
    }

    private JotMeaning read() {
        String first = JotWords.verb(line);
        if (first.isEmpty()) {
            return new Unfinished("a word to begin with, or what to find", verbs(""));
        }
        Optional<JotVerb> verb = JotVerb.of(first);
        if (verb.isEmpty()) {
            JotMeaning found = find(line.strip());
            List<String> begun = line.contains(" ") ? List.of() : verbs(first);
            return found instanceof Refused && !begun.isEmpty() ? new Unfinished("the whole word", begun) : found;
        }
        JotWords words = JotWords.cut(line, verb.get().keys());
        return switch (verb.get()) {
            case ADD -> new JotAdd(this, words).read();
            case FIND ->
                words.subject().isEmpty()
                        ? unfinished("an ID, an address or a word", List.of())
                        : find(words.subject());
            case UNDO -> new Turns(true);
            case REDO -> new Turns(false);
            case ROUTE -> new JotNetwork(this, words, chosen).route();
            case IP -> new JotNetwork(this, words, chosen).ip();
            case CHOOSE, ALSO, WITHOUT -> choose(verb.get(), words);
            default -> new JotChange(this, verb.get(), words).read();
        };
    }

    private static List<String> verbs(String begun) {
        return Arrays.stream(JotVerb.values())
                .map(JotVerb::word)
                .filter(w -> w.startsWith(begun.toLowerCase(Locale.ROOT)))
                .map(w -> w + " ")
                .toList();
    }

    private JotMeaning choose(JotVerb verb, JotWords words) {
        if (words.subject().isEmpty()) {
            return unfinished("which fixtures", which().names(""));
        }
        JotWhich.Found found = which().read(words.subject());
        if (found.unknown().isPresent()) {
            return unknown(found.unknown().get(), words.subject());
        }
        Set<FixtureKey> keys = new TreeSet<>(verb == JotVerb.CHOOSE ? Set.of() : chosen);
        if (verb == JotVerb.WITHOUT) {
            keys.removeAll(found.keys());
        } else {
            keys.addAll(found.keys());
        }
        return new Chooses(keys);
    }

    /** Without a verb a line finds: an ID, whatever takes an address, or a word of a name, a type or a position. */
    private JotMeaning find(String wanted) {
        List<FixtureKey> found =
                JotFind.matching(plan, wanted).stream().map(f -> f.key()).toList();
        if (!found.isEmpty()) {
            return new Chooses(Set.copyOf(found));
        }
        boolean address = AddressText.read(wanted) instanceof AddressText.Read;
        return new Refused(
                (address ? "Nothing takes " : "Nothing is called ") + "“" + wanted
                        + "”; try a fixture ID, an address such as 2.73, or a word of a name, type or position.",
                List.of());
    }

    // What the parts of the grammar share

    Plan plan() {
        return plan;
    }

    JotNames names() {
        return names;
    }

    JotWhich which() {
        return new JotWhich(plan, chosen);
    }

    /** The line may go on with each of these words. */
    Unfinished unfinished(String expected, List<String> next) {
        String begun = line.endsWith(" ") ? line : line + " ";
        return new Unfinished(expected, next.stream().map(n -> begun + n).toList());
    }

    /** The last words of the line may be meant to be any of these. */
    Unfinished begun(String expected, String typed, List<String> next) {
        return new Unfinished(expected, ways(typed, next));
    }

    Refused refused(String sentence) {
        return new Refused(sentence, List.of());
    }

    Refused unknown(String word, String typed) {
        List<String> next = which().names(word);
        return new Refused(
                "No fixture is meant by “" + word
                        + "”; it takes IDs (201-204, 301), chosen, all, or the name of a type, a position or a group.",
                typed.endsWith(word) ? ways(word, next) : List.of());
    }

    private List<String> ways(String typed, List<String> next) {
        String stripped = line.stripTrailing();
        String before =
                stripped.endsWith(typed) ? stripped.substring(0, stripped.length() - typed.length()) : stripped + " ";
        return next.stream().limit(MOST_WAYS).map(n -> before + n).toList();
    }

    /** What an edit does, or why it cannot be done. */
    JotMeaning changes(Edit edit, List<String> remarks, Set<FixtureKey> after) {
        Edit.Outcome outcome = edit.applyTo(plan);
        if (outcome instanceof Edit.Refused no) {
            return refused(String.join(
                    " ", no.reasons().stream().map(Refusal::sentence).distinct().toList()));
        }
        Plan then = ((Edit.Changed) outcome).plan();
        PlanDelta delta = PlanDelta.between(plan, then);
        List<String> all = new ArrayList<>(remarks);
        if (delta.isEmpty()) {
            all.add("Nothing changes: it is so already.");
        }
        return new Changes(edit, ChangeLines.of(delta, then), all, after);
    }

    List<String> positions(String begun) {
        String word = begun.toLowerCase(Locale.ROOT);
        Stream<String> known = plan.positions().stream().map(p -> p.name());
        return known.filter(n -> n.toLowerCase(Locale.ROOT).startsWith(word))
                .limit(MOST_WAYS)
                .toList();
    }
}
