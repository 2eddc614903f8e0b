package taxon.core.boxcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * Holds what boxes said of themselves against the plan. A box that was asked at another address than it is planned at by now is
 * left out: what was read of it says nothing of the plan any more.
 */
public final class BoxCheck {
    private final Plan plan;
    private final Map<Integer, Map<Integer, List<Planned>>> byBox = new TreeMap<>();

    private record Planned(Universe universe, Route route) {}

    private BoxCheck(Plan plan) {
        this.plan = plan;
        plan.describedUniverses()
                .forEach(u -> u.routes()
                        .forEach(r -> byBox.computeIfAbsent(r.port().box(), b -> new TreeMap<>())
                                .computeIfAbsent(r.port().number(), p -> new ArrayList<>())
                                .add(new Planned(u, r))));
    }

    /** One verdict for each box that was asked, in the order of what was heard. */
    public static List<BoxVerdict> of(Plan plan, List<BoxAnswers> heard) {
        BoxCheck check = new BoxCheck(plan);
        return heard.stream().flatMap(a -> check.verdict(a).stream()).toList();
    }

    /** One verdict for each planned interface, by its name; what is plugged in beside them is nobody's fault. */
    public static List<BoxVerdict> interfaces(Plan plan, List<SeenInterface> pluggedIn) {
        BoxCheck check = new BoxCheck(plan);
        return plan.boxes().stream()
                .filter(b -> b.kind() == BoxKind.INTERFACE)
                .map(b -> new BoxVerdict(b, check.differences(b, pluggedIn)))
                .toList();
    }

    private List<BoxDifference> differences(Box box, List<SeenInterface> pluggedIn) {
        Optional<SeenInterface> own = pluggedIn.stream()
                .filter(i -> i.name().equalsIgnoreCase(box.name()))
                .findFirst();
        if (own.isEmpty()) {
            return List.of(new BoxDifference.NotPluggedIn());
        }
        return ways(box).keySet().stream()
                .filter(port -> port > own.get().outputs())
                .<BoxDifference>map(
                        port -> new BoxDifference.NoSuchPort(port, own.get().outputs()))
                .toList();
    }

    private Optional<BoxVerdict> verdict(BoxAnswers heard) {
        return plan.box(heard.box())
                .filter(b -> b.ip().equals(Optional.of(heard.asked())))
                .map(b -> new BoxVerdict(b, differences(b, heard)));
    }

    private List<BoxDifference> differences(Box box, BoxAnswers heard) {
        Optional<SeenBox> own = heard.called(box.name());
        if (own.isEmpty()) {
            return List.of(new BoxDifference.Silent(heard.silence()));
        }
        List<BoxDifference> found = new ArrayList<>();
        SeenBox seen = own.get();
        heard.answers().stream()
                .filter(a -> !a.equals(seen))
                .forEach(a -> found.add(new BoxDifference.AnotherThere(a.name())));
        if (!seen.isCalled(box.name())) {
            found.add(new BoxDifference.OtherName(seen.name(), box.name()));
        }
        if (!seen.says().equals(heard.asked())) {
            found.add(new BoxDifference.SaysOtherIp(seen.says()));
        }
        int planned = box.card().map(NetCard::prefix).orElseThrow();
        seen.prefix().filter(p -> p != planned).ifPresent(p -> found.add(new BoxDifference.OtherMask(p, planned)));
        whenLost(box, seen, found);
        for (int port = 1; port <= box.ports().size(); port++) {
            port(box, port, seen, found);
        }
        return found;
    }

    /** A box does one thing for all of its ports when its data stops; the plan may say it of each. */
    private void whenLost(Box box, SeenBox seen, List<BoxDifference> found) {
        Map<WhenLost, List<Integer>> planned = new TreeMap<>();
        ways(box).keySet().stream()
                .filter(p -> p <= box.ports().size())
                .forEach(p -> planned.computeIfAbsent(box.ports().get(p - 1).whenLost(), w -> new ArrayList<>())
                        .add(p));
        seen.self()
                .whenLost()
                .ifPresent(is -> planned.forEach((wanted, ports) -> {
                    if (wanted != is) {
                        found.add(new BoxDifference.OtherWhenLost(ports, is, wanted));
                    }
                }));
    }

    private Map<Integer, List<Planned>> ways(Box box) {
        return byBox.getOrDefault(box.number(), Map.of());
    }

    /** A port that is off in the plan, or that nothing comes to, may be set in any way. */
    private void port(Box box, int number, SeenBox seen, List<BoxDifference> found) {
        List<Planned> ways = ways(box).getOrDefault(number, List.of());
        BoxPort planned = box.ports().get(number - 1);
        if (ways.isEmpty() && planned.direction() != Direction.IN) {
            return;
        }
        if (number > seen.ports().size()) {
            found.add(new BoxDifference.NoSuchPort(number, seen.ports().size()));
            return;
        }
        SeenPort is = seen.ports().get(number - 1);
        if (is.direction() != planned.direction()) {
            found.add(new BoxDifference.Turned(number, is.direction(), planned.direction()));
        }
        for (Planned way : ways) {
            if (way.route() instanceof Route.ArtNet a && !a.address().equals(is.address())) {
                found.add(new BoxDifference.OtherNumber(number, way.universe().number(), is.address(), a.address()));
            }
            protocol(way.route())
                    .filter(p -> is.takes().isPresent() && is.takes().get() != p)
                    .ifPresent(p -> found.add(new BoxDifference.OtherProtocol(
                            number, way.universe().number(), is.takes().get(), p)));
        }
        is.merge()
                .filter(m -> m != planned.merge() && !ways.isEmpty())
                .ifPresent(m -> found.add(new BoxDifference.OtherMerge(number, m, planned.merge())));
        if (planned.rdm() && !is.rdm()) {
            found.add(new BoxDifference.RdmOff(number));
        }
    }

    private static Optional<Protocol> protocol(Route route) {
        return route instanceof Route.Direct
                ? Optional.empty()
                : Optional.of(route instanceof Route.Sacn ? Protocol.SACN : Protocol.ART_NET);
    }
}
