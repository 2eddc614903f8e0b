package taxon.core.rig.edit;

import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.rig.FixtureId;
import taxon.core.text.Texts;

/**
 * Equal fixtures to be added in one go.
 *
 * @param mode a mode of the type
 * @param position the position's name; it is made where the plan has none that is called so
 * @param count 1 to 1000
 * @param firstId the first fixture ID, the others follow; empty leaves them without
 * @param firstAddress where the first block of the first begins; the others follow on without gap
 */
public record Added(
        FixtureType type,
        Mode mode,
        String position,
        int count,
        Optional<FixtureId> firstId,
        String note,
        Optional<StartAddress> firstAddress) {
    public static final int MOST = 1000;

    public Added {
        Texts.requireLine("position", position, 80);
        Texts.allowNote("fixture note", note, 1000);
        if (type.mode(mode.name()).isEmpty()) {
            throw new IllegalArgumentException(type.fullName() + " has no mode " + mode.name());
        }
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException(count + " fixtures are outside 1 to " + MOST);
        }
        if (firstId.isPresent() && !FixtureId.isLegal(firstId.get().number() + (long) count - 1)) {
            throw new IllegalArgumentException(
                    count + " fixtures from " + firstId.get() + " pass the last fixture ID, " + FixtureId.LAST);
        }
    }
}
