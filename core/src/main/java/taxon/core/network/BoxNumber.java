package taxon.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.dmx.UniverseNumber;

/**
 * A number as a box shows it or a person reads it out, and all that it may mean: boxes count from 0 or from 1, plainly, in parts, or
 * in groups of sixteen.
 */
public final class BoxNumber {
    private static final String SIGN = "\\s*[·.:/,\\-]\\s*";
    private static final Pattern PARTS = Pattern.compile("(\\d{1,3})" + SIGN + "(\\d{1,2})" + SIGN + "(\\d{1,2})");
    private static final Pattern PAIR = Pattern.compile("(\\d{1,4})" + SIGN + "(\\d{1,2})");
    private static final Pattern PLAIN = Pattern.compile("\\d{1,5}");
    private static final int GROUP = 16;

    private BoxNumber() {}

    /** How a number is to be understood. */
    public enum Kind {
        /** Net, Sub-Net and Universe, each from 0. */
        NET_SUBNET_UNIVERSE("Net · Sub-Net · Universe"),
        /** Sub-Net and Universe, each from 0, in Net 0. */
        SUBNET_UNIVERSE("Sub-Net · Universe, in Net 0"),
        /** Which group of sixteen, and which universe in it, both from 1. */
        GROUP_OF_SIXTEEN("group of sixteen and universe in it, both from 1"),
        /** A Port-Address as it is, from 0. */
        PORT_ADDRESS("Port-Address, counted from 0"),
        /** A Port-Address that the box shows one higher. */
        COUNTED_FROM_ONE("Art-Net universe on a box that counts from 1"),
        /** A universe of streaming ACN. */
        SACN("streaming ACN universe"),
        /** The multicast group of streaming ACN. */
        MULTICAST_GROUP("multicast group of streaming ACN");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * One thing that a number may mean.
     *
     * @param address where it means Art-Net
     * @param sacn where it means streaming ACN; exactly one of the two is there
     * @param universe of the job; empty where the job's counting has none for it
     */
    public record Meaning(
            Kind kind, Optional<PortAddress> address, Optional<SacnUniverse> sacn, Optional<UniverseNumber> universe) {}

    /** All that it may mean under the job's counting, the plainest first; none where it is no number of a universe. */
    public static List<Meaning> meanings(String text, Counting counting) {
        List<Meaning> found = new ArrayList<>();
        String said = text.strip();
        Ipv4.parse(said).ifPresent(ip -> group(ip).ifPresent(s -> add(found, Kind.MULTICAST_GROUP, s, counting)));
        Matcher parts = PARTS.matcher(said);
        if (parts.matches() && number(parts, 1) <= 127 && number(parts, 2) < GROUP && number(parts, 3) < GROUP) {
            PortAddress address = PortAddress.of(number(parts, 1), number(parts, 2), number(parts, 3));
            add(found, Kind.NET_SUBNET_UNIVERSE, address.number(), counting);
        }
        Matcher pair = PAIR.matcher(said);
        if (pair.matches()) {
            pair(number(pair, 1), number(pair, 2), found, counting);
        }
        if (PLAIN.matcher(said).matches()) {
            plain(Integer.parseInt(said), found, counting);
        }
        return List.copyOf(found);
    }

    /** A Port-Address as it is typed where that is asked for: plainly from 0, or as Net, Sub-Net and Universe. */
    public static Optional<PortAddress> portAddress(String text) {
        return meanings(text, Counting.SAME).stream()
                .filter(m -> m.kind() == Kind.PORT_ADDRESS || m.kind() == Kind.NET_SUBNET_UNIVERSE)
                .flatMap(m -> m.address().stream())
                .findFirst();
    }

    private static int number(Matcher matcher, int group) {
        return Integer.parseInt(matcher.group(group));
    }

    private static void pair(int first, int second, List<Meaning> found, Counting counting) {
        if (first < GROUP && second < GROUP) {
            add(found, Kind.SUBNET_UNIVERSE, first * GROUP + second, counting);
        }
        if (first >= 1 && second >= 1 && second <= GROUP) {
            add(found, Kind.GROUP_OF_SIXTEEN, (first - 1) * GROUP + second - 1, counting);
        }
    }

    private static void plain(int number, List<Meaning> found, Counting counting) {
        add(found, Kind.PORT_ADDRESS, number, counting);
        add(found, Kind.COUNTED_FROM_ONE, number - 1, counting);
        if (UniverseNumber.isLegal(number)) {
            add(found, Kind.SACN, new SacnUniverse(number), counting);
        }
    }

    private static Optional<SacnUniverse> group(Ipv4 ip) {
        String[] bytes = ip.toString().split("\\.");
        int number = Integer.parseInt(bytes[2]) * 256 + Integer.parseInt(bytes[3]);
        return bytes[0].equals("239") && bytes[1].equals("255") && UniverseNumber.isLegal(number)
                ? Optional.of(new SacnUniverse(number))
                : Optional.empty();
    }

    private static void add(List<Meaning> found, Kind kind, int portAddress, Counting counting) {
        if (portAddress >= 0 && portAddress <= PortAddress.LAST) {
            PortAddress address = new PortAddress(portAddress);
            found.add(new Meaning(kind, Optional.of(address), Optional.empty(), counting.universe(address)));
        }
    }

    private static void add(List<Meaning> found, Kind kind, SacnUniverse sacn, Counting counting) {
        found.add(new Meaning(kind, Optional.empty(), Optional.of(sacn), counting.universe(sacn)));
    }

    /**
     * What to type on a box that shows numbers so, for a universe to come out there; a box that shows Art-Net in parts shows a
     * universe of streaming ACN plainly. Empty where the way has no number.
     */
    public static Optional<String> typed(Kind habit, Route route) {
        if (route instanceof Route.ArtNet a) {
            return Optional.of(typed(habit, a.address()));
        }
        return route instanceof Route.Sacn s
                ? Optional.of(
                        habit == Kind.MULTICAST_GROUP
                                ? s.universe().multicastGroup().toString()
                                : s.universe().toString())
                : Optional.empty();
    }

    private static String typed(Kind habit, PortAddress address) {
        return switch (habit) {
            case NET_SUBNET_UNIVERSE -> address.toString();
            case SUBNET_UNIVERSE ->
                address.net() == 0 ? address.subNet() + "·" + address.universe() : address.toString();
            case GROUP_OF_SIXTEEN -> groupOfSixteen(address);
            case COUNTED_FROM_ONE -> Integer.toString(address.number() + 1);
            case PORT_ADDRESS, SACN, MULTICAST_GROUP -> Integer.toString(address.number());
        };
    }

    /** Which group of sixteen a Port-Address is in and where, both counted from 1: 19 is "2:4". */
    public static String groupOfSixteen(PortAddress address) {
        return (address.number() / GROUP + 1) + ":" + (address.number() % GROUP + 1);
    }
}
