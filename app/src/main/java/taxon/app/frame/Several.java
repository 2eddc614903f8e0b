package taxon.app.frame;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Mode;
import taxon.core.grouping.IdRuns;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/**
 * Several fixtures chosen at once: what they share and what differs.
 *
 * @param ids in runs, "201–208, 301"
 * @param first the block with the lowest address among them, by which all can be moved; empty when none has an address
 */
public record Several(int count, String ids, List<Line> lines, Optional<PlannedBlock> first, List<String> channels) {

    /** @param shared true when all have this value; else it names the different ones */
    public record Line(String name, String value, boolean shared) {}

    private static final int NAMED = 4;

    public static Several of(Plan plan, List<Fixture> fixtures) {
        return new Several(
                fixtures.size(),
                IdRuns.words(fixtures),
                List.of(
                        line("Type", fixtures, f -> plan.type(f).fullName()),
                        line("Mode", fixtures, Fixture::mode),
                        line("Position", fixtures, f -> plan.position(f).name()),
                        line(
                                "Universe",
                                fixtures,
                                f -> f.address(1)
                                        .map(a -> a.universe().toString())
                                        .orElse("none")),
                        line("Note", fixtures, Fixture::note)),
                fixtures.stream()
                        .flatMap(f -> plan.blocksOf(f).stream())
                        .filter(b -> b.start().isPresent())
                        .min(Comparator.comparing(b -> b.start().orElseThrow())),
                fixtures.stream()
                        .flatMap(f -> plan.mode(f).stream())
                        .distinct()
                        .flatMap(Mode::channels)
                        .filter(c -> !c.isVirtual())
                        .map(c -> AttributeBook.words(c.attribute()))
                        .distinct()
                        .sorted()
                        .toList());
    }

    private static Line line(String name, List<Fixture> fixtures, Function<Fixture, String> value) {
        List<String> values = fixtures.stream().map(value).distinct().toList();
        if (values.size() == 1) {
            return new Line(name, values.get(0).isBlank() ? "none" : values.get(0), true);
        }
        String named = String.join(
                ", ",
                values.stream().limit(NAMED).map(v -> v.isBlank() ? "none" : v).toList());
        return new Line(name, values.size() + " different: " + named + (values.size() > NAMED ? " …" : ""), false);
    }
}
