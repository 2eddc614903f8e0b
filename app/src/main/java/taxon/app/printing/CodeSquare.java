package taxon.app.printing;

import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import taxon.core.paper.PaperCode;

/** The code of a paper as QR code (ISO/IEC 18004): version 1 at level M holds it, 21 modules a side. */
public final class CodeSquare {
    private final ByteMatrix modules;

    public CodeSquare(PaperCode code) {
        try {
            modules = Encoder.encode(code.letters(), ErrorCorrectionLevel.M).getMatrix();
        } catch (WriterException e) {
            throw new IllegalStateException("nine letters fit every QR code", e);
        }
    }

    /** Takes black rectangles. */
    public interface Black {
        /** One rectangle; corner and size in the unit of the side, y downwards. */
        void add(float x, float y, float width, float height);
    }

    /** How many modules it has on a side. */
    public int size() {
        return modules.getWidth();
    }

    /**
     * Draws it: neighbours in a row are one rectangle.
     *
     * @param side in whatever unit, without the quiet zone
     */
    public void draw(float side, Black black) {
        float module = side / size();
        for (int row = 0; row < size(); row++) {
            int from = 0;
            while (from < size()) {
                int to = from;
                while (to < size() && modules.get(to, row) == 1) {
                    to++;
                }
                if (to > from) {
                    black.add(from * module, row * module, (to - from) * module, module);
                }
                from = to + 1;
            }
        }
    }
}
