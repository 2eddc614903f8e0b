package taxon.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.listing.CellFault;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.ListReading;
import taxon.core.packing.Effort;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.demo.DemoTypes;

/**
 * Lists as they come: of rental programs, table programs, plans and people, each with what every row of it has to become. The
 * habits are common practice: header words, countings, decimals and titles as they are met, under invented types.
 */
class ListsOfTheTradeTest {
    private static final String HERON = "Heron 380/24-channel";
    private static final String TERN = "Tern/16-channel";

    static Stream<Arguments> lists() {
        return Stream.of(
                list("a rental list", "Qty,Description,Weight\n8,Heron 380 24ch,12\n", "?type"),
                list(
                        "a rental list with the maker apart",
                        "Qty,Manufacturer,Model,Mode\n8,Fernglass,Heron 380,24\n",
                        "8 " + HERON),
                list("German, semicolons", "Anzahl;Gerät;Modus;Ort\n8;Heron 380;24;Kran\n", "8 " + HERON + " on Kran"),
                list("German, short words", "Stk;Typ;Kanalzahl;Pos\n8;Heron 380;24;Kran\n", "8 " + HERON + " on Kran"),
                list(
                        "German, the rows of an offer numbered",
                        "Pos.;Menge;Bezeichnung;Modus\n1;8;Heron 380;24\n2;4;Tern;16\n",
                        "8 " + HERON,
                        "4 " + TERN),
                list(
                        "German, with decimals of a table program",
                        "Anzahl;Typ;Modus;DMX-Adresse\n8,0;Heron 380;24,0;1,001\n1,0;Tern;16,0;1,49\n",
                        "8 " + HERON + " at 1.001",
                        "1 " + TERN + " at ?"),
                list(
                        "French",
                        "Qté;Appareil;Mode;Lieu;Adresse\n8;Heron 380;24;Grue;2/1\n",
                        "8 " + HERON + " on Grue at 2.001"),
                list("French, a number of", "Nombre;Projecteur;Mode\n8;Heron 380;24\n", "8 " + HERON),
                list("Spanish, a name", "Nombre;Modelo;Modo;Cant.\nBow;Heron 380;24;8\n", "8 " + HERON + " called Bow"),
                list("Dutch", "Aantal;Armatuur;Modus;Positie\n8;Heron 380;24;Kraan\n", "8 " + HERON + " on Kraan"),
                list(
                        "Italian",
                        "Quantità;Proiettore;Modalità;Posizione\n8;Heron 380;24;Gru\n",
                        "8 " + HERON + " on Gru"),
                list(
                        "a patch with numbers of channels",
                        "Chan,Type,Mode,U,Addr\n201,Heron 380,24,1,1\n202,Heron 380,24,1,25\n",
                        "1 " + HERON + " as 201 at 1.001",
                        "1 " + HERON + " as 202 at 1.025"),
                list(
                        "a patch with universe and channel",
                        "Fixture,Name,Univ,Ch,Mode\nHeron 380,Bow,4,100,24\nHeron 380,Stern,4,124,24\n",
                        "1 " + HERON + " called Bow at 4.100",
                        "1 " + HERON + " called Stern at 4.124"),
                list(
                        "a patch where the fixture is a number",
                        "Fixture,Instrument Type,DMX Mode,Universe,Address\n201,Heron 380,24,1,1\n",
                        "1 " + HERON + " as 201 at 1.001"),
                list(
                        "units on positions",
                        "Position,Unit,Instrument,Mode,Channel\nCrane,1,Heron 380,24,201\nCrane,2,Heron 380,24,202\n",
                        "1 " + HERON + " as 201 on Crane",
                        "1 " + HERON + " as 202 on Crane"),
                list(
                        "heads",
                        "Head;Device;Personality;DMX\n201;Heron 380;24-channel;2.001\n202;Heron 380;24-channel;2.025\n",
                        "1 " + HERON + " as 201 at 2.001",
                        "1 " + HERON + " as 202 at 2.025"),
                list(
                        "a footprint called channels",
                        "Qty,Fixture,Ch\n8,Heron 380,24\n4,Tern,16\n2,Tern,16\n",
                        "8 " + HERON,
                        "4 " + TERN,
                        "2 " + TERN),
                list("a number of what", "Nr;Typ;Modus\n8;Heron 380;24\n8;Tern;16\n", "8 " + HERON, "8 " + TERN),
                list("a number as a name", "Nr;Typ;Modus;Stk\n201;Heron 380;24;8\n", "8 " + HERON + " as 201"),
                list(
                        "titles, blank rows, a total",
                        "Lantern Pageant;;\n;;\n\nQty;Type;Mode\n8;Heron 380;24\n;;\n8;Gesamt;\n",
                        "8 " + HERON),
                list(
                        "a header that comes again on each page",
                        "Qty;Type;Mode\n8;Heron 380;24\nQty;Type;Mode\n4;Tern;16\n",
                        "8 " + HERON,
                        "4 " + TERN),
                list("units in brackets", "Count (pcs)\tType (model)\tMode [ch]\n8\tHeron 380\t24\n", "8 " + HERON),
                list("a count with its unit", "Qty,Type,Mode\n8 pcs,Heron 380,24 ch\n", "8 " + HERON),
                list("upright strokes", "Qty|Type|Mode\n8|Heron 380|24\n", "8 " + HERON),
                list(
                        "ranges of IDs",
                        "IDs,Type,Mode,Address\n201-208,Heron 380,24,1/1\n",
                        "8 " + HERON + " as 201 at 1.001"),
                list(
                        "a universe with its letter",
                        "Qty,Type,Mode,Univ,Slot\n8,Heron 380,24,U3,001\n",
                        "8 " + HERON + " at 3.001"),
                list(
                        "absolute addresses of a table program",
                        "Qty,Type,Mode,DMX\n1,Heron 380,24,1025.0\n1,Heron 380,24,127.0\n",
                        "1 " + HERON + " at 3.001",
                        "1 " + HERON + " at 1.127"),
                list(
                        "a thousand with its comma",
                        "Qty,Type,Mode,DMX\n1,Heron 380,24,\"1,000\"\n",
                        "1 " + HERON + " at 2.488"),
                list(
                        "addresses typed by hand, without zeros",
                        "Qty,Type,Mode,Patch\n1,Heron 380,24,1.1\n1,Heron 380,24,1.25\n1,Heron 380,24,1.113\n",
                        "1 " + HERON + " at 1.001",
                        "1 " + HERON + " at 1.025",
                        "1 " + HERON + " at 1.113"),
                list(
                        "addresses that lost their zeros",
                        "Qty,Type,Mode,Patch\n1,Heron 380,24,1.001\n1,Heron 380,24,1.1\n1,Heron 380,24,1.124\n",
                        "1 " + HERON + " at 1.001",
                        "1 " + HERON + " at ?",
                        "1 " + HERON + " at 1.124"),
                list(
                        "addresses that are text, with their zeros",
                        "Qty,Type,Mode,Patch\n1,Heron 380,24,1.1\n1,Heron 380,24,1.30\n",
                        "1 " + HERON + " at 1.001",
                        "1 " + HERON + " at 1.030"),
                list(
                        "an address that became a date",
                        "Qty,Type,Mode,Patch\n1,Heron 380,24,7-Jan\n",
                        "1 " + HERON + " at ?date"),
                list("a mode that became a number", "Qty,Type,Mode\n2,Heron 380,24.0\n", "2 " + HERON),
                list("a mark before the text", "\uFEFFQty,Type,Mode\n8,Heron 380,24\n", "8 " + HERON),
                list("a workbook", "xlsx:Qty,Type,Mode,Address\n8,Heron 380,24,1.001\n", "8 " + HERON + " at 1.001"),
                list("a workbook of text", "xlsx:Anzahl,Gerät,Modus\n8,Heron 380,24-channel\n", "8 " + HERON));
    }

    private static Arguments list(String habit, String content, String... becomes) {
        return Arguments.of(habit, content, List.of(becomes));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("lists")
    void everyRowBecomesWhatItMeans(String habit, String content, List<String> becomes) {
        EquipmentList list = read(content);
        assertThat(list.lines()).as("no row was lost or added").hasSize(becomes.size());
        for (int i = 0; i < becomes.size(); i++) {
            check(list.lines().get(i), becomes.get(i));
        }
    }

    private static void check(EquipmentLine line, String becomes) {
        List<CellFault.Reason> reasons =
                line.faults().stream().map(CellFault::reason).toList();
        if (becomes.equals("?type")) {
            assertThat(reasons).contains(CellFault.Reason.UNKNOWN);
        } else if (becomes.endsWith("?date")) {
            assertThat(reasons).containsExactly(CellFault.Reason.DATE);
        } else if (becomes.endsWith("?")) {
            assertThat(reasons).containsExactly(CellFault.Reason.UNCLEAR);
        } else {
            assertThat(line.faults()).isEmpty();
            assertThat(words(line.added().orElseThrow())).isEqualTo(becomes);
        }
    }

    private static String words(Added added) {
        List<String> words = new ArrayList<>();
        words.add(added.count() + " " + added.type().name() + "/" + added.mode().name());
        added.firstId().ifPresent(id -> words.add("as " + id));
        if (!added.words().name().isEmpty()) {
            words.add("called " + added.words().name());
        }
        if (!added.position().equals(Added.NOWHERE)) {
            words.add("on " + added.position());
        }
        Optional<StartAddress> at = added.run().map(Added.Run::first);
        at.ifPresent(a -> words.add("at " + a));
        return String.join(" ", words);
    }

    private static EquipmentList read(String content) {
        byte[] file = content.startsWith("xlsx:")
                ? new WrittenWorkbook()
                        .sheet("List", content.substring(5).strip())
                        .bytes()
                : content.getBytes(StandardCharsets.UTF_8);
        TableFile.Read table = (TableFile.Read) TableReader.read(file, "");
        ColumnMap columns = ColumnGuess.of(table.rows());
        assertThat(columns.has(Column.TYPE))
                .as("the column of the type is found")
                .isTrue();
        return EquipmentList.of(
                Plan.empty(JobSheet.named("Lantern Pageant")),
                ListReading.of(table.rows(), columns),
                DemoTypes.withGeneric(),
                new ListChoices(Map.of(), Map.of(), ListChoices.TakenIds.KEEP, ListChoices.TakenAddresses.KEEP),
                Effort.of(1));
    }
}
