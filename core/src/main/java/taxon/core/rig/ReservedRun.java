package taxon.core.rig;

import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * Slots that are spoken for: no proposal places anything there.
 *
 * @param number 1 or more
 */
public record ReservedRun(int number, UniverseNumber universe, SlotRange slots, String label) implements Element {
    public ReservedRun {
        if (number < 1) {
            throw new IllegalArgumentException("reserved run number " + number + " is below 1");
        }
        Texts.requireLine("label of a reserved run", label, 40);
    }

    @Override
    public ElementKey elementKey() {
        return ElementKey.of(Kind.RESERVED_RUN, number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.reservedRun(this);
    }
}
