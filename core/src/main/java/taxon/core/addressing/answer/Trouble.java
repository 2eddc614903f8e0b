package taxon.core.addressing.answer;

import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** Why something cannot stay where it is. */
public sealed interface Trouble {
    /** Another fixture is there, or too near. */
    record Meets(String other, int gap) implements Trouble {}

    /** It would end above slot 512, or in the headroom. */
    record PastEnd(int lastSlot, int allowed) implements Trouble {}

    record Reserved(String label) implements Trouble {}

    record NotAllowed(UniverseNumber universe) implements Trouble {}

    /** It lies before the address from which on the wish places. */
    record BeforeFirst(StartAddress from) implements Trouble {}

    /** It begins where the wish lets nothing begin: 1, 1 + every, 1 + 2 × every and so on. */
    record OffStarts(int slot, int every) implements Trouble {}

    /** Others are on its universe from which the wish keeps it apart. */
    record Apart(SharingClass here, SharingClass other) implements Trouble {}

    /**
     * The line of its universe carries more than the wish lets it carry.
     *
     * @param units how many fixtures it carries, this one among them
     */
    record LineFull(int units, int most) implements Trouble {}

    /** What shares an address with it lies elsewhere. */
    record ShareApart() implements Trouble {}

    /** It makes room for others. */
    record MakesRoom() implements Trouble {}
}
