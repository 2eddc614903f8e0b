package taxon.app.checks;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison.Difference;
import taxon.core.proof.RigComparison.Line;
import taxon.core.proof.RigComparison.Verdict;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * A line of planned against found, as the page shows it.
 *
 * @param key the fixture, 0 where there is none
 * @param verdict "wrong address"
 * @param severity "stop", "warn" or "moss": how it is marked
 * @param identifying true while the unit makes itself known
 * @param armBlock the first block whose address differs and can be written, 0 for none
 */
record ComparisonLine(
        int universe,
        int key,
        String id,
        String type,
        String planned,
        String plannedMode,
        String found,
        String foundMode,
        String unit,
        String verdict,
        String severity,
        String why,
        int armBlock,
        boolean identifying) {

    static ComparisonLine of(Plan plan, Line line) {
        Optional<Fixture> fixture = line.fixture();
        Optional<FoundUnit> found = line.found();
        Verdict verdict = line.verdict();
        return new ComparisonLine(
                line.universe().number(),
                line.key().map(k -> k.number()).orElse(0),
                fixture.map(Fixture::label).orElse(""),
                fixture.map(f -> plan.type(f).fullName())
                        .orElseGet(() ->
                                found.map(u -> u.maker() + " " + u.model()).orElse("")),
                fixture.map(ComparisonLine::planned).orElse(""),
                fixture.map(Fixture::mode).orElse(""),
                found.map(ComparisonLine::found).orElse(""),
                found.map(FoundUnit::modeName).orElse(""),
                found.map(u -> u.uid() + (u.label().isBlank() ? "" : " “" + u.label() + "”"))
                        .orElse(""),
                verdict.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                severity(verdict),
                why(line)
                        + found.map(u -> u.says().axes().words())
                                .filter(w -> !w.isEmpty())
                                .map(w -> "; " + w + " by its menu")
                                .orElse(""),
                armBlock(line),
                found.filter(u -> u.says().identifying()).isPresent());
    }

    private static String planned(Fixture fixture) {
        return fixture.addresses().values().stream().map(StartAddress::toString).collect(Collectors.joining(" "));
    }

    private static String found(FoundUnit unit) {
        return unit.blocks().stream()
                .map(b -> new StartAddress(unit.universe(), b.start()).toString())
                .collect(Collectors.joining(" "));
    }

    private static String severity(Verdict verdict) {
        return switch (verdict) {
            case RIGHT -> "moss";
            case WRONG_ADDRESS, WRONG_MODE, MISSING -> "stop";
            case UNSURE, UNEXPECTED -> "warn";
        };
    }

    private static String why(Line line) {
        String differs = line.differences().stream()
                .sorted()
                .map(d -> d.name().toLowerCase(Locale.ROOT).replace("_unknown", ""))
                .distinct()
                .collect(Collectors.joining(" and "));
        String matched = switch (line.reason()) {
            case SAME_UID -> "the unit that answered for it before, by its UID";
            case SAME_LABEL -> "known by its label";
            case SAME_TYPE_AND_ADDRESS -> "same type and address";
            case ONE_OF_SEVERAL -> "one of several of its type at this address, nobody knows which";
            case SAME_TYPE_IN_ORDER -> "left over of its type, in order of addresses";
            case NONE -> line.fixture().isPresent() ? "no unit answered for it" : "no fixture is planned for it";
        };
        if (line.differences().equals(Set.of(Difference.TYPE_UNKNOWN))) {
            return "it does not say what it is; " + matched;
        }
        String verb = line.differences().size() > 1 ? " differ; " : " differs; ";
        return differs.isEmpty() ? matched : differs + verb + matched;
    }

    private static int armBlock(Line line) {
        if (line.fixture().isEmpty()
                || line.found().isEmpty()
                || line.differences().contains(Difference.UNIVERSE)
                || !line.differences().contains(Difference.ADDRESS)) {
            return 0;
        }
        FoundUnit unit = line.found().get();
        for (int block = 1; block <= unit.blocks().size(); block++) {
            Optional<StartAddress> planned = line.fixture().get().address(block);
            if (planned.isPresent()
                    && !planned.get().slot().equals(unit.blocks().get(block - 1).start())) {
                return block;
            }
        }
        return 0;
    }
}
