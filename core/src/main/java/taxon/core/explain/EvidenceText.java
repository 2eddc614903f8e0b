package taxon.core.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import taxon.core.rig.Plan;

/**
 * What is known of a rig as people type it, a line for each: what was raised and what answered ("2.33: 103 tilt", "2.33: 103 pan other way,
 * 104", "2.1-256: 101, 102", "104 red: 105 green", "after 206: nothing"), and what units say of themselves ("205 says slot 34, mode wide").
 * Units are called by their labels; what one did may be left out.
 */
public final class EvidenceText {
    private static final int MOST_LINES = 120;
    private static final int MOST_EVIDENCE = 400;
    private static final int MOST_SHOWN = 60;
    private static final int LONGEST_LINE = 400;
    private static final Pattern SLOTS = Pattern.compile("(\\d{1,5} ?[./][\\d ./-]*(?:to[\\d ./]+)?):(.*)");
    private static final Pattern RAISED = Pattern.compile("(?i)raised (?:unit )?([^,:]+)[,:] ?(.+)");

    private final Answers answers;
    private final UnitLines units;
    private final ReadingText readings;

    public EvidenceText(Plan plan) {
        Labels labels = new Labels(plan);
        answers = new Answers(labels);
        units = new UnitLines(plan, labels, answers);
        readings = new ReadingText(plan, labels);
    }

    /**
     * What was read.
     *
     * @param faults sentences, one for each line that was not understood
     */
    public record Read(List<Evidence> evidence, List<String> faults) {
        public Read {
            evidence = List.copyOf(evidence);
            faults = List.copyOf(faults);
        }
    }

    /** Reads all lines; empty ones are left out. */
    public Read read(String text) {
        List<Evidence> evidence = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        List<String> lines = text.lines()
                // Runs of blanks become one, so that no pattern takes longer than its text is long.
                .map(l -> l.strip().replaceAll("\\s+", " "))
                .filter(l -> !l.isEmpty())
                .toList();
        for (String line : lines.subList(0, Math.min(MOST_LINES, lines.size()))) {
            try {
                evidence.addAll(line(line));
            } catch (NotUnderstoodException e) {
                faults.add("“" + shown(line) + "”: " + e.getMessage());
            }
        }
        if (lines.size() > MOST_LINES) {
            faults.add((lines.size() - MOST_LINES) + " lines are more than the " + MOST_LINES + " that are read.");
        }
        if (evidence.size() > MOST_EVIDENCE) {
            faults.add("That is about " + evidence.size() + " units; the first " + MOST_EVIDENCE + " are taken.");
        }
        return new Read(evidence.subList(0, Math.min(MOST_EVIDENCE, evidence.size())), faults);
    }

    private List<? extends Evidence> line(String line) throws NotUnderstoodException {
        if (line.length() > LONGEST_LINE) {
            throw new NotUnderstoodException(
                    "it has " + line.length() + " characters; a line takes " + LONGEST_LINE + ".");
        }
        Matcher slots = SLOTS.matcher(line);
        if (slots.matches()) {
            return List.of(new Observation(trial(slots.group(1)), answers.read(slots.group(2))));
        }
        Optional<Reading> reading = readings.read(line);
        if (reading.isPresent()) {
            return List.of(reading.get());
        }
        Matcher raised = RAISED.matcher(line);
        return units.read(raised.matches() ? raised.group(1).strip() + ": " + raised.group(2) : line);
    }

    private static String shown(String text) {
        return text.length() > MOST_SHOWN ? text.substring(0, MOST_SHOWN) + "…" : text;
    }

    private static Trial trial(String slots) throws NotUnderstoodException {
        return Trial.read(slots)
                .orElseThrow(
                        () -> new NotUnderstoodException("slots are 1 to 512 of one universe, the lower one first."));
    }

    /** A line that {@link #read} reads to the same. */
    public String of(Evidence evidence) {
        return evidence instanceof Observation seen ? of(seen) : readings.of((Reading) evidence);
    }

    private String of(Observation observation) {
        return of(observation.trial(), observation.seen());
    }

    /** Slots and what answered. */
    public String of(Trial trial, Set<Response> seen) {
        String words = seen.stream().map(answers::of).sorted().collect(Collectors.joining(", "));
        return trial + ": " + (words.isEmpty() ? "nothing" : words);
    }
}
