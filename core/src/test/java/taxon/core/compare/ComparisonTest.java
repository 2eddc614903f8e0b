package taxon.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** Known faults that are put into one of two equal patches, and what is said of them. */
class ComparisonTest {
    private static final List<String> TYPES = List.of("Heron", "Tern", "Kestrel", "Curlew");
    private static final List<Integer> LENGTHS = List.of(16, 24, 9, 37);

    private static PatchRow row(int place, int id, String type, int length, int universe, int slot) {
        return new PatchRow(
                place,
                OptionalInt.of(id),
                Optional.empty(),
                type + " " + id,
                "Fernglass " + type,
                "mode " + length,
                OptionalInt.of(length),
                List.of(StartAddress.of(universe, slot)));
    }

    /** Four universes, each from slot 1 on without a gap, of up to fifteen units. */
    private static List<PatchRow> patch(Random random) {
        List<PatchRow> rows = new ArrayList<>();
        for (int universe = 6; universe <= 9; universe++) {
            int slot = 1;
            for (int i = 0; i < 8 + random.nextInt(8); i++) {
                int type = random.nextInt(TYPES.size());
                if (slot + LENGTHS.get(type) <= 440) {
                    int id = 100 * universe + i + 1;
                    rows.add(row(rows.size(), id, TYPES.get(type), LENGTHS.get(type), universe, slot));
                    slot += LENGTHS.get(type);
                }
            }
        }
        return rows;
    }

    private static PatchRow at(PatchRow row, int universe, int slot) {
        return new PatchRow(
                row.place(),
                row.id(),
                row.uuid(),
                row.name(),
                row.type(),
                row.mode(),
                row.footprint(),
                List.of(StartAddress.of(universe, slot)));
    }

    private static PatchRow numbered(PatchRow row, OptionalInt id, String name) {
        return new PatchRow(row.place(), id, row.uuid(), name, row.type(), row.mode(), row.footprint(), row.starts());
    }

    private static PatchRow inMode(PatchRow row, int length) {
        return new PatchRow(
                row.place(),
                row.id(),
                row.uuid(),
                row.name(),
                row.type(),
                "mode " + length,
                OptionalInt.of(length),
                row.starts());
    }

    private static int universe(PatchRow row) {
        return row.start().orElseThrow().universe().number();
    }

    private static int slot(PatchRow row) {
        return row.start().orElseThrow().slot().number();
    }

    private enum Fault {
        UNIVERSES_FROM_ZERO,
        UNIVERSES_BY_SIXTEEN,
        ONE_UNIVERSE_MOVED,
        SLOTS_FROM_ZERO,
        BLOCK_MISSING,
        BLOCK_TOO_MANY,
        SWAPPED,
        OTHER_MODE,
        IDS_OFF,
        IDS_LOST,
        ALL_RENAMED
    }

    private static Predicate<Comparison> put(Fault fault, List<PatchRow> rows, Random random) {
        int one = random.nextInt(rows.size() - 4);
        switch (fault) {
            case UNIVERSES_FROM_ZERO -> {
                rows.replaceAll(r -> at(r, universe(r) - 1, slot(r)));
                return c -> first(c) instanceof Pattern.UniversesOff u && u.by() == -1;
            }
            case UNIVERSES_BY_SIXTEEN -> {
                rows.replaceAll(r -> at(r, universe(r) + 16, slot(r)));
                return c -> first(c) instanceof Pattern.UniversesOff u && u.by() == 16;
            }
            case ONE_UNIVERSE_MOVED -> {
                rows.replaceAll(r -> universe(r) == 7 ? at(r, 43, slot(r)) : r);
                return c -> first(c) instanceof Pattern.UniverseMoved u
                        && u.ours().equals(UniverseNumber.of(7))
                        && u.theirs().equals(UniverseNumber.of(43));
            }
            case SLOTS_FROM_ZERO -> {
                rows.replaceAll(r -> at(r, universe(r), slot(r) + 1));
                return c -> first(c) instanceof Pattern.SlotsOff s && s.by() == 1;
            }
            case BLOCK_MISSING -> {
                PatchRow gone = rows.remove(one);
                int by = -gone.footprint().getAsInt();
                boolean shifts = follow(rows, gone) > 1;
                rows.replaceAll(r -> isAfter(r, gone) ? at(r, universe(r), slot(r) + by) : r);
                return c -> c.onlyOurs().equals(List.of(gone))
                        && (!shifts || first(c) instanceof Pattern.Shifted s && s.by() == by);
            }
            case BLOCK_TOO_MANY -> {
                PatchRow before = rows.get(one);
                boolean shifts = follow(rows, before) > 1;
                rows.replaceAll(r -> isAfter(r, before) ? at(r, universe(r), slot(r) + 16) : r);
                PatchRow added = row(
                        rows.size(),
                        999,
                        "Heron",
                        16,
                        universe(before),
                        slot(before) + before.footprint().getAsInt());
                rows.add(added);
                return c -> c.onlyTheirs().equals(List.of(added))
                        && (!shifts || first(c) instanceof Pattern.Shifted s && s.by() == 16);
            }
            case SWAPPED -> {
                PatchRow a = rows.get(one);
                PatchRow b = rows.get(one + 3);
                rows.set(one, at(a, universe(b), slot(b)));
                rows.set(one + 3, at(b, universe(a), slot(a)));
                return c -> first(c) instanceof Pattern.Swapped s
                        && Set.of(s.one().ours(), s.other().ours()).equals(Set.of(a, b));
            }
            case OTHER_MODE -> {
                String type = rows.get(one).type();
                Map<Integer, Integer> longer = new java.util.HashMap<>();
                rows.replaceAll(r -> {
                    PatchRow moved = at(r, universe(r), slot(r) + longer.getOrDefault(universe(r), 0));
                    boolean other = r.type().equals(type);
                    longer.merge(universe(r), other ? 2 : 0, Integer::sum);
                    return other ? inMode(moved, r.footprint().getAsInt() + 2) : moved;
                });
                boolean several =
                        rows.stream().filter(r -> r.type().equals(type)).count() > 1;
                return c -> !several
                        || first(c) instanceof Pattern.OtherMode m
                                && m.type().equals(type)
                                && c.odd().isEmpty();
            }
            case IDS_OFF -> {
                rows.replaceAll(r ->
                        numbered(r, r.id().isPresent() ? OptionalInt.of(r.id().getAsInt() + 100) : r.id(), r.name()));
                return c -> first(c) instanceof Pattern.IdsOff i
                        && i.by() == 100
                        && c.patterns().size() == 1;
            }
            case IDS_LOST -> {
                rows.replaceAll(r -> numbered(r, OptionalInt.empty(), r.name()));
                return Comparison::isSame;
            }
            default -> {
                rows.replaceAll(r -> numbered(r, r.id(), "Lamp " + (7 * r.place())));
                return c -> c.patterns().isEmpty()
                        && c.matches().stream()
                                .allMatch(m -> m.ours().place() == m.theirs().place())
                        && kinds(c).equals(Set.of(RowDifference.Kind.NAME));
            }
        }
    }

    private static boolean isAfter(PatchRow row, PatchRow than) {
        return universe(row) == universe(than) && slot(row) > slot(than);
    }

    private static long follow(List<PatchRow> rows, PatchRow than) {
        return rows.stream().filter(r -> isAfter(r, than)).count();
    }

    private static Pattern first(Comparison comparison) {
        return comparison.patterns().isEmpty()
                ? new Pattern.SlotsOff(0, List.of())
                : comparison.patterns().get(0);
    }

    private static Set<RowDifference.Kind> kinds(Comparison comparison) {
        return comparison.differences().values().stream()
                .flatMap(List::stream)
                .map(RowDifference::kind)
                .collect(Collectors.toSet());
    }

    /** The pattern that is found is the one that was put in, in at least 99 %. */
    @Test
    void theFaultThatWasPutInIsTheOneThatIsFound() {
        int rounds = Integer.getInteger("taxon.compare.rounds", 40);
        Map<Fault, Integer> found = new EnumMap<>(Fault.class);
        Map<Fault, Long> missed = new EnumMap<>(Fault.class);
        for (Fault fault : Fault.values()) {
            for (long seed = 1; seed <= rounds; seed++) {
                Random random = new Random(seed * 97);
                List<PatchRow> ours = patch(random);
                List<PatchRow> theirs = new ArrayList<>(ours);
                Predicate<Comparison> expected = put(fault, theirs, random);
                boolean right = expected.test(Comparison.of(ours, theirs));
                found.merge(fault, right ? 1 : 0, Integer::sum);
                if (!right) {
                    missed.put(fault, seed);
                }
            }
        }
        int all = found.values().stream().mapToInt(Integer::intValue).sum();
        found.forEach((fault, n) -> System.out.printf(Locale.ROOT, "compare %-22s %d of %d%n", fault, n, rounds));
        assertThat((double) all / (rounds * Fault.values().length))
                .as(missed.toString())
                .isGreaterThanOrEqualTo(0.99);
    }

    @Test
    void thePatchItselfIsTheSame() {
        List<PatchRow> rows = patch(new Random(3));
        assertThat(Comparison.of(rows, rows).isSame()).isTrue();
        assertThat(Comparison.of(rows, rows).matches()).hasSameSizeAs(rows);
        assertThat(Comparison.of(List.of(), List.of()).isSame()).isTrue();
        assertThat(Comparison.of(rows, List.of()).onlyOurs()).isEqualTo(rows);
    }

    /** Whoever compares, the same rows are matched, and the same differs the other way round. */
    @Test
    void comparingIsSymmetric() {
        for (long seed = 1; seed <= 60; seed++) {
            Random random = new Random(seed);
            List<PatchRow> ours = patch(random);
            List<PatchRow> theirs = new ArrayList<>(ours);
            for (int i = 0; i < 3; i++) {
                put(Fault.values()[random.nextInt(Fault.values().length)], theirs, random);
            }
            Comparison one = Comparison.of(ours, theirs);
            Comparison other = Comparison.of(theirs, ours);
            assertThat(one.onlyOurs()).containsExactlyInAnyOrderElementsOf(other.onlyTheirs());
            assertThat(one.onlyTheirs()).containsExactlyInAnyOrderElementsOf(other.onlyOurs());
            assertThat(one.matches())
                    .as("seed " + seed)
                    .extracting(m -> List.of(m.ours(), m.theirs(), m.reason()))
                    .containsExactlyInAnyOrderElementsOf(other.matches().stream()
                            .map(m -> List.<Object>of(m.theirs(), m.ours(), m.reason()))
                            .toList());
            assertThat(one.differences()).hasSameSizeAs(other.differences());
        }
    }

    @Test
    void rowsThatStandElsewhereInTheListAreToldAndNoMoreThanNeedBe() {
        List<PatchRow> ours = patch(new Random(5));
        List<PatchRow> theirs = new ArrayList<>(ours);
        Collections.rotate(theirs.subList(0, 5), 1);
        for (int i = 0; i < theirs.size(); i++) {
            PatchRow r = theirs.get(i);
            theirs.set(i, new PatchRow(i, r.id(), r.uuid(), r.name(), r.type(), r.mode(), r.footprint(), r.starts()));
        }
        Comparison comparison = Comparison.of(ours, theirs);
        assertThat(comparison.differences()).hasSize(1);
        assertThat(comparison.differences().keySet().iterator().next().ours()).isEqualTo(ours.get(4));
        assertThat(kinds(comparison)).containsExactly(RowDifference.Kind.ORDER);
    }

    @Test
    void aModeOfOneNameAndAnotherLengthIsAnotherProfile() {
        List<PatchRow> ours = patch(new Random(9));
        String type = ours.get(0).type();
        List<PatchRow> theirs = new ArrayList<>(ours);
        theirs.replaceAll(r -> r.type().equals(type)
                ? new PatchRow(
                        r.place(),
                        r.id(),
                        r.uuid(),
                        r.name(),
                        r.type(),
                        r.mode(),
                        OptionalInt.of(r.footprint().getAsInt() + 1),
                        r.starts())
                : r);
        Comparison comparison = Comparison.of(ours, theirs);
        assertThat(comparison.patterns()).singleElement().isInstanceOf(Pattern.OtherProfile.class);
        assertThat(comparison.odd()).isEmpty();
        assertThat(PatternText.of(first(comparison))).contains("one of the profiles is not that of the units");
    }

    @Test
    void whatOneSideDoesNotSayIsNoDifference() {
        PatchRow ours = row(0, 101, "Heron", 16, 2, 33);
        PatchRow theirs =
                new PatchRow(0, OptionalInt.of(101), Optional.empty(), "", "", "", OptionalInt.empty(), ours.starts());
        assertThat(Comparison.of(List.of(ours), List.of(theirs)).isSame()).isTrue();
        PatchRow spelt = new PatchRow(
                0,
                OptionalInt.of(101),
                Optional.empty(),
                "HERON 101",
                "fernglass heron",
                "Mode-16",
                OptionalInt.of(16),
                ours.starts());
        assertThat(Comparison.of(List.of(ours), List.of(spelt)).isSame())
                .as("spelling")
                .isTrue();
    }

    @Test
    void aListWithEveryIdTwiceIsMatchedByWhatElseItSays() {
        List<PatchRow> ours = patch(new Random(6));
        List<PatchRow> theirs = new ArrayList<>();
        ours.forEach(r -> theirs.add(numbered(r, OptionalInt.of(1 + r.place() / 2), r.name())));
        Comparison comparison = Comparison.of(ours, theirs);
        assertThat(comparison.matches())
                .hasSameSizeAs(ours)
                .allMatch(m -> m.ours().place() == m.theirs().place());
    }

    @Test
    void patternsAreSentences() {
        List<PatchRow> ours = patch(new Random(8));
        List<PatchRow> theirs = new ArrayList<>(ours);
        put(Fault.UNIVERSES_FROM_ZERO, theirs, new Random(1));
        assertThat(PatternText.of(first(Comparison.of(ours, theirs))))
                .isEqualTo("Universes are one lower there, in " + ours.size() + " rows: the other side counts from 0.");
        List<PatchRow> swapped = new ArrayList<>(ours);
        put(Fault.SWAPPED, swapped, new Random(1));
        assertThat(PatternText.of(first(Comparison.of(ours, swapped)))).endsWith("have each other's addresses there.");
        List<PatchRow> missing = new ArrayList<>(ours);
        missing.remove(0);
        int gone = ours.get(0).footprint().getAsInt();
        missing.replaceAll(r -> isAfter(r, ours.get(0)) ? at(r, universe(r), slot(r) - gone) : r);
        assertThat(PatternText.of(first(Comparison.of(ours, missing))))
                .startsWith("From " + ours.get(1).start().orElseThrow() + " on, ")
                .endsWith("a block of " + gone + " slots is missing before it.");
    }
}
