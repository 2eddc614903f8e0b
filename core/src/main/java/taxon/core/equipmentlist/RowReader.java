package taxon.core.equipmentlist;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.equipmentlist.EquipmentFault.Reason;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeSource;
import taxon.core.rig.FixtureId;
import taxon.core.rig.edit.Added;
import taxon.core.text.TextRefusedException;
import taxon.core.text.Texts;

/** Understands one row at a time. Every cell is read, so that all faults of a row are told at once. */
final class RowReader {
    private static final int OFFERED = 3;

    private final TypeSource types;
    private final Map<Integer, Choice> choices;

    RowReader(TypeSource types, Map<Integer, Choice> choices) {
        this.types = types;
        this.choices = Map.copyOf(choices);
    }

    EquipmentLine read(EquipmentRow row) {
        List<EquipmentFault> faults = new ArrayList<>();
        Optional<FixtureType> type = type(row, faults);
        Optional<Mode> mode = type.flatMap(t -> mode(row, t, faults));
        Optional<IdRange.Parsed> ids = ids(row, faults);
        Optional<Integer> quantity = quantity(row, ids, faults);
        Optional<StartAddress> address = address(row, faults);
        checkTexts(row, faults);
        if (quantity.isPresent() && ids.isPresent()) {
            checkLastId(row, ids.get(), quantity.get(), faults);
        }
        if (!faults.isEmpty()) {
            return new EquipmentLine(row, Optional.empty(), faults, offered(row, type, faults));
        }
        Added added = new Added(
                type.orElseThrow(),
                mode.orElseThrow(),
                row.cell(Column.POSITION).isEmpty() ? "Not yet placed" : row.cell(Column.POSITION),
                quantity.orElseThrow(),
                ids.map(r -> FixtureId.of(r.first())),
                row.cell(Column.NOTE),
                address);
        return new EquipmentLine(row, Optional.of(added), List.of(), List.of());
    }

    /** Choosing helps only where the type or the mode was not understood. */
    private List<FixtureType> offered(EquipmentRow row, Optional<FixtureType> type, List<EquipmentFault> faults) {
        if (faults.stream().noneMatch(f -> f.column() == Column.TYPE || f.column() == Column.MODE)) {
            return List.of();
        }
        return type.map(List::of)
                .orElseGet(() -> types.closest(row.cell(Column.MAKER), row.cell(Column.TYPE), OFFERED));
    }

    private Optional<FixtureType> type(EquipmentRow row, List<EquipmentFault> faults) {
        Optional<FixtureType> chosen = choice(row).flatMap(c -> types.find(c.type()));
        if (chosen.isPresent()) {
            return chosen;
        }
        String name = row.cell(Column.TYPE);
        if (name.isEmpty()) {
            faults.add(new EquipmentFault(Column.TYPE, "", Reason.EMPTY, "the name of a known type"));
            return Optional.empty();
        }
        Optional<FixtureType> found = types.named(row.cell(Column.MAKER), name);
        if (found.isEmpty()) {
            faults.add(new EquipmentFault(Column.TYPE, name, Reason.UNKNOWN, closestWords(row)));
        }
        return found;
    }

    private String closestWords(EquipmentRow row) {
        List<String> names = types.closest(row.cell(Column.MAKER), row.cell(Column.TYPE), OFFERED).stream()
                .map(FixtureType::fullName)
                .toList();
        return names.isEmpty() ? "no known type comes close" : "closest are " + String.join(", ", names);
    }

    private Optional<Mode> mode(EquipmentRow row, FixtureType type, List<EquipmentFault> faults) {
        String wanted = choice(row).map(Choice::mode).orElse(row.cell(Column.MODE));
        List<Mode> fitting = ModeNames.fitting(type, wanted);
        if (fitting.size() == 1) {
            return Optional.of(fitting.get(0));
        }
        String names = "it offers "
                + String.join(", ", type.modes().stream().map(Mode::name).toList());
        Reason reason = wanted.isEmpty() ? Reason.EMPTY : fitting.isEmpty() ? Reason.UNKNOWN : Reason.AMBIGUOUS;
        faults.add(new EquipmentFault(
                Column.MODE, wanted, reason, reason == Reason.EMPTY ? names.replace("it offers", "one of") : names));
        return Optional.empty();
    }

    private Optional<Choice> choice(EquipmentRow row) {
        return Optional.ofNullable(choices.get(row.line()));
    }

    /** A list without the column names one fixture a row; an empty cell in a list that has it is a fault. */
    private Optional<Integer> quantity(EquipmentRow row, Optional<IdRange.Parsed> ids, List<EquipmentFault> faults) {
        String text = row.cell(Column.QUANTITY);
        Optional<Integer> fromRange = ids.flatMap(IdRange.Parsed::count);
        if (text.isEmpty()) {
            if (fromRange.isEmpty() && !row.has(Column.QUANTITY)) {
                return Optional.of(1);
            }
            if (fromRange.isEmpty()) {
                faults.add(new EquipmentFault(Column.QUANTITY, "", Reason.EMPTY, "1 to " + Added.MOST));
            }
            return fromRange;
        }
        Optional<Integer> quantity = Counts.read(Column.QUANTITY, text, 1, Added.MOST, faults);
        if (quantity.isPresent() && fromRange.isPresent() && !quantity.equals(fromRange)) {
            faults.add(new EquipmentFault(
                    Column.QUANTITY,
                    text,
                    Reason.CONTRADICTS,
                    "the fixture IDs " + row.cell(Column.FIRST_ID) + " are " + fromRange.get()));
        }
        return quantity;
    }

    private static Optional<IdRange.Parsed> ids(EquipmentRow row, List<EquipmentFault> faults) {
        String text = row.cell(Column.FIRST_ID);
        return text.isEmpty() ? Optional.empty() : IdRange.read(text, faults);
    }

    private static void checkLastId(EquipmentRow row, IdRange.Parsed ids, int quantity, List<EquipmentFault> faults) {
        long last = ids.first() + (long) quantity - 1;
        if (!FixtureId.isLegal(last)) {
            faults.add(new EquipmentFault(
                    Column.FIRST_ID,
                    row.cell(Column.FIRST_ID),
                    Reason.OUT_OF_RANGE,
                    "a first ID with room for " + quantity + " up to " + FixtureId.LAST));
        }
    }

    private static Optional<StartAddress> address(EquipmentRow row, List<EquipmentFault> faults) {
        String universe = row.cell(Column.UNIVERSE);
        String slot = row.cell(Column.SLOT).isEmpty() ? row.cell(Column.ADDRESS) : row.cell(Column.SLOT);
        if (slot.isEmpty() && universe.isEmpty()) {
            return Optional.empty();
        }
        boolean apart = !universe.isEmpty() && slot.chars().noneMatch(c -> c == '.' || c == '/');
        AddressText.Parsed reading = apart ? AddressText.ofParts(universe, slot) : AddressText.read(slot);
        if (reading instanceof AddressText.Read read) {
            return Optional.of(read.address());
        }
        faults.add(AddressFaults.of((AddressText.Refused) reading));
        return Optional.empty();
    }

    private static void checkTexts(EquipmentRow row, List<EquipmentFault> faults) {
        check(row, Column.POSITION, faults, t -> Texts.allowLine("position", t, 80));
        check(row, Column.NOTE, faults, t -> Texts.allowNote("note", t, 1000));
    }

    private static void check(EquipmentRow row, Column column, List<EquipmentFault> faults, Consumer<String> check) {
        try {
            check.accept(row.cell(column));
        } catch (TextRefusedException e) {
            faults.add(new EquipmentFault(column, row.cell(column), Reason.NOT_TEXT, e.sentence()));
        }
    }
}
