package taxon.core.jot;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.network.BoxKind;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.GroupEdits;
import taxon.core.rig.edit.PositionEdits;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

/** The rig on which the examples of the jot line stand. */
final class JotRig {
    static final Set<FixtureKey> CHOSEN = Set.of(FixtureKey.of(3), FixtureKey.of(4));
    static final JotNames NAMES = (words, most) -> DemoTypes.book().types().stream()
            .filter(t -> List.of(words.toLowerCase(Locale.ROOT).split("\\s+")).stream()
                    .allMatch(t.fullName().toLowerCase(Locale.ROOT)::contains))
            .limit(most)
            .toList();

    private JotRig() {}

    static Plan plan() {
        Plan plan = add(Rigs.empty(), 8, "Heron 380", "24-channel", "Crane rail", 201, 2);
        plan = add(plan, 4, "Kestrel", "18-channel", "Crane rail", 301, 3);
        plan = add(plan, 17, "Tern", "16-channel", "North quay", 101, 1);
        plan = Rigs.apply(plan, PositionEdits.add("Gate tower", PositionKind.TOWER, PositionGeometry.UNSAID));
        Group bow = new Group(
                1,
                Group.GroupKind.GROUP,
                "Bow",
                Optional.empty(),
                Optional.empty(),
                new TreeSet<>(Set.of(FixtureKey.of(1), FixtureKey.of(2))),
                List.of());
        return network(Rigs.apply(plan, GroupEdits.make(bow)));
    }

    /** Two nodes and a splitter; universe 2 at the first port, with 201 and 202 on line B there. */
    private static Plan network(Plan plan) {
        return plan.with(List.of(
                Box.node(1, "Quay node", Ipv4.of(10, 0, 0, 11), 4),
                Box.node(2, "Gate node", Ipv4.of(10, 0, 0, 12), 1),
                Box.node(3, "Gate splitter", Ipv4.of(10, 0, 0, 13), 2).as(BoxKind.SPLITTER),
                new Universe(
                        UniverseNumber.of(2),
                        "Quays",
                        List.of(new Route.ArtNet(new PortAddress(2), new PortRef(1, 1))),
                        List.of()),
                new Universe(
                        UniverseNumber.of(9),
                        "",
                        List.of(
                                new Route.ArtNet(new PortAddress(9), new PortRef(1, 4)),
                                new Route.ArtNet(new PortAddress(9), new PortRef(2, 1))),
                        List.of()),
                new Line(
                        1,
                        "B",
                        new PortRef(1, 1),
                        List.of(new LineStop.Unit(FixtureKey.of(1)), new LineStop.Unit(FixtureKey.of(2))))));
    }

    private static Plan add(Plan plan, int count, String type, String mode, String position, int id, int universe) {
        FixtureType found = DemoTypes.book().named("", type).orElseThrow();
        Added added = Added.of(found, found.mode(mode).orElseThrow(), count, Added.Words.on(position))
                .withIds(Optional.of(FixtureId.of(id)))
                .from(Optional.of(StartAddress.of(universe, 1)));
        return Rigs.apply(plan, FixtureEdits.add("add", List.of(added)));
    }

    static JotMeaning read(String line) {
        return JotLine.read(line, plan(), CHOSEN, NAMES);
    }
}
