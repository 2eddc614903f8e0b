package taxon.core.grouping;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.fixture.Part;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.RigPart;
import taxon.core.text.NumberRuns;

/** Fixture IDs written short: "101–108, 204, no. 17". */
public final class IdRuns {
    private IdRuns() {}

    /** Ascending, runs of three and more drawn together; fixtures without an ID by their key, last. */
    public static String words(List<Fixture> fixtures) {
        SortedSet<Integer> ids = new TreeSet<>();
        fixtures.forEach(f -> f.id().ifPresent(i -> ids.add(i.number())));
        List<String> words = new ArrayList<>(NumberRuns.words(ids, "–"));
        fixtures.stream().filter(f -> f.id().isEmpty()).map(Fixture::label).forEach(words::add);
        return String.join(", ", words);
    }

    /** "101 cells 1–4, 102 cell 2": fixture by fixture, in the order given. */
    public static String parts(List<RigPart> parts) {
        Map<FixtureKey, Map<Part.Kind, List<RigPart>>> byFixture = parts.stream()
                .collect(Collectors.groupingBy(
                        p -> p.fixture().key(),
                        LinkedHashMap::new,
                        Collectors.groupingBy(p -> p.part().kind(), TreeMap::new, Collectors.toList())));
        return byFixture.values().stream()
                .flatMap(kinds -> kinds.values().stream())
                .map(IdRuns::ofOne)
                .collect(Collectors.joining(", "));
    }

    private static String ofOne(List<RigPart> parts) {
        SortedSet<Integer> plain = new TreeSet<>();
        parts.stream().map(p -> p.part().path()).filter(p -> p.size() == 1).forEach(p -> plain.add(p.get(0)));
        List<String> numbers = new ArrayList<>(NumberRuns.words(plain, "–"));
        parts.stream()
                .map(RigPart::part)
                .filter(p -> p.path().size() > 1)
                .map(Part::number)
                .forEach(numbers::add);
        String kind = parts.get(0).part().kind() == Part.Kind.CELL ? "cell" : "layer";
        return parts.get(0).fixture().label() + " " + kind + (parts.size() == 1 ? " " : "s ")
                + String.join(", ", numbers);
    }
}
