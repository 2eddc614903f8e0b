package taxon.core.lines;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.cable.Shelf;
import taxon.core.length.Length;

/**
 * What is taken along for lines.
 *
 * @param cables by socket, longest first
 * @param adapters by what they join
 * @param terminators by socket
 * @param unreckoned legs of unknown length, for which there is no cable in it
 */
public record CableList(List<Cables> cables, List<Adapters> adapters, List<Terminators> terminators, int unreckoned) {
    public CableList {
        cables = List.copyOf(cables);
        adapters = List.copyOf(adapters);
        terminators = List.copyOf(terminators);
    }

    /** So many cables of one length with one plug at both ends. */
    public record Cables(String socket, Length length, int count) {}

    /** So many adapters from a cable to what it leads into. */
    public record Adapters(String from, String to, int count) {}

    public record Terminators(String socket, int count) {}

    private record Cut(String socket, Length length) {}

    private record Joint(String from, String to) {}

    /** For these lines together, off that shelf. */
    public static CableList of(Collection<LineCable> lines, Shelf shelf) {
        Map<Cut, Integer> cables =
                new TreeMap<>(Comparator.comparing(Cut::socket).thenComparing(Cut::length, Comparator.reverseOrder()));
        Map<Joint, Integer> adapters =
                new TreeMap<>(Comparator.comparing(Joint::from).thenComparing(Joint::to));
        Map<String, Integer> terminators = new TreeMap<>();
        int unreckoned = 0;
        for (LineCable line : lines) {
            for (LineCable.Leg leg : line.legs()) {
                leg.needed()
                        .ifPresent(n -> shelf.reaching(n)
                                .lengths()
                                .forEach(l -> cables.merge(new Cut(leg.from(), l), 1, Integer::sum)));
                if (leg.needsAdapter()) {
                    adapters.merge(new Joint(leg.from(), leg.to()), 1, Integer::sum);
                }
            }
            line.terminator().ifPresent(t -> terminators.merge(t, 1, Integer::sum));
            unreckoned += line.unreckoned();
        }
        List<Cables> cut = new ArrayList<>();
        cables.forEach((c, count) -> cut.add(new Cables(c.socket(), c.length(), count)));
        List<Adapters> joined = new ArrayList<>();
        adapters.forEach((a, count) -> joined.add(new Adapters(a.from(), a.to(), count)));
        List<Terminators> ends = new ArrayList<>();
        terminators.forEach((socket, count) -> ends.add(new Terminators(socket, count)));
        return new CableList(cut, joined, ends, unreckoned);
    }

    /** Lines by the number of the box that they begin at, so that its case can be packed. */
    public static SortedMap<Integer, List<LineCable>> byBox(List<LineCable> lines) {
        SortedMap<Integer, List<LineCable>> byBox = new TreeMap<>();
        lines.forEach(l -> byBox.computeIfAbsent(l.line().from().box(), b -> new ArrayList<>())
                .add(l));
        return byBox;
    }

    /** All cables end to end, in metres. */
    public double metres() {
        return cables.stream()
                .mapToDouble(c -> c.length().inMetres() * c.count())
                .sum();
    }
}
