package taxon.app.types;

import java.util.Arrays;
import java.util.List;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.formats.json.Json;

/** What matters of a type besides its modes, in words. */
final class FactsText {
    private FactsText() {}

    /** A line of the list: "Sockets in", "XLR5". */
    record Line(String name, String value) {}

    /** A choice in a form. */
    record Option(String slug, String words) {}

    static List<Line> lines(Facts facts) {
        return List.of(
                new Line("Reached by", words(facts.reach())),
                new Line("DMX in", sockets(facts.inputs())),
                new Line("DMX out", sockets(facts.outputs())),
                new Line("Load on the line", load(facts.loadEighths())),
                new Line("Remote management", facts.rdm() ? "RDM" : "none known"),
                new Line("Hazard", words(facts.hazard())));
    }

    static List<Option> reaches() {
        return Arrays.stream(Reach.values())
                .map(r -> new Option(Json.slug(r), words(r)))
                .toList();
    }

    static List<Option> hazards() {
        return Arrays.stream(Hazard.values())
                .map(h -> new Option(Json.slug(h), words(h)))
                .toList();
    }

    static String words(Reach reach) {
        return switch (reach) {
            case LINE -> "a DMX line";
            case WIRELESS -> "wireless DMX";
            case APP_ONLY -> "app radio only";
        };
    }

    static String words(Hazard hazard) {
        return switch (hazard) {
            case NONE -> "none";
            case LASER -> "laser";
            case ATMOSPHERE -> "haze or pyro";
            case MOTION -> "motion";
        };
    }

    private static String sockets(List<String> names) {
        return names.isEmpty() ? "none" : String.join(", ", names);
    }

    private static String load(int eighths) {
        if (eighths % 8 == 0) {
            return eighths / 8 == 1 ? "1 unit load" : eighths / 8 + " unit loads";
        }
        return eighths + "/8 unit load";
    }
}
