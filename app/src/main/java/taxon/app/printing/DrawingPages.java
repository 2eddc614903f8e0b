package taxon.app.printing;

import java.awt.Color;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;
import taxon.core.drawing.Drawing;
import taxon.core.drawing.Drawing.Field;
import taxon.core.drawing.Shape;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Bend;
import taxon.core.drawing.Shape.Box;
import taxon.core.drawing.Shape.Fill;
import taxon.core.drawing.Shape.Stroke;
import taxon.core.drawing.Shape.Words;

/** Drawings as pages of a PDF, at their true size. */
public final class DrawingPages {
    private static final double POINTS_PER_MM = 72 / 25.4;
    private static final float[] DASHES = {3, 2};

    private final PDDocument document;
    private final PdfText text;

    public DrawingPages(PDDocument document) {
        this.document = document;
        text = new PdfText(document);
    }

    /** A page for each, after those that there are. */
    public void add(List<Drawing> drawings) throws IOException {
        for (Drawing drawing : drawings) {
            PDPage page = new PDPage(new PDRectangle(
                    points(drawing.size().width()), points(drawing.size().height())));
            document.addPage(page);
            try (PDPageContentStream stream = new PDPageContentStream(document, page)) {
                // Whoever has the page read to them gets its words from the list that follows.
                stream.beginMarkedContent(COSName.ARTIFACT);
                Pen pen = new Pen(stream, drawing.size().height());
                pen.draw(drawing.around());
                pen.within(drawing.field());
                pen.draw(drawing.inside());
                stream.restoreGraphicsState();
                stream.endMarkedContent();
            }
        }
    }

    private static float points(double millimetres) {
        return (float) (millimetres * POINTS_PER_MM);
    }

    /** Draws on one page, which counts upwards from its foot. */
    private final class Pen {
        private final PDPageContentStream stream;
        private final double height;

        Pen(PDPageContentStream stream, double height) {
            this.stream = stream;
            this.height = height;
        }

        private float x(double x) {
            return points(x);
        }

        private float y(double y) {
            return points(height - y);
        }

        void within(Field field) throws IOException {
            stream.saveGraphicsState();
            stream.addRect(x(field.x()), y(field.y() + field.height()), points(field.width()), points(field.height()));
            stream.clip();
        }

        void draw(List<Shape> shapes) throws IOException {
            for (Shape shape : shapes) {
                if (shape instanceof Stroke s) {
                    line(s.width(), s.isDashed());
                    stream.moveTo(x(s.x1()), y(s.y1()));
                    stream.lineTo(x(s.x2()), y(s.y2()));
                    stream.stroke();
                } else if (shape instanceof Bend b) {
                    line(b.width(), false);
                    stream.moveTo(x(b.x1()), y(b.y1()));
                    stream.curveTo(x(b.middle()), y(b.y1()), x(b.middle()), y(b.y2()), x(b.x2()), y(b.y2()));
                    stream.stroke();
                } else if (shape instanceof Box b) {
                    box(b);
                } else {
                    words((Words) shape);
                }
            }
        }

        private void line(double width, boolean dashed) throws IOException {
            stream.setLineWidth(points(width));
            stream.setLineDashPattern(dashed ? DASHES : new float[] {}, 0);
        }

        private void box(Box box) throws IOException {
            stream.setNonStrokingColor(color(box.fill()));
            line(box.line(), box.isDashed());
            stream.addRect(x(box.x()), y(box.y() + box.height()), points(box.width()), points(box.height()));
            if (box.line() > 0) {
                stream.fillAndStroke();
            } else {
                stream.fill();
            }
        }

        private static Color color(Fill fill) {
            return fill.equals(Fill.PAPER) ? Color.WHITE : fill.equals(Fill.BLACK) ? Color.BLACK : Tint.of(fill.tint());
        }

        private void words(Words words) throws IOException {
            double wide = PrintFonts.shared().width(words.face(), words.text()) * words.size();
            double back = words.anchor() == Anchor.START ? 0 : words.anchor() == Anchor.END ? wide : wide / 2;
            double angle = Math.toRadians(words.angle());
            stream.setNonStrokingColor(Color.BLACK);
            stream.beginText();
            stream.setTextMatrix(Matrix.getRotateInstance(
                    angle, x(words.x() - back * Math.cos(angle)), y(words.y() + back * Math.sin(angle))));
            text.show(stream, words.face(), points(words.size()), words.text());
            stream.endText();
        }
    }
}
