package taxon.app.command;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.core.compare.CompareText;
import taxon.core.compare.Comparison;
import taxon.core.compare.Match;
import taxon.core.compare.PatchRow;
import taxon.core.compare.Pattern;
import taxon.core.compare.PatternText;
import taxon.core.compare.TheirPatch;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * The command {@code compare A B [--json]}: two patches held against each other, patterns before rows. Either may be a job, a bundle, a scene
 * or a list.
 */
public final class CompareCommand {
    private static final String NAME = "compare";
    private static final String JSON = "--json";
    private static final int SAME = 0;
    private static final int OTHERWISE = 1;
    private static final int NOT_DONE = 2;

    private final PrintStream out;

    public CompareCommand(PrintStream out) {
        this.out = out;
    }

    /** True when the arguments are this command. */
    public static boolean isOne(List<String> arguments) {
        return !arguments.isEmpty() && arguments.get(0).equals(NAME);
    }

    /** Runs it and gives the exit status: 0 when both say the same, 1 when they differ, 2 when one of them cannot be read. */
    public int run(List<String> arguments) {
        List<String> files = new ArrayList<>(arguments.subList(1, arguments.size()));
        boolean json = files.remove(JSON);
        if (files.size() != 2) {
            out.println("taxon: compare needs two files: a job, a bundle, a scene or a list each.");
            return NOT_DONE;
        }
        Optional<TheirPatch> one = read(files.get(0));
        Optional<TheirPatch> other = read(files.get(1));
        if (one.isEmpty() || other.isEmpty()) {
            return NOT_DONE;
        }
        Comparison comparison = Comparison.of(one.get().rows(), other.get().rows());
        if (json) {
            out.println(json(comparison, other.get()).toPrettyString());
        } else {
            tell(comparison, one.get(), other.get());
        }
        return comparison.isSame() ? SAME : OTHERWISE;
    }

    private Optional<TheirPatch> read(String name) {
        PatchFile file = PatchFile.read(Path.of(name));
        if (file instanceof PatchFile.Unreadable unreadable) {
            out.println("taxon: " + name + ": " + unreadable.sentence());
        }
        return file.rows();
    }

    private void tell(Comparison comparison, TheirPatch one, TheirPatch other) {
        out.println(one.rows().size() + " rows here, " + other.rows().size() + " there, "
                + comparison.matches().size() + " taken for the same.");
        faults("here", one);
        faults("there", other);
        if (comparison.isSame()) {
            out.println("Both say the same.");
        }
        comparison.patterns().forEach(p -> out.println("* " + PatternText.of(p)));
        comparison
                .differences()
                .forEach((match, found) -> found.forEach(d -> out.println(String.format(
                        Locale.ROOT,
                        "  %s, %s: %s here, %s there (line %d, %s)",
                        match.ours().label(),
                        CompareText.of(d.kind()),
                        d.ours(),
                        d.theirs(),
                        other.line(match.theirs()),
                        CompareText.of(match.reason())))));
        comparison.onlyOurs().forEach(r -> out.println("  " + alone(r) + " only here"));
        comparison.onlyTheirs().forEach(r -> out.println("  " + alone(r) + " only there, line " + other.line(r)));
    }

    private void faults(String side, TheirPatch patch) {
        patch.faults()
                .forEach(f ->
                        f.cells().forEach(c -> out.println("! " + side + ", line " + f.line() + ": " + c.sentence())));
    }

    private static String alone(PatchRow row) {
        return row.label() + row.start().map(s -> " at " + s).orElse("") + ":";
    }

    private static ObjectNode json(Comparison comparison, TheirPatch other) {
        ObjectNode body = Json.object()
                .put("same", comparison.isSame())
                .put("matched", comparison.matches().size());
        var patterns = body.putArray("patterns");
        for (Pattern pattern : comparison.patterns()) {
            patterns.addObject()
                    .put("kind", Json.slug(pattern.getClass()))
                    .put("rows", pattern.explains().size())
                    .put("sentence", PatternText.of(pattern));
        }
        var rows = body.putArray("differences");
        comparison
                .differences()
                .forEach((match, found) -> found.forEach(d -> row(rows.addObject(), match, other)
                        .put("kind", Json.slug(d.kind()))
                        .put("here", d.ours())
                        .put("there", d.theirs())));
        var here = body.putArray("onlyHere");
        comparison.onlyOurs().forEach(r -> here.add(r.label()));
        var there = body.putArray("onlyThere");
        comparison.onlyTheirs().forEach(r -> there.add(r.label()));
        var faults = body.putArray("faults");
        other.faults()
                .forEach(f -> f.cells()
                        .forEach(c -> faults.addObject().put("line", f.line()).put("sentence", c.sentence())));
        return body;
    }

    private static ObjectNode row(ObjectNode node, Match match, TheirPatch other) {
        return node.put("who", match.ours().label())
                .put("line", other.line(match.theirs()))
                .put("matchedBy", Json.slug(match.reason()));
    }
}
