package taxon.core.found;

import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.proof.FoundUnit;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.text.Likeness;

/** A unit that answered, as it would be planned: in the mode and at the address that it has. */
final class FoundUnits {
    /** Where units hang of which only their line is known. */
    static final String POSITION = "Found on the line";

    private FoundUnits() {}

    /** Why a unit cannot be planned. */
    enum Why {
        TYPE("its type is neither in this job nor in the library"),
        MODE("its type has no mode of its number or name"),
        LENGTH("its mode is another length than the unit says"),
        TAKEN("a fixture is planned at its address already");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /** The mode that it is in, as its type calls it. */
    static Optional<Mode> mode(FixtureType type, FoundUnit unit) {
        return type.numbered(unit.personality(), unit.software())
                .or(() -> type.modes().stream()
                        .filter(m -> Likeness.key(m.name()).equals(Likeness.key(unit.modeName())))
                        .findFirst());
    }

    static boolean isAsLong(Mode mode, FoundUnit unit) {
        return mode.blocks().stream()
                .map(b -> b.footprint())
                .toList()
                .equals(unit.blocks().stream().map(b -> b.footprint()).toList());
    }

    static Added added(Plan plan, FixtureType type, Mode mode, FoundUnit unit) {
        SortedMap<Integer, Optional<StartAddress>> apart = new TreeMap<>();
        for (int block = 2; block <= unit.blocks().size(); block++) {
            apart.put(block, Optional.of(start(unit, block)));
        }
        Added.Words words = new Added.Words(POSITION, "", "taken into the plan as unit " + unit.uid() + " was found");
        return new Added(type, mode, 1, words, id(plan, unit), Optional.of(new Added.Run(start(unit, 1), 0)), apart);
    }

    static StartAddress start(FoundUnit unit, int block) {
        return new StartAddress(unit.universe(), unit.blocks().get(block - 1).start());
    }

    /** Its label, where that is a number that no fixture has. */
    private static Optional<FixtureId> id(Plan plan, FoundUnit unit) {
        return Optional.of(unit.label().strip())
                .filter(l -> l.matches("[1-9]\\d{0,8}"))
                .map(Integer::parseInt)
                .filter(FixtureId::isLegal)
                .map(FixtureId::of)
                .filter(i -> plan.fixtures().stream().noneMatch(f -> f.id().equals(Optional.of(i))));
    }
}
