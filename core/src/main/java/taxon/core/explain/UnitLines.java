package taxon.core.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** What was raised by the name of a unit: "104 red: 105 green", "104: nothing", "after 206: nothing". */
final class UnitLines {
    private static final Pattern AFTER = Pattern.compile(
            "(?i)(?:all |everything |everybody )?(?:after|behind) ([^:]+?)(?: ?: ?| are | is )([a-z ]+)");

    private final Plan plan;
    private final Labels labels;
    private final Answers answers;
    private final RigUnits rig;

    UnitLines(Plan plan, Labels labels, Answers answers) {
        this.plan = plan;
        this.labels = labels;
        this.answers = answers;
        rig = new RigUnits(plan);
    }

    /** @throws NotUnderstoodException when it is nothing of the kind */
    List<Observation> read(String line) throws NotUnderstoodException {
        Matcher after = AFTER.matcher(line);
        if (after.matches()) {
            return after(after.group(1).strip(), after.group(2).strip());
        }
        int colon = line.lastIndexOf(':');
        Optional<Labels.Said> raised = colon < 0
                ? Optional.empty()
                : labels.read(line.substring(0, colon).strip());
        if (raised.isEmpty()) {
            throw new NotUnderstoodException(
                    "it takes slots or a unit, a colon and what answered, such as 2.33: 103 tilt.");
        }
        return raised(raised.get().unit(), raised.get().words(), line.substring(colon + 1));
    }

    private List<Observation> after(String label, String words) throws NotUnderstoodException {
        Fixture unit = labels.read(label)
                .filter(s -> s.words().isEmpty())
                .map(Labels.Said::unit)
                .orElseThrow(() -> new NotUnderstoodException("“" + label + "” is the label of no unit."));
        if (!Answers.isNothing(words)) {
            throw new NotUnderstoodException("of all that hang after a unit it takes that they do nothing.");
        }
        List<FixtureKey> from = rig.cables().fromOn(unit.key());
        if (from.size() < 2) {
            throw new NotUnderstoodException("nothing is planned to hang after " + unit.label() + " on a line.");
        }
        List<Observation> seen = new ArrayList<>();
        placed(unit)
                .forEach(b -> seen.add(new Observation(
                        Trial.whole(b).orElseThrow(), others(Trial.whole(b).orElseThrow(), Set.of()))));
        Set<FixtureKey> behind = Set.copyOf(from.subList(1, from.size()));
        from.subList(1, from.size()).stream()
                .flatMap(k -> plan.fixture(k).stream())
                .flatMap(f -> placed(f).stream())
                .forEach(b -> seen.add(new Observation(
                        Trial.whole(b).orElseThrow(), others(Trial.whole(b).orElseThrow(), behind))));
        return seen;
    }

    /** Nothing is said of units elsewhere that share slots with these: they do as they should. */
    private Set<Response> others(Trial trial, Set<FixtureKey> silent) {
        return World.asPlanned(rig).answers(trial).stream()
                .filter(r -> !silent.contains(r.unit()))
                .collect(Collectors.toSet());
    }

    private List<Observation> raised(Fixture unit, String what, String answered) throws NotUnderstoodException {
        Set<Response> seen = answers.read(answered);
        List<PlannedBlock> blocks = placed(unit);
        if (blocks.isEmpty()) {
            throw new NotUnderstoodException(unit.label() + " has no address.");
        }
        Optional<Attribute> attribute = Answers.attribute(what);
        if (attribute.isPresent()) {
            return List.of(new Observation(slot(unit, blocks, attribute.get(), what), seen));
        }
        if (blocks.size() > 1 && !seen.isEmpty()) {
            throw new NotUnderstoodException(unit.label() + " has " + blocks.size()
                    + " blocks: say which channel was raised, such as " + unit.label() + " intensity.");
        }
        return blocks.stream()
                .map(b -> new Observation(Trial.whole(b).orElseThrow(), seen))
                .toList();
    }

    private static Trial slot(Fixture unit, List<PlannedBlock> blocks, Attribute attribute, String what)
            throws NotUnderstoodException {
        for (PlannedBlock block : blocks) {
            Optional<Block.SlotUse> use = block.block().slotUses().stream()
                    .filter(u -> u.channel().attribute().equals(attribute))
                    .findFirst();
            if (use.isPresent()) {
                StartAddress start = block.start().orElseThrow();
                return Trial.of(
                        start.universe(), start.slot().number() + use.get().offset() - 1);
            }
        }
        throw new NotUnderstoodException(unit.label() + " has no “" + what + "”.");
    }

    private List<PlannedBlock> placed(Fixture unit) {
        return plan.blocksOf(unit).stream().filter(b -> b.start().isPresent()).toList();
    }
}
