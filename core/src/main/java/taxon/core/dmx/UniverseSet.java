package taxon.core.dmx;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Some universes, as runs of numbers: {@code 1-8, 12}.
 *
 * @param runs ascending, apart from each other; empty for all universes
 */
public record UniverseSet(List<Run> runs) {
    public static final UniverseSet ALL = new UniverseSet(List.of());

    private static final int MOST_RUNS = 200;
    private static final Pattern RUN = Pattern.compile("(\\d{1,9})(?:\\s*(?:-|–|to)\\s*(\\d{1,9}))?");

    /** Neighbouring universes, both ends included. */
    public record Run(int first, int last) {
        public Run {
            if (!UniverseNumber.isLegal(first) || !UniverseNumber.isLegal(last) || last < first) {
                throw new IllegalArgumentException("universes " + first + " to " + last + " are no run inside "
                        + UniverseNumber.FIRST + " to " + UniverseNumber.LAST);
            }
        }

        @Override
        public String toString() {
            return first == last ? Integer.toString(first) : first + "-" + last;
        }
    }

    public UniverseSet {
        runs = joined(runs);
    }

    private static List<Run> joined(List<Run> runs) {
        List<Run> joined = new ArrayList<>();
        for (Run run : runs.stream().sorted(Comparator.comparingInt(Run::first)).toList()) {
            Run last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (last != null && run.first() <= last.last() + 1) {
                joined.set(joined.size() - 1, new Run(last.first(), Math.max(last.last(), run.last())));
            } else {
                joined.add(run);
            }
        }
        if (joined.size() > MOST_RUNS) {
            throw new IllegalArgumentException(joined.size() + " runs of universes are more than " + MOST_RUNS);
        }
        return List.copyOf(joined);
    }

    public static UniverseSet of(int first, int last) {
        return new UniverseSet(List.of(new Run(first, last)));
    }

    /** What {@link #toString} writes, and what people write: "1 to 8, 12". Empty text is all; empty when it is neither. */
    public static Optional<UniverseSet> read(String text) {
        List<Run> runs = new ArrayList<>();
        for (String part : text.isBlank() ? new String[0] : text.strip().split("\\s*[,;]\\s*")) {
            Matcher matcher = RUN.matcher(part.strip());
            if (!matcher.matches() || runs.size() == MOST_RUNS) {
                return Optional.empty();
            }
            int first = Integer.parseInt(matcher.group(1));
            int last = matcher.group(2) == null ? first : Integer.parseInt(matcher.group(2));
            if (!UniverseNumber.isLegal(first) || !UniverseNumber.isLegal(last) || last < first) {
                return Optional.empty();
            }
            runs.add(new Run(first, last));
        }
        return Optional.of(new UniverseSet(runs));
    }

    public boolean isAll() {
        return runs.isEmpty();
    }

    public boolean holds(UniverseNumber universe) {
        return isAll() || runs.stream().anyMatch(r -> r.first() <= universe.number() && universe.number() <= r.last());
    }

    /** The lowest of them at or above a number; empty when there is none. */
    public Optional<UniverseNumber> atOrAbove(int number) {
        if (isAll()) {
            return UniverseNumber.isLegal(Math.max(UniverseNumber.FIRST, number))
                    ? Optional.of(UniverseNumber.of(Math.max(UniverseNumber.FIRST, number)))
                    : Optional.empty();
        }
        return runs.stream()
                .filter(r -> r.last() >= number)
                .findFirst()
                .map(r -> UniverseNumber.of(Math.max(r.first(), number)));
    }

    /** "1-8, 12"; empty for all. */
    @Override
    public String toString() {
        return runs.stream().map(Run::toString).collect(Collectors.joining(", "));
    }
}
