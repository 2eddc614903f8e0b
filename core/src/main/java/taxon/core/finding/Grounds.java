package taxon.core.finding;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.library.Doubt;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;

/** What a rule saw: subjects and numbers, enough to write the sentence and to check it by hand. */
public sealed interface Grounds {

    /**
     * Two blocks share slots.
     *
     * @param earlier starts first
     * @param shared the slots that both take
     */
    record Overlap(PlannedBlock earlier, PlannedBlock later, UniverseNumber universe, SlotRange shared)
            implements Grounds {}

    /**
     * A block runs past slot 512.
     *
     * @param lastSlot where it would end, above 512
     * @param free the first place that holds it
     */
    record PastEnd(PlannedBlock block, StartAddress start, int lastSlot, Optional<StartAddress> free)
            implements Grounds {}

    /** @param fixtures those of the type of which only the name is known */
    record TypeUnknown(List<Fixture> fixtures, String typeName) implements Grounds {}

    record ModeMissing(Fixture fixture, String typeName, List<String> modes) implements Grounds {}

    /**
     * One ID on several fixtures.
     *
     * @param fixtures two or more
     * @param places where each of them hangs, "Crane rail, unit 4"
     * @param free the next ID that nobody has; empty when all are given away
     */
    record DuplicateId(FixtureId id, List<Fixture> fixtures, List<String> places, Optional<FixtureId> free)
            implements Grounds {}

    /** @param groups the names of the groups that have the number of the fixture */
    record GroupNumberTaken(Fixture fixture, List<String> groups) implements Grounds {}

    /** A fixture that only an app reaches and that has an address all the same. */
    record AddressUnheard(Fixture fixture, String typeName) implements Grounds {}

    record ReservedTouched(PlannedBlock block, StartAddress start, ReservedRun run, SlotRange shared)
            implements Grounds {}

    /**
     * A fixture that is not addressed, or not wholly.
     *
     * @param blocks those of its blocks that have no address
     */
    record NoAddress(Fixture fixture, List<PlannedBlock> blocks, int slots) implements Grounds {}

    /** Blocks that share an address on purpose and have several, or none for some. */
    record ShareBroken(List<PlannedBlock> blocks, String why) implements Grounds {}

    /**
     * Two neighbours too near.
     *
     * @param free slots between them, below {@code asked}
     */
    record GapShort(PlannedBlock earlier, PlannedBlock later, int free, int asked) implements Grounds {}

    /**
     * Slots used that shall stay free at the end of a universe.
     *
     * @param headroom how many shall stay free
     * @param lastUsed the last slot in use
     */
    record HeadroomUsed(UniverseNumber universe, List<PlannedBlock> blocks, int headroom, int lastUsed)
            implements Grounds {}

    /**
     * Devices that can hurt people on a universe with others.
     *
     * @param others how many fixtures without a hazard are there too
     */
    record HazardShares(UniverseNumber universe, List<PlannedBlock> hazards, int others) implements Grounds {}

    /**
     * Less room than is to be kept for a mode.
     *
     * @param needed slots of the mode
     * @param kept slots to the next neighbour or to the end, or the pitch
     */
    record RoomShort(PlannedBlock block, int needed, int kept) implements Grounds {}

    /** Fixtures of a position whose numbers do not ascend with their addresses. */
    record OutOfStep(String position, List<Fixture> fixtures) implements Grounds {}

    /**
     * A universe in use that no route carries.
     *
     * @param slots how many are used on it
     */
    record UniverseUnrouted(UniverseNumber universe, int slots, int fixtures) implements Grounds {}

    /** Something about numbers, ports or addresses of the network. */
    record Network(NetworkGrounds what) implements Grounds {}

    /** Something about lines of cable. */
    record OfLine(LineGrounds what) implements Grounds {}

    /** Something about what comes through the air. */
    record OfRadio(RadioGrounds what) implements Grounds {}

    /** Fixtures of the job without a fixture ID. */
    record NoId(List<Fixture> fixtures) implements Grounds {}

    /** Fixtures in a mode of which someone said that the real unit does something else. */
    record ModeDoubted(FixtureType type, Doubt doubt, int fixtures) implements Grounds {}

    /**
     * More of a type in the rig than the shop owns.
     *
     * @param used more than {@code owned}
     */
    record ShelfShort(FixtureType type, int used, int owned) implements Grounds {}

    /**
     * Units that are set otherwise than others of their type, and nobody has said why.
     *
     * @param common what the others have; empty where that is not known
     */
    record MenuDiffers(String typeName, String setting, String common, List<Odd> units) implements Grounds {
        /** One of them. */
        public record Odd(Fixture fixture, String value) {}
    }
}
