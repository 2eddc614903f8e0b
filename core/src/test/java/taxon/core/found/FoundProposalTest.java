package taxon.core.found;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

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
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.FoundUnit.FoundBlock;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

/** 101 to 103 at 1.001, 1.017 and 1.033; universe 1 leaves by a node. */
class FoundProposalTest {
    private static final UniverseNumber ONE = UniverseNumber.of(1);
    private static final Ipv4 IP = Ipv4.of(10, 0, 0, 50);
    private static final FixtureType TYPE = Rigs.type("t", 16);

    private static Plan plan() {
        return Rigs.add(Rigs.empty(), TYPE, 3, Optional.of(101), Optional.of(StartAddress.of(1, 1)))
                .with(List.of(
                        Box.node(1, "Quay node", Ipv4.of(10, 0, 0, 11), 4),
                        new Universe(
                                ONE, "", List.of(new Route.ArtNet(new PortAddress(7), new PortRef(1, 1))), List.of())));
    }

    private static SeenPort port(int number, Direction direction, int address, Protocol takes) {
        return new SeenPort(
                new OnPage(1, number),
                direction,
                new PortAddress(address),
                true,
                direction == Direction.OUT ? Optional.of(Merge.LATEST) : Optional.empty(),
                direction == Direction.OUT ? Optional.of(takes) : Optional.empty(),
                false);
    }

    private static final SeenBox SPARE = new SeenBox(
            IP,
            IP,
            new Self("Spare node", "", 0x0104, 9, Optional.of(WhenLost.ZERO)),
            Optional.of(24),
            List.of(
                    port(1, Direction.OUT, 7, Protocol.ART_NET),
                    port(2, Direction.OUT, 1, Protocol.SACN),
                    port(3, Direction.OUT, 200, Protocol.ART_NET),
                    port(4, Direction.IN, 3, Protocol.ART_NET)));

    private static FoundUnit unit(int device, String model, String label, int start, int footprint) {
        return new FoundUnit(
                ONE,
                String.format("7FF0:%08X", device),
                "Test",
                model,
                label,
                1,
                "only",
                List.of(new FoundBlock(Slot.of(start), footprint)));
    }

    private static FoundProposal proposal(List<SeenBox> boxes, FoundUnit... units) {
        return FoundProposal.of(
                plan(), boxes, List.of(units), u -> u.model().equals("t") ? Optional.of(TYPE) : Optional.empty());
    }

    /** The number says more than the counting: what is sent under it already comes out there too. */
    @Test
    void aBoxIsPlannedAsItIsSetSoThatNothingOfItDiffers() {
        FoundProposal proposal = proposal(List.of(SPARE));
        Plan after = Rigs.apply(plan(), proposal.edit());
        Box box = after.box(2).orElseThrow();
        assertThat(box.name()).isEqualTo("Spare node");
        assertThat(box.card().orElseThrow()).hasToString("10.0.0.50/24");
        assertThat(after.universe(ONE).routes())
                .contains(
                        new Route.ArtNet(new PortAddress(7), new PortRef(2, 1)),
                        new Route.Sacn(new SacnUniverse(1), new PortRef(2, 2)));
        assertThat(proposal.ways()).as("universe 200 is nobody's").isEqualTo(2);
        BoxAnswers heard = new BoxAnswers(2, IP, List.of(SPARE), new Silence.NoAnswer());
        assertThat(BoxCheck.of(after, List.of(heard)).get(0).differences()).isEmpty();
    }

    @Test
    void aUnitIsPlannedInItsModeAtItsAddressUnderItsLabelWhereThatIsFree() {
        FoundProposal proposal = proposal(
                List.of(), unit(1, "t", "204", 65, 16), unit(2, "t", "101", 97, 16), unit(3, "t", "x", 129, 16));
        Plan after = Rigs.apply(plan(), proposal.edit());
        assertThat(after.fixtures())
                .filteredOn(f -> f.key().number() > 3)
                .extracting(Fixture::label, f -> f.addresses().toString())
                .containsExactlyInAnyOrder(
                        tuple("204", "{1=1.065}"), tuple("no. 5", "{1=1.097}"), tuple("no. 6", "{1=1.129}"));
    }

    @Test
    void whatCannotBePlannedIsLeftWithTheReason() {
        assertThat(proposal(
                                List.of(),
                                unit(1, "stranger", "", 65, 16),
                                unit(2, "t", "", 97, 20),
                                unit(3, "t", "", 17, 16))
                        .omissions())
                .extracting(FoundProposal.Left::why)
                .containsExactly(
                        "its type is neither in this job nor in the library",
                        "its mode is another length than the unit says",
                        "a fixture is planned at its address already");
    }
}
