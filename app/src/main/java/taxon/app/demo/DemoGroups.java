package taxon.app.demo;

import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.fixture.Part;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Group.Rule;
import taxon.core.rig.PartRef;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.GroupEdits;

/** The demo's folders and groups, and what is special about a few of its fixtures. */
final class DemoGroups {
    private DemoGroups() {}

    static Plan gather(Plan plan) {
        Plan gathered = DemoJob.apply(plan, GroupEdits.make(Group.folder(1, "Quays", Optional.empty())));
        gathered = DemoJob.apply(gathered, made("North wash", 1, keys(gathered, 101, 108), List.of()));
        gathered = DemoJob.apply(gathered, made("South wash", 2, keys(gathered, 109, 116), List.of()));
        Rule herons = Rule.ofType(byId(gathered, 201).type());
        gathered = DemoJob.apply(gathered, made("Herons", 11, List.of(), List.of(herons)));
        List<PartRef> ends = ofType(gathered, "Curlew 12").stream()
                .flatMap(f -> Stream.of(1, 12).map(n -> new PartRef(f.key(), Part.cell(n))))
                .toList();
        Group battenEnds = new Group(
                1,
                GroupKind.GROUP,
                "Batten ends",
                Optional.of(FixtureId.of(12)),
                Optional.empty(),
                List.of(),
                List.of());
        gathered = DemoJob.apply(gathered, GroupEdits.make(battenEnds.withParts(ends)));
        return special(gathered);
    }

    private static List<Fixture> ofType(Plan plan, String name) {
        return plan.fixtures().stream()
                .filter(f -> plan.type(f).fullName().endsWith(name))
                .toList();
    }

    private static Edit made(String name, int id, List<FixtureKey> members, List<Rule> rules) {
        Optional<Integer> folder = Optional.of(1).filter(f -> rules.isEmpty());
        return GroupEdits.make(new Group(
                1, GroupKind.GROUP, name, Optional.of(FixtureId.of(id)), folder, new TreeSet<>(members), rules));
    }

    private static List<FixtureKey> keys(Plan plan, int first, int last) {
        return IntStream.rangeClosed(first, last)
                .mapToObj(i -> byId(plan, i).key())
                .toList();
    }

    private static Plan special(Plan plan) {
        Plan changed = plan;
        for (int id = 205; id <= 208; id++) {
            FixtureKey mirrored = byId(plan, 409 - id).key();
            changed = with(changed, id, t -> t.withPanReversed(true).withMirrors(Optional.of(mirrored)));
        }
        for (Fixture layered : ofType(changed, "Bittern")) {
            Traits traits = layered.traits();
            changed = changed.with(
                    layered.withTraits(traits.withName(Part.layer(1), "Water").withName(Part.layer(2), "Lanterns")));
        }
        changed = with(changed, 801, t -> t.withHazard("beam crosses the Dock steps"));
        changed = with(
                changed,
                612,
                t -> t.withPurpose("ladder light").withParked(List.of(new Parked(1, 1, 30, "the ladder stays lit"))));
        return with(
                changed,
                1,
                t -> t.withPurpose("work light").withParked(List.of(new Parked(1, 24, 40, "stairs stay lit"))));
    }

    private static Plan with(Plan plan, int id, UnaryOperator<Traits> change) {
        Fixture fixture = byId(plan, id);
        return plan.with(fixture.withTraits(change.apply(fixture.traits())));
    }

    private static Fixture byId(Plan plan, int id) {
        return plan.fixtures().stream()
                .filter(f -> f.id().equals(Optional.of(FixtureId.of(id))))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("the demo has no fixture " + id));
    }
}
