package taxon.core.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.FoundUnit;
import taxon.core.rig.FixtureId;

/** What units said of themselves by remote management as rows: their label is the fixture ID where it is a number. */
public final class RigPatch {
    private RigPatch() {}

    /** A row for each unit, in the order in which they were found. */
    public static TheirPatch of(List<FoundUnit> units) {
        List<PatchRow> rows = new ArrayList<>();
        for (FoundUnit unit : units) {
            rows.add(row(unit, rows.size()));
        }
        return TheirPatch.of(rows);
    }

    private static PatchRow row(FoundUnit unit, int place) {
        String label = unit.label().strip();
        OptionalInt id = label.matches("\\d{1,7}") && FixtureId.isLegal(Integer.parseInt(label))
                ? OptionalInt.of(Integer.parseInt(label))
                : OptionalInt.empty();
        int footprint =
                unit.blocks().stream().mapToInt(FoundUnit.FoundBlock::footprint).sum();
        return new PatchRow(
                place,
                id,
                Optional.empty(),
                id.isPresent() ? "" : label,
                (unit.maker() + " " + unit.model()).strip(),
                unit.modeName(),
                footprint == 0 ? OptionalInt.empty() : OptionalInt.of(footprint),
                unit.blocks().stream()
                        .map(b -> new StartAddress(unit.universe(), b.start()))
                        .toList());
    }
}
