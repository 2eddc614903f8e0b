package taxon.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import taxon.core.ipplan.FreeAddresses;
import taxon.core.network.BoxKind;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.NetworkEdits;

/** Rules about IP addresses and masks. */
final class IpFindings {
    private static final Subnet SELF_GIVEN = Subnet.around(Ipv4.of(169, 254, 0, 0), 16);

    private final Plan plan;
    private final Optional<IpRules> rules;
    private final List<Box> boxes;
    private final Map<Seeking, Optional<Ipv4>> free = new HashMap<>();

    /** Boxes of one kind in one range are offered the same free address. */
    private record Seeking(BoxKind kind, Subnet range) {}

    IpFindings(Plan plan) {
        this.plan = plan;
        rules = plan.sheet().network().ip();
        boxes = plan.boxes().stream().filter(b -> b.card().isPresent()).toList();
    }

    List<Finding> twice() {
        Map<Ipv4, List<Box>> byIp = new TreeMap<>();
        boxes.forEach(b -> b.ip().ifPresent(
                        ip -> byIp.computeIfAbsent(ip, i -> new ArrayList<>()).add(b)));
        List<Finding> found = new ArrayList<>();
        byIp.forEach((ip, alike) -> {
            if (alike.size() > 1) {
                found.add(NetworkNumberRules.found(
                        Rule.IP_TWICE,
                        ip.toString(),
                        new NetworkGrounds.IpTwice(ip, alike),
                        another(alike.get(alike.size() - 1))));
            }
        });
        return found;
    }

    List<Finding> noHost() {
        return each(
                Rule.IP_NO_HOST,
                (box, card) -> card.subnet().isHost(card.ip())
                        ? Optional.empty()
                        : Optional.of(new NetworkGrounds.IpNoHost(box, card)));
    }

    List<Finding> selfGiven() {
        return each(
                Rule.IP_SELF_GIVEN,
                (box, card) -> SELF_GIVEN.contains(card.ip())
                        ? Optional.of(new NetworkGrounds.IpSelfGiven(box, card))
                        : Optional.empty());
    }

    List<Finding> outside() {
        return each(
                Rule.IP_OUTSIDE,
                (box, card) -> rules.filter(r -> r.networkOf(card.ip()).isEmpty() && !SELF_GIVEN.contains(card.ip()))
                        .map(r -> new NetworkGrounds.IpOutside(box, card, r.range(), r.others())));
    }

    List<Finding> maskDiffers() {
        return each(
                Rule.MASK_DIFFERS,
                (box, card) -> planned(card.ip())
                        .filter(r -> card.prefix() != r.prefix())
                        .map(r -> new NetworkGrounds.MaskDiffers(box, card, r)));
    }

    /** The network of the job in which an address lies. */
    private Optional<Subnet> planned(Ipv4 ip) {
        return rules.flatMap(r -> r.networkOf(ip));
    }

    /** Boxes that do not hear each other: of all where no range is said, else senders and those who get their universes. */
    List<Finding> apart() {
        return rules.isPresent() ? unheard() : strangers();
    }

    private List<Finding> unheard() {
        Map<Subnet, Set<Box>> senders = new TreeMap<>(Comparator.comparing(Subnet::toString));
        Map<Subnet, Set<Box>> deaf = new HashMap<>();
        for (Universe universe : plan.describedUniverses()) {
            for (Box sender : boxesOf(universe.sources().stream().map(Universe.Source::box))) {
                for (Box box : boxesOf(universe.routes().stream()
                        .filter(r -> !(r instanceof Route.Direct))
                        .map(r -> r.port().box()))) {
                    if (!planned(sender).equals(planned(box))) {
                        planned(sender).ifPresent(home -> {
                            senders.computeIfAbsent(home, n -> new LinkedHashSet<>())
                                    .add(sender);
                            deaf.computeIfAbsent(home, n -> new LinkedHashSet<>())
                                    .add(box);
                        });
                    }
                }
            }
        }
        return senders.entrySet().stream()
                .map(e -> NetworkNumberRules.found(
                        Rule.NETWORKS_APART,
                        e.getKey().toString(),
                        new NetworkGrounds.NetworksApart(
                                e.getKey(),
                                List.copyOf(e.getValue()),
                                List.copyOf(deaf.getOrDefault(e.getKey(), Set.of()))),
                        new Remedy.Decide("Hand out addresses of one range", Remedy.Where.ROUTING)))
                .toList();
    }

    private Optional<Subnet> planned(Box box) {
        return box.ip().flatMap(this::planned);
    }

    private List<Box> boxesOf(Stream<Integer> numbers) {
        return numbers.flatMap(n -> plan.box(n).stream())
                .filter(b -> b.ip().flatMap(this::planned).isPresent())
                .toList();
    }

    private List<Finding> strangers() {
        Map<String, List<Box>> byNetwork = new TreeMap<>();
        boxes.forEach(b -> byNetwork
                .computeIfAbsent(network(b).toString(), n -> new ArrayList<>())
                .add(b));
        if (byNetwork.size() < 2) {
            return List.of();
        }
        return byNetwork.values().stream()
                .sorted((a, b) -> b.size() - a.size())
                .flatMap(together -> apartFrom(together).stream())
                .limit(1)
                .toList();
    }

    private Optional<Finding> apartFrom(List<Box> together) {
        List<Box> others = boxes.stream()
                .filter(b -> together.stream().anyMatch(t -> !hearEachOther(b, t)))
                .toList();
        Subnet network = network(together.get(0));
        return others.isEmpty()
                ? Optional.empty()
                : Optional.of(NetworkNumberRules.found(
                        Rule.NETWORKS_APART,
                        network.toString(),
                        new NetworkGrounds.NetworksApart(network, together, others),
                        new Remedy.Decide("Hand out addresses of one range", Remedy.Where.ROUTING)));
    }

    /** Masks may differ, as long as each finds the other in what it takes for its network. */
    private static boolean hearEachOther(Box one, Box other) {
        return network(one).contains(other.ip().orElseThrow())
                && network(other).contains(one.ip().orElseThrow());
    }

    private static Subnet network(Box box) {
        return box.card().orElseThrow().subnet();
    }

    private interface Judged {
        Optional<? extends NetworkGrounds> of(Box box, NetCard card);
    }

    private List<Finding> each(Rule rule, Judged judged) {
        List<Finding> found = new ArrayList<>();
        for (Box box : boxes) {
            judged.of(box, box.card().orElseThrow())
                    .ifPresent(g -> found.add(
                            NetworkNumberRules.found(rule, Integer.toString(box.number()), g, remedy(rule, box))));
        }
        return found;
    }

    private Remedy remedy(Rule rule, Box box) {
        return rule == Rule.MASK_DIFFERS
                        && planned(box)
                                .filter(r -> r.isHost(box.ip().orElseThrow()))
                                .isPresent()
                ? moved(box, box.ip().orElseThrow(), planned(box).orElseThrow().prefix())
                : another(box);
    }

    /** A free address in the job's range, or where none is said in its own network. */
    private Remedy another(Box box) {
        Subnet within = planned(box).or(() -> rules.map(IpRules::range)).orElseGet(() -> network(box));
        return free.computeIfAbsent(new Seeking(box.kind(), within), s -> FreeAddresses.forBox(plan, box))
                .map(ip -> moved(box, ip, within.prefix()))
                .orElseGet(() -> new Remedy.Decide("Choose a wider range", Remedy.Where.ROUTING));
    }

    private static Remedy moved(Box box, Ipv4 ip, int prefix) {
        NetCard card = box.card().orElseThrow().at(ip, prefix);
        return new Remedy.Apply("Give " + box.name() + " " + card, NetworkEdits.putBox(box.with(card)));
    }
}
