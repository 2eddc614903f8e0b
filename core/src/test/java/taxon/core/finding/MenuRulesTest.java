package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.MenuValues;
import taxon.core.rig.Plan;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits.OwnMenu;
import taxon.core.rig.Traits.OwnValue;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class MenuRulesTest {
    private static final FixtureType TERN = DemoTypes.book().named("", "Tern").orElseThrow();
    private static final Plan FIVE = Rigs.add(Rigs.empty(), TERN, 5, 201);

    private static Plan own(Plan plan, int unit, String name, String value, String why) {
        Fixture fixture = plan.fixtures().get(unit);
        return plan.with(fixture.withTraits(fixture.traits()
                .withMenu(new OwnMenu(new TreeMap<>(Map.of(name, new OwnValue(value, why)))))));
    }

    private static List<Finding> found(Plan plan) {
        return PlanCheck.of(plan).byRule().getOrDefault(Rule.MENU_DIFFERS, List.of());
    }

    @Test
    void aUnitThatIsSetOtherwiseWithoutAReasonIsNamed() {
        List<Finding> found = found(own(FIVE, 3, "white point", "5600 K", ""));
        assertThat(found)
                .extracting(FindingText::sentence)
                .containsExactly("Fernglass Tern: all alike but 204 (5600 K): white point is 6500 K in the others.");
    }

    @Test
    void whatTheJobWantsOfTheTypeIsWhatTheOthersHave() {
        Plan wanted = FIVE.with(new RigType(TERN, new MenuValues(new TreeMap<>(Map.of("white point", "3200 K")))));
        assertThat(found(own(wanted, 3, "white point", "6500 K", "")))
                .extracting(FindingText::sentence)
                .containsExactly("Fernglass Tern: all alike but 204 (6500 K): white point is 3200 K in the others.");
        assertThat(found(own(wanted, 3, "White-Point", "3200 K", ""))).isEmpty();
    }

    @Test
    void aReasonEndsTheFinding() {
        assertThat(found(own(FIVE, 3, "white point", "5600 K", "for the camera")))
                .isEmpty();
    }

    @Test
    void ofUnitsThatAllHaveTheirOwnMostAreRight() {
        Plan plan = FIVE;
        for (int unit = 0; unit < 5; unit++) {
            plan = own(plan, unit, "lens", unit == 2 ? "wide" : "narrow", "");
        }
        List<Finding> found = found(plan);
        assertThat(found)
                .extracting(FindingText::sentence)
                .containsExactly("Fernglass Tern: all alike but 203 (wide): lens is narrow in the others.");
        assertThat(found.get(0).remedy()).isEmpty();
    }

    @Test
    void oneAloneDiffersFromNobody() {
        assertThat(found(own(Rigs.add(Rigs.empty(), TERN, 1, 201), 0, "fan", "quiet", "")))
                .isEmpty();
    }

    @Test
    void theRemedyEndsTheFindingAndTouchesNothingElse() {
        Plan plan = own(own(FIVE, 3, "white point", "5600 K", ""), 1, "fan", "quiet", "near the choir");
        Remedy.Apply remedy = (Remedy.Apply) found(plan).get(0).remedy().orElseThrow();
        Plan after = ((Changed) remedy.edit().work().apply(plan)).plan();
        assertThat(found(after)).isEmpty();
        assertThat(after).isEqualTo(own(FIVE, 1, "fan", "quiet", "near the choir"));
    }
}
