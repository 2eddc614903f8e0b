package taxon.core.testing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import taxon.core.length.Length;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.CableRules;
import taxon.core.network.Counting;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.NetworkRules;
import taxon.core.network.Route.PortRef;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;

/** Boxes of every kind, lines and rules by chance. */
public final class RigBoxes {
    private static final int FIRST = 10;

    private RigBoxes() {}

    /** A plan with a box of every kind in a random state, and two lines through its fixtures. */
    public static Plan into(Plan plan, Random random) {
        List<Element> elements = new ArrayList<>();
        for (BoxKind kind : BoxKind.values()) {
            elements.add(box(FIRST + kind.ordinal(), kind, plan, random));
        }
        List<LineStop> units = plan.fixtures().stream()
                .filter(f -> random.nextBoolean())
                .<LineStop>map(f -> new LineStop.Unit(f.key()))
                .toList();
        int splitter = FIRST + BoxKind.SPLITTER.ordinal();
        elements.add(new Line(1, "A", new PortRef(FIRST + BoxKind.NODE.ordinal(), 1), units));
        elements.add(new Line(
                2,
                "Quay “2”",
                new PortRef(FIRST + BoxKind.INTERFACE.ordinal(), 1),
                List.of(new LineStop.Through(splitter))));
        PortRef channel = new PortRef(FIRST + BoxKind.TRANSMITTER.ordinal(), 1);
        RadioLink.Receiver apart = new RadioLink.Apart(FIRST + BoxKind.RECEIVER.ordinal());
        Instant then = Instant.ofEpochMilli(random.nextInt());
        elements.add(RadioLink.made(apart, channel, then, "crew")
                .lost(new RadioLink.Loss(then.plusMillis(random.nextInt(99)), "Ænne", "transmitter “reset”")));
        plan.fixtures().stream()
                .filter(f -> random.nextBoolean())
                .forEach(f -> elements.add(RadioLink.made(new RadioLink.BuiltIn(f.key()), channel, then, "crew")));
        return plan.with(elements);
    }

    /** Rules by chance. */
    public static NetworkRules rules(Random random) {
        Counting counting = new Counting(random.nextInt(3), random.nextInt(2) * 100);
        Map<BoxKind, Integer> first = new EnumMap<>(BoxKind.class);
        first.put(BoxKind.NODE, 1 + random.nextInt(200));
        return new NetworkRules(
                counting,
                random.nextBoolean()
                        ? Optional.of(new IpRules(Subnet.around(Ipv4.of(10, 0, random.nextInt(9), 0), 24), first)
                                .beside(
                                        random.nextBoolean()
                                                ? List.of()
                                                : List.of(Subnet.around(Ipv4.of(10, 9, 0, 0), 16))))
                        : Optional.empty(),
                random.nextBoolean()
                        ? CableRules.USUAL
                        : new CableRules(
                                1 + random.nextInt(32),
                                Length.metres("" + (1 + random.nextInt(300))),
                                Length.metres("" + random.nextInt(3)),
                                any(CableRules.Order.values(), random),
                                any(CableRules.First.values(), random),
                                List.of(Length.metres("7"), Length.metres("" + (8 + random.nextInt(20)))),
                                random.nextBoolean() ? List.of() : List.of(2, 1),
                                2 + random.nextInt(9)),
                Optional.of(Ipv4.of(10, 0, 0, 5)).filter(c -> random.nextBoolean()),
                random.nextBoolean() ? List.of() : List.of(Ipv4.of(10, 9, 0, 5), Ipv4.of(2, 0, 0, 5)));
    }

    private static Box box(int number, BoxKind kind, Plan plan, Random random) {
        Optional<NetCard> card = kind.needsNetwork() || kind.canBeOnNetwork() && random.nextBoolean()
                ? Optional.of(new NetCard(
                        Ipv4.of(10, 0, 0, random.nextInt(256)),
                        1 + random.nextInt(30),
                        Optional.of(Ipv4.of(2, 1, 2, 3)).filter(f -> random.nextBoolean())))
                : Optional.empty();
        int ports = Math.max(1, kind.fewestPorts()) + random.nextInt(3);
        return new Box(
                number,
                kind.words() + " “" + number,
                kind,
                card,
                IntStream.range(0, ports).mapToObj(i -> port(random)).toList(),
                place(plan, random),
                facts(kind, plan, random));
    }

    private static BoxPort port(Random random) {
        return random.nextBoolean()
                ? BoxPort.USUAL
                : new BoxPort(
                        any(BoxPort.Direction.values(), random),
                        any(BoxPort.Socket.values(), random),
                        random.nextBoolean(),
                        any(BoxPort.Merge.values(), random),
                        any(BoxPort.WhenLost.values(), random),
                        random.nextBoolean());
    }

    private static BoxPlace place(Plan plan, Random random) {
        return random.nextBoolean() || plan.positions().isEmpty()
                ? BoxPlace.UNSAID
                : new BoxPlace(
                        Optional.of(plan.positions().get(0).number()),
                        random.nextBoolean()
                                ? Optional.of(new Length(random.nextInt(9_000_001) - 4_500_000))
                                : Optional.empty(),
                        random.nextBoolean() ? "rack 2" : "");
    }

    private static BoxFacts facts(BoxKind kind, Plan plan, Random random) {
        Optional<PortRef> reaches = kind == BoxKind.RECEIVER
                ? Optional.of(new PortRef(FIRST + BoxKind.TRANSMITTER.ordinal(), 1))
                : Optional.empty();
        return new BoxFacts(
                Optional.of(1 + random.nextInt(64)).filter(m -> random.nextBoolean()),
                Optional.of(any(BoxNumber.Kind.values(), random)).filter(s -> random.nextBoolean()),
                reaches,
                plan.fixtures().stream().map(Fixture::key).findFirst().filter(f -> random.nextBoolean()),
                random.nextBoolean() ? 100 : 1000,
                any(BoxFacts.Snooping.values(), random),
                random.nextBoolean(),
                random.nextBoolean() ? "" : "flickers\nwhen cold");
    }

    private static <T> T any(T[] values, Random random) {
        return values[random.nextInt(values.length)];
    }
}
