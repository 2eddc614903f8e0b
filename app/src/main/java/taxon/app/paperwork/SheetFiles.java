package taxon.app.paperwork;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.logging.Level;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** Papers as files. A PDF holds its fonts and asks for nothing from outside. */
@Component
public class SheetFiles {
    private static final String SANS = "Hyperlegible";
    private static final String MONO = "Hyperlegible Mono";
    private static final int REGULAR = 400;
    private static final int BOLD = 700;

    private final ITemplateEngine templates;
    private final PrintQueue queue;

    SheetFiles(ITemplateEngine templates, PrintQueue queue) {
        this.templates = templates;
        this.queue = queue;
        // Each drawing would tell of every font that it loads.
        XRLog.listRegisteredLoggers().forEach(logger -> XRLog.setLevel(logger, Level.WARNING));
    }

    /**
     * As PDF, A4 across, with "page n of m" on every page. It waits for its turn; the same sheet gives the same bytes.
     *
     * @throws PrintQueue.FullException when its turn did not come within two minutes
     */
    public byte[] pdf(Sheet sheet) {
        return queue.inTurn(() -> drawn(sheet));
    }

    private byte[] drawn(Sheet sheet) {
        String html = templates.process("paperwork/print", new Context(Locale.UK, Map.of("sheet", sheet)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.withHtmlContent(html, null);
        builder.useUriResolver((base, uri) -> "");
        builder.useFont(() -> font("AtkinsonHyperlegibleNext-Regular.ttf"), SANS, REGULAR, FontStyle.NORMAL, true);
        builder.useFont(() -> font("AtkinsonHyperlegibleNext-Bold.ttf"), SANS, BOLD, FontStyle.NORMAL, true);
        builder.useFont(() -> font("AtkinsonHyperlegibleMono-Regular.ttf"), MONO, REGULAR, FontStyle.NORMAL, true);
        builder.withProducer("Taxon");
        builder.toStream(out);
        try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
            renderer.layout();
            renderer.createPDFWithoutClosing();
            PDDocument document = renderer.getPdfDocument();
            settle(document, sheet, html);
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException("the sheet " + sheet.name() + " cannot be drawn", e);
        }
        return out.toByteArray();
    }

    /** The same sheet gives the same bytes: dated with its own day, and its identifier made of what it shows. */
    private static void settle(PDDocument document, Sheet sheet, String html) {
        Calendar day = GregorianCalendar.from(LocalDate.parse(sheet.date()).atStartOfDay(ZoneOffset.UTC));
        document.getDocumentInformation().setCreationDate(day);
        document.getDocumentInformation().setModificationDate(day);
        document.setDocumentId(
                UUID.nameUUIDFromBytes(html.getBytes(StandardCharsets.UTF_8)).getMostSignificantBits());
    }

    private static InputStream font(String file) {
        return Objects.requireNonNull(SheetFiles.class.getResourceAsStream("/print-fonts/" + file), file);
    }
}
