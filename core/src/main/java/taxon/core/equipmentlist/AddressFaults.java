package taxon.core.equipmentlist;

import taxon.core.dmx.AddressText.Refused;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.equipmentlist.EquipmentFault.Reason;
import taxon.core.listing.Column;

/** From a refused address to the fault of its cell. */
final class AddressFaults {
    private AddressFaults() {}

    static EquipmentFault of(Refused refused) {
        return switch (refused.fault()) {
            case UNIVERSE_OUT_OF_RANGE ->
                outOfRange(Column.UNIVERSE, refused, UniverseNumber.FIRST, UniverseNumber.LAST);
            case SLOT_OUT_OF_RANGE -> outOfRange(Column.SLOT, refused, Slot.FIRST, Slot.LAST);
            case ABSOLUTE_OUT_OF_RANGE -> outOfRange(Column.ADDRESS, refused, 1, StartAddress.LAST_ABSOLUTE);
            case NOT_AN_ADDRESS ->
                new EquipmentFault(
                        Column.ADDRESS, refused.value(), Reason.NOT_A_NUMBER, "3.127, 3/127 or an absolute number");
        };
    }

    private static EquipmentFault outOfRange(Column column, Refused refused, int least, int most) {
        return new EquipmentFault(column, refused.value(), Reason.OUT_OF_RANGE, least + " to " + most);
    }
}
