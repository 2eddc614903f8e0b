package taxon.app.checks.raise;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import taxon.core.boxcheck.BoxesHeard;
import taxon.core.boxcheck.WayTroubles;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.AttributeBook;
import taxon.core.raising.Grip;
import taxon.core.raising.HeldSlot;
import taxon.core.raising.Meeting;
import taxon.core.raising.Outlet;
import taxon.core.raising.RaisingText;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.seen.ChannelReading;
import taxon.core.visible.DarkText;
import taxon.core.visible.Visibility;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** One arming as it is now, as JSON. */
final class ArmingJson {
    private static final int BYTE = 0xFF;
    private static final int MOST_HELD_SHOWN = 400;

    private final Plan plan;
    private final Arming arming;
    private final long now = System.nanoTime();
    private final Map<UniverseNumber, byte[]> levels = new TreeMap<>();

    private final Optional<BoxesHeard> boxes;

    private ArmingJson(Plan plan, Arming arming, Optional<BoxesHeard> boxes) {
        this.boxes = boxes;
        this.plan = plan;
        this.arming = arming;
        arming.grip()
                .ifPresent(g -> g.frames(now).forEach(f -> levels.put(f.outlet().universe(), f.levels())));
    }

    /** @param boxes what was heard of them when somebody last looked */
    static ObjectNode of(Plan plan, Arming arming, Optional<BoxesHeard> boxes) {
        return new ArmingJson(plan, arming, boxes).body();
    }

    private ObjectNode body() {
        ObjectNode body = Json.object()
                .put("id", arming.id())
                .put("job", arming.job())
                .put("state", Json.slug(arming.state(now)))
                .put("who", arming.asked().who())
                .put("minutes", arming.asked().minutes())
                .put("trouble", arming.trouble());
        ways(body.putArray("ways"));
        ArrayNode none = body.putArray("cannot");
        arming.outlets().none().forEach(n -> none.add(RaisingText.of(n)));
        Optional<Grip> grip = arming.grip();
        if (grip.isPresent()) {
            driven(body, grip.get());
        }
        return body;
    }

    private void driven(ObjectNode body, Grip grip) {
        body.put("until", arming.at(grip.until()).toString())
                .put("secondsLeft", Math.max(0, TimeUnit.NANOSECONDS.toSeconds(grip.until() - now)))
                .put("ended", grip.ended().map(RaisingText::of).orElse(""))
                .put("stepsEverySeconds", arming.pace().map(p -> p.toSeconds()).orElse(0L));
        Map<StartAddress, HeldSlot> held = grip.held();
        body.put("heldCount", held.size());
        held(body.putArray("held"), held);
        arming.shown().flatMap(plan::fixture).ifPresent(f -> unit(body.putObject("unit"), f, held));
    }

    /** Each outlet with what happens there: as it was found when it was armed, and before that as it would be now. */
    private void ways(ArrayNode ways) {
        for (Outlet outlet : arming.outlets().outlets()) {
            Meeting meeting = arming.grip().stream()
                    .flatMap(g -> g.driven().stream())
                    .filter(d -> d.outlet().equals(outlet))
                    .map(Grip.Driven::meeting)
                    .findFirst()
                    .orElseGet(() -> arming.tell(outlet, now));
            ObjectNode way = ways.addObject()
                    .put("universe", outlet.universe().number())
                    .put("on", outlet.carrier().toString())
                    .put("to", outlet.to().toString())
                    .put("box", outlet.box())
                    .put("allowed", meeting.isAllowed())
                    .put("onlyBrighter", meeting.isMixed())
                    .put("says", RaisingText.of(meeting));
            if (meeting instanceof Meeting.Over over) {
                way.put("priority", over.ours());
            }
        }
    }

    private void held(ArrayNode array, Map<StartAddress, HeldSlot> held) {
        held.entrySet().stream()
                .limit(MOST_HELD_SHOWN)
                .forEach(e -> array.addObject()
                        .put("slot", e.getKey().toString())
                        .put("level", e.getValue().level())
                        .put("since", arming.at(e.getValue().nanos()).toString())
                        .put("who", e.getValue().who()));
    }

    private void unit(ObjectNode body, Fixture fixture, Map<StartAddress, HeldSlot> held) {
        List<ChannelReading> all = new ArrayList<>();
        body.put("key", fixture.key().number()).put("label", fixture.label());
        ArrayNode channels = body.putArray("channels");
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            if (block.start().isPresent()) {
                List<ChannelReading> readings = ChannelReading.of(block.block(), o -> level(block, o));
                readings.forEach(r -> channel(channels.addObject(), block, r, held));
                all.addAll(readings);
            }
        }
        body.put("dark", isKnown(fixture) ? DarkText.of(Visibility.of(all)) : "");
        body.put(
                "way",
                boxes.map(b -> String.join(" ", WayTroubles.of(plan, fixture, b)))
                        .orElse(""));
    }

    /** What keeps it dark is told where all that it gets is known. */
    private boolean isKnown(Fixture fixture) {
        return plan.blocksOf(fixture).stream()
                .flatMap(b -> b.start().stream())
                .allMatch(s ->
                        arming.grip().filter(g -> g.isWholeOf(s.universe())).isPresent());
    }

    private int level(PlannedBlock block, int offset) {
        StartAddress start = block.start().orElseThrow();
        byte[] universe = levels.getOrDefault(start.universe(), new byte[0]);
        int index = start.slot().number() + offset - 2;
        return index < universe.length ? universe[index] & BYTE : 0;
    }

    private static void channel(
            ObjectNode node, PlannedBlock block, ChannelReading reading, Map<StartAddress, HeldSlot> held) {
        StartAddress start = block.start().orElseThrow();
        boolean isHeld = reading.channel().offsets().stream()
                .map(o -> start.slot().number() + o - 1)
                .filter(taxon.core.dmx.Slot::isLegal)
                .anyMatch(s -> held.containsKey(StartAddress.of(start.universe().number(), s)));
        String run = reading.step()
                .map(s -> s.name())
                .filter(s -> !s.isBlank())
                .orElse(reading.function().map(f -> f.name()).orElse(""));
        node.put("block", block.ref().block())
                .put("index", block.block().channels().indexOf(reading.channel()))
                .put("attribute", AttributeBook.words(reading.channel().attribute()))
                .put("value", reading.value())
                .put("percent", Math.round(reading.percent()))
                .put("run", run)
                .put("held", isHeld);
    }
}
