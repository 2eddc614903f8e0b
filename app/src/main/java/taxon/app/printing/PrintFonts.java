package taxon.app.printing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import taxon.core.label.TextMeasure;

/** The letters of printed things: how wide they are, and which of them there are. */
public final class PrintFonts implements TextMeasure {
    private static final PrintFonts SHARED = new PrintFonts();

    /** Stands for a letter that the font lacks. */
    private static final int MISSING = '?';

    private final Map<Face, Metrics> faces = new EnumMap<>(Face.class);

    /** @param widths of letters that were measured before */
    private record Metrics(TrueTypeFont font, CmapLookup glyphs, double units, Map<Integer, Double> widths) {}

    private PrintFonts() {
        for (Face face : Face.values()) {
            try {
                // Stays open: widths are read from it as they are asked for.
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file(face)));
                faces.put(face, new Metrics(font, font.getUnicodeCmapLookup(), font.getUnitsPerEm(), new HashMap<>()));
            } catch (IOException e) {
                throw new UncheckedIOException("a font that ships with Taxon cannot be read", e);
            }
        }
    }

    /** The fonts that ship with Taxon. */
    public static PrintFonts shared() {
        return SHARED;
    }

    /** The file of a face; the caller closes it. */
    public static InputStream file(Face face) {
        String name = switch (face) {
            case PLAIN -> "AtkinsonHyperlegibleNext-Regular.ttf";
            case BOLD -> "AtkinsonHyperlegibleNext-Bold.ttf";
            case EVEN -> "AtkinsonHyperlegibleMono-Regular.ttf";
        };
        return Objects.requireNonNull(PrintFonts.class.getResourceAsStream("/print-fonts/" + name), name);
    }

    private Metrics metrics(Face face) {
        return Objects.requireNonNull(faces.get(face));
    }

    @Override
    public synchronized double width(Face face, String text) {
        Metrics metrics = metrics(face);
        return text.codePoints()
                .mapToDouble(c ->
                        metrics.widths().computeIfAbsent(c, l -> advance(metrics, has(metrics, l) ? l : MISSING)))
                .sum();
    }

    private static double advance(Metrics metrics, int letter) {
        try {
            return metrics.font().getAdvanceWidth(metrics.glyphs().getGlyphId(letter)) / metrics.units();
        } catch (IOException e) {
            throw new UncheckedIOException("a font that ships with Taxon cannot be read", e);
        }
    }

    private static boolean has(Metrics metrics, int letter) {
        return metrics.glyphs().getGlyphId(letter) != 0;
    }

    /** The same text with a question mark for every letter that the face lacks. */
    public synchronized String printable(Face face, String text) {
        Metrics metrics = metrics(face);
        StringBuilder printable = new StringBuilder();
        text.codePoints().forEach(c -> printable.appendCodePoint(has(metrics, c) ? c : MISSING));
        return printable.toString();
    }

    /** The letters of a text that its face lacks, each once; empty where it has all. */
    public synchronized String lacking(Face face, String text) {
        Metrics metrics = metrics(face);
        StringBuilder lacking = new StringBuilder();
        text.codePoints().distinct().filter(c -> !has(metrics, c)).forEach(lacking::appendCodePoint);
        return lacking.toString();
    }
}
