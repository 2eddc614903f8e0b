package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;
import taxon.app.form.NotThereException;
import taxon.app.form.Selection;
import taxon.core.dmx.UniverseNumber;
import taxon.core.drawing.DrawingScale;
import taxon.core.drawing.DrawnOn;
import taxon.core.drawing.SheetSize;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperChoice.Order;
import taxon.formats.json.Json;

/**
 * What a paper is limited to and how it is ordered, as it stands in its address: {@code only=chosen&sel=17,18},
 * {@code position=2}, {@code universe=3}, {@code order=walk}, {@code piece=17}, {@code paper=a3&scale=50}.
 *
 * @param selection what is chosen, whether or not the paper is limited to that
 * @param chosen true when it is
 * @param piece the one label or card that it is of
 * @param compared what a change notice compares
 * @param on the paper of a drawing, and its scale
 */
public record PaperAsked(
        Selection selection,
        boolean chosen,
        Optional<Integer> position,
        Optional<UniverseNumber> universe,
        Order order,
        Optional<String> piece,
        Compared compared,
        DrawnOn on) {
    /**
     * The letters of two revisions.
     *
     * @param since the newest one, or the one before {@code until}, where it is empty
     * @param until now where it is empty
     */
    public record Compared(Optional<String> since, Optional<String> until) {}

    /** Where its parts are read from. */
    private interface Parameters {
        @Nullable
        String value(String name);
    }

    /** @throws NotThereException where a value means nothing */
    public static PaperAsked read(HttpServletRequest request) {
        return read(request::getParameter);
    }

    /** As {@link #query} wrote it. */
    public static PaperAsked read(String query) {
        var parameters = UriComponentsBuilder.fromUriString(query).build().getQueryParams();
        return read(name -> Optional.ofNullable(parameters.getFirst(name))
                .map(v -> URLDecoder.decode(v, StandardCharsets.UTF_8))
                .orElse(null));
    }

    private static PaperAsked read(Parameters request) {
        String only = value(request, "only");
        if (!only.isEmpty() && !only.equals("chosen")) {
            throw new NotThereException("only=" + only + " (a paper is of what is chosen, or of all)");
        }
        Selection selection = Selection.read(value(request, "sel"));
        return new PaperAsked(
                selection,
                !only.isEmpty() && !selection.isEmpty(),
                number(request, "position"),
                number(request, "universe").map(n -> universe(request, n)),
                order(value(request, "order")),
                piece(value(request, "piece")),
                new Compared(revision(value(request, "since")), revision(value(request, "until"))),
                new DrawnOn(
                        sheet(value(request, "paper")), number(request, "scale").map(PaperAsked::scale)));
    }

    private static String value(Parameters request, String name) {
        return Objects.requireNonNullElse(request.value(name), "").strip();
    }

    private static Optional<Integer> number(Parameters request, String name) {
        String text = value(request, name);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (!text.matches("[1-9]\\d{0,8}")) {
            throw new NotThereException(name + " " + text);
        }
        return Optional.of(Integer.parseInt(text));
    }

    private static UniverseNumber universe(Parameters request, int number) {
        if (number > UniverseNumber.LAST) {
            throw new NotThereException("universe " + value(request, "universe"));
        }
        return UniverseNumber.of(number);
    }

    private static Optional<String> revision(String text) {
        if (!text.isEmpty() && !text.matches("[A-Z]{1,6}")) {
            throw new NotThereException("revision " + text);
        }
        return text.isEmpty() ? Optional.empty() : Optional.of(text);
    }

    private static SheetSize sheet(String text) {
        return text.isEmpty()
                ? DrawnOn.USUAL.sheet()
                : SheetSize.of(text)
                        .orElseThrow(() -> new NotThereException("paper " + text + " (a4, a3, letter or tabloid)"));
    }

    private static DrawingScale scale(int to) {
        try {
            return new DrawingScale(to);
        } catch (IllegalArgumentException e) {
            throw new NotThereException("scale 1:" + to);
        }
    }

    private static Optional<String> piece(String text) {
        if (!text.isEmpty() && !text.matches("[A-Za-z0-9.-]{1,120}")) {
            throw new NotThereException("piece " + text);
        }
        return text.isEmpty() ? Optional.empty() : Optional.of(text);
    }

    private static Order order(String text) {
        for (Order order : Order.values()) {
            if (Json.slug(order).equals(text)) {
                return order;
            }
        }
        if (!text.isEmpty()) {
            throw new NotThereException("order " + text);
        }
        return Order.USUAL;
    }

    public PaperChoice choice() {
        return new PaperChoice(
                chosen ? selection.chosen() : new TreeSet<>(), position, universe, order, piece, Optional.empty());
    }

    /** "?only=chosen&sel=17,18", or nothing; the selection stands there only where the paper is limited to it. */
    public String query() {
        Map<String, String> parameters = parameters();
        return parameters.isEmpty()
                ? ""
                : parameters.entrySet().stream()
                        .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                        .collect(Collectors.joining("&", "?", ""));
    }

    /** The same by name. */
    public Map<String, String> parameters() {
        Map<String, String> parameters = new TreeMap<>();
        if (chosen) {
            parameters.put("only", "chosen");
            parameters.put("sel", selection.text());
        }
        position.ifPresent(p -> parameters.put("position", p.toString()));
        compared.since().ifPresent(l -> parameters.put("since", l));
        compared.until().ifPresent(l -> parameters.put("until", l));
        if (on.sheet() != DrawnOn.USUAL.sheet()) {
            parameters.put("paper", on.sheet().slug());
        }
        on.scale().ifPresent(s -> parameters.put("scale", Integer.toString(s.to())));
        piece.ifPresent(p -> parameters.put("piece", p));
        universe.ifPresent(u -> parameters.put("universe", u.toString()));
        if (order != Order.USUAL) {
            parameters.put("order", Json.slug(order));
        }
        return parameters;
    }

    /** True when it is limited to that position. */
    public boolean isAt(int number) {
        return position.filter(p -> p == number).isPresent();
    }

    public boolean isIn(UniverseNumber number) {
        return universe.filter(number::equals).isPresent();
    }

    /** How an order is named in an address. */
    public String name(Order wanted) {
        return wanted == Order.USUAL ? "" : Json.slug(wanted);
    }
}
