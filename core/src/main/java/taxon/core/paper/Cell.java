package taxon.core.paper;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Optional;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** One cell of a paper as what it means; its words are what people read. */
public sealed interface Cell {
    Cell EMPTY = new Text("");

    /** As it stands on paper. */
    String words();

    /** Any text, which may be empty. */
    record Text(String words) implements Cell {}

    /**
     * A number.
     *
     * @param words with its unit, where it has one
     */
    record Figure(BigDecimal value, String words) implements Cell {}

    /** Where a block starts; "none" where it has no address. */
    record Start(Optional<StartAddress> address) implements Cell {
        @Override
        public String words() {
            return address.map(StartAddress::toString).orElse("none");
        }
    }

    /** Slots of a universe: "097–112" under the title of their universe. */
    record Run(UniverseNumber universe, SlotRange slots) implements Cell {
        @Override
        public String words() {
            return String.format(Locale.ROOT, "%03d–%03d", slots.first(), slots.last());
        }
    }

    static Cell of(String words) {
        return words.isEmpty() ? EMPTY : new Text(words);
    }

    static Cell of(long value) {
        return new Figure(BigDecimal.valueOf(value), Long.toString(value));
    }
}
