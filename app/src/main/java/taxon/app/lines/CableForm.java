package taxon.app.lines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.app.form.Fields;
import taxon.core.length.Length;
import taxon.core.length.LengthText;
import taxon.core.length.LengthUnit;
import taxon.core.network.CableRules;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** What a line may be, as it is typed and as it is shown. */
record CableForm(
        int mostUnits,
        String longest,
        String slack,
        String order,
        String first,
        String stock,
        String trusses,
        int splitterOutputs) {

    static CableForm of(Plan plan) {
        CableRules rules = plan.sheet().network().cable();
        LengthUnit unit = plan.sheet().view().unit();
        return new CableForm(
                rules.mostUnits(),
                unit.words(rules.longest()),
                unit.words(rules.slack()),
                Json.slug(rules.order()),
                Json.slug(rules.first()),
                rules.stock().stream().map(unit::words).collect(Collectors.joining(", ")),
                rules.trusses().stream()
                        .flatMap(n -> plan.position(n).stream())
                        .map(Position::name)
                        .collect(Collectors.joining(", ")),
                rules.splitterOutputs());
    }

    /** Fields that are not sent keep what the job has. */
    static Optional<CableRules> read(Fields fields, Plan plan) {
        CableRules now = plan.sheet().network().cable();
        Optional<Integer> most = fields.isGiven("mostUnits")
                ? fields.number("mostUnits", "number of units on a line", 1, CableRules.UNIT_LOADS)
                : Optional.of(now.mostUnits());
        Optional<Length> longest = length(fields, "longest", "longest line", now.longest());
        Optional<Length> slack = length(fields, "slack", "slack at each unit", now.slack());
        Optional<CableRules.Order> order = fields.choice("order", CableRules.Order.class, now.order());
        Optional<CableRules.First> first = fields.choice("first", CableRules.First.class, now.first());
        Optional<Integer> outputs = fields.isGiven("splitterOutputs")
                ? fields.number("splitterOutputs", "number of outputs of a splitter", 2, 64)
                : Optional.of(now.splitterOutputs());
        List<Length> stock = stock(fields, plan, now);
        List<Integer> trusses = trusses(fields, plan, now);
        if (fields.isFaulty()) {
            return Optional.empty();
        }
        return fields.build(
                "stock",
                () -> new CableRules(
                        most.orElseThrow(),
                        longest.orElseThrow(),
                        slack.orElseThrow(),
                        order.orElseThrow(),
                        first.orElseThrow(),
                        stock,
                        trusses,
                        outputs.orElseThrow()));
    }

    private static Optional<Length> length(Fields fields, String field, String words, Length now) {
        return fields.isGiven(field) ? fields.length(field, words) : Optional.of(now);
    }

    private static List<Length> stock(Fields fields, Plan plan, CableRules now) {
        if (!fields.isGiven("stock")) {
            return now.stock();
        }
        List<Length> stock = new ArrayList<>();
        for (String typed : words(fields.text("stock"))) {
            LengthText.read(typed, plan.sheet().view().unit())
                    .ifPresentOrElse(
                            stock::add,
                            () -> fields.refuse(
                                    "stock",
                                    "A length on the shelf reads " + Texts.clip(typed, 60) + "; it takes "
                                            + LengthText.ALLOWED + "."));
        }
        return stock;
    }

    private static List<Integer> trusses(Fields fields, Plan plan, CableRules now) {
        if (!fields.isGiven("trusses")) {
            return now.trusses();
        }
        List<Integer> trusses = new ArrayList<>();
        for (String name : words(fields.text("trusses"))) {
            plan.positionNamed(name)
                    .map(Position::number)
                    .ifPresentOrElse(
                            trusses::add,
                            () -> fields.refuse(
                                    "trusses",
                                    "There is no position " + Texts.clip(name, 60)
                                            + "; it takes names of positions, in the order in which they are joined."));
        }
        return trusses;
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split("[,;\n]"))
                .map(String::strip)
                .filter(w -> !w.isEmpty())
                .limit(100)
                .toList();
    }
}
