package taxon.core.network;

import java.util.EnumMap;
import java.util.Map;

/**
 * How IP addresses are handed out in a job.
 *
 * @param range in which all boxes lie
 * @param first where boxes of a kind begin, counted within the range: 11 for 10.0.0.11 in 10.0.0.0/24
 */
public record IpRules(Subnet range, Map<BoxKind, Integer> first) {
    public IpRules {
        first = Map.copyOf(first);
        first.forEach((kind, host) -> {
            if (host < 1 || host > range.hosts()) {
                throw new IllegalArgumentException("the first " + kind.words() + " would be number " + host + " of "
                        + range + ", which has 1 to " + range.hosts());
            }
        });
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
