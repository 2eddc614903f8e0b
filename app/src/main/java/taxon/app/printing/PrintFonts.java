package taxon.app.printing;

import com.ibm.icu.text.ArabicShaping;
import com.ibm.icu.text.ArabicShapingException;
import com.ibm.icu.text.Bidi;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import taxon.core.label.TextMeasure;

/**
 * The letters of printed things: how wide they are, and which of them there are. What a face lacks is taken from a second font that has
 * Greek, Cyrillic, Hebrew, Arabic and many signs; a question mark stands for what that lacks too.
 */
public final class PrintFonts implements TextMeasure {
    private static final PrintFonts SHARED = new PrintFonts();
    private static final int MISSING = '?';
    private static final int LAST_OF_ASCII = 0x7E;
    private static final int FIRST_OF_ASCII = 0x20;

    private final Map<Face, Metrics> own = new EnumMap<>(Face.class);
    private final Map<Face, Metrics> second = new EnumMap<>(Face.class);

    /** @param widths of letters that were measured before */
    private record Metrics(TrueTypeFont font, CmapLookup glyphs, double units, Map<Integer, Double> widths) {
        static Metrics of(InputStream file) {
            try {
                // Stays open: widths are read from it as they are asked for.
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file));
                return new Metrics(font, font.getUnicodeCmapLookup(), font.getUnitsPerEm(), new HashMap<>());
            } catch (IOException e) {
                throw new UncheckedIOException("a font that ships with Taxon cannot be read", e);
            }
        }

        boolean has(int letter) {
            return glyphs.getGlyphId(letter) != 0;
        }

        double width(int letter) {
            return widths.computeIfAbsent(letter, l -> {
                try {
                    return font.getAdvanceWidth(glyphs.getGlyphId(l)) / units;
                } catch (IOException e) {
                    throw new UncheckedIOException("a font that ships with Taxon cannot be read", e);
                }
            });
        }
    }

    /**
     * Letters of one font, in the order in which they stand on paper.
     *
     * @param isSecond true when they are of the second font
     */
    public record Run(boolean isSecond, String text) {}

    private PrintFonts() {
        for (Face face : Face.values()) {
            own.put(face, Metrics.of(file(face)));
            second.put(face, Metrics.of(secondFile(face)));
        }
    }

    /** The fonts that ship with Taxon. */
    public static PrintFonts shared() {
        return SHARED;
    }

    /** The file of a face; the caller closes it. */
    public static InputStream file(Face face) {
        return resource(
                switch (face) {
                    case PLAIN -> "AtkinsonHyperlegibleNext-Regular.ttf";
                    case BOLD -> "AtkinsonHyperlegibleNext-Bold.ttf";
                    case EVEN -> "AtkinsonHyperlegibleMono-Regular.ttf";
                });
    }

    /** The file of the font that has what a face lacks; the caller closes it. */
    public static InputStream secondFile(Face face) {
        return resource(
                switch (face) {
                    case PLAIN -> "DejaVuSans.ttf";
                    case BOLD -> "DejaVuSans-Bold.ttf";
                    case EVEN -> "DejaVuSansMono.ttf";
                });
    }

    private static InputStream resource(String name) {
        return Objects.requireNonNull(PrintFonts.class.getResourceAsStream("/print-fonts/" + name), name);
    }

    private Metrics own(Face face) {
        return Objects.requireNonNull(own.get(face));
    }

    private Metrics second(Face face) {
        return Objects.requireNonNull(second.get(face));
    }

    @Override
    public synchronized double width(Face face, String text) {
        double width = 0;
        for (Run run : runs(face, text)) {
            Metrics metrics = run.isSecond() ? second(face) : own(face);
            width += run.text().codePoints().mapToDouble(metrics::width).sum();
        }
        return width;
    }

    /** A text as it is drawn: letters that are read from the right turned round and joined, each from the font that has it. */
    public synchronized List<Run> runs(Face face, String text) {
        if (isPlain(text)) {
            return text.isEmpty() ? List.of() : List.of(new Run(false, text));
        }
        List<Run> runs = new ArrayList<>();
        StringBuilder begun = new StringBuilder();
        boolean isSecond = false;
        for (int letter : visual(text).codePoints().toArray()) {
            boolean fromSecond = !own(face).has(letter) && second(face).has(letter);
            int drawn = fromSecond || own(face).has(letter) ? letter : MISSING;
            if (fromSecond != isSecond && !begun.isEmpty()) {
                runs.add(new Run(isSecond, begun.toString()));
                begun.setLength(0);
            }
            isSecond = fromSecond;
            begun.appendCodePoint(drawn);
        }
        runs.add(new Run(isSecond, begun.toString()));
        return runs;
    }

    private static boolean isPlain(String text) {
        return text.chars().allMatch(c -> c >= FIRST_OF_ASCII && c <= LAST_OF_ASCII);
    }

    /** UAX #9 for the order, and the forms of joined letters. */
    private static String visual(String text) {
        if (!Bidi.requiresBidi(text.toCharArray(), 0, text.length())) {
            return text;
        }
        try {
            String joined =
                    new ArabicShaping(ArabicShaping.LETTERS_SHAPE | ArabicShaping.LENGTH_GROW_SHRINK).shape(text);
            return new Bidi(joined, Bidi.LEVEL_DEFAULT_LTR).writeReordered(Bidi.DO_MIRRORING);
        } catch (ArabicShapingException e) {
            throw new IllegalStateException("a text that may grow can always be joined", e);
        }
    }

    /** The same text with a question mark for every letter that neither font has; ends of lines stay. */
    public synchronized String printable(Face face, String text) {
        if (isPlain(text)) {
            return text;
        }
        StringBuilder printable = new StringBuilder();
        text.codePoints().forEach(c -> printable.appendCodePoint(has(face, c) ? c : MISSING));
        return printable.toString();
    }

    private boolean has(Face face, int letter) {
        return letter < FIRST_OF_ASCII || own(face).has(letter) || second(face).has(letter);
    }

    /** True when a text has a letter that one of the faces lacks, so that it is drawn with the second font. */
    public synchronized boolean needsSecond(String text) {
        return text.codePoints()
                .filter(c -> c > LAST_OF_ASCII)
                .distinct()
                .anyMatch(c -> Arrays.stream(Face.values())
                        .anyMatch(f -> !own(f).has(c) && second(f).has(c)));
    }

    /** The letters of a text that neither font has, each once; empty where there are all. */
    public synchronized String lacking(Face face, String text) {
        if (isPlain(text)) {
            return "";
        }
        StringBuilder lacking = new StringBuilder();
        text.codePoints().distinct().filter(c -> !has(face, c)).forEach(lacking::appendCodePoint);
        return lacking.toString();
    }
}
