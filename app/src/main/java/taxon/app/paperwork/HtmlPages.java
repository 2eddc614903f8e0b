package taxon.app.paperwork;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.TextDirection;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.logging.Level;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import taxon.app.printing.PrintFonts;
import taxon.core.label.TextMeasure.Face;

/**
 * A PDF that is drawn from HTML, with the fonts of papers. What is drawn into it stands behind the pages that are there, and is written
 * once; only what was drawn beside it is read and joined.
 */
final class HtmlPages implements Closeable {
    private static final String SANS = "Hyperlegible";
    private static final String MONO = "Hyperlegible Mono";

    /** Before the name of a family: the font that has what that lacks. */
    private static final String SECOND = "Second ";

    private static final int REGULAR = 400;
    private static final int BOLD = 700;

    static {
        // Each drawing would tell of every font that it loads.
        XRLog.listRegisteredLoggers().forEach(logger -> XRLog.setLevel(logger, Level.WARNING));
    }

    private final PDDocument document = new PDDocument();
    private final PDFMergerUtility merger = new PDFMergerUtility();
    private final List<Closeable> open = new ArrayList<>();

    /** Pages that are drawn by themselves, to be appended to others. */
    static byte[] alone(String html, boolean tagged) {
        try (HtmlPages pages = new HtmlPages()) {
            pages.draw(html, tagged);
            return pages.saved();
        } catch (IOException e) {
            throw new UncheckedIOException("a page cannot be drawn", e);
        }
    }

    /** Itself, for what else belongs on its pages. */
    PDDocument document() {
        return document;
    }

    /**
     * Draws behind the pages that are there.
     *
     * @throws IllegalStateException when something was drawn before: a document has one tree of tags
     */
    void draw(String html, boolean tagged) throws IOException {
        if (!open.isEmpty()) {
            throw new IllegalStateException("a document is drawn once; what follows is appended");
        }
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.withHtmlContent(PrintFonts.shared().printable(Face.PLAIN, html), null);
        builder.useUriResolver((base, uri) -> "");
        for (Face face : Face.values()) {
            builder.useFont(() -> PrintFonts.file(face), family(face), weight(face), FontStyle.NORMAL, true);
        }
        if (PrintFonts.shared().needsSecond(html)) {
            furtherScripts(builder);
        }
        builder.withProducer("Taxon");
        builder.usePdfUaAccessibility(tagged);
        builder.usePDDocument(document);
        builder.useObjectDrawerFactory(CodeDrawer.FACTORY);
        PdfBoxRenderer renderer = builder.buildPdfRenderer();
        // It holds the fonts, of which the document takes what it needs only when it is saved.
        open.add(renderer);
        renderer.layout();
        renderer.createPDFWithoutClosing();
    }

    /** Joins pages that were drawn by themselves behind those that are there. */
    void append(byte[] pdf) throws IOException {
        try (PDDocument next = Loader.loadPDF(pdf)) {
            merger.appendDocument(document, next);
        }
    }

    byte[] saved() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    @Override
    public void close() throws IOException {
        for (Closeable one : open) {
            one.close();
        }
        document.close();
    }

    /** What few papers need costs all of them a third of their time: it is asked for where there is such a letter. */
    private static void furtherScripts(PdfRendererBuilder builder) {
        for (Face face : Face.values()) {
            builder.useFont(
                    () -> PrintFonts.secondFile(face), SECOND + family(face), weight(face), FontStyle.NORMAL, true);
        }
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.defaultTextDirection(TextDirection.LTR);
    }

    private static String family(Face face) {
        return face == Face.EVEN ? MONO : SANS;
    }

    private static int weight(Face face) {
        return face == Face.BOLD ? BOLD : REGULAR;
    }
}
