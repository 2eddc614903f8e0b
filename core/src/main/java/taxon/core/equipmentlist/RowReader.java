package taxon.core.equipmentlist;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.ModeNames;
import taxon.core.fixture.TypeSource;
import taxon.core.listing.AddressCells;
import taxon.core.listing.CellFault;
import taxon.core.listing.CellFault.Reason;
import taxon.core.listing.Column;
import taxon.core.listing.IdRange;
import taxon.core.listing.ListRow;
import taxon.core.listing.NumberHabits;
import taxon.core.listing.WholeCells;
import taxon.core.rig.FixtureId;
import taxon.core.rig.edit.Added;
import taxon.core.text.TextRefusedException;
import taxon.core.text.Texts;

/** Understands one row at a time. Every cell is read, so that all faults of a row are told at once. */
final class RowReader {
    private static final int MOST_SLOTS = 99_999;

    private final NamedTypes types;
    private final WholeCells wholes;
    private final AddressCells addresses;

    RowReader(TypeSource types, NumberHabits habits, ListChoices choices) {
        this.types = new NamedTypes(types, choices.types());
        wholes = new WholeCells(habits);
        addresses = new AddressCells(habits, wholes);
    }

    EquipmentLine read(ListRow row) {
        List<CellFault> faults = new ArrayList<>();
        NamedTypes.Named named = types.of(TypeWords.of(row));
        faults.addAll(named.faults());
        Optional<IdRange.Parsed> ids = ids(row, faults);
        Optional<Integer> quantity = quantity(row, ids, faults);
        Optional<StartAddress> address = addresses.read(row, faults);
        SortedMap<Integer, Optional<StartAddress>> later = later(row, named.mode(), quantity, faults);
        checkTexts(row, faults);
        named.mode().ifPresent(m -> checkFootprint(row, m, faults));
        if (quantity.isPresent() && ids.isPresent()) {
            checkLastId(row, ids.get(), quantity.get(), faults);
        }
        if (!faults.isEmpty()) {
            return EquipmentLine.refused(row, faults, named.offered());
        }
        Added added = Added.of(
                        named.type().orElseThrow(), named.mode().orElseThrow(), quantity.orElseThrow(), words(row))
                .withIds(ids.map(r -> FixtureId.of(r.first())))
                .from(address)
                .with(later);
        return EquipmentLine.ready(row, added, remarks(row, added));
    }

    /** A footprint beside a mode is that of all its blocks, or of one of them; else the row and the type do not mean the same. */
    private void checkFootprint(ListRow row, Mode mode, List<CellFault> faults) {
        String said = row.cell(Column.FOOTPRINT);
        if (said.isEmpty() || row.cell(Column.MODE).isEmpty()) {
            return;
        }
        List<Integer> blocks = mode.blocks().stream().map(Block::footprint).toList();
        int all = blocks.stream().mapToInt(b -> b).sum();
        wholes.read(Column.FOOTPRINT, said, 1, MOST_SLOTS, faults)
                .filter(n -> n != all && !blocks.contains(n))
                .ifPresent(n -> faults.add(new CellFault(
                        Column.FOOTPRINT, said, Reason.CONTRADICTS, mode.name() + " takes " + all + " slots here")));
    }

    /** Where a list has columns for later blocks, these are where it says, or nowhere. */
    private SortedMap<Integer, Optional<StartAddress>> later(
            ListRow row, Optional<Mode> mode, Optional<Integer> quantity, List<CellFault> faults) {
        SortedMap<Integer, Optional<StartAddress>> later = new TreeMap<>();
        row.later().forEach((block, cells) -> {
            List<CellFault> own = new ArrayList<>();
            Optional<StartAddress> address = addresses.read(cells, own);
            own.forEach(f -> faults.add(f.ofBlock(block)));
            String said = String.join(".", cells.cells().values());
            if (address.isPresent()
                    && mode.filter(m -> block > m.blocks().size()).isPresent()) {
                faults.add(contradicts(said, mode.get().name() + " has no block " + block));
            } else if (address.isPresent() && quantity.filter(q -> q > 1).isPresent()) {
                faults.add(contradicts(said, "that is block " + block + " of one fixture, and the row is of several"));
            } else if (mode.filter(m -> block <= m.blocks().size()).isPresent()) {
                later.put(block, address);
            }
        });
        return later;
    }

    private static CellFault contradicts(String said, String why) {
        return new CellFault(Column.ADDRESS, said, Reason.CONTRADICTS, why);
    }

    private static Added.Words words(ListRow row) {
        String position = row.cell(Column.POSITION);
        return new Added.Words(
                position.isEmpty() ? Added.NOWHERE : position, row.cell(Column.NAME), row.cell(Column.NOTE));
    }

    private static List<RowRemark> remarks(ListRow row, Added added) {
        String universe = row.cell(Column.UNIVERSE);
        return universe.isEmpty() || added.run().isPresent()
                ? List.of()
                : List.of(new RowRemark(RowRemark.Kind.UNIVERSE_ALONE, added.count(), universe));
    }

    /** A list without the column names one fixture a row; an empty cell in a list that has it is a fault. */
    private Optional<Integer> quantity(ListRow row, Optional<IdRange.Parsed> ids, List<CellFault> faults) {
        String text = row.cell(Column.QUANTITY);
        Optional<Integer> fromRange = ids.flatMap(IdRange.Parsed::count);
        if (text.isEmpty()) {
            if (fromRange.isEmpty() && !row.has(Column.QUANTITY)) {
                return Optional.of(1);
            }
            if (fromRange.isEmpty()) {
                faults.add(new CellFault(Column.QUANTITY, "", Reason.EMPTY, "1 to " + Added.MOST));
            }
            return fromRange;
        }
        Optional<Integer> quantity = wholes.read(Column.QUANTITY, text, 1, Added.MOST, faults);
        if (quantity.isPresent() && fromRange.isPresent() && !quantity.equals(fromRange)) {
            faults.add(new CellFault(
                    Column.QUANTITY,
                    text,
                    Reason.CONTRADICTS,
                    "the fixture IDs " + row.cell(Column.FIRST_ID) + " are " + fromRange.get()));
        }
        return quantity;
    }

    private Optional<IdRange.Parsed> ids(ListRow row, List<CellFault> faults) {
        String text = row.cell(Column.FIRST_ID);
        return text.isEmpty() ? Optional.empty() : IdRange.read(text, wholes, faults);
    }

    private static void checkLastId(ListRow row, IdRange.Parsed ids, int quantity, List<CellFault> faults) {
        long last = ids.first() + (long) quantity - 1;
        if (!FixtureId.isLegal(last)) {
            faults.add(new CellFault(
                    Column.FIRST_ID,
                    row.cell(Column.FIRST_ID),
                    Reason.OUT_OF_RANGE,
                    "a first ID with room for " + quantity + " up to " + FixtureId.LAST));
        }
    }

    private static void checkTexts(ListRow row, List<CellFault> faults) {
        check(row, Column.POSITION, faults, t -> Texts.allowLine("position", t, 80));
        check(row, Column.NAME, faults, t -> Texts.allowLine("name", t, 80));
        check(row, Column.NOTE, faults, t -> Texts.allowNote("note", t, 1000));
    }

    private static void check(ListRow row, Column column, List<CellFault> faults, Consumer<String> check) {
        try {
            check.accept(row.cell(column));
        } catch (TextRefusedException e) {
            faults.add(new CellFault(column, row.cell(column), Reason.NOT_TEXT, e.sentence()));
        }
    }

    /** Types and modes by the words of a list, each looked up once however many rows say them. */
    private static final class NamedTypes {
        private static final int OFFERED = 3;

        private final TypeSource types;
        private final Map<TypeWords, Choice> choices;
        private final Map<TypeWords, Named> known = new HashMap<>();

        NamedTypes(TypeSource types, Map<TypeWords, Choice> choices) {
            this.types = types;
            this.choices = choices;
        }

        /** @param offered types to choose from where something was not understood */
        record Named(
                Optional<FixtureType> type, Optional<Mode> mode, List<CellFault> faults, List<FixtureType> offered) {}

        Named of(TypeWords words) {
            return known.computeIfAbsent(words, this::look);
        }

        private Named look(TypeWords words) {
            Optional<Choice> chosen = Optional.ofNullable(choices.get(words));
            Optional<FixtureType> type =
                    chosen.flatMap(c -> types.find(c.type())).or(() -> types.named(words.maker(), words.type()));
            if (words.type().isEmpty() && type.isEmpty()) {
                return refused(List.of(), new CellFault(Column.TYPE, "", Reason.EMPTY, "the name of a known type"));
            }
            if (type.isEmpty()) {
                List<FixtureType> closest = types.closest(words.maker(), words.type(), OFFERED);
                return refused(
                        closest, new CellFault(Column.TYPE, words.type(), Reason.UNKNOWN, closestWords(closest)));
            }
            return mode(type.get(), chosen.map(Choice::mode).orElse(words.mode()));
        }

        private static Named refused(List<FixtureType> offered, CellFault fault) {
            return new Named(Optional.empty(), Optional.empty(), List.of(fault), offered);
        }

        private static String closestWords(List<FixtureType> closest) {
            List<String> names = closest.stream().map(FixtureType::fullName).toList();
            return names.isEmpty() ? "no known type comes close" : "closest are " + String.join(", ", names);
        }

        private static Named mode(FixtureType type, String wanted) {
            List<Mode> fitting = ModeNames.fitting(type, wanted);
            if (fitting.size() == 1) {
                return new Named(Optional.of(type), Optional.of(fitting.get(0)), List.of(), List.of());
            }
            String names =
                    String.join(", ", type.modes().stream().map(Mode::name).toList());
            CellFault fault = wanted.isEmpty()
                    ? new CellFault(Column.MODE, wanted, Reason.EMPTY, "one of " + names)
                    : new CellFault(
                            Column.MODE,
                            wanted,
                            fitting.isEmpty() ? Reason.UNKNOWN : Reason.AMBIGUOUS,
                            "it offers " + names);
            return refused(List.of(type), fault);
        }
    }
}
