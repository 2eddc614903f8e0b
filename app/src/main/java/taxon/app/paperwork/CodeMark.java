package taxon.app.paperwork;

import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import java.awt.Color;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import taxon.core.paper.PaperCode;

/**
 * The code at the head of a page: as QR code (ISO/IEC 18004; version 1 at level M holds it) with modules of half a millimetre, so that a
 * phone reads it at arm's length, and the same in letters beside it.
 */
final class CodeMark {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final float MODULE = 0.5f * POINTS_PER_MM;
    private static final float RIGHT = 12 * POINTS_PER_MM;
    private static final float TOP = 5 * POINTS_PER_MM;
    private static final float GAP = 2.5f * POINTS_PER_MM;
    private static final float SIZE = 9;

    private final PaperCode code;
    private final ByteMatrix modules;

    CodeMark(PaperCode code) {
        this.code = code;
        try {
            modules = Encoder.encode(code.letters(), ErrorCorrectionLevel.M).getMatrix();
        } catch (WriterException e) {
            throw new IllegalStateException("nine letters fit every QR code", e);
        }
    }

    void draw(PDPage page, PDPageContentStream stream, PDFont font) throws IOException {
        float side = modules.getWidth() * MODULE;
        float left = page.getMediaBox().getWidth() - RIGHT - side;
        float top = page.getMediaBox().getHeight() - TOP;
        stream.setNonStrokingColor(Color.BLACK);
        for (int row = 0; row < modules.getHeight(); row++) {
            for (int column = 0; column < modules.getWidth(); column++) {
                if (modules.get(column, row) == 1) {
                    stream.addRect(left + column * MODULE, top - (row + 1) * MODULE, MODULE, MODULE);
                }
            }
        }
        stream.fill();
        String letters = code.toString();
        stream.beginText();
        stream.setFont(font, SIZE);
        stream.newLineAtOffset(left - GAP - font.getStringWidth(letters) / 1000 * SIZE, top - SIZE);
        stream.showText(letters);
        stream.endText();
    }
}
