package taxon.app.handover;

import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;
import taxon.app.paperwork.SheetFiles;
import taxon.app.store.Revision;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;

/** One page that says what is handed over: for a browser without Taxon, and on paper. */
@Component
class SummaryPage {
    private static final String TEMPLATE = "handover/summary";

    private final ITemplateEngine templates;
    private final SheetFiles files;

    SummaryPage(ITemplateEngine templates, SheetFiles files) {
        this.templates = templates;
        this.files = files;
    }

    /** Fixtures of one type and mode. */
    public record Kind(String type, String mode, int count) {}

    /** A universe that is in use: what it carries and how it leaves. */
    public record Carried(int number, String label, int fixtures, String ways) {}

    /** What stands on it. */
    public record Summary(
            String job,
            String venue,
            String revision,
            String date,
            String who,
            String note,
            String counts,
            List<Kind> kinds,
            List<Carried> universes,
            HandoverView said) {}

    private static Summary of(Plan plan, Revision revision, HandoverView view) {
        return new Summary(
                plan.sheet().name(),
                plan.sheet().venue(),
                "Revision " + revision.letters(),
                day(revision),
                revision.who(),
                revision.note(),
                Counted.of(plan.fixtures().size(), "fixture") + " on "
                        + Counted.of(plan.universes().size(), "universe") + ", "
                        + Counted.of(plan.positions().size(), "position") + ".",
                kinds(plan),
                universes(plan),
                view);
    }

    private static String day(Revision revision) {
        return revision.frozenAt().atOffset(ZoneOffset.UTC).toLocalDate().toString();
    }

    private static List<Kind> kinds(Plan plan) {
        Map<String, Kind> kinds = new TreeMap<>();
        for (Fixture fixture : plan.fixtures()) {
            String type = plan.type(fixture).fullName();
            kinds.merge(
                    type + "\n" + fixture.mode(),
                    new Kind(type, fixture.mode(), 1),
                    (a, b) -> new Kind(a.type(), a.mode(), a.count() + b.count()));
        }
        return List.copyOf(kinds.values());
    }

    private static List<Carried> universes(Plan plan) {
        Map<Integer, Integer> counts = new TreeMap<>();
        plan.fixtures()
                .forEach(f -> f.addresses().values().stream()
                        .map(StartAddress::universe)
                        .distinct()
                        .forEach(u -> counts.merge(u.number(), 1, Integer::sum)));
        return plan.universes().stream()
                .map(u -> new Carried(
                        u.number().number(),
                        u.label(),
                        counts.getOrDefault(u.number().number(), 0),
                        Counted.of(u.routes().size(), "way")))
                .toList();
    }

    /** For a browser: one file that asks for nothing else. */
    byte[] html(Plan plan, Revision revision, HandoverView view) {
        return templates
                .process(TEMPLATE, new Context(Locale.UK, Map.of("s", of(plan, revision, view))))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** On paper. */
    byte[] pdf(Plan plan, Revision revision, HandoverView view) {
        return files.page(TEMPLATE, Map.of("s", of(plan, revision, view)), day(revision));
    }
}
