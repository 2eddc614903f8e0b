package taxon.app.setting;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.app.frame.Marks;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.setting.UnitSetting;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * The card of a unit on a page.
 *
 * @param standing how its first block stands
 * @param last what was last set or found on it, in words; empty where nothing is known
 * @param isOpen true while nobody has said that it is set as planned
 */
record SettingCard(UnitSetting setting, int key, String label, Marks standing, String last, boolean isOpen) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.UK);

    static SettingCard of(Plan plan, Fixture fixture) {
        List<Standing> standings = plan.blocksOf(fixture).stream()
                .filter(b -> b.start().isPresent())
                .map(b -> Standing.of(b, plan))
                .toList();
        Standing worst = standings.stream()
                .filter(s -> s != Standing.SET && s != Standing.PROVED)
                .findFirst()
                .orElse(standings.isEmpty() ? Standing.PLANNED : standings.get(0));
        return new SettingCard(
                UnitSetting.of(plan, fixture),
                fixture.key().number(),
                fixture.label(),
                Marks.of(worst),
                last(plan, fixture, worst),
                worst != Standing.SET && worst != Standing.PROVED);
    }

    /** What it had where that is not what is planned, and since when. */
    private static String last(Plan plan, Fixture fixture, Standing standing) {
        String had = latest(plan, fixture)
                .filter(m -> standing == Standing.STALE)
                .map(m -> "It had " + m.address() + ", " + m.mode() + ": ")
                .orElse("");
        return had + when(plan, fixture);
    }

    private static Optional<Mark> latest(Plan plan, Fixture fixture) {
        return plan.blocksOf(fixture).stream()
                .flatMap(b -> Standing.latest(plan.evidence(b.ref())).stream())
                .max((a, b) -> a.at().compareTo(b.at()));
    }

    /** "29 Nov 08:12 UTC, ticked off by Ada"; empty where nothing is known. */
    static String when(Plan plan, Fixture fixture) {
        return latest(plan, fixture)
                .map(m -> DAY.format(m.at().atOffset(ZoneOffset.UTC)) + " UTC, " + m.by())
                .orElse("");
    }

    ObjectNode json() {
        ObjectNode node = Json.object()
                .put("fixture", key)
                .put("label", label)
                .put("type", setting.type())
                .put("mode", setting.mode())
                .put("modeNumber", setting.number())
                .put("before", setting.before());
        var blocks = node.putArray("blocks");
        setting.blocks().forEach(b -> {
            ObjectNode block = blocks.addObject().put("name", b.name()).put("universe", b.universe());
            b.start().ifPresent(a -> block.put("address", a.toString()));
            b.switches().ifPresent(s -> block.put("switches", s.words()));
            block.put("needs", b.needs());
        });
        var steps = node.putArray("steps");
        setting.steps().forEach(steps::add);
        var menu = node.putObject("menu");
        setting.menu().forEach(l -> menu.put(l.name(), l.value()));
        var parked = node.putArray("parked");
        setting.parked().forEach(parked::add);
        return node;
    }
}
