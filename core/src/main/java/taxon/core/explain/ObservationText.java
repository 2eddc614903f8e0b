package taxon.core.explain;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.AttributeWords;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * What was raised and what answered, as people type it, a line for each: "2.33: 103 tilt", "2.33: 103 pan other way, 104", "2.1-256: 101,
 * 102", "2.33: nothing". Units are called by their labels; what one did may be left out.
 */
public final class ObservationText {
    private static final int MOST_LINES = 60;
    private static final int MOST_SLOTS = 512;
    private static final int MOST_SHOWN = 60;
    private static final Pattern LINE = Pattern.compile(
            "\\s*(\\d{1,5})\\s*[./]\\s*(\\d{1,3})(?:\\s*(?:-|to)\\s*(?:(\\d{1,5})\\s*[./]\\s*)?(\\d{1,3}))?\\s*:(.*)");
    private static final Pattern OTHER_WAY =
            Pattern.compile("(?i)(.*?)\\s*(?:,?\\s*(?:the\\s+)?other way(?:\\s+round)?)\\s*");
    private static final Pattern NOTHING = Pattern.compile("(?i)nothing|none|-|no one|nobody|");

    private final Plan plan;

    public ObservationText(Plan plan) {
        this.plan = plan;
    }

    /**
     * What was read.
     *
     * @param faults sentences, one for each line that was not understood
     */
    public record Read(List<Observation> observations, List<String> faults) {
        public Read {
            observations = List.copyOf(observations);
            faults = List.copyOf(faults);
        }
    }

    /** Reads all lines; empty ones are left out. */
    public Read read(String text) {
        List<Observation> observations = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        List<String> lines = text.lines()
                // Runs of blanks become one, so that no pattern takes longer than its text is long.
                .map(l -> l.strip().replaceAll("\\s+", " "))
                .filter(l -> !l.isEmpty())
                .toList();
        for (String line : lines.subList(0, Math.min(MOST_LINES, lines.size()))) {
            read(line, observations, faults);
        }
        if (lines.size() > MOST_LINES) {
            faults.add((lines.size() - MOST_LINES) + " lines are more than the " + MOST_LINES + " that are read.");
        }
        return new Read(observations, faults);
    }

    private void read(String line, List<Observation> observations, List<String> faults) {
        Matcher matcher = LINE.matcher(line);
        Optional<Trial> trial = matcher.matches() ? trial(matcher) : Optional.empty();
        if (trial.isEmpty()) {
            faults.add("“" + shown(line) + "”: it takes slots, a colon and what answered, such as 2.33: 103 tilt.");
            return;
        }
        Set<Response> seen = new LinkedHashSet<>();
        for (String part : matcher.group(5).split("[,;]")) {
            if (!NOTHING.matcher(part.strip()).matches()) {
                Optional<Response> response = response(part.strip());
                response.ifPresentOrElse(
                        seen::add,
                        () -> faults.add("“" + shown(part.strip()) + "” names no unit of the plan by its label."));
                if (response.isEmpty()) {
                    return;
                }
            }
        }
        observations.add(new Observation(trial.get(), seen));
    }

    private static String shown(String text) {
        return text.length() > MOST_SHOWN ? text.substring(0, MOST_SHOWN) + "…" : text;
    }

    private static Optional<Trial> trial(Matcher matcher) {
        int universe = Integer.parseInt(matcher.group(1));
        int first = Integer.parseInt(matcher.group(2));
        int last = matcher.group(4) == null ? first : Integer.parseInt(matcher.group(4));
        boolean same = matcher.group(3) == null || Integer.parseInt(matcher.group(3)) == universe;
        boolean legal = UniverseNumber.isLegal(universe) && first >= 1 && last <= MOST_SLOTS && first <= last && same;
        return legal
                ? Optional.of(new Trial(UniverseNumber.of(universe), new SlotRange(first, last)))
                : Optional.empty();
    }

    /** The longest label that the words begin with names the unit; what is left says what it did. */
    private Optional<Response> response(String words) {
        Optional<Fixture> unit = plan.fixtures().stream()
                .filter(f -> begins(words, f.label()))
                .max(java.util.Comparator.comparingInt(f -> f.label().length()));
        return unit.map(f -> response(f, words.substring(f.label().length()).strip()));
    }

    private static boolean begins(String words, String label) {
        return words.regionMatches(true, 0, label, 0, label.length())
                && (words.length() == label.length() || !Character.isLetterOrDigit(words.charAt(label.length())));
    }

    private static Response response(Fixture unit, String did) {
        Matcher otherWay = OTHER_WAY.matcher(did);
        boolean reversed = otherWay.matches();
        String what = reversed ? otherWay.group(1).strip() : did;
        Optional<Attribute> attribute = what.isEmpty()
                ? Optional.empty()
                : Optional.of(AttributeWords.read(what).attribute());
        return new Response(unit.key(), attribute, reversed);
    }

    /** A line that {@link #read} reads to the same. */
    public String of(Observation observation) {
        String seen = observation.seen().stream().map(this::of).sorted().collect(Collectors.joining(", "));
        return observation.trial() + ": " + (seen.isEmpty() ? "nothing" : seen);
    }

    /** "103 tilt, the other way round". */
    public String of(Response response) {
        String label = plan.fixture(response.unit()).map(Fixture::label).orElse("a unit that is not planned");
        return label
                + response.what().map(a -> " " + AttributeBook.words(a)).orElse("")
                + (response.otherWay() ? " other way" : "");
    }
}
