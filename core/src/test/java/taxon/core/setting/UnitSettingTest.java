package taxon.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.AddressSwitches.Counting;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.MenuSetting;
import taxon.core.fixture.MenuStep;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.SettingGuide.TenthSwitch;
import taxon.core.rig.Fixture;
import taxon.core.rig.MenuValues;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits.OwnMenu;
import taxon.core.rig.Traits.OwnValue;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.MenuEdits;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class UnitSettingTest {
    private static final FixtureType HERON =
            DemoTypes.book().named("", "Heron 380").orElseThrow();

    private static Plan herons(int count) {
        return Rigs.add(Rigs.empty(), HERON, count, 1);
    }

    private static Plan inMode(Plan plan, String mode, int... slots) {
        Fixture fixture = plan.fixtures().get(0);
        TreeMap<Integer, StartAddress> starts = new TreeMap<>();
        for (int i = 0; i < slots.length; i++) {
            starts.put(i + 1, StartAddress.of(3, slots[i]));
        }
        return plan.with(fixture.withMode(mode).withAddresses(starts));
    }

    private static UnitSetting card(Plan plan) {
        return UnitSetting.of(plan, plan.fixtures().get(0));
    }

    private static Plan described(Plan plan, SettingGuide guide, Map<String, String> values) {
        return ((Changed) MenuEdits.describe(HERON.id(), guide, new MenuValues(new TreeMap<>(values)))
                        .work()
                        .apply(plan))
                .plan();
    }

    @Test
    void aCardHoldsTheStartOfEveryBlockAndTheWayThroughTheMenuWithWhatIsPlannedInIt() {
        UnitSetting card = card(inMode(herons(1), "24-channel with shutters", 97, 301));
        assertThat(card.number()).isEqualTo("3");
        assertThat(card.blocks())
                .extracting(b -> b.name() + " " + b.start().orElseThrow() + " " + b.needs())
                .containsExactly("Main 3.097 ", "Shutter add-on 3.301 Shutter module: on");
        assertThat(card.steps())
                .containsExactly(
                        "Setup > Control > Mode: 24-channel with shutters",
                        "Setup > Control > Start: 97",
                        "Shutters > Start: 301",
                        "Press the wheel until it beeps");
    }

    @Test
    void whatIsNotPlannedYetIsSaidInTheStepAndNotLeftOut() {
        assertThat(card(inMode(herons(1), "24-channel with shutters", 97)).steps())
                .contains("Shutters > Start: (no address yet)");
    }

    @Test
    void whatTheJobWantsInTheMenuIsAStepBeforeTheConfirmingOne() {
        Plan plan = described(inMode(herons(1), "24-channel", 1), HERON.facts().guide(), Map.of("fan", "quiet"));
        assertThat(card(plan).menu()).extracting(UnitMenu.Line::name).containsExactly("fan");
        assertThat(card(plan).steps()).endsWith("Setup > Cooling: quiet", "Press the wheel until it beeps");
    }

    @Test
    void theValueOfOneUnitIsBeforeThatOfItsType() {
        Plan plan = described(herons(2), HERON.facts().guide(), Map.of("fan", "quiet"));
        Fixture first = plan.fixtures().get(0);
        Plan otherwise = plan.with(first.withTraits(first.traits()
                .withMenu(new OwnMenu(new TreeMap<>(Map.of("Fan", new OwnValue("always full", "sun")))))));
        assertThat(card(otherwise).menu()).extracting(UnitMenu.Line::value).containsExactly("always full");
        assertThat(UnitSetting.of(otherwise, otherwise.fixtures().get(1)).menu())
                .extracting(UnitMenu.Line::value)
                .containsExactly("quiet");
    }

    @ParameterizedTest
    @CsvSource({
        "PLAIN, 73, 1 4 7 on, false",
        "LESS_ONE, 73, 4 7 on, false",
        "LESS_ONE, 1, all off, false",
        "PLAIN, 73, 1 4 7 10 on, true",
        "PLAIN, 512, nine switches do not reach it, false",
    })
    void switchesStandAsTheTypeCountsAndTheTenthAsTheModeWants(
            Counting counting, int slot, String words, boolean tenth) {
        Facts known = HERON.facts();
        Facts facts = new Facts(
                Hazard.NONE,
                Reach.LINE,
                known.inputs(),
                known.outputs(),
                8,
                Optional.of(counting),
                RemoteManagement.NONE,
                new SettingGuide(
                        "",
                        List.of(),
                        "",
                        "",
                        Optional.of(new TenthSwitch(new TreeSet<>(tenth ? List.of("24-channel") : List.of()))),
                        List.of(),
                        Optional.empty()));
        Plan plan = inMode(Rigs.add(Rigs.empty(), HERON.with(facts), 1, 1), "24-channel", slot);
        Switches switches = card(plan).blocks().get(0).switches().orElseThrow();
        assertThat(switches.words()).isEqualTo(words);
        assertThat(switches.tenth()).contains(tenth);
    }

    @Test
    void typesWithoutSwitchesHaveNone() {
        assertThat(card(inMode(herons(1), "24-channel", 1)).blocks().get(0).switches())
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Start {adress}", "{address 0}", "{mode 2}", "{}"})
    void aPlaceInAStepThatStandsForNothingIsRefused(String step) {
        assertThatThrownBy(() -> new MenuStep(step)).hasMessageContaining("stands for nothing");
    }

    @Test
    void aSettingOfTwoNamesThatReadAlikeIsRefused() {
        MenuSetting fan = new MenuSetting("fan", "", "", List.of());
        MenuSetting again = new MenuSetting("Fan ", "", "", List.of());
        assertThatThrownBy(() -> new SettingGuide(
                        "", List.of(), "", "", Optional.empty(), List.of(fan, again), Optional.empty()))
                .hasMessageContaining("twice");
    }
}
