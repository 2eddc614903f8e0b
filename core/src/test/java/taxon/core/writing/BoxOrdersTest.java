package taxon.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.BoxCheck;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.OnPage;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.boxcheck.SeenBox.Self;
import taxon.core.boxcheck.Silence;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

/** A node of four ports: universes 1 and 2 as Art-Net on ports 1 and 2, universe 3 as streaming ACN on port 3, port 4 an input. */
class BoxOrdersTest {
    private static final Ipv4 IP = Ipv4.of(10, 0, 0, 11);
    private static final String NAME = "Quay node beside the bar";

    private static Plan plan(PortAddress first, PortAddress second) {
        Box node = Box.node(1, NAME, IP, 4).with(new NetCard(IP, 24));
        List<BoxPort> ports = new ArrayList<>(node.ports());
        ports.set(3, BoxPort.USUAL.turned(Direction.IN));
        return Rigs.empty()
                .with(List.of(
                        node.withPorts(ports),
                        universe(1, new Route.ArtNet(first, new PortRef(1, 1))),
                        universe(2, new Route.ArtNet(second, new PortRef(1, 2))),
                        universe(3, new Route.Sacn(new SacnUniverse(3), new PortRef(1, 3)))));
    }

    private static Universe universe(int number, Route route) {
        return new Universe(UniverseNumber.of(number), "", List.of(route), List.of());
    }

    private static SeenPort port(int number, Direction direction, int address, Merge merge, Protocol takes) {
        return new SeenPort(
                new OnPage(1, number),
                direction,
                new PortAddress(address),
                number != 1,
                direction == Direction.OUT ? Optional.of(merge) : Optional.empty(),
                direction == Direction.OUT ? Optional.of(takes) : Optional.empty(),
                false);
    }

    private static SeenBox seen(String name, int prefix, SeenPort... ports) {
        return new SeenBox(
                IP, IP, new Self(name, "", 0x0104, 7, Optional.of(WhenLost.ZERO)), Optional.of(prefix), List.of(ports));
    }

    private static Prepared prepared(Plan plan, Silence silence, SeenBox... answers) {
        BoxAnswers heard = new BoxAnswers(1, IP, List.of(answers), silence);
        return BoxOrders.of(plan, BoxCheck.of(plan, List.of(heard)).get(0), heard);
    }

    private static List<String> words(Prepared prepared) {
        return prepared.orders().stream()
                .map(o -> o.words().substring(NAME.length() + 2))
                .toList();
    }

    @Test
    void everyDifferenceThatCanBeProgrammedIsAnOrder() {
        SeenBox otherwise = seen(
                "Stranger",
                8,
                port(1, Direction.IN, 1, Merge.HIGHEST, Protocol.ART_NET),
                port(2, Direction.OUT, 5, Merge.LATEST, Protocol.SACN),
                port(3, Direction.OUT, 9, Merge.HIGHEST, Protocol.ART_NET),
                port(4, Direction.OUT, 9, Merge.HIGHEST, Protocol.ART_NET));
        Prepared prepared = prepared(plan(new PortAddress(1), new PortAddress(2)), new Silence.NoAnswer(), otherwise);
        assertThat(words(prepared))
                .containsExactly(
                        "name Stranger → Quay node beside",
                        "IP address and mask 10.0.0.11/8 → 10.0.0.11/24",
                        "what it does when data stops goes to zero → holds",
                        "port 1 direction input → output",
                        "port 1 RDM off → on",
                        "port 2 Port-Address 0·0·5 → 0·0·2",
                        "port 2 protocol streaming ACN → Art-Net",
                        "port 2 joining of two sources LTP, the latest → HTP, the highest",
                        "port 3 protocol Art-Net → streaming ACN",
                        "port 4 direction output → input");
        assertThat(prepared.left()).isEmpty();
        assertThat(prepared.orders()).allSatisfy(o -> assertThat(o.back()).isPresent());
    }

    private static SeenBox numbered(int first, int second) {
        return seen(
                NAME,
                24,
                port(1, Direction.OUT, first, Merge.HIGHEST, Protocol.ART_NET),
                port(2, Direction.OUT, second, Merge.HIGHEST, Protocol.ART_NET));
    }

    /** A page has one Net and one Sub-Net (Art-Net 4, ArtAddress, from memory). */
    @Test
    void aMoveOfThePageToAnotherSubNetIsSaid() {
        assertThat(words(prepared(
                        plan(PortAddress.of(0, 1, 1), PortAddress.of(0, 1, 2)),
                        new Silence.NoAnswer(),
                        numbered(1, 2))))
                .contains(
                        "port 1 Port-Address 0·0·1 → 0·1·1 (all ports of its page go to that Sub-Net)",
                        "port 2 Port-Address 0·0·2 → 0·1·2 (all ports of its page go to that Sub-Net)");
    }

    @Test
    void portsOfAPageThatArePlannedInTwoSubNetsAreLeftWithTheReason() {
        Prepared prepared = prepared(
                plan(PortAddress.of(0, 1, 1), PortAddress.of(0, 2, 2)), new Silence.NoAnswer(), numbered(1, 2));
        assertThat(prepared.orders()).noneMatch(o -> o.item() == Item.PORT_NUMBER);
        assertThat(prepared.left())
                .extracting(Prepared.Left::why)
                .contains(
                        "the ports of one page are planned in several Sub-Nets (0·1·0, 0·2·0 on), and a box has one for a page");
    }

    @Test
    void nothingIsSentToAnAddressThatTwoBoxesHave() {
        Prepared prepared = prepared(
                plan(new PortAddress(1), new PortAddress(2)),
                new Silence.NoAnswer(),
                numbered(1, 9),
                seen("Stranger", 24));
        assertThat(prepared.orders()).isEmpty();
        assertThat(prepared.left())
                .extracting(Prepared.Left::why)
                .containsExactly("two boxes answer at 10.0.0.11, and what is sent there would change both");
    }

    @Test
    void aBoxThatSitsElsewhereIsGivenItsAddressAndOneThatIsSilentNothing() {
        Plan plan = plan(new PortAddress(1), new PortAddress(2));
        assertThat(words(prepared(plan, new Silence.Elsewhere(Ipv4.of(10, 0, 0, 77), 1))))
                .containsExactly("IP address and mask 10.0.0.77 → 10.0.0.11/24");
        assertThat(prepared(plan, new Silence.NoAnswer())).isEqualTo(Prepared.NOTHING);
    }

    @Test
    void nothingIsSentToABoxThatSitsElsewhereBesideAnother() {
        Prepared prepared =
                prepared(plan(new PortAddress(1), new PortAddress(2)), new Silence.Elsewhere(Ipv4.of(10, 0, 0, 77), 2));
        assertThat(prepared.orders()).isEmpty();
        assertThat(prepared.left())
                .extracting(Prepared.Left::why)
                .containsExactly("two boxes answer at 10.0.0.77, and what is sent there would change both");
    }
}
