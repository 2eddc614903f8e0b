package taxon.core.raising;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.testing.Rigs;

class GateTest {
    private static final FixtureType SPOT =
            Rigs.typeOf("spot", ChannelScript.block("Main", "Dimmer Pan:2=32768 ColorAdd_R"));
    private static final FixtureType LASER = FixtureType.of(
            TypeId.of("laser"),
            "Test",
            "laser",
            "laser",
            Facts.of(Facts.Hazard.LASER, Facts.Reach.LINE),
            List.of(new Mode(
                    "only",
                    Optional.of(1),
                    List.of(ChannelScript.block("Main", "Dimmer Gobo1 Scale_X=128 ColorMacro1")))));

    private static final FixtureKey ONE = FixtureKey.of(1);
    private static final FixtureKey TWO = FixtureKey.of(2);
    private static final FixtureKey THREE = FixtureKey.of(3);

    /** Spots at 1.1 and 1.11, a laser at 1.21. */
    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 2, 101);
        plan = Rigs.add(plan, LASER, 1, 201);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(1, 1));
        plan = Rigs.place(plan, 2, 1, StartAddress.of(1, 11));
        return Rigs.place(plan, 3, 1, StartAddress.of(1, 21));
    }

    private static Reach universe(int number) {
        return Reach.ofUniverses(List.of(UniverseNumber.of(number)));
    }

    private static Optional<Barred> barred(Plan plan, Reach reach, int slot) {
        return Gate.of(plan, reach).barred(StartAddress.of(1, slot), false);
    }

    private static Plan parked(Plan plan, FixtureKey key, int offset, int value) {
        Fixture fixture = plan.fixture(key).orElseThrow();
        Traits traits = fixture.traits().withParked(List.of(new Traits.Parked(1, offset, value, "the zone")));
        return plan.with(fixture.withTraits(traits));
    }

    @Test
    void armingSomeUnitsArmsTheirSlotsAndNoOthers() {
        Reach reach = Reach.ofUnits(List.of(ONE));
        assertThat(barred(plan(), reach, 1)).isEmpty();
        assertThat(barred(plan(), reach, 4)).isEmpty();
        assertThat(barred(plan(), reach, 5)).contains(new Barred.NotArmed());
        assertThat(barred(plan(), reach, 11)).contains(new Barred.NotArmed());
        assertThat(reach.sent(plan())).containsExactly(UniverseNumber.of(1));
    }

    @Test
    void armingAUniverseArmsEachOfItsSlotsThoseOfNobodyToo() {
        assertThat(barred(plan(), universe(1), 512)).isEmpty();
        assertThat(barred(plan(), universe(2), 1)).contains(new Barred.NotArmed());
    }

    @Test
    void whatCanHurtPeopleDoesNotRiseWithItsUniverse() {
        assertThat(barred(plan(), universe(1), 21)).contains(new Barred.Hazard("201", "laser"));
        assertThat(barred(plan(), universe(1).arming(THREE), 21)).isEmpty();
    }

    @Test
    void armingOneHazardArmsNoOther() {
        Plan plan = Rigs.place(Rigs.add(plan(), LASER, 1, 202), 4, 1, StartAddress.of(1, 31));
        Reach reach = universe(1).arming(THREE);
        assertThat(barred(plan, reach, 31)).contains(new Barred.Hazard("202", "laser"));
    }

    @Test
    void aSlotThatAHazardSharesIsBarredForAllWhoListenThere() {
        Plan shared = Rigs.place(plan(), 3, 1, StartAddress.of(1, 1));
        assertThat(barred(shared, Reach.ofUnits(List.of(ONE)), 1)).containsInstanceOf(Barred.Hazard.class);
    }

    @Test
    void aUnitThatIsSaidToHurtPeopleIsAHazardWhateverItsType() {
        Fixture spot = plan().fixture(TWO).orElseThrow();
        Plan plan = plan().with(spot.withTraits(spot.traits().withHazard("swings low over the stairs")));
        assertThat(barred(plan, universe(1), 11)).contains(new Barred.Hazard("102", "swings low over the stairs"));
    }

    @Test
    void aParkedSlotIsNotRaisedByAnyWay() {
        Plan plan = parked(plan(), ONE, 2, 77);
        assertThat(barred(plan, universe(1), 2)).contains(new Barred.Parked("101", 77, "the zone"));
        assertThat(barred(plan, universe(1), 3)).isEmpty();
    }

    @Test
    void ofALaserOnlyWhatSetsTheZoneRisesUntilTheZoneIsParked() {
        Reach armed = universe(1).arming(THREE);
        assertThat(barred(plan(), armed, 22)).as("the test pattern").isEmpty();
        assertThat(barred(plan(), armed, 23)).as("the zone").isEmpty();
        assertThat(barred(plan(), armed, 24)).as("a colour macro").contains(new Barred.ZoneFirst("201"));
        Plan parked = parked(plan(), THREE, 3, 40);
        assertThat(barred(parked, armed, 24)).isEmpty();
        assertThat(barred(parked, armed, 23)).contains(new Barred.Parked("201", 40, "the zone"));
    }

    @Test
    void whereABoxMakesTheHighestOfTwoOnlyBrightnessRises() {
        Gate gate = Gate.of(plan(), universe(1));
        assertThat(gate.barred(StartAddress.of(1, 1), true)).isEmpty();
        assertThat(gate.barred(StartAddress.of(1, 4), true)).isEmpty();
        assertThat(gate.barred(StartAddress.of(1, 2), true)).contains(new Barred.WouldMix("101"));
        assertThat(gate.barred(StartAddress.of(1, 300), true))
                .as("a slot of nobody")
                .isEmpty();
    }

    @Test
    void atRestEachUnitIsDarkAndInItsPlaceAndAHazardGetsNothing() {
        byte[] rest = RestLevels.of(parked(plan(), THREE, 3, 40), UniverseNumber.of(1));
        assertThat(rest).hasSize(512);
        assertThat(rest[0]).isZero();
        assertThat(rest[1]).as("pan in its middle").isEqualTo((byte) 128);
        assertThat(rest[20]).isZero();
        assertThat(rest[22]).as("parked, not at rest").isEqualTo((byte) 40);
        byte[] open = RestLevels.of(plan(), UniverseNumber.of(1));
        assertThat(open[22]).as("a hazard that nobody parked").isZero();
    }

    @Test
    void whatRaisesAChannelAFamilyAndAUnitIsFoundByAddressAndMode() {
        Fixture two = plan().fixture(TWO).orElseThrow();
        assertThat(Raises.family(plan(), two, ChannelFamily.POSITION, 0.5))
                .containsExactlyInAnyOrderEntriesOf(
                        java.util.Map.of(StartAddress.of(1, 12), 128, StartAddress.of(1, 13), 0));
        assertThat(Raises.channel(plan(), two, taxon.core.fixture.ChannelName.read("red"), 1))
                .containsExactlyInAnyOrderEntriesOf(java.util.Map.of(StartAddress.of(1, 14), 255));
        assertThat(Raises.visible(plan(), two, taxon.core.fixture.Part.WHOLE))
                .containsExactlyInAnyOrderEntriesOf(
                        java.util.Map.of(StartAddress.of(1, 11), 255, StartAddress.of(1, 14), 255));
        assertThat(Raises.value(plan(), two, 1, 1, 0x1234))
                .contains(new java.util.TreeMap<>(
                        java.util.Map.of(StartAddress.of(1, 12), 0x12, StartAddress.of(1, 13), 0x34)));
        assertThat(Raises.value(plan(), two, 1, 1, 65_536)).isEmpty();
        assertThat(Raises.value(plan(), two, 2, 0, 1)).isEmpty();
        assertThat(Raises.whole(plan(), two).keySet()).hasSize(4);
    }

    @Test
    void aUnitWithoutAnAddressHasNothingToRaise() {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 1, 101);
        assertThat(Raises.whole(plan, plan.fixtures().get(0))).isEmpty();
        assertThat(new Reach(Set.of(), Set.of(ONE), Set.of()).sent(plan)).isEmpty();
    }
}
