package taxon.core.network;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * How IP addresses are handed out in a job.
 *
 * @param range in which boxes lie that nobody gave an address of another
 * @param first where boxes of a kind begin, counted within the range: 11 for 10.0.0.11 in 10.0.0.0/24
 * @param others further networks of the job, apart from it and from each other: a box lies in the one of its address
 */
public record IpRules(Subnet range, Map<BoxKind, Integer> first, List<Subnet> others) {
    public static final int MOST_OTHERS = 15;

    public IpRules {
        others = List.copyOf(others);
        requireApart(range, others);
        first = Map.copyOf(first);
        first.forEach((kind, host) -> {
            if (host < 1 || host > range.hosts()) {
                throw new IllegalArgumentException("the first " + kind.words() + " would be number " + host + " of "
                        + range + ", which has 1 to " + range.hosts());
            }
        });
    }

    /** One network for all. */
    public IpRules(Subnet range, Map<BoxKind, Integer> first) {
        this(range, first, List.of());
    }

    private static void requireApart(Subnet range, List<Subnet> others) {
        if (others.size() > MOST_OTHERS) {
            throw new IllegalArgumentException(
                    others.size() + " further networks; a job has at most " + MOST_OTHERS + " beside its range");
        }
        List<Subnet> all = new ArrayList<>(List.of(range));
        for (Subnet other : others) {
            all.stream().filter(other::overlaps).findFirst().ifPresent(met -> {
                throw new IllegalArgumentException(other + " and " + met + " have addresses in common");
            });
            all.add(other);
        }
    }

    /** The network of the job in which an address lies; empty where it lies in none. */
    public Optional<Subnet> networkOf(Ipv4 ip) {
        return Stream.concat(Stream.of(range), others.stream())
                .filter(n -> n.contains(ip))
                .findFirst();
    }

    /** How addresses of one of its networks are handed out: by these rules, or as many crews do in another. */
    public IpRules in(Subnet network) {
        return network.equals(range) ? this : usual(network);
    }

    /** The same with further networks. */
    public IpRules beside(List<Subnet> changed) {
        return new IpRules(range, first, changed);
    }

    /** A range with the beginnings that many crews use (common practice), as far as it has room for them. */
    public static IpRules usual(Subnet range) {
        Map<BoxKind, Integer> first = new EnumMap<>(BoxKind.class);
        first.put(BoxKind.CONSOLE, 1);
        first.put(BoxKind.NODE, 11);
        first.put(BoxKind.TRANSMITTER, 101);
        first.put(BoxKind.UNIT, 121);
        first.put(BoxKind.SERVER, 201);
        first.put(BoxKind.SWITCH, 241);
        first.replaceAll((kind, host) -> Math.min(host, range.hosts()));
        return new IpRules(range, first);
    }

    /** Where boxes of a kind begin. */
    public int firstOf(BoxKind kind) {
        return first.getOrDefault(kind, 1);
    }
}
