package taxon.core.rigtable;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SortedMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.length.Length;
import taxon.core.length.LengthText;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;
import taxon.core.rig.edit.AddressWalk;

/**
 * Goes on with what the first cells of a column begin: 101, 102 → 103; "Bow 1" → "Bow 2"; -4 m, -3.5 m → -3 m. One cell
 * alone steps by one, an address by the footprint of the fixture before. An address that does not fit its universe goes on at
 * slot 1 of the next.
 */
public final class Series {
    private static final Pattern COUNTED = Pattern.compile("(.*?)(\\d{1,9})(\\D*)", Pattern.DOTALL);

    private final Plan plan;
    private final List<RigPart> rows;
    private final LengthUnit unit;

    private Series(Plan plan, List<RigPart> rows) {
        this.plan = plan;
        this.rows = rows;
        unit = plan.sheet().view().unit();
    }

    /** Down: every cell below takes the text of the first. */
    public static List<FieldChange> down(Plan plan, List<RigPart> rows, FixtureColumn column) {
        List<FieldChange> changes = new ArrayList<>();
        rows.stream()
                .skip(1)
                .forEach(f -> changes.add(new FieldChange(f.ref(), column, FieldText.of(plan, rows.get(0), column))));
        return changes;
    }

    /**
     * The cells that the series changes.
     *
     * @param rows from top to bottom; the first one or two hold what it begins with
     * @param seeds how many of them do, 1 or 2
     */
    public static List<FieldChange> of(Plan plan, List<RigPart> rows, FixtureColumn column, int seeds) {
        if (rows.size() <= seeds) {
            return List.of();
        }
        Series series = new Series(plan, rows);
        List<FieldChange> changes = new ArrayList<>();
        List<String> texts = series.texts(column, seeds);
        for (int i = seeds; i < rows.size(); i++) {
            changes.add(new FieldChange(rows.get(i).ref(), column, texts.get(i)));
        }
        return changes;
    }

    private List<String> texts(FixtureColumn column, int seeds) {
        List<String> begun = rows.stream()
                .limit(seeds)
                .map(f -> FieldText.of(plan, f, column))
                .toList();
        return switch (column) {
            case ADDRESS -> addresses(begun);
            case OFFSET -> offsets(begun).orElseGet(() -> counted(begun));
            default -> counted(begun);
        };
    }

    /** The last number in the text steps; leading zeros stay. A text without a number is repeated. */
    private List<String> counted(List<String> begun) {
        Matcher first = COUNTED.matcher(begun.get(0));
        Matcher last = COUNTED.matcher(begun.get(begun.size() - 1));
        List<String> texts = new ArrayList<>(begun);
        if (!first.matches() || !last.matches()) {
            repeat(texts, begun);
            return texts;
        }
        long step = begun.size() == 1 ? 1 : Long.parseLong(last.group(2)) - Long.parseLong(first.group(2));
        long number = Long.parseLong(last.group(2));
        int digits = last.group(2).startsWith("0") ? last.group(2).length() : 1;
        while (texts.size() < rows.size()) {
            number += step;
            texts.add(last.group(1) + String.format(Locale.ROOT, "%0" + digits + "d", number) + last.group(3));
        }
        return texts;
    }

    private void repeat(List<String> texts, List<String> begun) {
        while (texts.size() < rows.size()) {
            texts.add(begun.get(texts.size() % begun.size()));
        }
    }

    private Optional<List<String>> offsets(List<String> begun) {
        List<Length> known =
                begun.stream().flatMap(t -> LengthText.read(t, unit).stream()).toList();
        if (known.size() < begun.size()) {
            return Optional.empty();
        }
        Length last = known.get(known.size() - 1);
        Length step = known.size() == 1 ? unit.one() : last.minus(known.get(0));
        List<String> texts = new ArrayList<>(begun);
        Length at = last;
        while (texts.size() < rows.size()) {
            at = at.plus(step);
            texts.add(unit.words(at));
        }
        return Optional.of(texts);
    }

    /** All blocks of a fixture follow on from its first; two seeds on one universe keep their step. */
    private List<String> addresses(List<String> begun) {
        Optional<StartAddress> last = first(begun.get(begun.size() - 1));
        List<String> texts = new ArrayList<>(begun);
        if (last.isEmpty()) {
            repeat(texts, begun);
            return texts;
        }
        Optional<Integer> step = step(begun);
        AddressWalk walk = AddressWalk.over(last);
        next(walk, begun.size() - 1);
        Optional<StartAddress> at = last;
        while (texts.size() < rows.size()) {
            int row = texts.size();
            if (step.isPresent()) {
                at = at.flatMap(a -> a.after(step.get()).or(a::nextUniverse));
                walk = AddressWalk.over(at);
            }
            SortedMap<Integer, StartAddress> placed = next(walk, row);
            at = Optional.ofNullable(placed.get(1));
            texts.add(words(blocks(row).size(), placed));
        }
        return texts;
    }

    private SortedMap<Integer, StartAddress> next(AddressWalk walk, int row) {
        return walk.next(blocks(row));
    }

    private List<Block> blocks(int row) {
        return rows.get(row).slots(plan).stream().map(s -> s.block().block()).toList();
    }

    /** As {@link FieldText} writes them. */
    private static String words(int blocks, SortedMap<Integer, StartAddress> placed) {
        return placed.isEmpty()
                ? ""
                : IntStream.rangeClosed(1, blocks)
                        .mapToObj(b -> Optional.ofNullable(placed.get(b))
                                .map(StartAddress::toString)
                                .orElse(FieldText.NONE))
                        .collect(Collectors.joining(" "));
    }

    /** The slots between two seeds on one universe, where the second is behind the first. */
    private static Optional<Integer> step(List<String> begun) {
        if (begun.size() < 2) {
            return Optional.empty();
        }
        Optional<StartAddress> one = first(begun.get(0));
        Optional<StartAddress> two = first(begun.get(1));
        return one.isPresent()
                        && two.isPresent()
                        && one.get().universe().equals(two.get().universe())
                ? Optional.of(two.get().slot().number() - one.get().slot().number())
                        .filter(s -> s > 0)
                : Optional.empty();
    }

    private static Optional<StartAddress> first(String text) {
        return AddressText.read(text.split("\\s+")[0]) instanceof AddressText.Read read
                ? Optional.of(read.address())
                : Optional.empty();
    }
}
