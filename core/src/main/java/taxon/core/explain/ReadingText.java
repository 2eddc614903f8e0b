package taxon.core.explain;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.dmx.Slot;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Mode;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;

/** What units say of themselves, in words: "205 says slot 34, mode wide, pan reversed", "206 says nothing". */
final class ReadingText {
    private static final Pattern SAYS = Pattern.compile("(?i)(.+?) says:? ?(.+)");
    private static final Pattern SLOT = Pattern.compile("(?i)(?:slot |\\d{1,5}\\.)?(\\d{1,3})");
    private static final Pattern MODE = Pattern.compile("(?i)mode (.+)");
    private static final String PAN_REVERSED = "pan reversed";
    private static final String TILT_REVERSED = "tilt reversed";
    private static final String EXCHANGED = "pan and tilt exchanged";
    private static final String STRAIGHT = "axes straight";

    private final Plan plan;
    private final Labels labels;

    ReadingText(Plan plan, Labels labels) {
        this.plan = plan;
        this.labels = labels;
    }

    /**
     * Reads a line; empty for one of another kind.
     *
     * @throws NotUnderstoodException when a part of it says nothing that is known
     */
    Optional<Reading> read(String line) throws NotUnderstoodException {
        Matcher says = SAYS.matcher(line);
        Optional<Labels.Said> unit = says.matches() ? labels.read(says.group(1)) : Optional.empty();
        if (unit.isEmpty() || !unit.get().words().isEmpty()) {
            return Optional.empty();
        }
        Fixture fixture = unit.get().unit();
        return Optional.of(
                Answers.isNothing(says.group(2))
                        ? Reading.silent(fixture.key())
                        : new Reading(fixture.key(), Optional.of(said(fixture, says.group(2)))));
    }

    private Reading.Said said(Fixture fixture, String words) throws NotUnderstoodException {
        List<Integer> starts = new ArrayList<>();
        Optional<Mode> mode = Optional.empty();
        Set<String> axes = new LinkedHashSet<>();
        for (String part : words.split(",")) {
            String one = part.strip();
            Matcher slot = SLOT.matcher(one);
            Matcher named = MODE.matcher(one);
            if (slot.matches() && Slot.isLegal(Integer.parseInt(slot.group(1)))) {
                starts.add(Integer.parseInt(slot.group(1)));
            } else if (named.matches()) {
                mode = Optional.of(mode(fixture, named.group(1).strip()));
            } else if (axis(one).isPresent()) {
                axes.add(axis(one).get());
            } else {
                throw new NotUnderstoodException(
                        "“" + one + "” is nothing that a unit says; it takes slot 34, mode and its"
                                + " name, pan reversed, tilt reversed, pan and tilt exchanged, axes straight.");
            }
        }
        if (starts.isEmpty() && mode.isEmpty() && axes.isEmpty()) {
            throw new NotUnderstoodException("say what " + fixture.label() + " says, or that it says nothing.");
        }
        return new Reading.Said(
                starts, mode, axes.isEmpty() ? Optional.empty() : Optional.of(otherwise(fixture.traits(), axes)));
    }

    private static Optional<String> axis(String words) {
        return List.of(PAN_REVERSED, TILT_REVERSED, EXCHANGED, STRAIGHT).stream()
                .filter(words::equalsIgnoreCase)
                .findFirst();
    }

    private Mode mode(Fixture fixture, String name) throws NotUnderstoodException {
        return plan.type(fixture).modes().stream()
                .filter(m -> m.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> new NotUnderstoodException(fixture.label() + " has no mode “" + name + "”."));
    }

    private static Reading.Axes otherwise(Traits planned, Set<String> said) {
        Set<Attribute> turned = new LinkedHashSet<>();
        if (said.contains(PAN_REVERSED) != planned.panReversed()) {
            turned.add(Quirks.PAN);
        }
        if (said.contains(TILT_REVERSED) != planned.tiltReversed()) {
            turned.add(Quirks.TILT);
        }
        return new Reading.Axes(turned, said.contains(EXCHANGED) != planned.axesSwapped());
    }

    /** A line that {@link #read} reads to the same. */
    String of(Reading reading) {
        List<String> parts = new ArrayList<>();
        reading.said().ifPresent(said -> {
            said.starts().forEach(s -> parts.add("slot " + s));
            said.mode().ifPresent(m -> parts.add("mode " + m.name()));
            Traits planned = plan.fixture(reading.unit()).map(Fixture::traits).orElse(Traits.NONE);
            said.axes().ifPresent(axes -> parts.addAll(axes(planned, axes)));
        });
        return labels.of(reading.unit()) + " says " + (parts.isEmpty() ? "nothing" : String.join(", ", parts));
    }

    private static List<String> axes(Traits planned, Reading.Axes axes) {
        List<String> parts = new ArrayList<>();
        if (planned.panReversed() != axes.turned().contains(Quirks.PAN)) {
            parts.add(PAN_REVERSED);
        }
        if (planned.tiltReversed() != axes.turned().contains(Quirks.TILT)) {
            parts.add(TILT_REVERSED);
        }
        if (planned.axesSwapped() != axes.swapped()) {
            parts.add(EXCHANGED);
        }
        return parts.isEmpty() ? List.of(STRAIGHT) : parts;
    }
}
