package taxon.app.checks;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import taxon.app.checks.RigReading.Way;
import taxon.app.checks.boxes.Allowed;
import taxon.app.checks.boxes.BoxAsker;
import taxon.app.checks.boxes.BoxAsker.Whom;
import taxon.app.checks.boxes.Patience;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.BoxesHeard;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.proof.FoundUnit;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.DeviceTable;
import taxon.wire.artnet.link.DeviceTable.Outlet;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.link.CardLinks;
import taxon.wire.link.Link;
import taxon.wire.link.SendPolicy;
import taxon.wire.rdm.codec.Uid;

/**
 * Walks over the planned nodes and asks every unit on their lines what it is set to.
 *
 * <p>Remote management goes by Art-Net also on ports that take their levels by streaming ACN (common practice), so the
 * Port-Address comes from what the node says of its port. What does not answer is told and left out; the walk goes on.
 */
public final class RigReader {
    /** How long a port is given to discover its devices anew; a full line takes some seconds (common practice). */
    private static final Duration DISCOVERY = Duration.ofSeconds(30);

    private static final Duration BETWEEN_QUESTIONS = Duration.ofMillis(200);
    private static final int MOST_BEHIND_PROXIES = 1_000;
    /** Which kinds answer an Art-Net poll (common practice): consoles and programs may, and need not. */
    private static final Set<BoxKind> ANSWERING = EnumSet.of(BoxKind.NODE, BoxKind.TRANSMITTER, BoxKind.UNIT);

    private final Speaking card;
    private final List<NetCard> own;
    private final SendPolicy policy;
    private final Duration answerWithin;
    private final Clock clock;

    /** Which card to speak from, asked each time before anything is sent. */
    interface Speaking {
        CardLinks.Lease lease() throws IOException;
    }

    /** @param own how the cards are on the network; empty where that is not known */
    RigReader(Speaking card, List<NetCard> own, SendPolicy policy, Duration answerWithin, Clock clock) {
        this.card = card;
        this.own = own;
        this.policy = policy;
        this.answerWithin = answerWithin;
        this.clock = clock;
    }

    /** @param units how many units were asked so far */
    public record Progress(String node, int units) {}

    /**
     * Reads the whole rig.
     *
     * @param anew true to let every port discover its devices anew first
     * @param told is told how far it is
     * @param stop asked before each unit
     * @throws IOException when the socket cannot be had, or nothing may be sent to a node
     */
    RigReading read(Plan plan, boolean anew, Consumer<Progress> told, BooleanSupplier stop)
            throws IOException, InterruptedException {
        try (CardLinks.Lease lease = card.lease();
                ArtNetController controller = ArtNetController.over(lease.link(), policy, answerWithin)) {
            Map<Box, List<Planned>> byBox = byBox(plan);
            told.accept(new Progress("", 0));
            BoxesHeard heard = heard(lease.link(), List.copyOf(byBox.keySet()), stop);
            Walk walk = new Walk(controller, anew, told, stop);
            for (Map.Entry<Box, List<Planned>> entry : byBox.entrySet()) {
                if (!stop.getAsBoolean()) {
                    walk.reachable(entry.getKey(), heard.of(plan, entry.getKey()), entry.getValue());
                }
            }
            return new RigReading(
                    clock.instant(),
                    walk.ways,
                    walk.behind,
                    walk.units,
                    byBox.keySet().stream().map(b -> heard.of(plan, b)).toList(),
                    Optional.empty(),
                    walk.troubles);
        }
    }

    /** All boxes are asked at once; one that takes its time holds up no other. */
    private BoxesHeard heard(Link link, List<Box> boxes, BooleanSupplier stop)
            throws IOException, InterruptedException {
        try (BoxAsker asker = new BoxAsker(link, policy, own)) {
            List<Ipv4> everyone = List.of(Allowed.EVERYONE_HERE);
            asker.ask(new Whom(boxes, everyone, true), Patience.reading(answerWithin), h -> {}, stop);
            return asker.heard();
        }
    }

    /** A universe and one of its ways. */
    private record Planned(Universe universe, Route route) {}

    /** What is to be asked of each box on the network that answers such questions, by its number. */
    private static Map<Box, List<Planned>> byBox(Plan plan) {
        Map<Integer, List<Planned>> byNumber = new TreeMap<>();
        plan.boxes().stream()
                .filter(b -> ANSWERING.contains(b.kind()))
                .forEach(b -> byNumber.put(b.number(), new ArrayList<>()));
        for (Universe universe : plan.universes()) {
            RigReading.toUnits(plan, universe)
                    .forEach(r -> byNumber.computeIfAbsent(r.port().box(), n -> new ArrayList<>())
                            .add(new Planned(universe, r)));
        }
        Map<Box, List<Planned>> byBox = new LinkedHashMap<>();
        byNumber.forEach((number, planned) -> {
            Box box = plan.box(number).orElseThrow();
            if (box.ip().isPresent()) {
                byBox.put(box, planned);
            }
        });
        return byBox;
    }

    private static final class Walk {
        private final ArtNetController controller;
        private final boolean anew;
        private final Consumer<Progress> told;
        private final BooleanSupplier stop;
        private final Map<UniverseNumber, List<Way>> ways = new HashMap<>();
        private final Map<String, Way> behind = new HashMap<>();
        private final List<FoundUnit> units = new ArrayList<>();
        private final List<String> troubles = new ArrayList<>();

        Walk(ArtNetController controller, boolean anew, Consumer<Progress> told, BooleanSupplier stop) {
            this.controller = controller;
            this.anew = anew;
            this.told = told;
            this.stop = stop;
        }

        /** A node to which nothing can be sent holds up no other. */
        void reachable(Box node, BoxAnswers answers, List<Planned> planned) throws InterruptedException {
            try {
                told.accept(new Progress(node.name(), units.size()));
                node(node, answers.called(node.name()).map(SeenBox::ports).orElse(List.of()), planned);
            } catch (IOException e) {
                troubles.add(
                        node.name() + " at " + node.ip().orElseThrow() + " cannot be asked: " + e.getMessage() + ".");
            }
        }

        /** What is set otherwise than planned is told by {@link BoxCheck}; the lines are asked as they are. */
        private void node(Box node, List<SeenPort> ports, List<Planned> planned)
                throws IOException, InterruptedException {
            for (Planned each : planned) {
                int number = each.route().port().number();
                if (!stop.getAsBoolean()
                        && number <= ports.size()
                        && ports.get(number - 1).direction() == Direction.OUT) {
                    SeenPort port = ports.get(number - 1);
                    line(
                            node,
                            each,
                            new Outlet(
                                    port.address(),
                                    port.place().bindIndex(),
                                    port.place().port()));
                }
            }
        }

        private void line(Box node, Planned line, Outlet outlet) throws IOException, InterruptedException {
            UniverseNumber universe = line.universe().number();
            Ipv4 ip = node.ip().orElseThrow();
            DeviceTable table = table(ip, outlet);
            if (!(table instanceof DeviceTable.Found found)) {
                troubles.add(noTable(node, universe, outlet, table));
                return;
            }
            Way way = new Way(ip, outlet.address(), line.route());
            ways.computeIfAbsent(universe, u -> new ArrayList<>()).add(way);
            RdmClient client = new RdmClient(controller, ip, outlet.address());
            Deque<Uid> open = new ArrayDeque<>(found.devices());
            Set<Uid> met = new HashSet<>(found.devices());
            while (!open.isEmpty() && !stop.getAsBoolean()) {
                Uid uid = open.removeFirst();
                behind.put(uid.toString(), way);
                if (unit(client, universe, uid)) {
                    behindProxy(client, uid, met).forEach(open::addLast);
                }
                told.accept(new Progress(node.name(), units.size()));
            }
        }

        /** While a node still discovers, it has no table to give: it is asked again. */
        private DeviceTable table(Ipv4 ip, Outlet outlet) throws IOException, InterruptedException {
            if (!anew) {
                return controller.tableOfDevices(ip, outlet);
            }
            controller.discover(ip, outlet.address());
            long deadline = System.nanoTime() + DISCOVERY.toNanos();
            DeviceTable table = controller.tableOfDevices(ip, outlet);
            while (table instanceof DeviceTable.Refused && System.nanoTime() < deadline && !stop.getAsBoolean()) {
                Thread.sleep(BETWEEN_QUESTIONS.toMillis());
                table = controller.tableOfDevices(ip, outlet);
            }
            return table;
        }

        /** Those for which a proxy stands and that were not met yet; a proxy need not name them to its node. */
        private List<Uid> behindProxy(RdmClient client, Uid uid, Set<Uid> met)
                throws IOException, InterruptedException {
            try {
                return met.size() > MOST_BEHIND_PROXIES
                        ? List.of()
                        : client.proxied(uid).stream().filter(met::add).toList();
            } catch (RdmException e) {
                // A unit that did not answer is told already; what stands behind it stays unknown with it.
                return List.of();
            }
        }

        private static String noTable(Box node, UniverseNumber universe, Outlet outlet, DeviceTable table) {
            String where = node.name() + (table instanceof DeviceTable.Refused ? " refuses" : " gives no")
                    + (table instanceof DeviceTable.Refused ? " the" : "") + " table of devices of universe " + universe
                    + ", Port-Address " + outlet.address();
            return where
                    + (table instanceof DeviceTable.Refused
                            ? ": it is still looking for them, or remote management is off there."
                            : ": is remote management on at that port?");
        }

        /** @return false when it did not answer, so that it is asked nothing more */
        private boolean unit(RdmClient client, UniverseNumber universe, Uid uid)
                throws IOException, InterruptedException {
            try {
                units.add(UnitReader.read(client, universe, uid));
                return true;
            } catch (RdmException e) {
                troubles.add("On universe " + universe + ", " + e.getMessage() + ".");
                return false;
            }
        }
    }
}
