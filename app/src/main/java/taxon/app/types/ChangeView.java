package taxon.app.types;

import java.util.List;
import java.util.Optional;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.StartAddress;
import taxon.core.modes.ChangeProposal;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.text.Counted;
import taxon.formats.json.Json;

/**
 * A change as the page shows it.
 *
 * @param groups changed fixtures that change alike, in one line
 * @param clashes what would run into what if every start were kept
 */
record ChangeView(
        List<Group> groups,
        List<String> clashes,
        List<MoveLine> moves,
        List<String> notPlaced,
        List<StyleLine> styles) {

    /** @param slots "16 slots, before 12" */
    record Group(String who, String from, String to, String slots, long touched) {}

    record MoveLine(String who, String before, String after, boolean touches) {}

    record StyleLine(
            String slug,
            String words,
            String explanation,
            boolean chosen,
            int moved,
            int touched,
            int overlaps,
            int universes) {}

    static ChangeView of(ChangeProposal proposal) {
        Style chosen = proposal.request().style();
        return new ChangeView(
                groups(proposal),
                proposal.clashes().stream().map(ChangeText::sentence).toList(),
                proposal.moves().stream()
                        .map(m -> new MoveLine(
                                m.block().label(),
                                m.before().map(StartAddress::toString).orElse("none"),
                                m.after().toString(),
                                m.touches()))
                        .toList(),
                proposal.leftOut().stream()
                        .map(n -> n.fixture().label() + ": " + ProposalText.sentence(n))
                        .toList(),
                proposal.otherStyles().stream()
                        .map(p -> new StyleLine(
                                Json.slug(p.style()),
                                ChangeText.words(p.style()),
                                ChangeText.explanation(p.style()),
                                p.style() == chosen,
                                p.moved(),
                                p.touched(),
                                p.overlaps(),
                                p.universes()))
                        .toList());
    }

    private record Alike(
            String typeBefore,
            String modeBefore,
            Optional<Integer> before,
            String typeAfter,
            String modeAfter,
            int after) {}

    private static List<Group> groups(ChangeProposal proposal) {
        java.util.Map<Alike, List<ChangeProposal.Changed>> alike = new java.util.LinkedHashMap<>();
        proposal.changed()
                .forEach(c -> alike.computeIfAbsent(
                                new Alike(
                                        c.typeBefore(),
                                        c.modeBefore(),
                                        c.before(),
                                        c.typeAfter(),
                                        c.modeAfter(),
                                        c.after()),
                                a -> new java.util.ArrayList<>())
                        .add(c));
        return alike.entrySet().stream()
                .map(e -> new Group(
                        String.join(
                                ", ",
                                e.getValue().stream()
                                        .map(c -> c.fixture().label())
                                        .toList()),
                        e.getKey().typeBefore() + ", "
                                + (e.getKey().modeBefore().isBlank()
                                        ? "no mode"
                                        : e.getKey().modeBefore()),
                        e.getKey().typeAfter() + ", " + e.getKey().modeAfter(),
                        Counted.of(e.getKey().after(), "slot") + ", before "
                                + e.getKey().before().map(String::valueOf).orElse("unknown"),
                        e.getValue().stream()
                                .filter(ChangeProposal.Changed::touches)
                                .count()))
                .toList();
    }
}
