package taxon.app.checks.seen;

import java.util.List;
import java.util.Optional;
import java.util.function.ToIntFunction;
import taxon.app.edit.JobState;
import taxon.core.dmx.UniverseNumber;
import taxon.core.reception.Carrier;
import taxon.core.reception.UniverseReception.SlotState;
import taxon.core.reception.UniverseReception.State;
import taxon.core.seen.Expected;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What comes on one universe, slot by slot and in words, as JSON. */
final class UniverseJson {
    private static final long TENTH_NANOS = 100_000_000L;
    private static final int LONG_AGO = 255;

    private UniverseJson() {}

    static ObjectNode of(JobState state, Optional<JobWatch> watch, Carrier carrier) {
        ObjectNode body = Json.object()
                .put("job", state.job())
                .put("version", state.version())
                .put("listening", watch.isPresent());
        watch.ifPresent(w -> fill(body, state, w, carrier));
        return body;
    }

    private static void fill(ObjectNode body, JobState state, JobWatch watch, Carrier carrier) {
        body.put("notHeard", watch.keepUp(state.plan()));
        long now = System.nanoTime();
        watch.seen(state.plan(), now).lines().stream()
                .filter(l -> l.carrier().equals(carrier))
                .findFirst()
                .ifPresent(l -> SeenJson.row(body.putObject("universe"), l, now));
        List<SlotState> slots =
                watch.watch().state(carrier, now).map(State::slots).orElse(List.of());
        put(body.putArray("levels"), slots, SlotState::level);
        put(body.putArray("least"), slots, SlotState::least);
        put(body.putArray("most"), slots, SlotState::most);
        put(body.putArray("movedTenthsAgo"), slots, s -> tenths(s, now));
        List<UniverseNumber> universes = watch.expected(state.plan()).universes(carrier);
        List<Integer> levels = slots.stream().map(SlotState::level).toList();
        ArrayNode dark = body.putArray("dark");
        Listener.dark(state.plan(), universes, levels).forEach(dark::add);
        ArrayNode words = body.putArray("channels");
        Listener.said(state.plan(), universes, levels)
                .forEach(s -> words.addObject()
                        .put("value", s.value())
                        .put("percent", s.percent())
                        .put("function", s.function())
                        .put("physical", s.physical()));
    }

    private static void put(ArrayNode array, List<SlotState> slots, ToIntFunction<SlotState> what) {
        slots.forEach(s -> array.add(what.applyAsInt(s)));
    }

    /** Since when a slot stands, in tenths of a second; 255 for longer, and for one that never moved. */
    private static int tenths(SlotState slot, long now) {
        return slot.movedNanos()
                .map(m -> (int) Math.min(LONG_AGO, (now - m) / TENTH_NANOS))
                .orElse(LONG_AGO);
    }

    /** The line of one universe as the plan alone has it. */
    static List<UniverseNumber> planned(JobState state, Carrier carrier) {
        return Expected.of(state.plan()).universes(carrier);
    }
}
