package taxon.app.command;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import taxon.app.handover.BundleCommand;
import taxon.core.compare.PatchCheck;
import taxon.core.compare.TheirPatch;
import taxon.core.finding.FindingText;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Severity;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * The command {@code check FILE [--json]}: what is wrong with a job, a bundle, a scene or a list. Of a bundle it says first whether it is as it
 * was handed over.
 */
public final class CheckCommand {
    private static final String NAME = "check";
    private static final String JSON = "--json";
    private static final int NO_STOP = 0;
    private static final int STOPS = 1;
    private static final int NOT_DONE = 2;

    private final PrintStream out;

    public CheckCommand(PrintStream out) {
        this.out = out;
    }

    /** True when the arguments are this command. */
    public static boolean isOne(List<String> arguments) {
        return !arguments.isEmpty() && arguments.get(0).equals(NAME);
    }

    /** One line of what is wrong. */
    private record Line(String severity, String rule, String sentence) {}

    /** Runs it and gives the exit status: 0 when nothing stops, 1 when something does, 2 when it cannot be read. */
    public int run(List<String> arguments) {
        List<String> files = new ArrayList<>(arguments.subList(1, arguments.size()));
        boolean json = files.remove(JSON);
        if (files.size() != 1 || files.get(0).isBlank()) {
            out.println("taxon: check needs a file: a job, a bundle, a scene or a list.");
            return NOT_DONE;
        }
        Path path = Path.of(files.get(0));
        PatchFile file = PatchFile.read(path);
        if (file instanceof PatchFile.OfBundle bundle) {
            return ofBundle(bundle, path, json);
        }
        if (file instanceof PatchFile.OfJob job) {
            return tell(ofPlan(job.plan()), json);
        }
        if (file instanceof PatchFile.OfRows rows) {
            return tell(ofRows(rows), json);
        }
        // An archive that is nothing else was meant to be a bundle: that command says what it lacks.
        if (isArchive(path)) {
            return new BundleCommand(out).run(List.of(NAME, files.get(0)));
        }
        out.println("taxon: " + path + ": " + ((PatchFile.Unreadable) file).sentence());
        return NOT_DONE;
    }

    private static boolean isArchive(Path path) {
        try (var in = Files.newInputStream(path)) {
            return in.read() == 'P' && in.read() == 'K';
        } catch (IOException unreadable) {
            return false;
        }
    }

    private int ofBundle(PatchFile.OfBundle bundle, Path path, boolean json) {
        if (json) {
            return tell(ofPlan(bundle.plan()), true);
        }
        int whole = new BundleCommand(out).run(List.of(NAME, path.toString()));
        return Math.max(whole, tell(ofPlan(bundle.plan()), false));
    }

    private static List<Line> ofPlan(Plan plan) {
        return PlanCheck.of(plan).findings().stream()
                .map(f -> new Line(Json.slug(f.severity()), Json.slug(f.rule()), FindingText.sentence(f)))
                .toList();
    }

    private static List<Line> ofRows(PatchFile.OfRows file) {
        TheirPatch patch = file.patch();
        List<Line> lines = new ArrayList<>();
        patch.faults()
                .forEach(f -> f.cells()
                        .forEach(c -> lines.add(new Line(
                                Json.slug(Severity.WARN),
                                "cell-" + Json.slug(c.reason()),
                                "Line " + f.line() + ": " + c.sentence()))));
        PatchCheck.of(patch.rows())
                .forEach(p -> lines.add(new Line(
                        Json.slug(p.stop() ? Severity.STOP : Severity.WARN),
                        Json.slug(p.kind()),
                        "Line " + patch.line(p.row()) + ": " + p.sentence())));
        if (!file.leftOut().isEmpty()) {
            lines.add(new Line(
                    Json.slug(Severity.NOTE),
                    "left-out",
                    "Not looked at, since these headers are not known: " + String.join(", ", file.leftOut()) + "."));
        }
        return lines;
    }

    private int tell(List<Line> lines, boolean json) {
        long stops = lines.stream()
                .filter(l -> l.severity().equals(Json.slug(Severity.STOP)))
                .count();
        if (json) {
            ObjectNode body = Json.object().put("stops", stops);
            var all = body.putArray("findings");
            lines.forEach(l -> all.addObject()
                    .put("severity", l.severity())
                    .put("rule", l.rule())
                    .put("sentence", l.sentence()));
            out.println(body.toPrettyString());
        } else {
            lines.forEach(l -> out.println(l.severity() + "  " + l.sentence()));
            out.println(
                    lines.isEmpty() ? "Nothing is wrong with it." : stops + " stops, " + lines.size() + " findings.");
        }
        return stops == 0 ? NO_STOP : STOPS;
    }
}
