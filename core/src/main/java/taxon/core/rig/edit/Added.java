package taxon.core.rig.edit;

import java.util.Collections;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.rig.FixtureId;
import taxon.core.text.Texts;

/**
 * Equal fixtures to be added in one go.
 *
 * @param mode a mode of the type
 * @param count 1 to 1000
 * @param words where they hang and what is said of them
 * @param firstId the first fixture ID, the others follow; empty leaves them without
 * @param run where the first block of the first begins, and how the others follow; empty leaves them without an address
 * @param apart later blocks that do not follow the first: the address of each by its number, or none; only of a single fixture
 */
public record Added(
        FixtureType type,
        Mode mode,
        int count,
        Words words,
        Optional<FixtureId> firstId,
        Optional<Run> run,
        SortedMap<Integer, Optional<StartAddress>> apart) {
    public static final int MOST = 1000;
    /** The position of what hangs nowhere yet. */
    public static final String NOWHERE = "Not yet placed";

    /**
     * @param position the position's name; it is made where the plan has none that is called so
     * @param name of each
     */
    public record Words(String position, String name, String note) {
        public Words {
            Texts.requireLine("position", position, 80);
            Texts.allowLine("fixture name", name, 80);
            Texts.allowNote("fixture note", note, 1000);
        }

        /** A position alone; {@link Added#NOWHERE} where it is not given. */
        public static Words on(String position) {
            return new Words(position.isBlank() ? NOWHERE : position, "", "");
        }
    }

    /**
     * Addresses one behind the other.
     *
     * @param gap slots left free between two fixtures, 0 to 511
     */
    public record Run(StartAddress first, int gap) {
        public static final int MOST_GAP = 511;

        public Run {
            if (gap < 0 || gap > MOST_GAP) {
                throw new IllegalArgumentException("a gap of " + gap + " slots is outside 0 to " + MOST_GAP);
            }
        }
    }

    public Added {
        apart = Collections.unmodifiableSortedMap(new TreeMap<>(apart));
        if (apart.entrySet().stream().anyMatch(e -> e.getValue().isPresent() && count != 1)
                || !apart.isEmpty()
                        && (apart.firstKey() < 2
                                || apart.lastKey() > mode.blocks().size())) {
            throw new IllegalArgumentException("addresses of the blocks " + apart.keySet() + " are of no single "
                    + mode.name() + " with " + mode.blocks().size() + " blocks");
        }
        if (type.mode(mode.name()).isEmpty()) {
            throw new IllegalArgumentException(type.fullName() + " has no mode " + mode.name());
        }
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException(count + " fixtures are outside 1 to " + MOST);
        }
        if (firstId.isPresent() && !FixtureId.isLegal(firstId.get().number() + (long) count - 1)) {
            throw new IllegalArgumentException(
                    count + " fixtures from " + firstId.get() + " pass the last fixture ID, " + FixtureId.LAST);
        }
    }

    /** Fixtures without ID and address. */
    public static Added of(FixtureType type, Mode mode, int count, Words words) {
        return new Added(type, mode, count, words, Optional.empty(), Optional.empty(), new TreeMap<>());
    }

    public Added withIds(Optional<FixtureId> first) {
        return new Added(type, mode, count, words, first, run, apart);
    }

    /** One behind the other without gap. */
    public Added from(Optional<StartAddress> first) {
        return withRun(first.map(f -> new Run(f, 0)));
    }

    public Added withRun(Optional<Run> wanted) {
        return new Added(type, mode, count, words, firstId, wanted, apart);
    }

    /**
     * Later blocks elsewhere than behind the first.
     *
     * @throws IllegalArgumentException when the mode has no such block, or it is of several fixtures
     */
    public Added with(SortedMap<Integer, Optional<StartAddress>> blocksApart) {
        return new Added(type, mode, count, words, firstId, run, blocksApart);
    }

    public String position() {
        return words.position();
    }
}
