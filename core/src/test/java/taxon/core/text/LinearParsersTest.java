package taxon.core.text;

import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.UniverseSet;
import taxon.core.fixture.AttributeWords;
import taxon.core.jot.JotLine;
import taxon.core.length.LengthText;
import taxon.core.library.ChannelOrder;
import taxon.core.library.TypeQuery;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.testing.Rigs;
import taxon.core.typesheet.SheetReader;

/**
 * Whatever is read of what people type costs no more than its length. A parser that tries every beginning with every end
 * would take hours for these texts; the time allowed here is for a machine that has much else to do.
 */
class LinearParsersTest {
    private static final int LONG = 120_000;

    private static final Map<String, Consumer<String>> PARSERS = new LinkedHashMap<>();

    static {
        PARSERS.put("address", AddressText::read);
        PARSERS.put("universes", UniverseSet::read);
        PARSERS.put("length", LengthText::read);
        PARSERS.put("attribute", text -> AttributeWords.read("a" + text));
        PARSERS.put("channel order", ChannelOrder::of);
        PARSERS.put("type search", TypeQuery::of);
        PARSERS.put("likeness", Likeness::key);
        PARSERS.put("header", FixtureColumn::called);
        PARSERS.put("type sheet", SheetReader::read);
        PARSERS.put("jot line", line -> JotLine.read(line, Rigs.ofEveryKind(1), Set.of(), (words, most) -> List.of()));
    }

    static Stream<String> parsers() {
        return PARSERS.keySet().stream();
    }

    private static Map<String, String> texts() {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String unit : new String[] {
            " ",
            "\t",
            "\n",
            "1",
            "a",
            "a ",
            "1 ",
            "1,",
            ", ",
            " ,",
            "1-",
            "1 - ",
            "(",
            "( ",
            "[",
            "[a] ",
            "\"",
            "'",
            "-",
            ".",
            "1.",
            "=",
            "a = ",
            ": ",
            "fine ",
            "a1",
            "16 bit ",
            "pan, ",
            "x" + "\u00a0",
            "1 to ",
            "/",
            "mode ",
            "mode: a\n"
        }) {
            texts.put("“" + unit + "” over and over", unit.repeat(LONG / unit.length()));
            texts.put("“" + unit + "” over and over, then x!", unit.repeat(LONG / unit.length()) + "x!");
            texts.put("1, then “" + unit + "” over and over", "1" + unit.repeat(LONG / unit.length()) + "x");
        }
        return texts;
    }

    @ParameterizedTest
    @MethodSource("parsers")
    @Timeout(value = 120, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
    void aLongTextIsReadOrRefusedInTimeThatGrowsWithItsLength(String parser) {
        texts().forEach((name, text) ->
                assertThatCode(() -> PARSERS.get(parser).accept(text)).as(name).doesNotThrowAnyException());
    }
}
