package taxon.app.paperwork;

import java.awt.Color;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import taxon.app.printing.CodeSquare;
import taxon.core.paper.PaperCode;

/** The code at the head of a page: with modules of half a millimetre, so that a phone reads it at arm's length, and in letters beside it. */
final class CodeMark {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final float MODULE = 0.5f * POINTS_PER_MM;
    private static final float RIGHT = 12 * POINTS_PER_MM;
    private static final float TOP = 5 * POINTS_PER_MM;
    private static final float GAP = 2.5f * POINTS_PER_MM;
    private static final float SIZE = 9;

    private final PaperCode code;
    private final CodeSquare square;

    CodeMark(PaperCode code) {
        this.code = code;
        square = new CodeSquare(code);
    }

    void draw(PDPage page, PDPageContentStream stream, PDFont font) throws IOException {
        float side = square.size() * MODULE;
        float left = page.getMediaBox().getWidth() - RIGHT - side;
        float top = page.getMediaBox().getHeight() - TOP;
        stream.setNonStrokingColor(Color.BLACK);
        square.draw(side, (x, y, width, height) -> add(stream, left + x, top - y - height, width, height));
        stream.fill();
        String letters = code.toString();
        stream.beginText();
        stream.setFont(font, SIZE);
        stream.newLineAtOffset(left - GAP - font.getStringWidth(letters) / 1000 * SIZE, top - SIZE);
        stream.showText(letters);
        stream.endText();
    }

    private static void add(PDPageContentStream stream, float x, float y, float width, float height) {
        try {
            stream.addRect(x, y, width, height);
        } catch (IOException e) {
            throw new UncheckedIOException("a page in memory can always be drawn on", e);
        }
    }
}
