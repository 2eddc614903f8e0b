package taxon.core.label;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.TypeId;

/**
 * What stands on a label.
 *
 * @param key by which the labels of one kind are told apart in addresses: letters, figures, dots and hyphens
 * @param head what is read from afar, as large as it fits
 * @param fields in the order in which they are given up where there is no room: the last first; an empty one is none
 * @param tinted the type whose tint it bears, where it does
 * @param isTurned true when it is wrapped around a cable: everything stands there twice, once upside down
 */
public record Label(String key, String head, List<Field> fields, Optional<TypeId> tinted, boolean isTurned) {
    private static final int LONGEST_KEY = 120;

    /**
     * One line.
     *
     * @param what it tells, for lists: "Address"
     * @param start where it is an address and nothing else: lists have universe and slot apart
     */
    public record Field(String what, String text, Optional<StartAddress> start) {
        public Field(String what, String text) {
            this(what, text, Optional.empty());
        }

        /** Where a block starts; empty where it has no address. */
        public static Field of(String what, Optional<StartAddress> start) {
            return new Field(what, start.map(StartAddress::toString).orElse("no address"), start);
        }
    }

    /** @throws IllegalArgumentException when the key cannot stand in an address */
    public Label {
        if (!key.matches("[A-Za-z0-9.-]{1," + LONGEST_KEY + "}")) {
            throw new IllegalArgumentException("“" + key + "” is no key of a label");
        }
        fields = List.copyOf(fields);
    }
}
