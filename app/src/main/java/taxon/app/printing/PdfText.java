package taxon.app.printing;

import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import taxon.app.printing.PrintFonts.Run;
import taxon.core.label.TextMeasure.Face;

/** Writes texts into one document in the fonts that ship with Taxon, of which it embeds what is used. */
public final class PdfText {
    private final PDDocument document;
    private final Map<Key, PDFont> fonts = new HashMap<>();

    private record Key(Face face, boolean isSecond) {}

    public PdfText(PDDocument document) {
        this.document = document;
    }

    /**
     * Writes a text where a stream stands, between the begin and the end of text.
     *
     * @param size in points
     */
    public void show(PDPageContentStream stream, Face face, float size, String text) throws IOException {
        List<Run> runs = PrintFonts.shared().runs(face, text);
        for (Run run : runs) {
            stream.setFont(font(new Key(face, run.isSecond())), size);
            stream.showText(run.text());
        }
    }

    private PDFont font(Key key) throws IOException {
        PDFont known = fonts.get(key);
        if (known != null) {
            return known;
        }
        try (InputStream file = key.isSecond() ? PrintFonts.secondFile(key.face()) : PrintFonts.file(key.face())) {
            PDFont read = PDType0Font.load(document, file, true);
            fonts.put(key, read);
            return read;
        }
    }
}
