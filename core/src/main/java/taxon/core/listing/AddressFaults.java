package taxon.core.listing;

import taxon.core.dmx.AddressText.Refused;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.listing.CellFault.Reason;

/** From a refused address to the fault of its cell. */
final class AddressFaults {
    private AddressFaults() {}

    static CellFault of(Refused refused) {
        return switch (refused.fault()) {
            case UNIVERSE_OUT_OF_RANGE ->
                outOfRange(Column.UNIVERSE, refused, UniverseNumber.FIRST, UniverseNumber.LAST);
            case SLOT_OUT_OF_RANGE -> outOfRange(Column.SLOT, refused, Slot.FIRST, Slot.LAST);
            case ABSOLUTE_OUT_OF_RANGE -> outOfRange(Column.ADDRESS, refused, 1, StartAddress.LAST_ABSOLUTE);
            case NOT_AN_ADDRESS ->
                new CellFault(
                        Column.ADDRESS, refused.value(), Reason.NOT_A_NUMBER, "3.127, 3/127 or an absolute number");
        };
    }

    private static CellFault outOfRange(Column column, Refused refused, int least, int most) {
        return new CellFault(column, refused.value(), Reason.OUT_OF_RANGE, least + " to " + most);
    }
}
