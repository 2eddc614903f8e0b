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
 * @param mode the mode's name; it may be one that the type lacks, which is a finding and no error
 * @param position the number of a position in the plan
 * @param unit its place on the position, counted from 1
 * @param addresses planned start addresses by block, counted from 1; a block without one is not in it
 * @param offset how far it hangs to the right of the middle of its position, as the audience sees it, where it is known
 * @param uuid by which scene files know it, where one does
 */
public record Fixture(
        FixtureKey key,
        Optional<FixtureId> id,
        TypeId type,
        String mode,
        int position,
        int unit,
        String name,
        String note,
        SortedMap<Integer, StartAddress> addresses,
        Optional<Length> offset,
        Traits traits,
        Optional<UUID> uuid)
        implements Element {

    public Fixture {
        Texts.allowLine("mode", mode, 60);
        Texts.allowLine("fixture name", name, 80);
        Texts.allowNote("fixture note", note, 1000);
        if (unit < 1 || unit > 9999) {
            throw new IllegalArgumentException("unit number " + unit + " is outside 1 to 9999");
        }
        addresses = Collections.unmodifiableSortedMap(new TreeMap<>(addresses));
        if (!addresses.isEmpty() && addresses.firstKey() < 1) {
            throw new IllegalArgumentException("block " + addresses.firstKey() + " is below 1");
        }
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(key);
    }

    public static ElementKey keyOf(FixtureKey key) {
        return ElementKey.of(Kind.FIXTURE, key.number());
    }

    public Optional<StartAddress> address(int block) {
        return Optional.ofNullable(addresses.get(block));
    }

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

    public Fixture withAddresses(Map<Integer, StartAddress> changed) {
        return new Fixture(
                key, id, type, mode, position, unit, name, note, new TreeMap<>(changed), offset, traits, uuid);
    }

    public Fixture withId(Optional<FixtureId> changed) {
        return new Fixture(key, changed, type, mode, position, unit, name, note, addresses, offset, traits, uuid);
    }

    public Fixture withMode(String changed) {
        return new Fixture(key, id, type, changed, position, unit, name, note, addresses, offset, traits, uuid);
    }

    public Fixture withType(TypeId changed) {
        return new Fixture(key, id, changed, mode, position, unit, name, note, addresses, offset, traits, uuid);
    }

    public Fixture withPlace(int changedPosition, int changedUnit) {
        return new Fixture(
                key, id, type, mode, changedPosition, changedUnit, name, note, addresses, offset, traits, uuid);
    }

    public Fixture withWords(String changedName, String changedNote) {
        return new Fixture(
                key, id, type, mode, position, unit, changedName, changedNote, addresses, offset, traits, uuid);
    }

    /** A fixture of which neither the offset nor anything special is known. */
    public Fixture(
            FixtureKey key,
            Optional<FixtureId> id,
            TypeId type,
            String mode,
            int position,
            int unit,
            String name,
            String note,
            SortedMap<Integer, StartAddress> addresses) {
        this(
                key,
                id,
                type,
                mode,
                position,
                unit,
                name,
                note,
                addresses,
                Optional.empty(),
                Traits.NONE,
                Optional.empty());
    }

    public Fixture withOffset(Optional<Length> changed) {
        return new Fixture(key, id, type, mode, position, unit, name, note, addresses, changed, traits, uuid);
    }

    public Fixture withTraits(Traits changed) {
        return new Fixture(key, id, type, mode, position, unit, name, note, addresses, offset, changed, uuid);
    }

    public Fixture withUuid(Optional<UUID> changed) {
        return new Fixture(key, id, type, mode, position, unit, name, note, addresses, offset, traits, changed);
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
