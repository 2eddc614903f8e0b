package taxon.app.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.stereotype.Repository;
import taxon.app.store.PlanRows.AddressRow;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.core.JacksonException;

/** Reads what can still be read of a damaged job, row by row, and says what cannot. Nothing is written. */
@Repository
public class SalvageStore {
    private final JobMapper jobs;
    private final PlanMapper rows;

    SalvageStore(JobMapper jobs, PlanMapper rows) {
        this.jobs = jobs;
        this.rows = rows;
    }

    /**
     * What is left of a job.
     *
     * @param plan of all that could be read and refers to nothing that is missing
     * @param faults a sentence for each row, or whole table, that is not in the plan
     */
    public record Salvaged(Plan plan, List<String> faults) {}

    /** What is left; empty when there is no such job. */
    public Optional<Salvaged> salvage(int job) {
        Reading reading = new Reading();
        Optional<JobSheet> sheet = reading.sheet(job);
        return sheet.map(s -> reading.all(job, s));
    }

    /** One reading of a job. */
    private final class Reading {
        private final List<String> faults = new ArrayList<>();
        private final List<List<? extends Element>> tables = new ArrayList<>();

        Optional<JobSheet> sheet(int job) {
            try {
                return jobs.find(job).map(PlanStore::sheet);
            } catch (RuntimeException e) {
                faults.add("The job sheet cannot be read: " + reason(e));
                return jobs.ids().contains(job) ? Optional.of(JobSheet.named("Job " + job)) : Optional.empty();
            }
        }

        Salvaged all(int job, JobSheet sheet) {
            tables.add(List.of(sheet));
            read("type", () -> rows.types(job), r -> r.typeId(), r -> r.element());
            read("position", () -> rows.positions(job), r -> r.number(), r -> r.element());
            read("box", () -> rows.boxes(job), r -> r.number(), r -> r.element(Kind.BOX));
            read("universe", () -> rows.universes(job), r -> r.number(), r -> r.element(Kind.UNIVERSE));
            read("reserved run", () -> rows.reservedRuns(job), r -> r.number(), r -> r.element());
            Map<Integer, Map<Integer, StartAddress>> addresses = addresses(job);
            read(
                    "fixture",
                    () -> rows.fixtures(job),
                    r -> r.number(),
                    r -> r.element(addresses.getOrDefault(r.number(), Map.of())));
            read("line", () -> rows.lines(job), r -> r.number(), r -> r.element(Kind.LINE));
            read("link", () -> rows.radioLinks(job), r -> r.number(), r -> r.element(Kind.LINK));
            read("evidence", () -> rows.evidence(job), r -> "of fixture " + r.fixture(), r -> r.element());
            read("check", () -> rows.checks(job), r -> "of fixture " + r.fixture(), r -> r.element());
            read("group", () -> rows.groups(job), r -> r.number(), r -> r.element());
            read("share", () -> rows.shares(job), r -> r.number(), r -> r.element(Kind.SHARE));
            read("wish", () -> rows.wishes(job), r -> r.number(), r -> r.element(Kind.WISH));
            return new Salvaged(plan(), List.copyOf(faults));
        }

        private Map<Integer, Map<Integer, StartAddress>> addresses(int job) {
            Map<Integer, Map<Integer, StartAddress>> found = new HashMap<>();
            for (AddressRow row : table("address", () -> rows.addresses(job))) {
                tried("address of fixture " + row.fixture(), row, AddressRow::address)
                        .ifPresent(a -> found.computeIfAbsent(row.fixture(), f -> new HashMap<>())
                                .put(row.block(), a));
            }
            return found;
        }

        private <R> void read(
                String what, Supplier<List<R>> query, Function<R, Object> name, Function<R, Element> element) {
            List<Element> read = new ArrayList<>();
            table(what, query)
                    .forEach(row ->
                            tried(what + " " + name.apply(row), row, element).ifPresent(read::add));
            tables.add(read);
        }

        private <R> List<R> table(String what, Supplier<List<R>> query) {
            try {
                return query.get();
            } catch (RuntimeException e) {
                faults.add("No " + what + " can be read: " + reason(e));
                return List.of();
            }
        }

        private <R, T> Optional<T> tried(String what, R row, Function<R, T> reading) {
            try {
                return Optional.of(reading.apply(row));
            } catch (RuntimeException e) {
                faults.add(sentence(what + " cannot be read: " + reason(e)));
                return Optional.empty();
            }
        }

        /** Table by table, and element by element only where a whole table does not fit. */
        private Plan plan() {
            Plan plan = Plan.of(tables.get(0));
            for (List<? extends Element> table : tables.subList(1, tables.size())) {
                try {
                    plan = plan.with(table);
                } catch (IllegalArgumentException oneDoesNotFit) {
                    plan = withEach(plan, table);
                }
            }
            return plan;
        }

        private Plan withEach(Plan start, List<? extends Element> table) {
            Plan plan = start;
            for (Element element : table) {
                try {
                    plan = plan.with(element);
                } catch (IllegalArgumentException e) {
                    faults.add(
                            sentence(words(element.elementKey()) + " is left out: what it refers to cannot be read"));
                }
            }
            return plan;
        }
    }

    private static String words(ElementKey key) {
        return Json.slug(key.kind()).replace('-', ' ') + " " + (key.text().isEmpty() ? key.number() : key.text());
    }

    private static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1) + (words.endsWith(".") ? "" : ".");
    }

    private static String reason(Throwable e) {
        Throwable root = e;
        while (root.getCause() != null) {
            root = root.getCause();
        }
        if (root instanceof JacksonException) {
            return "what it holds is no JSON that can be read";
        }
        String message =
                Objects.requireNonNullElse(root.getMessage(), root.getClass().getSimpleName());
        return message.lines().findFirst().orElse("").strip();
    }
}
