package taxon.app.form;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.length.Length;
import taxon.core.length.LengthText;
import taxon.core.length.LengthUnit;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Refusal;
import taxon.core.text.TextRefusedException;
import taxon.formats.json.Json;

/**
 * Reads the fields of a posted form and gathers every fault with its reason, so that all are told at once.
 *
 * <p>A field that is at fault reads as empty; ask {@link #isFaulty} before using what was read.
 */
public final class Fields {
    private static final int LONGEST_FIELD = 20_000;
    private static final int LONGEST_TEXT = 500_000;
    /** Lists and whole texts: rows and sheets that are pasted, and which fixtures are meant. */
    private static final Set<String> LONG_FIELDS =
            Set.of("rows", "sheet", "order", "sel", "keys", "key", "parked", "need", "needs", "back", "receiver");

    private static final int SHOWN = 60;

    private final String form;
    private final Map<String, String> values;
    private final Map<String, List<String>> reasons = new LinkedHashMap<>();
    private LengthUnit lengths = LengthUnit.METRES;
    private String history = "";

    public Fields(String form, Map<String, String> values) {
        this.form = form;
        this.values = new LinkedHashMap<>();
        values.forEach(this::put);
    }

    /** What is longer than its field takes is refused as a whole: half of it would be something else. */
    private void put(String name, String value) {
        int most = LONG_FIELDS.contains(name) ? LONGEST_TEXT : LONGEST_FIELD;
        if (value.length() > most) {
            refuse(
                    name,
                    "The field “" + shown(name) + "” holds " + value.length() + " characters; it takes at most " + most
                            + ".");
        } else {
            values.put(name, value);
        }
    }

    /** From now on a length without a unit counts in this one. */
    public Fields counting(LengthUnit unit) {
        lengths = unit;
        return this;
    }

    public String text(String field) {
        return values.getOrDefault(field, "").strip();
    }

    /** As it was sent, with the spaces and tabs at its ends. */
    public String raw(String field) {
        return values.getOrDefault(field, "");
    }

    /** True when the form has that field at all, be it empty. */
    public boolean isSent(String field) {
        return values.containsKey(field);
    }

    public boolean has(String field) {
        return !text(field).isEmpty();
    }

    /** True when the field was sent, empty or not. */
    public boolean isGiven(String field) {
        return values.containsKey(field);
    }

    /** A whole number inside its range. */
    public Optional<Integer> number(String field, String words, int least, int most) {
        String text = text(field);
        if (text.matches("-?\\d{1,9}")) {
            int number = Integer.parseInt(text);
            if (number >= least && number <= most) {
                return Optional.of(number);
            }
        }
        refuse(
                field,
                "The " + words + " is " + shown(text) + "; it takes a whole number, " + least + " to " + most + ".");
        return Optional.empty();
    }

    /** As {@link #number}, but the field may be empty. */
    public Optional<Integer> numberOrNone(String field, String words, int least, int most) {
        return has(field) ? number(field, words, least, most) : Optional.empty();
    }

    public Optional<LocalDate> dateOrNone(String field, String words) {
        if (!has(field)) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalDate.parse(text(field)));
        } catch (DateTimeParseException e) {
            refuse(field, "The " + words + " reads " + shown(text(field)) + "; it takes a date such as 2026-05-01.");
            return Optional.empty();
        }
    }

    /** An address as people write it: 2.73, 2/73 or the absolute number. */
    public Optional<StartAddress> address(String field) {
        AddressText.Parsed reading = AddressText.read(text(field));
        if (reading instanceof AddressText.Read read) {
            return Optional.of(read.address());
        }
        refuse(field, sentence((AddressText.Refused) reading));
        return Optional.empty();
    }

    private static String sentence(AddressText.Refused refused) {
        String value = shown(refused.value());
        return switch (refused.fault()) {
            case NOT_AN_ADDRESS -> "The address reads " + value + "; it takes 2.073, 2/73 or the absolute number.";
            case UNIVERSE_OUT_OF_RANGE ->
                "The universe is " + value + "; it takes " + UniverseNumber.FIRST + " to " + UniverseNumber.LAST + ".";
            case SLOT_OUT_OF_RANGE -> "The slot is " + value + "; it takes " + Slot.FIRST + " to " + Slot.LAST + ".";
            case ABSOLUTE_OUT_OF_RANGE ->
                "The absolute address is " + value + "; it takes 1 to " + StartAddress.LAST_ABSOLUTE + ".";
        };
    }

    /** One of the constants, by the name that files and addresses give it; an empty field means {@code otherwise}. */
    public <E extends Enum<E>> Optional<E> choice(String field, Class<E> type, E otherwise) {
        String text = text(field);
        if (text.isEmpty()) {
            return Optional.of(otherwise);
        }
        Optional<E> found = Arrays.stream(type.getEnumConstants())
                .filter(c -> Json.slug(c).equals(text))
                .findFirst();
        if (found.isEmpty()) {
            String all = Arrays.stream(type.getEnumConstants()).map(Json::slug).collect(Collectors.joining(", "));
            refuse(field, "The " + field + " reads " + shown(text) + "; it takes one of " + all + ".");
        }
        return found;
    }

    /** A length as people write it: 3.2, 320 cm, 10'6". */
    public Optional<Length> length(String field, String words) {
        Optional<Length> length = LengthText.read(text(field), lengths);
        if (length.isEmpty()) {
            refuse(field, "The " + words + " reads " + shown(text(field)) + "; it takes " + LengthText.ALLOWED + ".");
        }
        return length;
    }

    /** As {@link #length}, but the field may be empty. */
    public Optional<Length> lengthOrNone(String field, String words) {
        return has(field) ? length(field, words) : Optional.empty();
    }

    /** Fixture keys, separated by commas. */
    public List<FixtureKey> keys(String field) {
        return Selection.read(text(field)).keys();
    }

    /** Builds a value; what its constructor refuses is a fault of this field. */
    public <T> Optional<T> build(String field, Supplier<T> value) {
        try {
            return Optional.of(value.get());
        } catch (TextRefusedException e) {
            refuse(values.containsKey(e.what()) ? e.what() : field, e.sentence());
        } catch (IllegalArgumentException e) {
            refuse(field, sentenceOf(e));
        }
        return Optional.empty();
    }

    private static String sentenceOf(IllegalArgumentException e) {
        String message = String.valueOf(e.getMessage());
        String begun = message.substring(0, 1).toUpperCase(Locale.ROOT) + message.substring(1);
        return begun.endsWith(".") ? begun : begun + ".";
    }

    public void refuse(String field, String sentence) {
        reasons.computeIfAbsent(field, f -> new ArrayList<>()).add(sentence);
    }

    public void refuse(List<Refusal> refusals) {
        refusals.forEach(r -> refuse("", r.sentence()));
    }

    /** Points to the page that lists what was done meanwhile. */
    void seeHistory(String page) {
        history = page;
    }

    public boolean isFaulty() {
        return !reasons.isEmpty();
    }

    public FormFault fault() {
        return new FormFault(form, values, reasons, history);
    }

    private static String shown(String text) {
        if (text.isEmpty()) {
            return "empty";
        }
        return text.length() > SHOWN ? text.substring(0, SHOWN) + "…" : text;
    }
}
