package taxon.app.compare;

import jakarta.servlet.http.HttpServletRequest;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.lists.ListLook;
import taxon.app.lists.NumberAnswers;
import taxon.app.lists.SaidOfColumns;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.MappingStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.compare.Comparison;
import taxon.core.compare.Counting;
import taxon.core.compare.Match;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.compare.Taken;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** What is said of a comparison: how its list is to be read, who is who, and what of the other side shall be taken over. */
@Controller
class ComparisonController {
    private final Frames frames;
    private final ProposalDesk desk;
    private final ComparisonKind kind;
    private final MappingStore mappings;

    ComparisonController(Frames frames, ProposalDesk desk, ComparisonKind kind, MappingStore mappings) {
        this.frames = frames;
        this.desk = desk;
        this.kind = kind;
        this.mappings = mappings;
    }

    /** One comparison, and what its form says. */
    private record Asked(int job, StoredProposal stored, Plan plan, ComparedSides sides, Reply reply) {
        Fields fields() {
            return reply.fields();
        }
    }

    private Asked asked(int job, int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choices", "/jobs/" + job + "/comparisons/" + id);
        StoredProposal stored = desk.find(job, id, ComparisonKind.NAME);
        var state = frames.state(job);
        ComparedSides sides = desk.computed(kind, stored, state)
                .get()
                .orElseThrow(() -> new NotThereException("comparison " + id))
                .content();
        return new Asked(job, stored, state.plan(), sides, reply);
    }

    private Object said(Asked asked, CompareRequest now, String told) {
        desk.choose(asked.job(), asked.stored(), ComparisonKind.NAME, now.json());
        return asked.reply()
                .done(told, Json.object().put("comparison", asked.stored().id()));
    }

    /** How its list is read: sheet, columns, kept mapping, answers, and from where it counts. */
    @PostMapping("/jobs/{job}/comparisons/{id}/choices")
    Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Asked asked = asked(job, id, request);
        Map<String, String[]> form = request.getParameterMap();
        SaidOfColumns said = new SaidOfColumns(
                asked.fields(),
                () -> new SaidOfColumns.Table(
                        asked.sides().table().map(t -> t.file().rows()).orElse(List.of()),
                        asked.sides()
                                .table()
                                .map(t -> t.reading().columns().headerLine())
                                .orElse(0)));
        CompareRequest before = asked.sides().request();
        ListLook look = said.applyTo(before.look(), form);
        var answers = NumberAnswers.said(asked.fields(), form, before.answers());
        Counting counting = asked.fields().isGiven("counting")
                ? new Counting(
                        asked.fields().has("universesFromZero"), asked.fields().has("slotsFromZero"))
                : before.counting();
        if (asked.fields().isFaulty()) {
            return asked.reply().refused();
        }
        said.toKeep().ifPresent(mappings::keep);
        return said(asked, before.read(look, answers, counting), "The list was read again with what you said.");
    }

    /** Forgets what columns hold that was kept by a name. */
    @PostMapping("/jobs/{job}/comparisons/{id}/forget")
    Object forget(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choices", "/jobs/" + job + "/comparisons/" + id);
        desk.find(job, id, ComparisonKind.NAME);
        String name = reply.fields().text("kept");
        if (!mappings.forget(name)) {
            reply.fields().refuse("kept", "Nothing is kept under “" + name + "”.");
            return reply.refused();
        }
        return reply.done("“" + name + "” is forgotten.", Json.object().put("comparison", id));
    }

    /** Who is who: fixture {@code ours} by its key is the row at {@code theirs}, or none where that is empty. */
    @PostMapping("/jobs/{job}/comparisons/{id}/pair")
    Object pair(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Asked asked = asked(job, id, request);
        Optional<Integer> ours = asked.fields().number("ours", "key of the fixture", 1, Integer.MAX_VALUE);
        int rows = asked.sides().theirs().rows().size();
        Optional<Integer> theirs = asked.fields().has("theirs")
                ? asked.fields().number("theirs", "place of the row", 0, Math.max(0, rows - 1))
                : Optional.of(-1);
        if (ours.isEmpty() || theirs.isEmpty()) {
            return asked.reply().refused();
        }
        CompareRequest before = asked.sides().request();
        CompareRequest now = before.told(ours.get(), theirs.get(), asked.sides().stamp());
        return said(asked, now, "Held so.");
    }

    /**
     * Chooses what shall be taken over: {@code pattern} by its number, {@code row} by the key of our fixture, with {@code kind} for one
     * difference alone, {@code add} by the place of their row, {@code all} that both have otherwise and only they
     * have, {@code gone} for all that they have not, or {@code none}; {@code keep} takes a choice back.
     */
    @PostMapping("/jobs/{job}/comparisons/{id}/take")
    Object take(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Asked asked = asked(job, id, request);
        Optional<Chosen> chosen = chosen(asked);
        if (chosen.isEmpty() || asked.fields().isFaulty()) {
            return asked.reply().refused();
        }
        Taken before = asked.sides().taken();
        boolean keep = asked.fields().has("keep") || asked.fields().has("none");
        Taken now = keep ? chosen.get().without(before) : chosen.get().beside(before);
        return said(
                asked,
                request(asked, now),
                keep ? "Kept as it is here." : "Chosen; it is taken over when you apply it.");
    }

    private CompareRequest request(Asked asked, Taken taken) {
        SortedMap<Integer, Set<Kind>> fields = new TreeMap<>();
        taken.fields().forEach((place, kinds) -> fields.put(key(asked, place), kinds));
        SortedSet<Integer> removed = new TreeSet<>();
        taken.removed().forEach(place -> removed.add(key(asked, place)));
        return asked.sides()
                .request()
                .taking(fields, removed, taken.added(), asked.sides().stamp());
    }

    private static int key(Asked asked, int place) {
        return asked.plan().fixtures().get(place).key().number();
    }

    /** What a form names, as if it were all that is taken. */
    private record Chosen(Taken taken) {
        Taken beside(Taken before) {
            SortedMap<Integer, Set<Kind>> fields = new TreeMap<>(before.fields());
            taken.fields().forEach((place, kinds) -> {
                Set<Kind> both = EnumSet.copyOf(kinds);
                both.addAll(fields.getOrDefault(place, Set.of()));
                fields.put(place, both);
            });
            SortedSet<Integer> removed = new TreeSet<>(before.removed());
            removed.addAll(taken.removed());
            SortedSet<Integer> added = new TreeSet<>(before.added());
            added.addAll(taken.added());
            return new Taken(fields, removed, added);
        }

        Taken without(Taken before) {
            SortedMap<Integer, Set<Kind>> fields = new TreeMap<>();
            before.fields().forEach((place, kinds) -> {
                Set<Kind> rest = EnumSet.copyOf(kinds);
                rest.removeAll(taken.fields().getOrDefault(place, Set.of()));
                if (!rest.isEmpty()) {
                    fields.put(place, rest);
                }
            });
            SortedSet<Integer> removed = new TreeSet<>(before.removed());
            removed.removeAll(taken.removed());
            SortedSet<Integer> added = new TreeSet<>(before.added());
            added.removeAll(taken.added());
            return new Taken(fields, removed, added);
        }
    }

    private Optional<Chosen> chosen(Asked asked) {
        Fields fields = asked.fields();
        Comparison comparison = asked.sides().comparison();
        Taken all = Taken.all(comparison);
        if (fields.has("none")) {
            return Optional.of(new Chosen(all));
        }
        if (fields.has("all")) {
            // To take fixtures out is asked for by itself: a list may be of a part of the rig.
            return Optional.of(new Chosen(new Taken(all.fields(), new TreeSet<>(), all.added())));
        }
        if (fields.has("gone")) {
            if (asked.sides().isPartial()) {
                fields.refuse(
                        "gone", "What was silent on the rig is not gone; take out single fixtures on the rig's page.");
            }
            return Optional.of(new Chosen(new Taken(new TreeMap<>(), all.removed(), new TreeSet<>())));
        }
        if (fields.has("pattern")) {
            int last = Math.max(0, comparison.patterns().size() - 1);
            return fields.number("pattern", "pattern", 0, last)
                    .filter(n -> n < comparison.patterns().size())
                    .map(n -> new Chosen(
                            Taken.NOTHING.with(comparison, comparison.patterns().get(n))));
        }
        if (fields.has("add")) {
            return fields.number("add", "place of the row", 0, Integer.MAX_VALUE)
                    .filter(place -> comparison.onlyTheirs().stream().anyMatch(r -> r.place() == place))
                    .or(() -> refuse(fields, "add"))
                    .map(place ->
                            new Chosen(new Taken(new TreeMap<>(), new TreeSet<>(), new TreeSet<>(Set.of(place)))));
        }
        return fields.number("row", "key of the fixture", 1, Integer.MAX_VALUE).flatMap(key -> row(asked, key));
    }

    private static <T> Optional<T> refuse(Fields fields, String field) {
        fields.refuse(field, "That row is none of those that differ; look at the comparison again.");
        return Optional.empty();
    }

    private static Optional<Chosen> row(Asked asked, int key) {
        Comparison comparison = asked.sides().comparison();
        Optional<Integer> alone = comparison.onlyOurs().stream()
                .map(r -> r.place())
                .filter(place -> key(asked, place) == key)
                .findFirst();
        if (alone.isPresent() && asked.sides().isPartial()) {
            return refuse(asked.fields(), "row");
        }
        if (alone.isPresent()) {
            return alone.map(
                    place -> new Chosen(new Taken(new TreeMap<>(), new TreeSet<>(Set.of(place)), new TreeSet<>())));
        }
        Optional<Match> match = comparison.differences().keySet().stream()
                .filter(m -> key(asked, m.ours().place()) == key)
                .findFirst()
                .or(() -> refuse(asked.fields(), "row"));
        Set<Kind> kinds = asked.fields().has("kind")
                ? asked.fields().choice("kind", Kind.class, Kind.ADDRESS).stream()
                        .collect(Collectors.toSet())
                : EnumSet.allOf(Kind.class);
        return match.map(m -> new Chosen(Taken.NOTHING.with(comparison, List.of(m), kinds)));
    }
}
