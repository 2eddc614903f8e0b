package taxon.app.paperwork;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.TextDirection;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.logging.Level;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;
import taxon.app.printing.DrawingPages;
import taxon.app.printing.PrintFonts;
import taxon.app.printing.PrintTask;
import taxon.core.label.TextMeasure.Face;
import taxon.core.paper.PaperCode;

/** Papers as files. A PDF holds its fonts and asks for nothing from outside. */
@Component
public class SheetFiles {
    private static final String SANS = "Hyperlegible";
    private static final String MONO = "Hyperlegible Mono";

    /** Before the name of a family: the font that has what that lacks. */
    private static final String SECOND = "Second ";

    private static final int REGULAR = 400;
    private static final int BOLD = 700;
    private static final int ROWS_DRAWN_TOGETHER = 2_500;
    private static final int CARDS_DRAWN_TOGETHER = 100;

    /** A table that is tagged takes several times as long, and more than that where it is long. */
    private static final int MOST_ROWS_TAGGED = 1_000;

    private final ITemplateEngine templates;
    private final PrintQueue queue;
    private final Drawers drawers;

    SheetFiles(ITemplateEngine templates, PrintQueue queue, Drawers drawers) {
        this.templates = templates;
        this.queue = queue;
        this.drawers = drawers;
        // Each drawing would tell of every font that it loads.
        XRLog.listRegisteredLoggers().forEach(logger -> XRLog.setLevel(logger, Level.WARNING));
    }

    /**
     * As PDF, A4 across, with its code and "page n of m" on every page. It waits for its turn; the same sheet gives the same bytes.
     *
     * @throws PrintQueue.FullException when its turn did not come within two minutes
     */
    public byte[] pdf(Sheet sheet, PaperCode code, DrawnPaper drawing) {
        return queue.inTurn(() -> drawn(sheet, code, drawing, () -> {}));
    }

    /** The same as something that is printed: each of its parts is a step. */
    byte[] pdf(Sheet sheet, PaperCode code, DrawnPaper drawing, PrintTask task) {
        return queue.inTurn(() -> {
            task.of(sheet.parts(ROWS_DRAWN_TOGETHER).size() + 1);
            return drawn(sheet, code, drawing, task::step);
        });
    }

    /**
     * A long sheet is drawn in parts beside each other; each begins on a page of its own, and all are numbered through. What is a
     * drawing comes first. One of at most a thousand rows is tagged (ISO 32000-1, 14.8).
     */
    private byte[] drawn(Sheet sheet, PaperCode code, DrawnPaper drawing, Runnable step) {
        List<Double> widths = ColumnWidths.of(sheet);
        String lacking = Letters.codes(Letters.lacking(Stream.concat(sheet.texts(), drawing.texts())));
        List<Sheet> cut = sheet.parts(ROWS_DRAWN_TOGETHER);
        List<Part> parts = drawers.all(cut, part -> {
            boolean first = part.equals(cut.get(0));
            Part drawn = part(part, widths, first ? lacking : "", first ? drawing.notes() : List.of());
            step.run();
            return drawn;
        });
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            new DrawingPages(document).add(drawing.titled(sheet));
            PDFMergerUtility merger = new PDFMergerUtility();
            for (Part part : parts) {
                try (PDDocument next = Loader.loadPDF(part.pdf())) {
                    merger.appendDocument(document, next);
                }
            }
            PageNumbers.write(document, PrintFonts.file(Face.PLAIN), code);
            settle(document, sheet.date(), parts.stream().map(Part::html).collect(Collectors.joining()));
            step.run();
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException("the sheet " + sheet.name() + " cannot be drawn", e);
        }
        return out.toByteArray();
    }

    /** Some pages, and what they were drawn from. */
    private record Part(String html, byte[] pdf) {}

    private Part part(Sheet sheet, List<Double> widths, String lacking, List<String> notes) {
        String html = templates.process(
                "paperwork/print",
                new Context(Locale.UK, Map.of("sheet", sheet, "widths", widths, "lacking", lacking, "notes", notes)));
        return new Part(html, drawn(html, sheet.paper().size() <= MOST_ROWS_TAGGED));
    }

    /**
     * Settings cards as PDF, A4 upright, each with its own code; a step of the task for each.
     *
     * @param revision as it stands on every page
     */
    byte[] cards(List<PrintedCard> cards, String heading, String revision, PrintTask task) {
        task.of(cards.size() / CARDS_DRAWN_TOGETHER + 2);
        return queue.inTurn(() -> {
            try (PDDocument document = new PDDocument()) {
                PDFMergerUtility merger = new PDFMergerUtility();
                for (int from = 0; from < cards.size(); from += CARDS_DRAWN_TOGETHER) {
                    List<PrintedCard> some = cards.subList(from, Math.min(cards.size(), from + CARDS_DRAWN_TOGETHER));
                    String html = templates.process(
                            "paperwork/cards",
                            new Context(Locale.UK, Map.of("cards", some, "heading", heading, "revision", revision)));
                    try (PDDocument next = Loader.loadPDF(drawn(html, cards.size() <= CARDS_DRAWN_TOGETHER))) {
                        merger.appendDocument(document, next);
                    }
                    task.step();
                }
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                document.save(out);
                return out.toByteArray();
            } catch (IOException e) {
                throw new UncheckedIOException("the cards cannot be drawn", e);
            }
        });
    }

    /**
     * Any page that is drawn from a template, as PDF with the fonts of papers; it waits for its turn.
     *
     * @param values what the template shows
     * @param date of which day it is: the same page of a day gives the same bytes
     * @throws PrintQueue.FullException when its turn did not come within two minutes
     */
    public byte[] page(String template, Map<String, Object> values, String date) {
        String html = templates.process(template, new Context(Locale.UK, values));
        return queue.inTurn(() -> {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            try (PDDocument document = Loader.loadPDF(drawn(html, true))) {
                settle(document, date, html);
                document.save(out);
            } catch (IOException e) {
                throw new UncheckedIOException("the page " + template + " cannot be drawn", e);
            }
            return out.toByteArray();
        });
    }

    private static byte[] drawn(String html, boolean tagged) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
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
        builder.toStream(out);
        builder.useObjectDrawerFactory(CodeDrawer.FACTORY);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException("a page cannot be drawn", e);
        }
        return out.toByteArray();
    }

    /** The same sheet gives the same bytes: dated with its own day, and its identifier made of what it shows. */
    private static void settle(PDDocument document, String date, String html) {
        Calendar day = GregorianCalendar.from(LocalDate.parse(date).atStartOfDay(ZoneOffset.UTC));
        document.getDocumentInformation().setCreationDate(day);
        document.getDocumentInformation().setModificationDate(day);
        // The one that the first part was given by the clock.
        document.getDocument().getTrailer().removeItem(COSName.ID);
        document.setDocumentId(
                UUID.nameUUIDFromBytes(html.getBytes(StandardCharsets.UTF_8)).getMostSignificantBits());
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
