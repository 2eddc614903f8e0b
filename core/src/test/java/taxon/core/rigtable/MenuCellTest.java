package taxon.core.rigtable;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits.OwnMenu;
import taxon.core.rig.Traits.OwnValue;
import taxon.core.setting.MenuText;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

/** What is set in the menu of one unit, as the cells of the table take and show it. */
class MenuCellTest {
    private static final FixtureType TERN = DemoTypes.book().named("", "Tern").orElseThrow();
    private static final Plan RIG = Rigs.add(Rigs.empty(), TERN, 1, 1);
    private static final Fixture UNIT = RIG.fixtures().get(0);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "fan = quiet | fan = quiet",
                "FAN=quiet;White-point = 5600 K ( for the camera ) | fan = quiet; white point = 5600 K (for the camera)",
                "output = 16 (bit) () | output = 16 (bit) ()",
                "curve = a=b | curve = a=b",
                "gel = Ω ✓ 500 % | gel = Ω ✓ 500 %",
            })
    void aCellIsWrittenInTheSpellingOfTheTypeAndReadsBackTheSame(String typed, String shown) {
        OwnMenu menu = MenuText.read(RIG, UNIT, typed);
        assertThat(MenuText.of(menu)).isEqualTo(shown);
        assertThat(MenuText.read(RIG, UNIT, shown)).isEqualTo(menu);
    }

    @Test
    void theReasonStandsInBrackets() {
        assertThat(MenuText.read(RIG, UNIT, "fan = quiet (near the choir)"))
                .isEqualTo(new OwnMenu(new TreeMap<>(Map.of("fan", new OwnValue("quiet", "near the choir")))));
    }

    @ParameterizedTest
    @ValueSource(strings = {"quiet", "fan =", "= quiet", "fan = quiet;", "fan = quiet; Fan = full", "fan = (why)"})
    void whatIsNotUnderstoodIsRefusedWithASentence(String typed) {
        assertThat(catchMessage(typed)).isNotBlank();
    }

    private static String catchMessage(String typed) {
        try {
            MenuText.read(RIG, UNIT, typed);
            return "";
        } catch (IllegalArgumentException e) {
            return String.valueOf(e.getMessage());
        }
    }
}
