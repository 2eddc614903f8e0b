package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.FixtureType;
import taxon.core.library.Doubt;
import taxon.core.library.ModeRef;
import taxon.core.library.Shop;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class ShopRulesTest {
    private static final FixtureType TERN = DemoTypes.book().named("", "Tern").orElseThrow();
    private static final Plan FIVE = Rigs.add(Rigs.empty(), TERN, 5, 1);

    @Test
    void aRigThatTakesMoreThanTheShelfHoldsIsShort() {
        Finding finding = only(Rule.SHELF_SHORT, new Shop(Map.of(TERN.id(), 3), Map.of()));
        assertThat(FindingText.sentence(finding))
                .isEqualTo("Fernglass Tern: 5 in the rig, 3 on the shelf, short by 2.");
        assertThat(finding.fixtures()).hasSize(2);
    }

    @Test
    void aShelfThatHoldsEnoughOrDoesNotListTheTypeFindsNothing() {
        assertThat(found(Rule.SHELF_SHORT, new Shop(Map.of(TERN.id(), 5), Map.of())))
                .isEmpty();
        assertThat(found(Rule.SHELF_SHORT, Shop.EMPTY)).isEmpty();
    }

    @Test
    void everyFixtureInADoubtedModeIsNamed() {
        Finding finding = only(Rule.MODE_DOUBTED, doubting("12-channel"));
        assertThat(FindingText.sentence(finding))
                .isEqualTo("Fernglass Tern, 12-channel, is doubted: Zoom and colour temperature are swapped."
                        + " (crew, 2026-11-20.) 5 fixtures use it.");
        assertThat(finding.fixtures()).hasSize(5);
    }

    @Test
    void aDoubtAboutAnotherModeFindsNothing() {
        assertThat(found(Rule.MODE_DOUBTED, doubting("16-channel"))).isEmpty();
    }

    private static Shop doubting(String mode) {
        ModeRef ref = new ModeRef(TERN.id(), mode);
        Doubt doubt = new Doubt(
                ref, "Zoom and colour temperature are swapped", "crew", Instant.parse("2026-11-20T18:00:00Z"));
        return new Shop(Map.of(), Map.of(ref, doubt));
    }

    private static List<Finding> found(Rule rule, Shop shop) {
        return PlanCheck.of(FIVE, shop).byRule().getOrDefault(rule, List.of());
    }

    private static Finding only(Rule rule, Shop shop) {
        assertThat(found(rule, shop)).hasSize(1);
        return found(rule, shop).get(0);
    }
}
