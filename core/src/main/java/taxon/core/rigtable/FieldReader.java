package taxon.core.rigtable;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Mode;
import taxon.core.fixture.ModeNames;
import taxon.core.length.Length;
import taxon.core.length.LengthText;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.PartSlots;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.RigPart;
import taxon.core.rig.Traits;
import taxon.core.setting.MenuText;
import taxon.core.text.Texts;

/** Reads the text of one cell into its fixture. What cannot be taken is a {@link CellRefusedException}. */
final class FieldReader {
    private static final int MOST_UNIT = 9999;
    private static final List<String> TRUE = List.of(FieldText.YES, "y", "true", "1", "x", "on", "reversed", "swapped");
    private static final List<String> FALSE = List.of("", "no", "n", "false", "0", "off", "-");

    private final Plan plan;
    private final Function<String, Integer> places;

    /** @param places gives the number of the position that is called so, and makes it where there is none */
    FieldReader(Plan plan, Function<String, Integer> places) {
        this.plan = plan;
        this.places = places;
    }

    /** Why one cell cannot be taken; caught where the faults of all cells are gathered. */
    static final class CellRefusedException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private final transient Refusal reason;

        CellRefusedException(Refusal reason) {
            super(reason.sentence());
            this.reason = reason;
        }

        Refusal reason() {
            return reason;
        }
    }

    /** @param fixture as far as earlier cells have changed it */
    Fixture read(Fixture fixture, FieldChange change) {
        if (!change.row().isWhole()) {
            return ofPart(new RigPart(fixture, change.row().part()), change);
        }
        String text = change.text();
        Traits traits = fixture.traits();
        FixtureColumn column = change.column();
        try {
            return switch (column) {
                case ID -> fixture.withId(text.isEmpty() ? Optional.empty() : Optional.of(id(column, text)));
                case MODE -> withMode(fixture, text);
                case POSITION ->
                    fixture.withPlace(places.apply(Texts.requireLine("position", text, 80)), fixture.unit());
                case UNIT -> fixture.withPlace(fixture.position(), number(column, text, MOST_UNIT));
                case OFFSET -> fixture.withOffset(text.isEmpty() ? Optional.empty() : Optional.of(length(text)));
                case ADDRESS -> moved(fixture, addresses(fixture, text));
                case NAME -> fixture.withWords(text, fixture.note());
                case NOTE -> fixture.withWords(fixture.name(), text);
                case PURPOSE -> fixture.withTraits(traits.withPurpose(text));
                case COLOUR -> fixture.withTraits(traits.withColour(text));
                case LINE -> fixture.withTraits(traits.withLine(text));
                case HAZARD -> fixture.withTraits(traits.withHazard(text));
                case PAN_REVERSED -> fixture.withTraits(traits.withPanReversed(flag(column, text)));
                case TILT_REVERSED -> fixture.withTraits(traits.withTiltReversed(flag(column, text)));
                case AXES_SWAPPED -> fixture.withTraits(traits.withAxesSwapped(flag(column, text)));
                case MIRRORS -> fixture.withTraits(traits.withMirrors(mirrored(fixture, text)));
                case PARKED -> parked(RigPart.whole(fixture), text);
                case MENU -> fixture.withTraits(traits.withMenu(MenuText.read(plan, fixture, text)));
                case GROUPS -> fixture;
            };
        } catch (IllegalArgumentException e) {
            throw refused(column, text, Fault.NOT_UNDERSTOOD, String.valueOf(e.getMessage()));
        }
    }

    private Fixture ofPart(RigPart row, FieldChange change) {
        FixtureColumn column = change.column();
        String text = change.text();
        Fixture fixture = row.fixture();
        if (!column.isOfParts()) {
            throw refused(column, text, Fault.OF_THE_WHOLE, "fixture " + fixture.label());
        }
        try {
            return switch (column) {
                case NAME -> fixture.withTraits(fixture.traits().withName(row.part(), text));
                case ADDRESS -> moved(fixture, ownAddresses(row, text));
                case PARKED -> parked(row, text);
                default -> fixture;
            };
        } catch (IllegalArgumentException e) {
            throw refused(column, text, Fault.NOT_UNDERSTOOD, String.valueOf(e.getMessage()));
        }
    }

    private Fixture parked(RigPart row, String text) {
        return row.fixture().withTraits(row.fixture().traits().withParked(ParkedText.read(plan, row, text)));
    }

    /** A part with a block to itself has that block's address; one among others lies where its fixture does. */
    private Map<Integer, StartAddress> ownAddresses(RigPart row, String text) {
        List<PartSlots> slots = row.slots(plan);
        slots.stream().filter(s -> !s.alone()).findFirst().ifPresent(s -> {
            String where = "fixture " + row.fixture().label() + ", whose slot "
                    + s.offsets().first() + " it is";
            throw refused(FixtureColumn.ADDRESS, text, Fault.OF_THE_WHOLE, where);
        });
        Map<Integer, StartAddress> typed = addresses(slots.size(), text);
        Map<Integer, StartAddress> all = new TreeMap<>(row.fixture().addresses());
        for (int i = 0; i < slots.size(); i++) {
            int block = slots.get(i).block().ref().block();
            all.remove(block);
            Optional.ofNullable(typed.get(i + 1)).ifPresent(a -> all.put(block, a));
        }
        return all;
    }

    private static Fixture moved(Fixture fixture, Map<Integer, StartAddress> addresses) {
        fixture.refuses(addresses).ifPresent(r -> {
            throw new CellRefusedException(r);
        });
        return fixture.withAddresses(addresses);
    }

    private static CellRefusedException refused(FixtureColumn column, String value, Fault fault, String allowed) {
        return new CellRefusedException(new Refusal(words(column), value, fault, allowed));
    }

    private static String words(FixtureColumn column) {
        return column == FixtureColumn.ID ? "fixture ID" : column.words().toLowerCase(Locale.ROOT);
    }

    private static int number(FixtureColumn column, String text, int most) {
        if (!text.matches("\\d{1,9}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > most) {
            throw refused(column, text, Fault.OUT_OF_RANGE, "a whole number, 1 to " + most);
        }
        return Integer.parseInt(text);
    }

    private static FixtureId id(FixtureColumn column, String text) {
        return FixtureId.of(number(column, text, FixtureId.LAST));
    }

    private Length length(String text) {
        return LengthText.read(text, plan.sheet().view().unit())
                .orElseThrow(() -> refused(FixtureColumn.OFFSET, text, Fault.NOT_UNDERSTOOD, LengthText.ALLOWED));
    }

    private static boolean flag(FixtureColumn column, String text) {
        String word = text.toLowerCase(Locale.ROOT);
        if (!TRUE.contains(word) && !FALSE.contains(word)) {
            throw refused(column, text, Fault.NOT_UNDERSTOOD, "yes or no");
        }
        return TRUE.contains(word);
    }

    private Fixture withMode(Fixture fixture, String text) {
        List<Mode> modes = plan.type(fixture).modes();
        List<Mode> meant = ModeNames.fitting(plan.type(fixture), text);
        Mode mode = meant.stream()
                .filter(m -> meant.size() == 1)
                .findFirst()
                .orElseThrow(() -> refused(
                        FixtureColumn.MODE,
                        text,
                        Fault.NOT_FOUND,
                        modes.stream().map(Mode::name).collect(Collectors.joining(", "))));
        // An address of a block that the mode lacks would never be seen again.
        return fixture.withMode(mode.name())
                .withAddresses(fixture.addresses().headMap(mode.blocks().size() + 1));
    }

    private Map<Integer, StartAddress> addresses(Fixture fixture, String text) {
        int blocks = plan.type(fixture)
                .mode(fixture.mode())
                .map(m -> m.blocks().size())
                .orElse(0);
        return addresses(blocks, text);
    }

    private static Map<Integer, StartAddress> addresses(int blocks, String text) {
        Map<Integer, StartAddress> addresses = new TreeMap<>();
        List<String> parts = text.isEmpty() ? List.of() : Arrays.asList(text.split("[,;\\s]+"));
        if (parts.size() > Math.max(1, blocks)) {
            String allowed = blocks == 1 ? "one address" : "at most " + blocks + " addresses, one for each block";
            throw refused(FixtureColumn.ADDRESS, text, Fault.OUT_OF_RANGE, allowed);
        }
        for (int i = 0; i < parts.size(); i++) {
            if (!parts.get(i).equalsIgnoreCase(FieldText.NONE) && !parts.get(i).equals("-")) {
                addresses.put(i + 1, address(parts.get(i)));
            }
        }
        return addresses;
    }

    private static StartAddress address(String text) {
        AddressText.Parsed reading = AddressText.read(text);
        if (reading instanceof AddressText.Read read) {
            return read.address();
        }
        AddressText.Refused refused = (AddressText.Refused) reading;
        throw switch (refused.fault()) {
            case NOT_AN_ADDRESS ->
                refused(FixtureColumn.ADDRESS, text, Fault.NOT_UNDERSTOOD, "universe.slot such as 2.73, or nothing");
            case UNIVERSE_OUT_OF_RANGE ->
                refused(FixtureColumn.ADDRESS, text, Fault.OUT_OF_RANGE, "universes 1 to 63999");
            case SLOT_OUT_OF_RANGE -> refused(FixtureColumn.ADDRESS, text, Fault.OUT_OF_RANGE, "slots 1 to 512");
            case ABSOLUTE_OUT_OF_RANGE ->
                refused(FixtureColumn.ADDRESS, text, Fault.OUT_OF_RANGE, "1 to " + StartAddress.LAST_ABSOLUTE);
        };
    }

    private Optional<FixtureKey> mirrored(Fixture fixture, String text) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        FixtureId id = id(FixtureColumn.MIRRORS, text);
        return Optional.of(plan.fixtures().stream()
                .filter(f -> f.id().equals(Optional.of(id)) && !f.key().equals(fixture.key()))
                .map(Fixture::key)
                .findFirst()
                .orElseThrow(() -> refused(FixtureColumn.MIRRORS, text, Fault.NOT_FOUND, "the ID of another fixture")));
    }
}
