package taxon.core.rig;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.length.Length;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Refusal.Fault;
import taxon.core.text.Texts;

/**
 * One fixture of the rig, as planned.
 *
 * @param model what it is, and how it is switched
 * @param place where it hangs
 * @param addresses planned start addresses by block, counted from 1; a block without one is not in it
 * @param uuid by which scene files know it, where one does
 */
public record Fixture(
        FixtureKey key,
        Optional<FixtureId> id,
        Model model,
        Place place,
        Words words,
        SortedMap<Integer, StartAddress> addresses,
        Traits traits,
        Optional<UUID> uuid)
        implements Element {

    /**
     * Type and mode.
     *
     * @param mode the mode's name; it may be one that the type lacks, which is a finding and no error
     */
    public record Model(TypeId type, String mode) {
        public Model {
            Texts.allowLine("mode", mode, 60);
        }
    }

    /**
     * Where a fixture hangs.
     *
     * @param position the number of a position in the plan
     * @param unit its place on the position, 1 to 9999
     * @param offset how far it hangs to the right of the middle of its position, as the audience sees it, where it is known
     */
    public record Place(int position, int unit, Optional<Length> offset) {
        public Place {
            if (unit < 1 || unit > 9999) {
                throw new IllegalArgumentException("unit number " + unit + " is outside 1 to 9999");
            }
        }
    }

    /** What people call it, at most 80 characters, and what they note of it, at most 1,000. */
    public record Words(String name, String note) {
        public static final Words NONE = new Words("", "");

        public Words {
            Texts.allowLine("fixture name", name, 80);
            Texts.allowNote("fixture note", note, 1000);
        }
    }

    public Fixture {
        addresses = Collections.unmodifiableSortedMap(new TreeMap<>(addresses));
        if (!addresses.isEmpty() && addresses.firstKey() < 1) {
            throw new IllegalArgumentException("block " + addresses.firstKey() + " is below 1");
        }
    }

    /** A fixture of which neither an address nor anything special is known. */
    public static Fixture of(FixtureKey key, Optional<FixtureId> id, Model model, Place place) {
        return new Fixture(
                key, id, model, place, Words.NONE, Collections.emptySortedMap(), Traits.NONE, Optional.empty());
    }

    /** The type that it is of, by its id in the plan. */
    public TypeId type() {
        return model.type();
    }

    /** The name of its mode, which its type need not have. */
    public String mode() {
        return model.mode();
    }

    /** The number of the position that it hangs on. */
    public int position() {
        return place.position();
    }

    /** Its place in the count along its position, from 1. */
    public int unit() {
        return place.unit();
    }

    /** How far from the middle of its position, to the right as the audience sees it; empty where nobody has said. */
    public Optional<Length> offset() {
        return place.offset();
    }

    /** What people call it; may be empty. */
    public String name() {
        return words.name();
    }

    /** What else to know; may be empty. */
    public String note() {
        return words.note();
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(key);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.fixture(this);
    }

    /** The key under which a plan holds the fixture. */
    public static ElementKey keyOf(FixtureKey key) {
        return ElementKey.of(Kind.FIXTURE, key.number());
    }

    /**
     * The planned start of a block; empty where it has none.
     *
     * @param block from 1
     */
    public Optional<StartAddress> address(int block) {
        return Optional.ofNullable(addresses.get(block));
    }

    /**
     * The same with another start for one block, or with none.
     *
     * @param block from 1
     */
    public Fixture withAddress(int block, Optional<StartAddress> address) {
        TreeMap<Integer, StartAddress> changed = new TreeMap<>(addresses);
        address.ifPresentOrElse(a -> changed.put(block, a), () -> changed.remove(block));
        return withAddresses(changed);
    }

    /** Why these addresses cannot be its own: it is locked where it is, and they differ. */
    public Optional<Refusal> refuses(Map<Integer, StartAddress> changed) {
        return traits.locked() && !addresses.equals(changed)
                ? Optional.of(new Refusal(
                        "fixture",
                        label(),
                        Fault.LOCKED,
                        addresses.isEmpty()
                                ? "no address"
                                : addresses.values().stream()
                                        .map(StartAddress::toString)
                                        .collect(Collectors.joining(", "))))
                : Optional.empty();
    }

    /** The same with exactly these starts, by block from 1. */
    public Fixture withAddresses(Map<Integer, StartAddress> changed) {
        return new Fixture(key, id, model, place, words, new TreeMap<>(changed), traits, uuid);
    }

    /** The same under another fixture ID, or without one. */
    public Fixture withId(Optional<FixtureId> changed) {
        return new Fixture(key, changed, model, place, words, addresses, traits, uuid);
    }

    /** The same as another type, in one of its modes. */
    public Fixture withModel(Model changed) {
        return new Fixture(key, id, changed, place, words, addresses, traits, uuid);
    }

    /** The same in another mode; whether its type has it is not asked here. */
    public Fixture withMode(String changed) {
        return withModel(new Model(type(), changed));
    }

    /** The same as another type; its mode keeps its name. */
    public Fixture withType(TypeId changed) {
        return withModel(new Model(changed, mode()));
    }

    /** On another position or at another unit number; its offset stays. */
    public Fixture withPlace(int changedPosition, int changedUnit) {
        return withPlace(new Place(changedPosition, changedUnit, offset()));
    }

    /** The same at another place. */
    public Fixture withPlace(Place changed) {
        return new Fixture(key, id, model, changed, words, addresses, traits, uuid);
    }

    /** The same at another distance from the middle of its position, or at none that is known. */
    public Fixture withOffset(Optional<Length> changed) {
        return withPlace(new Place(position(), unit(), changed));
    }

    /**
     * The same with another words.
     *
     * @throws IllegalArgumentException when a text is longer than it may be
     */
    public Fixture withWords(String changedName, String changedNote) {
        return new Fixture(key, id, model, place, new Words(changedName, changedNote), addresses, traits, uuid);
    }

    /** The same with other traits. */
    public Fixture withTraits(Traits changed) {
        return new Fixture(key, id, model, place, words, addresses, changed, uuid);
    }

    /** The same under the UUID that other programs know it by, or without. */
    public Fixture withUuid(Optional<UUID> changed) {
        return new Fixture(key, id, model, place, words, addresses, traits, changed);
    }

    /** True when it can hurt people, by its type or where it hangs. */
    public boolean isHazard(FixtureType itsType) {
        return !traits.hazard().isBlank() || itsType.facts().hazard() != Hazard.NONE;
    }

    /** The fixture ID, or "no. 17" by key where it has none. */
    public String label() {
        return id.map(FixtureId::toString).orElse("no. " + key);
    }
}
