package taxon.core.numbering;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import taxon.core.numbering.NumberingRequest.Room;
import taxon.core.rig.FixtureId;

/**
 * Where each family's run of numbers begins. Told starts come first. Where numbers are to be kept, a family then stays in the
 * ten, hundred or thousand in which most of its numbers are; of two that want one place the one with more numbers there gets
 * it. The others begin behind each other, in the first places that are free and long enough.
 */
final class FamilyStarts {
    private final NumberingRequest request;
    private final Set<Integer> taken;
    private final List<Family> families;
    private final Integer[] starts;
    private final BitSet used = new BitSet();

    private FamilyStarts(NumberingRequest request, Set<Integer> taken, List<Family> families) {
        this.request = request;
        this.taken = taken;
        this.families = families;
        starts = new Integer[families.size()];
    }

    /**
     * The numbers that a family may take.
     *
     * @param limit the last of them
     */
    record Span(int start, int limit) {}

    /** The spans in the order of the families; no two of them meet unless they were told to. */
    static List<Span> of(NumberingRequest request, Set<Integer> taken, List<Family> families) {
        FamilyStarts starts = new FamilyStarts(request, taken, families);
        boolean home = request.keep() && request.room() != Room.NONE;
        List<Integer> found = home ? starts.atHome() : starts.behindEachOther();
        List<Span> spans = new ArrayList<>();
        for (int i = 0; i < found.size(); i++) {
            int start = found.get(i);
            int next =
                    found.stream().filter(s -> s > start).min(Integer::compare).orElse(FixtureId.LAST + 1);
            // At home a family stays inside its own places, so that it finds them again.
            int end = home ? Math.min(next, starts.end(start, i)) : next;
            spans.add(new Span(start, Math.min(end - 1, FixtureId.LAST)));
        }
        return spans;
    }

    private List<Integer> behindEachOther() {
        int next = request.first();
        List<Integer> found = new ArrayList<>();
        for (Family family : families) {
            int start =
                    request.starts().getOrDefault(family.key(), request.room().next(next, request.first()));
            found.add(start);
            next = Math.max(next, start + length(family, start));
        }
        return found;
    }

    /** How many numbers from the start on it takes to hold the family, with those that others have left out. */
    private int length(Family family, int start) {
        int number = start;
        for (int found = 0; found < family.members().size(); number++) {
            found += taken.contains(number) ? 0 : 1;
        }
        return number - start;
    }

    private List<Integer> atHome() {
        List<Claim> claims = new ArrayList<>();
        for (int i = 0; i < families.size(); i++) {
            Integer told = request.starts().get(families.get(i).key());
            if (told != null) {
                begin(i, told);
            } else {
                claims.addAll(claim(i));
            }
        }
        claims.sort(Comparator.comparing(Claim::numbers).reversed().thenComparing(Claim::family));
        for (Claim claim : claims) {
            int start = request.first() + claim.place() * step();
            if (isFree(start, claim.family())) {
                begin(claim.family(), start);
            }
        }
        for (int i = 0; i < starts.length; i++) {
            if (starts[i] == null) {
                begin(i, firstFree(i));
            }
        }
        return Arrays.asList(starts);
    }

    /**
     * Where a family would stay.
     *
     * @param place counted in tens, hundreds or thousands from the first number on
     * @param numbers how many of its numbers are in the places that it would fill
     * @param length of these places together
     */
    private record Claim(int family, int place, int numbers, int length) {}

    /** The places with most of a family's numbers; of equal ones the shortest, then the lowest. Nothing without a number. */
    private List<Claim> claim(int family) {
        List<Integer> numbers = families.get(family).members().stream()
                .flatMap(m -> m.id().stream())
                .map(FixtureId::number)
                .filter(n -> n >= request.first())
                .toList();
        return numbers.stream()
                .map(n -> (n - request.first()) / step())
                .distinct()
                .map(place -> claim(family, place, numbers))
                .max(Comparator.comparing(Claim::numbers)
                        .thenComparing(Claim::length, Comparator.reverseOrder())
                        .thenComparing(Claim::place, Comparator.reverseOrder()))
                .stream()
                .toList();
    }

    private Claim claim(int family, int place, List<Integer> numbers) {
        int start = request.first() + place * step();
        int end = end(start, family);
        int inside = (int) numbers.stream().filter(n -> n >= start && n < end).count();
        return new Claim(family, place, inside, end - start);
    }

    private int step() {
        return request.room().step();
    }

    private boolean isFree(int start, int family) {
        int next = used.nextSetBit(start);
        return next < 0 || next >= end(start, family);
    }

    /** The first number behind the places that a family fills. */
    private int end(int start, int family) {
        int length = length(families.get(family), start);
        return start + (length + step() - 1) / step() * step();
    }

    private void begin(int family, int start) {
        starts[family] = start;
        used.set(start, end(start, family));
    }

    private int firstFree(int family) {
        int start = request.first();
        while (!isFree(start, family)) {
            start += step();
        }
        return start;
    }
}
