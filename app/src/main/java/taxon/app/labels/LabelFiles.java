package taxon.app.labels;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;
import taxon.app.printing.CodeSquare;
import taxon.app.printing.PdfText;
import taxon.app.printing.PrintTask;
import taxon.app.printing.Tint;
import taxon.core.label.LabelLayout;
import taxon.core.label.LabelLayout.Bar;
import taxon.core.label.LabelLayout.Square;
import taxon.core.label.LabelLayout.Text;
import taxon.core.label.LabelStock;
import taxon.core.label.LabelStock.Place;
import taxon.core.label.TextMeasure.Face;
import taxon.core.paper.PaperCode;

/** Labels as PDF, at their true size. */
final class LabelFiles {
    private static final double POINTS_PER_MM = 72 / 25.4;
    private final LabelAsked asked;
    private final PDDocument document = new PDDocument();
    private final PdfText text = new PdfText(document);

    private LabelFiles(LabelAsked asked) {
        this.asked = asked;
    }

    /** Which tint a label has. */
    interface TintOf {
        /** 0 to 9. */
        int of(FittedLabel label);
    }

    /** All labels on as many sheets as they take, each as often as it is asked for; a step of the task for each. */
    static byte[] pdf(LabelAsked asked, List<FittedLabel> labels, TintOf tints, PrintTask task) {
        task.of(labels.size());
        try {
            LabelFiles files = new LabelFiles(asked);
            try (files.document) {
                files.draw(labels, tints, task);
                files.document.getDocumentInformation().setProducer("Taxon");
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                files.document.save(out);
                return out.toByteArray();
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the labels cannot be drawn", e);
        }
    }

    /** Outlines of all labels of one sheet, and a ruler: held against a sheet of the stock it says by how much the printer shifts. */
    static byte[] calibration(LabelAsked asked) {
        try {
            LabelFiles files = new LabelFiles(asked);
            try (files.document) {
                files.outlines();
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                files.document.save(out);
                return out.toByteArray();
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the sheet cannot be drawn", e);
        }
    }

    private void draw(List<FittedLabel> labels, TintOf tints, PrintTask task) throws IOException {
        LabelStock stock = asked.stock();
        int index = asked.start() - 1;
        int sheet = -1;
        PDPageContentStream stream = null;
        for (FittedLabel label : labels) {
            for (int copy = 0; copy < asked.copies(); copy++) {
                Place place = stock.place(index++);
                if (place.sheet() != sheet || stream == null) {
                    close(stream);
                    stream = newSheet();
                    sheet = place.sheet();
                }
                draw(stream, label, place, tints.of(label));
            }
            task.step();
        }
        close(stream);
    }

    private static void close(@org.jspecify.annotations.Nullable PDPageContentStream stream) throws IOException {
        if (stream != null) {
            stream.close();
        }
    }

    private PDPageContentStream newSheet() throws IOException {
        PDPage page = new PDPage(new PDRectangle(
                points(asked.stock().sheet().width()),
                points(asked.stock().sheet().height())));
        document.addPage(page);
        return new PDPageContentStream(document, page);
    }

    private static float points(double millimetres) {
        return (float) (millimetres * POINTS_PER_MM);
    }

    private float x(Place place, double x) {
        return points(place.x() + asked.shiftX() + x);
    }

    /** PDF counts upwards from the foot of the sheet. */
    private float y(Place place, double y) {
        return points(asked.stock().sheet().height() - place.y() - asked.shiftY() - y);
    }

    private void draw(PDPageContentStream stream, FittedLabel label, Place place, int tint) throws IOException {
        LabelLayout layout = label.layout();
        stream.setNonStrokingColor(Tint.of(tint));
        for (Bar bar : layout.bars()) {
            stream.addRect(
                    x(place, bar.x()), y(place, bar.y() + bar.height()), points(bar.width()), points(bar.height()));
            stream.fill();
        }
        stream.setNonStrokingColor(Color.BLACK);
        for (Square square : layout.codes()) {
            draw(stream, label.code(), square, place);
        }
        for (Text words : layout.texts()) {
            draw(stream, words, place);
        }
    }

    private void draw(PDPageContentStream stream, PaperCode code, Square square, Place place) throws IOException {
        float left = x(place, square.x());
        float top = y(place, square.y());
        new CodeSquare(code).draw(points(square.side()), (x, y, width, height) -> {
            try {
                stream.addRect(left + x, top - y - height, width, height);
            } catch (IOException e) {
                throw new UncheckedIOException("a page in memory can always be drawn on", e);
            }
        });
        stream.fill();
    }

    private void draw(PDPageContentStream stream, Text words, Place place) throws IOException {
        stream.beginText();
        float x = x(place, words.x());
        float y = y(place, words.y());
        stream.setTextMatrix(words.isTurned() ? new Matrix(-1, 0, 0, -1, x, y) : new Matrix(1, 0, 0, 1, x, y));
        text.show(stream, words.face(), points(words.size()), words.words());
        stream.endText();
    }

    private void outlines() throws IOException {
        LabelStock stock = asked.stock();
        try (PDPageContentStream stream = newSheet()) {
            stream.setLineWidth(0.4f);
            for (int i = 0; i < stock.perSheet(); i++) {
                Place place = stock.place(i);
                stream.addRect(
                        x(place, 0),
                        y(place, stock.label().height()),
                        points(stock.label().width()),
                        points(stock.label().height()));
                stream.stroke();
                line(stream, place, "label " + (i + 1), 5, 7);
            }
            Place first = stock.place(0);
            line(stream, first, "lines right of the label's edge: shift to the left, in mm, and so on", 5, 11);
            for (int mm = -5; mm <= 5; mm++) {
                stream.moveTo(x(first, mm), y(first, 0));
                stream.lineTo(x(first, mm), y(first, mm % 5 == 0 ? 5 : 3));
                stream.moveTo(x(first, 0), y(first, mm));
                stream.lineTo(x(first, mm % 5 == 0 ? 5 : 3), y(first, mm));
                stream.stroke();
            }
        }
    }

    private void line(PDPageContentStream stream, Place place, String words, double x, double y) throws IOException {
        draw(stream, new Text(x, y, 2.2, Face.PLAIN, words, false), place);
    }
}
