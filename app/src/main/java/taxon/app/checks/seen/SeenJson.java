package taxon.app.checks.seen;

import java.util.Optional;
import java.util.Set;
import taxon.app.edit.JobState;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Happening;
import taxon.core.reception.Heard;
import taxon.core.reception.UniverseReception.Overview;
import taxon.core.seen.Seen;
import taxon.core.seen.SeenLine;
import taxon.core.seen.SeenText;
import taxon.formats.json.Json;
import taxon.wire.link.LinkCounts;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is heard, held against the plan, as JSON: for the live page and for programs alike. */
final class SeenJson {
    private static final int MOST_LOGGED = 60;
    private static final double SECOND = 1e9;

    private SeenJson() {}

    static ObjectNode of(JobState state, Optional<JobWatch> watch) {
        ObjectNode body = Json.object()
                .put("job", state.job())
                .put("version", state.version())
                .put("listening", watch.isPresent());
        watch.ifPresent(w -> fill(body, state, w));
        return body;
    }

    private static void fill(ObjectNode body, JobState state, JobWatch watch) {
        // What was planned since is listened for before it is called missing.
        body.put("notHeard", watch.keepUp(state.plan()));
        long now = System.nanoTime();
        Seen seen = watch.seen(state.plan(), now);
        var cards = body.putArray("cards");
        watch.cards().forEach(c -> cards.add(c.toString()));
        body.put("card", watch.card().toString())
                .put("since", watch.began().toString())
                .put("asPlanned", seen.asPlanned())
                .put("missing", seen.missing())
                .put("unhearable", seen.unhearable())
                .put(
                        "planned",
                        seen.lines().stream()
                                .filter(l -> !l.universes().isEmpty())
                                .count())
                .put("shift", seen.shift().map(SeenText::of).orElse(""))
                .put("beyond", watch.watch().beyond());
        counts(body, watch);
        ArrayNode rows = body.putArray("universes");
        seen.lines().forEach(l -> row(rows.addObject(), l, now));
        ArrayNode more = body.putArray("announced");
        Set<SacnUniverse> joined = watch.joined();
        watch.watch().announced(now).stream().filter(u -> !joined.contains(u)).forEach(u -> more.add(u.number()));
        ArrayNode log = body.putArray("log");
        watch.watch().happenings().stream()
                .limit(MOST_LOGGED)
                .forEach(h -> log.addObject()
                        .put("at", watch.at(h.nanos()).toString())
                        .put("universe", h.carrier().toString())
                        .put("what", Json.slug(h.kind()))
                        .put("words", words(h)));
    }

    private static void counts(ObjectNode body, JobWatch watch) {
        LinkCounts counts = watch.counts();
        body.put("crowded", watch.isCrowded())
                .put("malformed", counts.malformed())
                .put("failures", counts.failures())
                .put("dropped", counts.dropped());
    }

    static void row(ObjectNode row, SeenLine line, long now) {
        row.put("key", line.carrier().key())
                .put("name", line.carrier().toString())
                .put("heard", line.isHeard())
                .put("asPlanned", line.isAsPlanned())
                .put("above", line.overview().map(Overview::above).orElse(0));
        ArrayNode universes = row.putArray("planned");
        line.universes().forEach(u -> universes.add(u.number()));
        ArrayNode senders = row.putArray("senders");
        line.overview().ifPresent(o -> {
            for (int i = 0; i < o.heard().size(); i++) {
                sender(senders.addObject(), o.heard().get(i), o.winners().contains(i), now);
            }
        });
        ArrayNode remarks = row.putArray("remarks");
        line.remarks()
                .forEach(r -> remarks.addObject()
                        .put("kind", Json.slug(r.getClass()))
                        .put("weight", Json.slug(r.weight()))
                        .put("sentence", SeenText.of(r)));
    }

    private static void sender(ObjectNode node, Heard heard, boolean wins, long now) {
        node.put("name", SeenText.name(heard.sender()))
                .put("id", heard.sender().id())
                .put("wins", wins)
                .put("priority", heard.priority())
                .put("slotPriorities", heard.hasSlotPriorities())
                .put("rate", rounded(heard.rate()))
                .put("jitterMillis", rounded(heard.jitterMillis()))
                .put("lost", heard.lost())
                .put("late", heard.late())
                .put("preview", heard.isPreview())
                .put("synchronisation", heard.synchronisation())
                .put("slots", heard.slots())
                .put("changedSecondsAgo", Math.floor((now - heard.changedNanos()) / SECOND));
    }

    private static double rounded(double value) {
        return Math.round(value * 10) / 10.0;
    }

    private static String words(Happening happening) {
        String who = SeenText.name(happening.sender());
        return switch (happening.kind()) {
            case BEGAN -> who + " began";
            case ENDED -> who + " said that it stops";
            case LOST -> who + " fell silent";
            case PRIORITY_CHANGED -> who + " changed its priority";
            case TURNED_AWAY -> who + " is one sender too many";
        };
    }
}
