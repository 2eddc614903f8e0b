package taxon.core.writing;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.BoxDifference;
import taxon.core.boxcheck.BoxVerdict;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.boxcheck.Silence;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/** What makes a box as it is planned: an order for each difference that can be programmed over the network. */
public final class BoxOrders {
    private static final int PORTS_OF_A_PAGE = 4;

    private final Plan plan;
    private final Box box;
    private final BoxAnswers heard;
    private final Target target;

    private BoxOrders(Plan plan, Box box, BoxAnswers heard) {
        this.plan = plan;
        this.box = box;
        this.heard = heard;
        this.target = new Target.OfBox(box.number(), box.name());
    }

    /** @param heard what was heard of that very box */
    public static Prepared of(Plan plan, BoxVerdict verdict, BoxAnswers heard) {
        BoxOrders orders = new BoxOrders(plan, verdict.box(), heard);
        if (heard.answers().size() > 1) {
            return orders.leavingBoth(heard.asked());
        }
        return verdict.differences().stream().map(orders::order).reduce(Prepared.NOTHING, Prepared::and);
    }

    /**
     * What a box has of an item.
     *
     * @param port from 1, where the item is of a port
     * @return empty where it does not say, or has no such port
     */
    public static Optional<Value> valueOf(SeenBox seen, Item item, int port) {
        return switch (item) {
            case BOX_NAME -> Optional.of(Value.of(seen.name()));
            case BOX_IP ->
                Optional.of(Value.of(
                        seen.answering() + seen.prefix().map(p -> "/" + p).orElse("")));
            case WHEN_LOST -> seen.self().whenLost().map(w -> new Value(w.name(), w.words()));
            case PORT_NUMBER ->
                seen.port(port)
                        .map(p -> new Value(
                                Integer.toString(p.address().number()),
                                p.address().toString()));
            case PORT_DIRECTION -> seen.port(port).map(p -> direction(p.direction()));
            case PORT_PROTOCOL -> seen.port(port).flatMap(SeenPort::takes).map(BoxOrders::protocol);
            case PORT_MERGE -> seen.port(port).flatMap(SeenPort::merge).map(m -> new Value(m.name(), m.words()));
            case PORT_RDM -> seen.port(port).map(p -> Value.of(p.rdm()));
            default -> Optional.empty();
        };
    }

    private Prepared order(BoxDifference difference) {
        if (difference instanceof BoxDifference.Silent s) {
            return silent(s.why());
        }
        if (difference instanceof BoxDifference.OtherName n) {
            return whole(Item.BOX_NAME, Value.of(n.seen()), Value.of(cut(n.planned())));
        }
        if (difference instanceof BoxDifference.OtherMask m) {
            return whole(Item.BOX_IP, card(heard.asked() + "/" + m.seen()), planned());
        }
        if (difference instanceof BoxDifference.OtherWhenLost w) {
            return whenLost(w);
        }
        if (difference instanceof BoxDifference.OtherNumber n) {
            return number(n);
        }
        if (difference instanceof BoxDifference.Turned t) {
            return turned(t);
        }
        if (difference instanceof BoxDifference.OtherProtocol p) {
            return port(Item.PORT_PROTOCOL, p.port(), protocol(p.seen()), protocol(p.planned()));
        }
        if (difference instanceof BoxDifference.OtherMerge m) {
            return port(
                    Item.PORT_MERGE,
                    m.port(),
                    new Value(m.seen().name(), m.seen().words()),
                    new Value(m.planned().name(), m.planned().words()));
        }
        if (difference instanceof BoxDifference.RdmOff r) {
            return port(Item.PORT_RDM, r.port(), Value.of(false), Value.of(true));
        }
        // A port that is not there, another box at its address, something that translates addresses: nothing to be
        // programmed.
        return Prepared.NOTHING;
    }

    private Prepared silent(Silence why) {
        if (why instanceof Silence.Elsewhere e) {
            return e.isShared() ? leavingBoth(e.at()) : whole(Item.BOX_IP, Value.of(e.at().toString()), planned());
        }
        return Prepared.NOTHING;
    }

    private Prepared leavingBoth(Ipv4 at) {
        return Prepared.leaving(target, wouldChangeBoth(at));
    }

    /** Why nothing is sent to an address that two boxes have. */
    public static String wouldChangeBoth(Ipv4 at) {
        return "two boxes answer at " + at + ", and what is sent there would change both";
    }

    private Value planned() {
        NetCard card = box.card().orElseThrow();
        return card(card.ip() + "/" + card.prefix());
    }

    private static Value card(String words) {
        return Value.of(words);
    }

    private static Value protocol(Protocol protocol) {
        return new Value(protocol.name(), protocol.words());
    }

    private Prepared whole(Item item, Value was, Value will) {
        return Prepared.of(new Order(target, item, 0, Optional.of(was), will));
    }

    private Prepared port(Item item, int port, Value was, Value will) {
        return Prepared.of(new Order(target, item, port, Optional.of(was), will));
    }

    /** What a box has room for: 17 bytes. */
    private static String cut(String name) {
        String cut = name;
        while (cut.getBytes(StandardCharsets.UTF_8).length > SeenBox.LONGEST_NAME) {
            cut = cut.substring(0, cut.length() - 1);
        }
        return cut.strip();
    }

    private Prepared whenLost(BoxDifference.OtherWhenLost lost) {
        long wanted = plan.describedUniverses().stream()
                .flatMap(u -> u.routes().stream())
                .filter(r -> r.port().box() == box.number())
                .flatMap(r -> box.port(r.port().number()).stream())
                .map(p -> p.whenLost())
                .distinct()
                .count();
        return wanted > 1
                ? Prepared.leaving(
                        target, "its ports are planned to do different things when data stops, and it does one for all")
                : whole(
                        Item.WHEN_LOST,
                        new Value(lost.seen().name(), lost.seen().words()),
                        new Value(lost.planned().name(), lost.planned().words()));
    }

    private Prepared turned(BoxDifference.Turned turned) {
        return turned.planned() == Direction.OFF
                ? Prepared.leaving(target, "port " + turned.port() + " cannot be switched off over the network")
                : port(Item.PORT_DIRECTION, turned.port(), direction(turned.seen()), direction(turned.planned()));
    }

    private static Value direction(Direction direction) {
        return new Value(direction.name(), direction.words());
    }

    /** A page has one Net and one Sub-Net for all of its ports: what moves one port there moves them all. */
    private Prepared number(BoxDifference.OtherNumber number) {
        Set<Integer> wanted = wantedBeside(number.port());
        if (wanted.size() > 1) {
            return Prepared.leaving(
                    target,
                    "the ports of one page are planned in several Sub-Nets ("
                            + wanted.stream()
                                    .map(w -> new PortAddress(w << 4).toString())
                                    .collect(Collectors.joining(", "))
                            + " on), and a box has one for a page");
        }
        boolean moves = number.seen().number() >> 4 != number.planned().number() >> 4;
        String words = number.planned() + (moves ? " (all ports of its page go to that Sub-Net)" : "");
        return port(
                Item.PORT_NUMBER,
                number.port(),
                new Value(
                        Integer.toString(number.seen().number()), number.seen().toString()),
                new Value(Integer.toString(number.planned().number()), words));
    }

    /** The Nets and Sub-Nets that are planned for the ports of the page of a port. */
    private Set<Integer> wantedBeside(int port) {
        List<SeenPort> ports = heard.called(box.name()).map(SeenBox::ports).orElse(List.of());
        int page = port <= ports.size() ? ports.get(port - 1).place().bindIndex() : 0;
        int first = (port - 1) / PORTS_OF_A_PAGE;
        Set<Integer> wanted = new TreeSet<>();
        for (Universe universe : plan.describedUniverses()) {
            for (Route route : universe.routes()) {
                int other = route.port().number();
                boolean beside = route.port().box() == box.number()
                        && (other <= ports.size() && page > 0
                                ? ports.get(other - 1).place().bindIndex() == page
                                : (other - 1) / PORTS_OF_A_PAGE == first);
                if (beside && route instanceof Route.ArtNet a) {
                    wanted.add(a.address().number() >> 4);
                }
            }
        }
        return wanted;
    }
}
