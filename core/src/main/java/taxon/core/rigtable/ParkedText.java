package taxon.core.rigtable;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelName;
import taxon.core.rig.PartSlots;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.RigPart;
import taxon.core.rig.Traits.Parked;

/**
 * What is parked, as a cell of the table reads and takes it: "zoom = 128 shipped so; red cell 3 = 255 house light". A name means
 * all slots of its channels; a slot that no name means alone is written as block.slot, "1.5 = 255 house light".
 */
final class ParkedText {
    static final String ALLOWED = "channel = value and why, such as zoom = 128 shipped so; 1.5 = 255 house light";

    private static final Pattern ENTRY = Pattern.compile("\\s*(\\S.*?)\\s*=\\s*(\\d{1,3})\\s+(\\S.*?)\\s*");
    private static final Pattern SLOT = Pattern.compile("(\\d{1,2})[./](\\d{1,3})");
    private static final String BETWEEN = "; ";

    private final Plan plan;
    private final RigPart row;

    private ParkedText(Plan plan, RigPart row) {
        this.plan = plan;
        this.row = row;
    }

    private record Place(int block, int offset) implements Comparable<Place> {
        static Place of(Parked parked) {
            return new Place(parked.block(), parked.offset());
        }

        @Override
        public int compareTo(Place other) {
            return block == other.block ? Integer.compare(offset, other.offset) : Integer.compare(block, other.block);
        }
    }

    /** Value and reason, which slots must share to be written as one. */
    private record Held(int value, String why) {}

    static String of(Plan plan, RigPart row) {
        return row.fixture().traits().parked().isEmpty() ? "" : new ParkedText(plan, row).written();
    }

    private String written() {
        Map<Place, Held> left = new LinkedHashMap<>();
        own().forEach(p -> left.put(Place.of(p), new Held(p.value(), p.why())));
        List<String> entries = new ArrayList<>();
        for (String name : names(left.keySet())) {
            Set<Place> meant = meant(name);
            Set<Held> held =
                    meant.stream().filter(left::containsKey).map(left::get).collect(Collectors.toSet());
            if (held.size() == 1 && left.keySet().containsAll(meant)) {
                entries.add(entry(name, held.iterator().next()));
                left.keySet().removeAll(meant);
            }
        }
        left.forEach((place, held) -> entries.add(entry(place.block() + "." + place.offset(), held)));
        return String.join(BETWEEN, entries);
    }

    private static String entry(String name, Held held) {
        return name + " = " + held.value() + " " + held.why();
    }

    /** What is parked in this row. */
    private List<Parked> own() {
        List<Parked> all = row.fixture().traits().parked();
        if (row.isWhole()) {
            return all;
        }
        Set<Place> places = places();
        return all.stream().filter(p -> places.contains(Place.of(p))).toList();
    }

    private Set<Place> places() {
        return row.slots(plan).stream().flatMap(ParkedText::places).collect(Collectors.toSet());
    }

    private static Stream<Place> places(PartSlots slots) {
        return slots.offsets().stream().map(o -> new Place(slots.block().ref().block(), o));
    }

    /** Names that might mean parked slots: those of all parts at once first, then those of one. */
    private List<String> names(Set<Place> parked) {
        List<Channel> channels = plan.blocksOf(row.fixture()).stream()
                .flatMap(b -> b.block().channels().stream()
                        .filter(row::has)
                        .filter(c -> c.offsets().stream()
                                .anyMatch(o -> parked.contains(new Place(b.ref().block(), o)))))
                .toList();
        Stream<String> ofAllParts = channels.stream().map(c -> AttributeBook.words(c.attribute()));
        Stream<String> ofOne = row.isWhole() ? channels.stream().map(ChannelName::of) : Stream.empty();
        return Stream.concat(ofAllParts, ofOne).distinct().toList();
    }

    /** The slots of this row's channels that are called so. */
    private Set<Place> meant(String name) {
        ChannelName wanted = ChannelName.read(name);
        Set<Place> places = new TreeSet<>();
        for (PlannedBlock block : plan.blocksOf(row.fixture())) {
            block.block().channels().stream()
                    .filter(row::has)
                    .filter(wanted::means)
                    .flatMap(c -> c.offsets().stream())
                    .forEach(o -> places.add(new Place(block.ref().block(), o)));
        }
        return places;
    }

    /**
     * All that is parked in the fixture once this row reads so.
     *
     * @throws IllegalArgumentException when an entry cannot be understood, names no channel of the row or one that another names,
     *     or a value is not legal
     */
    static List<Parked> read(Plan plan, RigPart row, String text) {
        return new ParkedText(plan, row).read(text);
    }

    private List<Parked> read(String text) {
        List<Parked> parked = new ArrayList<>(row.fixture().traits().parked());
        parked.removeAll(own());
        for (String entry : entries(text)) {
            Matcher matcher = ENTRY.matcher(entry);
            if (!matcher.matches()) {
                throw new IllegalArgumentException(ALLOWED);
            }
            if (Integer.parseInt(matcher.group(2)) > 255) {
                throw new IllegalArgumentException("values 0 to 255");
            }
            for (Place place : named(matcher.group(1))) {
                parked.add(new Parked(
                        place.block(), place.offset(), Integer.parseInt(matcher.group(2)), matcher.group(3)));
            }
        }
        return parked;
    }

    /** A semicolon may stand in a reason: only what reads like an entry begins one. */
    private static List<String> entries(String text) {
        List<String> entries = new ArrayList<>();
        for (String piece : text.split(";")) {
            if (ENTRY.matcher(piece).matches() || entries.isEmpty()) {
                entries.add(piece);
            } else {
                entries.add(entries.remove(entries.size() - 1) + ";" + piece);
            }
        }
        return text.isBlank() ? List.of() : entries;
    }

    private Set<Place> named(String name) {
        Matcher slot = SLOT.matcher(name);
        Set<Place> places = slot.matches()
                ? Set.of(new Place(Integer.parseInt(slot.group(1)), Integer.parseInt(slot.group(2))))
                : meant(name);
        if (places.isEmpty() || !row.isWhole() && !places().containsAll(places)) {
            throw new IllegalArgumentException("a channel that it has; there is no " + name + " in " + row.label());
        }
        return places;
    }
}
