package taxon.core.addressing.answer;

import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.edit.Omission;

/**
 * A fixture that finds no place. Nothing is taken from it: what has an address keeps it.
 *
 * @param slots how long it is, with the room that is kept; 0 where nobody knows
 */
public record LeftOut(Fixture fixture, Obstacle obstacle, int slots) implements Omission {
    @Override
    public String who() {
        return fixture.label();
    }

    /** The address that it keeps: that of its first block that has one. */
    public Optional<StartAddress> keeps() {
        return fixture.addresses().values().stream().findFirst();
    }
}
