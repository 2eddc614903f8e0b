package taxon.app.jot;

import java.util.List;
import java.util.Optional;
import taxon.core.grouping.IdRuns;
import taxon.core.history.ChangeLine;
import taxon.core.jot.JotMeaning;
import taxon.core.jot.JotMeaning.Changes;
import taxon.core.jot.JotMeaning.Chooses;
import taxon.core.jot.JotMeaning.Refused;
import taxon.core.jot.JotMeaning.Turns;
import taxon.core.jot.JotMeaning.Unfinished;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a jot line means, for people.
 *
 * @param kind "unfinished", "refused", "chooses", "changes" or "turns"
 * @param sentence what Enter does, or what is missing or wrong
 * @param ways whole lines to go on with
 * @param effects the first ones
 * @param more how many further ones there are
 */
record JotView(
        String kind, String sentence, List<String> ways, List<ChangeLine> effects, int more, List<String> remarks) {
    private static final int SHOWN = 8;

    /** What undo would undo and redo would do again, where there is anything. */
    record Titles(Optional<String> undo, Optional<String> redo) {}

    static JotView of(Plan plan, JotMeaning reading, Titles titles) {
        if (reading instanceof Unfinished u) {
            return plain("unfinished", "Next: " + u.expected(), u.ways());
        }
        if (reading instanceof Refused r) {
            return plain("refused", r.sentence(), r.ways());
        }
        if (reading instanceof Chooses c) {
            var fixtures =
                    c.fixtures().stream().flatMap(k -> plan.fixture(k).stream()).toList();
            int count = fixtures.size();
            String who = count == 0
                    ? "nothing"
                    : (count == 1 ? "1 fixture: " : count + " fixtures: ") + IdRuns.words(fixtures);
            return plain("chooses", "Enter chooses " + who, List.of());
        }
        if (reading instanceof Turns t) {
            Optional<String> title = t.undo() ? titles.undo() : titles.redo();
            String verb = t.undo() ? "Enter undoes: " : "Enter does again: ";
            return plain(
                    "turns",
                    title.map(verb::concat).orElse("There is nothing to " + (t.undo() ? "undo." : "do again.")),
                    List.of());
        }
        Changes changes = (Changes) reading;
        return new JotView(
                "changes",
                "Enter: " + changes.edit().title(),
                List.of(),
                changes.effects().stream().limit(SHOWN).toList(),
                Math.max(0, changes.effects().size() - SHOWN),
                changes.remarks());
    }

    private static JotView plain(String kind, String sentence, List<String> ways) {
        return new JotView(kind, sentence, ways, List.of(), 0, List.of());
    }

    ObjectNode json() {
        ObjectNode body = Json.object().put("kind", kind).put("sentence", sentence);
        var list = body.putArray("ways");
        ways.forEach(list::add);
        var lines = body.putArray("effects");
        effects.forEach(e -> lines.addObject()
                .put("who", e.who())
                .put("what", e.what())
                .put("before", e.before())
                .put("after", e.after()));
        body.put("more", more);
        var told = body.putArray("remarks");
        remarks.forEach(told::add);
        return body;
    }
}
