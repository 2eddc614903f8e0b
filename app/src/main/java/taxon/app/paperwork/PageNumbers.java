package taxon.app.paperwork;

import java.awt.Color;
import java.io.IOException;
import java.io.InputStream;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import taxon.core.paper.PaperCode;

/** "page 3 of 12" at the foot of every page, since how many there are is known only when all are drawn, and the code at its head. */
final class PageNumbers {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final float MARGIN = 12 * POINTS_PER_MM;
    private static final float FOOT = 6 * POINTS_PER_MM;
    private static final float SIZE = 9;
    private static final Color SOFT = new Color(0x56625B);

    private PageNumbers() {}

    /** @param font is read and embedded */
    static void write(PDDocument document, InputStream font, PaperCode code) throws IOException {
        PDFont embedded = PDType0Font.load(document, font, true);
        CodeMark mark = new CodeMark(code);
        int number = 0;
        for (PDPage page : document.getPages()) {
            number++;
            write(document, page, embedded, mark, "page " + number + " of " + document.getNumberOfPages());
        }
    }

    private static void write(PDDocument document, PDPage page, PDFont font, CodeMark mark, String words)
            throws IOException {
        float width = font.getStringWidth(words) / 1000 * SIZE;
        try (PDPageContentStream stream = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            // Neither is read to those who have the page read to them.
            stream.beginMarkedContent(COSName.ARTIFACT);
            stream.beginText();
            stream.setFont(font, SIZE);
            stream.setNonStrokingColor(SOFT);
            stream.newLineAtOffset(page.getMediaBox().getWidth() - MARGIN - width, FOOT);
            stream.showText(words);
            stream.endText();
            mark.draw(page, stream, font);
            stream.endMarkedContent();
        }
    }
}
