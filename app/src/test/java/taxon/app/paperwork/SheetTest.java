package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.app.paperwork.Sheet.Group;
import taxon.app.paperwork.Sheet.Page;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.testing.Rigs;

class SheetTest {
    @Test
    void anEmptySheetHasOnePage() {
        assertThat(sheet().pages()).containsExactly(new Page(1, 1, List.of()));
    }

    @Test
    void everyRowStandsOnExactlyOnePageInItsOrder() {
        List<Page> pages =
                sheet(group("Universe 1", 50), group("Universe 2", 40)).pages();
        assertThat(pages).extracting(Page::number).containsExactly(1, 2, 3);
        assertThat(pages).extracting(Page::of).containsOnly(3);
        List<String> cells = pages.stream()
                .flatMap(p -> p.groups().stream())
                .flatMap(g -> g.rows().stream())
                .map(r -> r.get(0))
                .toList();
        assertThat(cells).hasSize(90).startsWith("Universe 1 row 0").endsWith("Universe 2 row 39");
    }

    @Test
    void aGroupThatGoesOnSaysSo() {
        List<Page> pages = sheet(group("Universe 1", 50)).pages();
        assertThat(pages.get(1).groups().get(0).title()).isEqualTo("Universe 1, continued");
    }

    @Test
    void aLongSheetIsDrawnInPartsOfAboutEqualLengthThatHoldEveryRowOnce() {
        Sheet sheet = sheet(group("Universe 1", 50), group("Universe 2", 60));
        List<Sheet> parts = sheet.parts(40);
        assertThat(parts)
                .extracting(
                        p -> p.groups().stream().mapToInt(g -> g.rows().size()).sum())
                .containsExactly(37, 37, 36);
        assertThat(parts.get(1).groups())
                .extracting(Group::title)
                .containsExactly("Universe 1, continued", "Universe 2");
        assertThat(parts.stream().flatMap(p -> p.groups().stream()).flatMap(g -> g.rows().stream()))
                .containsExactlyElementsOf(
                        sheet.groups().stream().flatMap(g -> g.rows().stream()).toList());
        assertThat(sheet.parts(110)).containsExactly(sheet);
    }

    @Test
    void theSheetByUniverseListsSlotsInOrderWithReservedRunsBetween() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(1, 97)))
                .with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(1, 96), "racks"));
        Group group = new PatchSheets(plan, "Revision A", "2026-05-01")
                .of(PatchSheets.Paper.BY_UNIVERSE)
                .groups()
                .get(0);
        assertThat(group.title()).isEqualTo("Universe 1, routed nowhere");
        assertThat(group.rows()).extracting(r -> r.get(0)).containsExactly("001–096", "097–112", "113–128");
        assertThat(group.rows().get(0)).contains("reserved", "racks");
    }

    @Test
    void aFixtureWithoutAddressOrModeIsOnTheSheetAllTheSame() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, 101);
        Plan broken = plan.with(plan.fixtures().get(1).withMode("gone"));
        List<List<String>> rows = new PatchSheets(broken, "", "")
                .of(PatchSheets.Paper.BY_FIXTURE)
                .groups()
                .get(0)
                .rows();
        assertThat(rows).hasSize(2);
        assertThat(rows.get(0)).contains("101", "none", "no address");
        assertThat(rows.get(1)).contains("102", "gone", "mode missing");
    }

    private static Group group(String title, int rows) {
        return new Group(
                title,
                IntStream.range(0, rows)
                        .mapToObj(i -> List.of(title + " row " + i))
                        .toList());
    }

    private static Sheet sheet(Group... groups) {
        return new Sheet("s", "Sheet", "Job", "", "Revision A", "2026-05-01", List.of("Row"), List.of(groups));
    }

    @Test
    void cellsAreEscapedAndFiguresMarked() {
        Sheet sheet = new Sheet("x", "X", "job", "", "A", "2026-05-01", List.of("Fixture ID", "Name"), List.of());
        assertThat(sheet.cells(List.of("204", "<b>\"Ada\" & Ω</b>")))
                .isEqualTo("<td class=\"n\">204</td><td>&lt;b&gt;&quot;Ada&quot; &amp; Ω&lt;/b&gt;</td>");
    }
}
