package taxon.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import com.opencsv.CSVReader;
import com.opencsv.exceptions.CsvException;
import java.io.IOException;
import java.io.StringReader;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper.Listing;

class SpreadsheetCsvTest {

    /** OWASP, "CSV Injection": the characters that begin a formula (from memory). */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "=1+1",
                "+1",
                "-1",
                "@SUM(A1)",
                "\t=1",
                "\r=1",
                " =1",
                "＝1",
                "\u00A0=1",
                "\u200B=1",
                "\uFEFF\u2003+1"
            })
    void noCellBeginsAsAFormulaDoes(String cell) {
        assertThat(SpreadsheetCsv.harmless(cell)).isEqualTo("'" + cell);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "2.073", "Crane rail", "a=b", "über"})
    void plainCellsStayAsTheyAre(String cell) {
        assertThat(SpreadsheetCsv.harmless(cell)).isEqualTo(cell);
    }

    /** Read by another library than the one that writes. */
    @Test
    void figuresOfAListingArePlainNumbersAlsoBelowZeroAndTextsAreHarmless() throws IOException, CsvException {
        Listing listing = new Listing(
                List.of("Fixture ID", "Offset", "Name"),
                List.of(List.of(
                        Cell.of(204),
                        new Cell.Figure(new BigDecimal("-4.50"), "-4.5 m"),
                        Cell.of("-1 \"bow\", left"))));
        String text = new String(SpreadsheetCsv.write(listing), StandardCharsets.UTF_8).substring(1);
        try (CSVReader reader = new CSVReader(new StringReader(text))) {
            assertThat(reader.readAll()).containsExactly(new String[] {"Fixture ID", "Offset", "Name"}, new String[] {
                "204", "-4.50", "'-1 \"bow\", left"
            });
        }
    }

    @Test
    void theHeaderIsNoFormulaEither() {
        byte[] file = SpreadsheetCsv.write(List.of("=1+1"), List.of());
        assertThat(new String(file, StandardCharsets.UTF_8)).isEqualTo("\uFEFF'=1+1\r\n");
    }

    @Test
    void cellsWithSeparatorsQuotesAndLineBreaksComeBackWhole() throws IOException {
        List<String> row = List.of("a,b", "say \"x\"", "two\nlines");
        String text = new String(SpreadsheetCsv.write(List.of("A", "B", "C"), List.of(row)), StandardCharsets.UTF_8);
        assertThat(text).startsWith("\uFEFFA,B,C\r\n");
        try (CSVParser parser = CSVFormat.RFC4180.parse(new StringReader(text.substring(1)))) {
            assertThat(parser.getRecords().get(1).toList()).isEqualTo(row);
        }
    }
}
