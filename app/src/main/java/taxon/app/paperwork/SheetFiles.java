package taxon.app.paperwork;

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
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSName;
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
        Function<Sheet, Part> part = p -> {
            boolean first = p.equals(cut.get(0));
            return part(p, widths, first ? lacking : "", first ? drawing.notes() : List.of());
        };
        try (HtmlPages pages = new HtmlPages()) {
            new DrawingPages(pages.document()).add(drawing.titled(sheet));
            String html = cut.size() == 1 ? whole(pages, part.apply(sheet), step) : joined(pages, cut, part, step);
            PageNumbers.write(pages.document(), PrintFonts.file(Face.PLAIN), code);
            settle(pages.document(), sheet.date(), html);
            step.run();
            return pages.saved();
        } catch (IOException e) {
            throw new UncheckedIOException("the sheet " + sheet.name() + " cannot be drawn", e);
        }
    }

    private static String whole(HtmlPages pages, Part part, Runnable step) throws IOException {
        pages.draw(part.html(), part.tagged());
        step.run();
        return part.html();
    }

    private String joined(HtmlPages pages, List<Sheet> cut, Function<Sheet, Part> part, Runnable step)
            throws IOException {
        List<Alone> drawn = drawers.all(cut, sheet -> {
            Part of = part.apply(sheet);
            Alone alone = new Alone(of.html(), HtmlPages.alone(of.html(), of.tagged()));
            step.run();
            return alone;
        });
        for (Alone one : drawn) {
            pages.append(one.pdf());
        }
        return drawn.stream().map(Alone::html).collect(Collectors.joining());
    }

    /** Pages that were drawn by themselves, and what from. */
    private record Alone(String html, byte[] pdf) {}

    /** What some pages are drawn from. */
    private record Part(String html, boolean tagged) {}

    private Part part(Sheet sheet, List<Double> widths, String lacking, List<String> notes) {
        String html = templates.process(
                "paperwork/print",
                new Context(Locale.UK, Map.of("sheet", sheet, "widths", widths, "lacking", lacking, "notes", notes)));
        return new Part(html, sheet.paper().size() <= MOST_ROWS_TAGGED);
    }

    /**
     * Settings cards as PDF, A4 upright, each with its own code; a step of the task for each.
     *
     * @param revision as it stands on every page
     */
    byte[] cards(List<PrintedCard> cards, String heading, String revision, PrintTask task) {
        task.of(cards.size() / CARDS_DRAWN_TOGETHER + 2);
        return queue.inTurn(() -> {
            try (HtmlPages pages = new HtmlPages()) {
                for (int from = 0; from < cards.size(); from += CARDS_DRAWN_TOGETHER) {
                    List<PrintedCard> some = cards.subList(from, Math.min(cards.size(), from + CARDS_DRAWN_TOGETHER));
                    String html = templates.process(
                            "paperwork/cards",
                            new Context(Locale.UK, Map.of("cards", some, "heading", heading, "revision", revision)));
                    if (cards.size() <= CARDS_DRAWN_TOGETHER) {
                        pages.draw(html, true);
                    } else {
                        pages.append(HtmlPages.alone(html, false));
                    }
                    task.step();
                }
                return pages.saved();
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
            try (HtmlPages pages = new HtmlPages()) {
                pages.draw(html, true);
                settle(pages.document(), date, html);
                return pages.saved();
            } catch (IOException e) {
                throw new UncheckedIOException("the page " + template + " cannot be drawn", e);
            }
        });
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
}
