package taxon.core.listing;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.listing.CellFault.Reason;

/** The address of a row, from one column or two. Where two say different things, neither is taken. */
public record AddressCells(NumberHabits habits, WholeCells wholes) {
    private static final String FORMS = "3.127, 3/127 or an absolute number";

    /**
     * Where a row says that it begins; empty where it says nothing, and where what it says is at fault.
     *
     * @param faults of its cells
     */
    public Optional<StartAddress> read(ListRow row, List<CellFault> faults) {
        String universe = row.cell(Column.UNIVERSE);
        String slot = row.cell(Column.SLOT);
        String address = row.cell(Column.ADDRESS);
        if (slot.isEmpty() && address.isEmpty()) {
            checkAlone(universe, faults);
            return Optional.empty();
        }
        if (!slot.isEmpty() && !address.isEmpty()) {
            return both(row, faults);
        }
        if (universe.isEmpty() && row.has(Column.UNIVERSE) && isSlotAlone(slot)) {
            // Not guessed to be an absolute address: where cells are merged, only the first row has the universe.
            faults.add(new CellFault(
                    Column.UNIVERSE,
                    "",
                    Reason.EMPTY,
                    UniverseNumber.FIRST + " to " + UniverseNumber.LAST + " beside slot " + slot));
            return Optional.empty();
        }
        String given = slot.isEmpty() ? address : slot;
        return universe.isEmpty() ? one(given, faults) : beside(universe, given, faults);
    }

    private boolean isSlotAlone(String slot) {
        return !slot.isEmpty()
                && habits.whole(Column.SLOT, slot) instanceof NumberHabits.Figure n
                && n.value() <= Slot.LAST;
    }

    /** A universe without a slot is no address, but it must be one. */
    private void checkAlone(String universe, List<CellFault> faults) {
        if (!universe.isEmpty()) {
            universe(universe, faults);
        }
    }

    private Optional<Integer> universe(String cell, List<CellFault> faults) {
        String number = cell.replaceFirst("(?i)^\\s*(?:universe|univ\\.?|uni|u)\\s*", "");
        return wholes.read(Column.UNIVERSE, number, UniverseNumber.FIRST, UniverseNumber.LAST, faults);
    }

    /** An address and a slot in columns of their own: they agree, or the row contradicts itself. */
    private Optional<StartAddress> both(ListRow row, List<CellFault> faults) {
        int before = faults.size();
        String universe = row.cell(Column.UNIVERSE);
        Optional<StartAddress> whole = one(row.cell(Column.ADDRESS), faults);
        if (whole.isEmpty()) {
            return Optional.empty();
        }
        String itsUniverse = universe.isEmpty() ? whole.get().universe().toString() : universe;
        Optional<StartAddress> parts = beside(itsUniverse, row.cell(Column.SLOT), faults);
        if (parts.isPresent() && !parts.equals(whole) && faults.size() == before) {
            faults.add(new CellFault(
                    Column.ADDRESS,
                    row.cell(Column.ADDRESS),
                    Reason.CONTRADICTS,
                    "universe and slot beside it are " + parts.get()));
        }
        return faults.size() == before ? whole : Optional.empty();
    }

    private Optional<StartAddress> one(String cell, List<CellFault> faults) {
        if (isDate(cell, faults)) {
            return Optional.empty();
        }
        Optional<String> text = habits.address(cell);
        // However it is read, its universe is the same.
        AddressText.Parsed parsed = AddressText.read(text.orElse(cell.replace(',', '.')));
        if (parsed instanceof AddressText.Refused refused) {
            faults.add(AddressFaults.of(refused));
            return Optional.empty();
        }
        if (text.isEmpty()) {
            faults.add(unclear(cell));
            return Optional.empty();
        }
        return Optional.of(((AddressText.Read) parsed).address());
    }

    private static CellFault unclear(String cell) {
        return new CellFault(Column.ADDRESS, cell, Reason.UNCLEAR, "say above how this column is to be read");
    }

    private static boolean isDate(String cell, List<CellFault> faults) {
        boolean date = NumberHabits.looksLikeDate(cell) && !(AddressText.read(cell) instanceof AddressText.Read);
        if (date) {
            faults.add(new CellFault(Column.ADDRESS, cell, Reason.DATE, "it takes " + FORMS));
        }
        return date;
    }

    /** 4 beside 100 is 4.100; beside 1/7, 100.5 or 1636 the universe is there twice, and must be the same. */
    private Optional<StartAddress> beside(String universeCell, String cell, List<CellFault> faults) {
        Optional<Integer> universe = universe(universeCell, faults);
        if (universe.isEmpty() || isDate(cell, faults)) {
            return Optional.empty();
        }
        boolean isSlot = habits.whole(Column.SLOT, cell) instanceof NumberHabits.Figure n && n.value() <= 512;
        if (isSlot
                || !(AddressText.read(habits.address(cell).orElse(cell.replace(',', '.')))
                        instanceof AddressText.Read read)) {
            return wholes.read(Column.SLOT, cell, 1, 512, faults).map(s -> StartAddress.of(universe.get(), s));
        }
        if (read.address().universe().number() != universe.get()) {
            faults.add(new CellFault(
                    Column.ADDRESS,
                    cell,
                    Reason.CONTRADICTS,
                    "the universe beside it is " + universe.get() + ", and " + cell + " is on universe "
                            + read.address().universe()));
            return Optional.empty();
        }
        if (habits.address(cell).isEmpty()) {
            faults.add(unclear(cell));
            return Optional.empty();
        }
        return Optional.of(read.address());
    }
}
