package taxon.core.boxcheck;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.boxcheck.SeenBox.OnPage;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.boxcheck.SeenBox.Self;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
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

/** A node of four ports: universe 1 as Art-Net on port 1, universe 2 as streaming ACN on port 2, an input on port 4. */
class BoxCheckTest {
    private static final Ipv4 IP = Ipv4.of(10, 0, 0, 11);
    private static final Silence NO_ANSWER = new Silence.NoAnswer();

    private static Plan plan() {
        Box node = Box.node(1, "Quay node", IP, 4).with(new NetCard(IP, 24));
        List<BoxPort> ports = new ArrayList<>(node.ports());
        ports.set(3, BoxPort.USUAL.turned(Direction.IN));
        return Rigs.empty()
                .with(List.of(
                        node.withPorts(ports),
                        universe(1, new Route.ArtNet(new PortAddress(1), new PortRef(1, 1))),
                        universe(2, new Route.Sacn(new SacnUniverse(2), new PortRef(1, 2)))));
    }

    private static Universe universe(int number, Route route) {
        return new Universe(UniverseNumber.of(number), "", List.of(route), List.of());
    }

    private static SeenPort port(Direction direction, int address) {
        return new SeenPort(direction, new PortAddress(address), true);
    }

    private static List<SeenPort> asPlanned() {
        return List.of(port(Direction.OUT, 1), port(Direction.OUT, 9), port(Direction.OFF, 9), port(Direction.IN, 0));
    }

    private static SeenBox seen(String name, List<SeenPort> ports) {
        return new SeenBox(IP, IP, name, Optional.of(24), ports);
    }

    private static List<String> said(SeenBox... answers) {
        return sentences(new BoxAnswers(1, IP, List.of(answers), NO_ANSWER));
    }

    private static List<String> sentences(BoxAnswers heard) {
        return BoxCheck.of(plan(), List.of(heard)).stream()
                .flatMap(v -> v.differences().stream().map(d -> BoxCheckText.sentence(v.box(), d)))
                .toList();
    }

    private static SeenBox with(int port, SeenPort changed) {
        List<SeenPort> ports = new ArrayList<>(asPlanned());
        ports.set(port - 1, changed);
        return seen("Quay node", ports);
    }

    /** A spare port may be set in any way, and so may the number of one that takes streaming ACN: nobody said what it is to be. */
    @Test
    void aBoxThatIsAsPlannedHasNoDifference() {
        assertThat(said(seen("Quay node", asPlanned()))).isEmpty();
        assertThat(BoxCheck.of(
                                plan(),
                                List.of(new BoxAnswers(1, IP, List.of(seen("quay NODE", asPlanned())), NO_ANSWER)))
                        .get(0)
                        .isAsPlanned())
                .isTrue();
    }

    @Test
    void aSilentBoxIsToldWithTheCause() {
        assertThat(silent(NO_ANSWER))
                .isEqualTo(
                        "Quay node at 10.0.0.11 does not answer: it is off, its cable is out, or it is set to another address.");
        assertThat(silent(new Silence.Elsewhere(Ipv4.of(10, 0, 0, 77), 1)))
                .isEqualTo("Quay node at 10.0.0.11 does not answer: a box of its name answers at 10.0.0.77.");
        assertThat(silent(new Silence.Elsewhere(Ipv4.of(10, 0, 0, 77), 2)))
                .isEqualTo(
                        "Quay node at 10.0.0.11 does not answer: a box of its name answers at 10.0.0.77, and another box too.");
        assertThat(silent(new Silence.OtherRange(new NetCard(Ipv4.of(192, 168, 1, 5), 24))))
                .isEqualTo(
                        "Quay node at 10.0.0.11 does not answer: this computer's card is 192.168.1.5/24, in another range.");
        assertThat(silent(new Silence.NotAsked()))
                .isEqualTo("Quay node at 10.0.0.11 was not asked: output to it is not armed.");
        assertThat(silent(new Silence.Unreachable("Network is unreachable")))
                .isEqualTo("Quay node at 10.0.0.11 cannot be asked: Network is unreachable.");
    }

    private static String silent(Silence why) {
        return sentences(new BoxAnswers(1, IP, List.of(), why)).get(0);
    }

    /** A box keeps 17 bytes of a name (Art-Net 4, short name, from memory). */
    @Test
    void aBoxThatCallsItselfOtherwiseIsToldAndACutNameIsItsName() {
        assertThat(said(seen("Stranger", asPlanned())))
                .containsExactly("Quay node at 10.0.0.11 calls itself Stranger.");
        SeenBox cut = seen("Quay node beside ", asPlanned());
        assertThat(cut.isCalled("Quay node beside the bar")).isTrue();
        assertThat(cut.isCalled("Quay node besides")).isFalse();
        assertThat(new SeenBox(IP, IP, new Self("n1", "Quay node", 0, 0, Optional.empty()), Optional.empty(), List.of())
                        .isCalled("quay node"))
                .isTrue();
    }

    @Test
    void mergeProtocolAndFailsafeAreOnlyWrongWhereTheyAreSaid() {
        SeenPort latest = new SeenPort(
                new OnPage(1, 1),
                Direction.OUT,
                new PortAddress(1),
                true,
                Optional.of(Merge.LATEST),
                Optional.of(Protocol.SACN),
                true);
        assertThat(said(with(1, latest)))
                .containsExactly(
                        "Quay node port 1 takes streaming ACN; planned is Art-Net, for universe 1.",
                        "Quay node port 1 joins two sources by LTP, the latest; planned is HTP, the highest.");
        SeenBox zero = new SeenBox(
                IP, IP, new Self("Quay node", "", 0, 0, Optional.of(WhenLost.ZERO)), Optional.of(24), asPlanned());
        assertThat(said(zero))
                .containsExactly(
                        "Quay node goes to zero when its data stops; planned for port 1 and 2 is that it holds.");
    }

    @Test
    void ofTwoAtOneAddressTheOtherIsNamed() {
        assertThat(said(seen("Stranger", List.of()), seen("Quay node", asPlanned())))
                .containsExactly(
                        "Another box, Stranger, answers at the address of Quay node, 10.0.0.11: give one of them another.");
    }

    @Test
    void aMaskIsOnlyWrongWhereItIsSaid() {
        assertThat(said(new SeenBox(IP, IP, "Quay node", Optional.of(8), asPlanned())))
                .containsExactly("Quay node has the mask 255.0.0.0; planned is 255.255.255.0.");
        assertThat(said(new SeenBox(IP, IP, "Quay node", Optional.empty(), asPlanned())))
                .isEmpty();
    }

    @Test
    void portsAreHeldAgainstThePlanOneByOne() {
        assertThat(said(with(1, port(Direction.OUT, 2))))
                .containsExactly("Quay node port 1 is set to Port-Address 0·0·2; planned is 0·0·1, for universe 1.");
        assertThat(said(with(2, port(Direction.IN, 9))))
                .containsExactly("Quay node port 2 is set to input; planned is output.");
        assertThat(said(with(1, port(Direction.OFF, 1))))
                .containsExactly("Quay node port 1 is set to off; planned is output.");
        assertThat(said(with(4, port(Direction.OUT, 0))))
                .containsExactly("Quay node port 4 is set to output; planned is input.");
        assertThat(said(with(1, new SeenPort(Direction.OUT, new PortAddress(1), false))))
                .containsExactly("Quay node port 1 has RDM off; planned is on.");
        assertThat(said(seen("Quay node", asPlanned().subList(0, 1))))
                .containsExactly(
                        "Quay node says that it has 1 port; the plan has something on port 2.",
                        "Quay node says that it has 1 port; the plan has something on port 4.");
    }

    @Test
    void aBoxThatSaysAnotherAddressIsTold() {
        assertThat(said(new SeenBox(IP, Ipv4.of(2, 0, 0, 9), "Quay node", Optional.empty(), asPlanned())))
                .containsExactly(
                        "Quay node answers at 10.0.0.11 and says that it is 2.0.0.9: something between translates addresses.");
    }

    /** It was asked before it was given another address: what it said is of no box of the plan. */
    @Test
    void whatWasAskedAtAnotherAddressSaysNothing() {
        assertThat(BoxCheck.of(plan(), List.of(new BoxAnswers(1, Ipv4.of(10, 0, 0, 12), List.of(), NO_ANSWER))))
                .isEmpty();
        assertThat(BoxCheck.of(plan(), List.of(new BoxAnswers(9, IP, List.of(), NO_ANSWER))))
                .isEmpty();
    }

    @Test
    void anInterfaceIsLookedForByItsNameAndNeedsTheOutputsThatAreInUse() {
        Plan plan = Rigs.empty()
                .with(List.of(
                        Box.node(1, "House interface", IP, 2).as(BoxKind.INTERFACE),
                        universe(1, new Route.Direct(new PortRef(1, 2)))));
        assertThat(plugged(plan, new SeenInterface("house interface", 2))).isEmpty();
        assertThat(plugged(plan, new SeenInterface("House interface", 1)))
                .containsExactly("House interface says that it has 1 port; the plan has something on port 2.");
        assertThat(plugged(plan, new SeenInterface("Another", 2)))
                .containsExactly("House interface is not plugged into this computer.");
    }

    private static List<String> plugged(Plan plan, SeenInterface... seen) {
        return BoxCheck.interfaces(plan, List.of(seen)).stream()
                .flatMap(v -> v.differences().stream().map(d -> BoxCheckText.sentence(v.box(), d)))
                .toList();
    }
}
