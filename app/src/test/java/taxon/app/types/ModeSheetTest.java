package taxon.app.types;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.app.types.ModeSheet.Run;
import taxon.app.types.ModeSheet.Slot;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.SettingGuide;
import taxon.core.typesheet.SheetReader;

class ModeSheetTest {

    @Test
    void slotsStandInTheOrderOfTheManualWithTheirByteOfTheRestValue() {
        List<Slot> slots = slots("Pan 16 bit = 32769\nCells: 2\nRed [highlight 200]");
        assertThat(slots)
                .extracting(s -> s.number() + " " + s.words() + " " + s.resolution() + " " + s.part() + " " + s.rest()
                        + " " + s.highlight())
                .containsExactly("1 pan coarse  128 ", "2 pan fine  1 ", "3 red  cell 1 0 200", "4 red  cell 2 0 200");
    }

    @Test
    void valuesCountInTheCoarseByteWhereThatIsExact() {
        assertThat(slots("Zoom 16 bit\n0-32767 narrow\n32768-65535 wide").get(0).runs())
                .extracting(Run::values)
                .containsExactly("0–127", "128–255");
        assertThat(slots("Zoom 16 bit\n0-1000 narrow\n1001-65535 wide").get(0).runs())
                .extracting(Run::values)
                .containsExactly("0–1000", "1001–65535");
    }

    @Test
    void runsSayTheirPhysicalEndsWithTheUnitOfTheAttribute() {
        Run strobe = slots("Strobe\n0-9 off\n10-255 strobe [0.5 to 25]")
                .get(0)
                .runs()
                .get(1);
        assertThat(strobe.physical()).isEqualTo("0.5 to 25 Hz");
        assertThat(strobe.inner()).isFalse();
    }

    @Test
    void aConditionIsToldInTheWordsOfItsMaster() {
        Run turning = slots("Gobo 1\nGobo 1 rotation\n0-255 turning [when Gobo1 128-255]")
                .get(1)
                .runs()
                .get(0);
        assertThat(turning.condition()).isEqualTo("while gobo is 128–255");
    }

    @Test
    void whatHasNoSlotIsNamedBelow() {
        ModeSheet sheet = sheet("Dimmer\n~ CTC");
        assertThat(sheet.blocks().get(0).unslotted()).containsExactly("colour temperature");
    }

    @Test
    void factsAreToldInWords() {
        Facts facts = new Facts(
                Hazard.ATMOSPHERE,
                Reach.APP_ONLY,
                List.of("XLR5", "XLR3"),
                List.of(),
                4,
                Optional.empty(),
                RemoteManagement.NONE,
                SettingGuide.NONE);
        assertThat(FactsText.lines(facts))
                .extracting(l -> l.name() + ": " + l.value())
                .containsExactly(
                        "Reached by: app radio only",
                        "DMX in: XLR5, XLR3",
                        "DMX out: none",
                        "Load on the line: 4/8 unit load",
                        "Address switches: none known",
                        "Remote management: none known",
                        "Hazard: haze or pyro");
    }

    private static ModeSheet sheet(String text) {
        return ModeSheet.of(SheetReader.read(text).modes().get(0));
    }

    private static List<Slot> slots(String text) {
        return sheet(text).blocks().get(0).slots();
    }
}
