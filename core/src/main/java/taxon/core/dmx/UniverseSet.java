package taxon.core.dmx;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Some universes, as ranges of numbers: {@code 1-8, 12}.
 *
 * @param ranges ascending, apart from each other; empty for all universes
 */
public record UniverseSet(List<Range> ranges) {
    public static final UniverseSet ALL = new UniverseSet(List.of());

    private static final int MOST_RUNS = 200;
    private static final Pattern RUN = Pattern.compile("(\\d{1,9})(?:\\s*(?:-|–|to)\\s*(\\d{1,9}))?");

    /** Neighbouring universes, both ends included. */
    public record Range(int first, int last) {
        public Range {
            if (!UniverseNumber.isLegal(first) || !UniverseNumber.isLegal(last) || last < first) {
                throw new IllegalArgumentException("universes " + first + " to " + last + " are no range inside "
                        + UniverseNumber.FIRST + " to " + UniverseNumber.LAST);
            }
        }

        @Override
        public String toString() {
            return first == last ? Integer.toString(first) : first + "-" + last;
        }
    }

    public UniverseSet {
        ranges = joined(ranges);
    }

    private static List<Range> joined(List<Range> ranges) {
        List<Range> joined = new ArrayList<>();
        for (Range range :
                ranges.stream().sorted(Comparator.comparingInt(Range::first)).toList()) {
            Range last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (last != null && range.first() <= last.last() + 1) {
                joined.set(joined.size() - 1, new Range(last.first(), Math.max(last.last(), range.last())));
            } else {
                joined.add(range);
            }
        }
        if (joined.size() > MOST_RUNS) {
            throw new IllegalArgumentException(joined.size() + " ranges of universes are more than " + MOST_RUNS);
        }
        return List.copyOf(joined);
    }

    /**
     * Neighbouring universes, both ends included.
     *
     * @throws IllegalArgumentException when they are no range of legal numbers
     */
    public static UniverseSet of(int first, int last) {
        return new UniverseSet(List.of(new Range(first, last)));
    }

    /** What {@link #toString} writes, and what people write: "1 to 8, 12". Empty text is all; empty when it is neither. */
    public static Optional<UniverseSet> read(String text) {
        List<Range> ranges = new ArrayList<>();
        for (String part : text.isBlank() ? new String[0] : text.strip().split("[,;]")) {
            Matcher matcher = RUN.matcher(part.strip());
            if (!matcher.matches() || ranges.size() == MOST_RUNS) {
                return Optional.empty();
            }
            int first = Integer.parseInt(matcher.group(1));
            int last = matcher.group(2) == null ? first : Integer.parseInt(matcher.group(2));
            if (!UniverseNumber.isLegal(first) || !UniverseNumber.isLegal(last) || last < first) {
                return Optional.empty();
            }
            ranges.add(new Range(first, last));
        }
        return Optional.of(new UniverseSet(ranges));
    }

    /** True when every universe is in it. */
    public boolean isAll() {
        return ranges.isEmpty();
    }

    /** True when a universe is in it. */
    public boolean holds(UniverseNumber universe) {
        return isAll()
                || ranges.stream().anyMatch(r -> r.first() <= universe.number() && universe.number() <= r.last());
    }

    /** The lowest of them at or above a number; empty when there is none. */
    public Optional<UniverseNumber> atOrAbove(int number) {
        if (isAll()) {
            return UniverseNumber.isLegal(Math.max(UniverseNumber.FIRST, number))
                    ? Optional.of(UniverseNumber.of(Math.max(UniverseNumber.FIRST, number)))
                    : Optional.empty();
        }
        // Searches ask this for each universe that they pass: a loop, since a stream takes several times as long.
        for (Range range : ranges) {
            if (range.last() >= number) {
                return Optional.of(UniverseNumber.of(Math.max(range.first(), number)));
            }
        }
        return Optional.empty();
    }

    /** "1-8, 12"; empty for all. */
    @Override
    public String toString() {
        return ranges.stream().map(Range::toString).collect(Collectors.joining(", "));
    }
}
