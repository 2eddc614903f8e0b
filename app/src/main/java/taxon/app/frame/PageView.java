package taxon.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** How a page is looked at, as it stands in its address beside the selection: what is sorted, filtered and shown. */
public record PageView(TreeMap<String, String> parameters) {
    private static final List<String> KNOWN = List.of(
            "sort", "filter", "cols", "zoom", "tint", "by", "show", "parts", "only", "position", "universe", "order");
    private static final int LONGEST = 300;

    public PageView {
        parameters = new TreeMap<>(parameters);
    }

    /** What the address of a request asks for; what is not known there is left out. */
    public static PageView of(HttpServletRequest request) {
        TreeMap<String, String> found = new TreeMap<>();
        KNOWN.forEach(name -> Optional.ofNullable(request.getParameterValues(name))
                .map(values -> String.join(",", values))
                .map(String::strip)
                .filter(v -> !v.isEmpty() && v.length() <= LONGEST)
                .ifPresent(v -> found.put(name, v)));
        return new PageView(found);
    }

    /** What is asked for; empty where nothing is. */
    public String value(String name) {
        return parameters.getOrDefault(name, "");
    }

    /** This view with another value; an empty one is left out. */
    public PageView with(String name, String value) {
        TreeMap<String, String> changed = new TreeMap<>(parameters);
        changed.put(name, value);
        changed.values().removeIf(String::isEmpty);
        return new PageView(changed);
    }

    /** The query of an address with this view and that selection, "?sel=17&sort=unit", or nothing. */
    public String query(String selection) {
        String query = parameters.entrySet().stream()
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        String chosen = selection.isEmpty() ? "" : "sel=" + selection;
        return Arrays.stream(new String[] {chosen, query})
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("&", "?", ""))
                .replaceFirst("^\\?$", "");
    }
}
