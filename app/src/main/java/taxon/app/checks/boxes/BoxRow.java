package taxon.app.checks.boxes;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.BoxCheck;
import taxon.core.boxcheck.BoxCheckText;
import taxon.core.boxcheck.BoxDifference;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort.Direction;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/**
 * A box as the page shows it: planned, found, or both.
 *
 * @param box its number in the plan; 0 for one that is not planned
 * @param planned "10.0.0.20/24"; empty for one that is not planned
 * @param found where it answers, with its mask
 * @param state "as planned", "differs", "searching", "off", "silent" or "not planned"
 * @param mark how it is marked: "moss", "warn", "stop" or "note"
 * @param facts what it says of itself: firmware, hardware address, long name
 * @param ports "1 output 0·0·1, Art-Net, HTP, RDM"
 * @param differences a sentence each, or the cause of its silence
 */
public record BoxRow(
        int box,
        String name,
        String planned,
        String found,
        String state,
        String mark,
        String facts,
        List<String> ports,
        List<String> differences) {
    /** Which kinds answer a poll (common practice): consoles and programs may, and need not. */
    private static final Set<BoxKind> ANSWERING = EnumSet.of(BoxKind.NODE, BoxKind.TRANSMITTER, BoxKind.UNIT);

    /** All planned boxes with an address in their order, then those that nobody planned. */
    static List<BoxRow> of(Plan plan, BoxSearch search) {
        List<BoxRow> rows = new ArrayList<>();
        plan.boxes().stream().filter(b -> b.ip().isPresent()).forEach(b -> rows.add(planned(plan, search, b)));
        search.heard().ifPresent(h -> h.unplanned(plan).forEach(s -> rows.add(unplanned(s))));
        return List.copyOf(rows);
    }

    private static BoxRow planned(Plan plan, BoxSearch search, Box box) {
        Optional<BoxAnswers> heard = search.heard().map(h -> h.of(plan, box));
        String card = box.card().orElseThrow().toString();
        if (heard.isEmpty() || !heard.get().isThere() && search.running()) {
            String state = search.running() ? "searching" : "not asked yet";
            return new BoxRow(box.number(), box.name(), card, "", state, "note", "", List.of(), List.of());
        }
        List<BoxDifference> differences =
                BoxCheck.of(plan, List.of(heard.get())).get(0).differences();
        List<String> sentences =
                differences.stream().map(d -> BoxCheckText.sentence(box, d)).toList();
        if (!heard.get().isThere()) {
            boolean must = ANSWERING.contains(box.kind());
            return new BoxRow(
                    box.number(),
                    box.name(),
                    card,
                    "",
                    must ? "off" : "silent",
                    must ? "stop" : "note",
                    "",
                    List.of(),
                    must ? sentences : List.of("A " + box.kind().words() + " need not answer such questions."));
        }
        SeenBox seen = heard.get().called(box.name()).orElseThrow();
        boolean right = differences.isEmpty();
        return new BoxRow(
                box.number(),
                box.name(),
                card,
                at(seen),
                right ? "as planned" : "differs",
                right ? "moss" : "warn",
                facts(seen),
                ports(seen),
                sentences);
    }

    private static BoxRow unplanned(SeenBox seen) {
        return new BoxRow(0, seen.name(), "", at(seen), "not planned", "note", facts(seen), ports(seen), List.of());
    }

    private static String at(SeenBox seen) {
        return seen.answering() + seen.prefix().map(p -> "/" + p).orElse("");
    }

    private static String facts(SeenBox seen) {
        List<String> facts = new ArrayList<>();
        facts.add("firmware " + seen.self().firmwareWords());
        seen.self().whenLost().ifPresent(w -> facts.add(w.words() + " when data stops"));
        if (!seen.self().longName().isBlank() && !seen.self().longName().equals(seen.name())) {
            facts.add("“" + seen.self().longName() + "”");
        }
        return String.join(", ", facts);
    }

    private static List<String> ports(SeenBox seen) {
        List<String> ports = new ArrayList<>();
        for (int i = 0; i < seen.ports().size(); i++) {
            ports.add((i + 1) + " " + port(seen.ports().get(i)));
        }
        return ports;
    }

    private static String port(SeenPort port) {
        if (port.direction() == Direction.OFF) {
            return "off";
        }
        return port.direction().words() + " " + port.address()
                + port.takes().map(t -> ", " + t.words()).orElse("")
                + port.merge().map(m -> ", " + m.words().substring(0, 3)).orElse("") + (port.rdm() ? ", RDM" : "")
                + (port.flows() ? ", data flows" : "");
    }

    /** True where something of it can be taken up, by writing or by planning. */
    public boolean isOdd() {
        return state.equals("differs") || state.equals("off") || state.equals("not planned");
    }
}
