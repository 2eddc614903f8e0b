package taxon.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.arranging.Arranging;
import taxon.core.arranging.ArrangingProposal;
import taxon.core.arranging.Spread;
import taxon.core.dmx.AddressText;
import taxon.core.grouping.IdRuns;
import taxon.core.length.Length;
import taxon.core.length.LengthText;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.wish.Spacing;
import taxon.core.rigtable.FieldChange;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.rigtable.TableWork;

/** Reads lines that change fixtures which are there: verb, which, and what they shall be. */
final class JotChange {
    private final JotLine line;
    private final JotVerb verb;
    private final JotWords words;

    JotChange(JotLine line, JotVerb verb, JotWords words) {
        this.line = line;
        this.verb = verb;
        this.words = words;
    }

    JotMeaning read() {
        if (words.subject().isEmpty()) {
            return line.unfinished("which fixtures", line.which().names(""));
        }
        JotWhich.Found found = line.which().read(words.subject());
        if (found.unknown().isPresent()) {
            return line.unknown(found.unknown().get(), words.subject());
        }
        List<Fixture> fixtures = found.fixtures();
        return switch (verb) {
            case REMOVE -> line.changes(FixtureEdits.remove(found.keys()), List.of(), Set.of());
            case CLEAR ->
                cells(
                        "Addresses of " + IdRuns.words(fixtures) + " cleared",
                        fixtures,
                        f -> change(f, FixtureColumn.ADDRESS, ""));
            case MOVE -> move(fixtures);
            case ARRANGE -> arrange(found.keys());
            case NUMBER -> number(fixtures);
            case LINE -> new JotNetwork(line, words, found.keys()).line(fixtures);
            case PLACE -> place(found.keys());
            default -> text(fixtures, FixtureColumn.valueOf(verb.name()));
        };
    }

    private static List<FieldChange> change(Fixture fixture, FixtureColumn column, String text) {
        return List.of(new FieldChange(fixture.key(), column, text));
    }

    private JotMeaning cells(String title, List<Fixture> fixtures, Function<Fixture, List<FieldChange>> work) {
        List<FieldChange> changes =
                fixtures.stream().flatMap(f -> work.apply(f).stream()).toList();
        List<String> fresh = TableWork.of(line.plan(), changes).newPositions().stream()
                .map(p -> p + " is a new position.")
                .toList();
        return line.changes(TableWork.edit(shortened(title), changes), fresh, keys(fixtures));
    }

    /** Many IDs would make a title that nobody reads. */
    private static String shortened(String title) {
        return title.length() > 100 ? title.substring(0, 97) + "…" : title;
    }

    private static Set<FixtureKey> keys(List<Fixture> fixtures) {
        return Set.copyOf(fixtures.stream().map(Fixture::key).toList());
    }

    /** Name, note, purpose, colour, hazard, mode: "as" and the words. */
    private JotMeaning text(List<Fixture> fixtures, FixtureColumn column) {
        Optional<String> as = words.after("as");
        if (as.isEmpty()) {
            return line.unfinished("as what", List.of("as "));
        }
        if (column == FixtureColumn.MODE && as.get().isEmpty()) {
            List<String> modes = fixtures.stream()
                    .flatMap(f -> line.plan().type(f).modes().stream())
                    .map(m -> m.name())
                    .distinct()
                    .toList();
            return line.unfinished("which mode", modes);
        }
        String title = column.words() + " of " + IdRuns.words(fixtures);
        return cells(title, fixtures, f -> change(f, column, as.get()));
    }

    private JotMeaning move(List<Fixture> fixtures) {
        String position = words.after("to").orElse("");
        if (position.isEmpty()) {
            List<String> known = line.positions("");
            return line.unfinished(
                    "to which position",
                    words.after("to").isPresent()
                            ? known
                            : known.stream().map(p -> "to " + p).toList());
        }
        if (JotPlaces.readsLikeAddress(line.plan(), position)) {
            return line.refused("“" + position + "” is an address and no position; write place "
                    + IdRuns.words(fixtures) + " from " + position + ".");
        }
        Optional<String> at = words.after("at");
        if (line.plan().positionNamed(position).isEmpty()
                && at.isEmpty()
                && !line.positions(position).isEmpty()) {
            return line.begun("the whole name of the position", position, line.positions(position));
        }
        if (at.isPresent() && fixtures.size() > 1) {
            return line.refused("One place is for one fixture; to spread " + fixtures.size()
                    + ", move them first and then arrange them.");
        }
        return cells(IdRuns.words(fixtures) + " to " + position, fixtures, f -> {
            List<FieldChange> changes = new ArrayList<>(change(f, FixtureColumn.POSITION, position));
            at.ifPresent(text -> changes.addAll(change(f, FixtureColumn.OFFSET, text)));
            return changes;
        });
    }

    private JotMeaning arrange(Set<FixtureKey> keys) {
        Optional<Length> from = words.after("from").flatMap(this::length);
        Optional<Length> to = words.after("to").flatMap(this::length);
        Optional<Length> every = words.after("every").flatMap(this::length);
        Optional<Spread> spread = from.isPresent() && to.isPresent()
                ? Optional.of(new Spread.FromTo(from.get(), to.get()))
                : from.isPresent() && every.isPresent()
                        ? Optional.of(new Spread.Pitch(from.get(), every.get()))
                        : every.filter(e -> words.after("from").isEmpty() && e.micrometres() > 0)
                                .map(Spread.Centred::new);
        if (spread.isEmpty()) {
            return line.unfinished(
                    "from where to where, from where every so much, or every so much about the centre",
                    List.of("from -4 m to 4 m", "from -4 m every 1 m", "every 1 m"));
        }
        ArrangingProposal proposal = Arranging.propose(line.plan(), keys, spread.get());
        List<String> beyond = proposal.moves().stream()
                .filter(ArrangingProposal.Move::beyond)
                .map(m -> m.fixture().label())
                .toList();
        return line.changes(
                proposal.edit(),
                beyond.isEmpty()
                        ? List.of()
                        : List.of("Past the end of the position: " + String.join(", ", beyond) + "."),
                keys);
    }

    private Optional<Length> length(String text) {
        return LengthText.read(text, line.plan().sheet().view().unit());
    }

    /** In the order in which the rig is read. */
    private JotMeaning number(List<Fixture> fixtures) {
        String from = words.after("from").orElse("");
        if (from.isEmpty()) {
            return line.unfinished("from which ID", words.after("from").isPresent() ? List.of() : List.of("from "));
        }
        if (!from.matches("[1-9]\\d{0,4}") || !FixtureId.isLegal(Integer.parseInt(from) + fixtures.size() - 1L)) {
            return line.refused("“" + from + "” is no first ID for " + fixtures.size() + "; they take 1 to "
                    + FixtureId.LAST + ".");
        }
        List<Fixture> order = RigOrder.of(line.plan(), fixtures, NumberingOrder.USUAL);
        List<FieldChange> changes = new ArrayList<>();
        for (Fixture fixture : order) {
            changes.add(new FieldChange(
                    fixture.key(), FixtureColumn.ID, String.valueOf(Integer.parseInt(from) + changes.size())));
        }
        String title = (fixtures.size() == 1 ? "1 fixture" : fixtures.size() + " fixtures") + " numbered from " + from;
        return line.changes(TableWork.edit(title, changes), List.of(), keys(fixtures));
    }

    private JotMeaning place(Set<FixtureKey> keys) {
        String from = words.after("from").orElse("");
        if (from.isEmpty()) {
            return line.unfinished(
                    "from which address", words.after("from").isPresent() ? List.of() : List.of("from "));
        }
        String gap = words.after("gap").orElse("0");
        if (!(AddressText.read(from) instanceof AddressText.Read read)) {
            return line.refused("“" + from + "” is no address; it takes universe.slot, slots 1 to 512, such as 3.1.");
        }
        if (!gap.matches("\\d{1,3}") || Integer.parseInt(gap) > Spacing.MOST_GAP) {
            return line.refused("“" + gap + "” is no gap; it takes 0 to " + Spacing.MOST_GAP + " slots.");
        }
        PlacementRequest request = new PlacementRequest(Scope.CHOSEN, keys, read.address(), Integer.parseInt(gap));
        AddressProposal proposal = Planner.propose(line.plan(), request);
        return line.changes(proposal.edit(), remarks(proposal), keys);
    }

    private static List<String> remarks(AddressProposal proposal) {
        List<String> remarks = new ArrayList<>();
        int touched = proposal.price().touched();
        if (touched > 0) {
            remarks.add((touched == 1 ? "1 unit was" : touched + " units were") + " set and must be set again.");
        }
        if (!proposal.leftOut().isEmpty()) {
            remarks.add("Not placed: "
                    + IdRuns.words(
                            proposal.leftOut().stream().map(n -> n.fixture()).toList()) + ".");
        }
        return remarks;
    }
}
