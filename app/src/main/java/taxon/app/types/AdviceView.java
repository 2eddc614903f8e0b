package taxon.app.types;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.fixture.FixtureType;
import taxon.core.modes.Advice;
import taxon.core.modes.Advice.NeedCost;
import taxon.core.modes.Advice.Option;
import taxon.core.modes.Advice.TypeAdvice;
import taxon.core.modes.Need;
import taxon.core.text.Counted;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * An advice as the page shows it.
 *
 * @param targets what the button that proposes the change names, one for each type with a choice
 */
record AdviceView(
        String headline,
        boolean fits,
        List<TypeLine> types,
        List<String> needCosts,
        List<String> targets,
        boolean changes) {

    /** @param options one line for each mode, with the reason for or against it */
    record TypeLine(String id, String type, int fixtures, List<OptionLine> options, boolean open) {}

    record OptionLine(
            String mode, int slots, int touched, int price, boolean chosen, boolean possible, String reason) {}

    /** What can be marked as needed for a type. */
    record Offer(String id, String type, List<Mark> marks, long marked) {
        static Offer of(FixtureType type, Set<Need> needs, Set<Need> marked) {
            List<Mark> marks = needs.stream()
                    .map(n -> new Mark(NeedText.write(n), NeedText.words(n), marked.contains(n)))
                    .toList();
            return new Offer(
                    type.id().value(),
                    type.fullName(),
                    marks,
                    marks.stream().filter(Mark::marked).count());
        }
    }

    record Mark(String value, String words, boolean marked) {}

    static AdviceView of(Advice advice) {
        List<String> targets = advice.types().stream()
                .flatMap(t -> t.chosen().map(o -> t.type().id() + "/" + o.mode().name()).stream())
                .toList();
        return new AdviceView(
                headline(advice),
                advice.fits(),
                advice.types().stream().map(AdviceView::line).toList(),
                advice.needCosts().stream().map(c -> sentence(c, advice)).toList(),
                targets,
                advice.types().stream()
                        .anyMatch(t -> t.chosen().filter(o -> o.price() > 0).isPresent()));
    }

    private static String headline(Advice advice) {
        String room = advice.slots() + " of " + advice.room() + " slots";
        return switch (advice.outcome()) {
            case FITS_CHEAPEST -> "It fits, " + room + "; nothing cheaper does.";
            case FITS ->
                "It fits, " + room + "; something cheaper may fit too, which only an exact packing could tell.";
            case NOT_PACKED ->
                "Not packed: " + room
                        + " would do, but no way was found to lay them without crossing the end of a universe.";
            case NEVER_PACKED ->
                "It does not fit: " + room
                        + " would do, but there is no way to lay them without crossing the end of a universe.";
            case TOO_LONG -> "Too long: the shortest modes that meet the needs take " + room + ".";
            case NEEDS_UNMET -> "No mode of " + unmet(advice) + " has all that is needed and can be driven.";
        };
    }

    /** "Avocet, Plover and Tern". */
    private static String unmet(Advice advice) {
        List<String> names = advice.types().stream()
                .filter(t -> t.options().stream().noneMatch(Option::isPossible))
                .map(t -> t.type().name())
                .toList();
        int last = names.size() - 1;
        return last < 1 ? String.join("", names) : String.join(", ", names.subList(0, last)) + " or " + names.get(last);
    }

    private static TypeLine line(TypeAdvice type) {
        List<OptionLine> options =
                type.options().stream().map(o -> line(type, o)).toList();
        return new TypeLine(
                type.type().id().value(),
                type.type().fullName(),
                type.fixtures(),
                options,
                type.chosen().isEmpty());
    }

    private static OptionLine line(TypeAdvice type, Option option) {
        boolean chosen = type.chosen().filter(option::equals).isPresent();
        return new OptionLine(
                option.mode().name(),
                option.slots(),
                option.touched(),
                option.price(),
                chosen,
                option.isPossible(),
                reason(type, option, chosen));
    }

    private static String reason(TypeAdvice type, Option option, boolean chosen) {
        List<String> reasons = new ArrayList<>();
        if (!option.lacks().isEmpty()) {
            reasons.add("lacks " + option.lacks().stream().map(NeedText::words).collect(Collectors.joining(", ")));
        }
        option.undriven().ifPresent(c -> reasons.add("the console cannot mix " + c.words()));
        if (reasons.isEmpty()) {
            reasons.add(chosen ? chosenReason(type, option) : otherReason(type, option));
        }
        if (option.idleFine() > 0) {
            reasons.add(
                    option.idleFine() == 1 ? "1 fine slot stays idle" : option.idleFine() + " fine slots stay idle");
        }
        return String.join("; ", reasons);
    }

    private static String chosenReason(TypeAdvice type, Option option) {
        if (option.price() == 0) {
            return "as it is";
        }
        boolean shortest =
                type.options().stream().filter(Option::isPossible).allMatch(o -> o.slots() >= option.slots());
        return shortest ? "the shortest that has what is needed" : "the cheapest that lets all fit";
    }

    private static String otherReason(TypeAdvice type, Option option) {
        int than = type.chosen().map(Option::slots).orElse(0);
        int more = option.slots() - than;
        String slots = more == 0
                ? "as long"
                : more > 0 ? Counted.of(more, "slot") + " more" : Counted.of(-more, "slot") + " fewer";
        return option.touched() == 0 ? slots : slots + ", " + option.touched() + " to set again";
    }

    private static String sentence(NeedCost cost, Advice advice) {
        String type = advice.types().stream()
                .filter(t -> t.type().id().equals(cost.need().type()))
                .map(t -> t.type().name())
                .findFirst()
                .orElse(cost.need().type().value());
        String saved = cost.savedSlots() > 0 ? "saves " + Counted.of(cost.savedSlots(), "slot") : "saves nothing";
        return "Without " + NeedText.words(cost.need()) + " on " + type + ": " + saved
                + (cost.opens() ? ", and then it would fit." : ".");
    }

    static ObjectNode json(Advice advice) {
        ObjectNode body = Json.object()
                .put("outcome", Json.slug(advice.outcome()))
                .put("headline", headline(advice))
                .put("slots", advice.slots())
                .put("room", advice.room());
        var types = body.putArray("types");
        advice.types().forEach(t -> {
            ObjectNode type =
                    types.addObject().put("type", t.type().id().value()).put("fixtures", t.fixtures());
            t.chosen().ifPresent(o -> type.put("chosen", o.mode().name()));
            var options = type.putArray("options");
            line(t).options()
                    .forEach(o -> options.addObject()
                            .put("mode", o.mode())
                            .put("slots", o.slots())
                            .put("touched", o.touched())
                            .put("price", o.price())
                            .put("possible", o.possible())
                            .put("reason", o.reason()));
        });
        var needs = body.putArray("needs");
        advice.needCosts()
                .forEach(c -> needs.addObject()
                        .put("type", c.need().type().value())
                        .put("attribute", c.attribute().name())
                        .put("fine", c.need().fine())
                        .put("parts", c.need().parts())
                        .put("savedSlots", c.savedSlots())
                        .put("opens", c.opens()));
        return body;
    }
}
