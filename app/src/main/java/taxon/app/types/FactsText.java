package taxon.app.types;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.dmx.AddressSwitches.Counting;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.RemoteManagement.Software;
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
                new Line("Address switches", words(facts.switches())),
                new Line("Remote management", words(facts.remote())),
                new Line("Hazard", words(facts.hazard())));
    }

    static List<Option> switches() {
        return Stream.concat(
                        Stream.of(new Option("", words(java.util.Optional.empty()))),
                        Arrays.stream(Counting.values())
                                .map(c -> new Option(Json.slug(c), words(java.util.Optional.of(c)))))
                .toList();
    }

    /** What the address switches of a unit add up to. */
    private static String words(java.util.Optional<Counting> switches) {
        return switches.map(c -> c == Counting.PLAIN ? "nine, the address itself" : "nine, the address less one")
                .orElse("none known");
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

    /** "RDM, manufacturer 4D50, model 0102". */
    private static String words(RemoteManagement remote) {
        return !remote.answers()
                ? "none known"
                : "RDM"
                        + remote.maker()
                                .map(m -> ", manufacturer " + RemoteManagement.words(m))
                                .orElse("")
                        + remote.model()
                                .map(m -> ", model " + RemoteManagement.words(m))
                                .orElse("");
    }

    /** How each version of the software numbers the modes, the newest first; empty where there is one or none. */
    static List<Line> software(RemoteManagement remote) {
        List<Software> versions = remote.software();
        return versions.size() < 2
                ? List.of()
                : IntStream.range(0, versions.size())
                        .mapToObj(i -> versions.get(versions.size() - 1 - i))
                        .map(FactsText::line)
                        .toList();
    }

    private static Line line(Software software) {
        return new Line(
                String.format(Locale.ROOT, "%08X", software.version()),
                software.modes().entrySet().stream()
                        .map(m -> m.getKey() + " " + m.getValue())
                        .collect(Collectors.joining(", ")));
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
