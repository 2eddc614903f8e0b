package taxon.core.rig;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.fixture.MenuSetting;
import taxon.core.fixture.Part;
import taxon.core.text.Texts;

/**
 * What someone should know of one fixture besides its place and its patch.
 *
 * @param look what it is for and how it is coloured
 * @param axes which way it moves
 * @param care what must not be touched by accident
 * @param service who feeds it, and whether it may be moved
 * @param names what its cells and layers are called
 * @param menu what is set in its menu otherwise than in others of its type
 */
public record Traits(Look look, Axes axes, Care care, Service service, PartNames names, OwnMenu menu) {
    public static final Traits NONE =
            new Traits(Look.NONE, Axes.USUAL, Care.NONE, Service.NONE, PartNames.NONE, OwnMenu.NONE);

    private static final int MOST_PARKED = 64;

    /**
     * What a fixture is for.
     *
     * @param purpose "front light, bow"; at most 80 characters
     * @param colour colour or gel, at most 80 characters
     */
    public record Look(String purpose, String colour) {
        static final Look NONE = new Look("", "");

        public Look {
            Texts.allowLine("purpose", purpose, 80);
            Texts.allowLine("colour", colour, 80);
        }
    }

    /**
     * Which way a fixture moves.
     *
     * @param panReversed true when pan goes the other way than the rest of its type
     * @param swapped true when pan and tilt change places
     * @param mirrors the fixture that it mirrors, where it does; one that is gone counts as none
     */
    public record Axes(boolean panReversed, boolean tiltReversed, boolean swapped, Optional<FixtureKey> mirrors) {
        static final Axes USUAL = new Axes(false, false, false, Optional.empty());
    }

    /**
     * What must not be touched by accident.
     *
     * @param hazard what it can do to people where it hangs, at most 120 characters
     * @param parked slots that hold a value, each block and slot once, at most 64
     */
    public record Care(String hazard, List<Parked> parked) {
        static final Care NONE = new Care("", List.of());

        public Care {
            Texts.allowLine("hazard", hazard, 120);
            parked = List.copyOf(parked);
            if (parked.size() > MOST_PARKED) {
                throw new IllegalArgumentException(parked.size() + " parked slots are more than " + MOST_PARKED);
            }
            if (parked.stream()
                            .map(p -> p.block() * 1000 + p.offset())
                            .distinct()
                            .count()
                    != parked.size()) {
                throw new IllegalArgumentException("a slot is parked twice");
            }
        }
    }

    /**
     * Who feeds a fixture, and whether it may be moved.
     *
     * @param line the cable run that feeds it, "quay left 2"; at most 40 characters
     * @param locked true when its addresses stay as they are, whoever asks
     */
    public record Service(String line, boolean locked) {
        static final Service NONE = new Service("", false);

        public Service {
            Texts.allowLine("line", line, 40);
        }
    }

    /**
     * What cells and layers are called. One that the mode lacks keeps its name for when the mode comes back.
     *
     * @param names of parts, never of the whole; each one line of at most 80 characters; at most 512
     */
    public record PartNames(SortedMap<Part, String> names) {
        static final PartNames NONE = new PartNames(new TreeMap<>());

        private static final int MOST = 512;

        public PartNames {
            names = Collections.unmodifiableSortedMap(new TreeMap<>(names));
            names.values().forEach(n -> Texts.requireLine("name", n, 80));
            if (names.containsKey(Part.WHOLE) || names.size() > MOST) {
                throw new IllegalArgumentException(
                        names.size() + " names of parts; at most " + MOST + ", none of the whole");
            }
        }
    }

    /**
     * What is set in the menu of one unit otherwise than in others of its type.
     *
     * @param values by the name of the setting; at most 40
     */
    public record OwnMenu(SortedMap<String, OwnValue> values) {
        public static final OwnMenu NONE = new OwnMenu(new TreeMap<>());

        private static final int MOST = 40;

        public OwnMenu {
            values = Collections.unmodifiableSortedMap(new TreeMap<>(values));
            values.keySet().forEach(MenuSetting::requireName);
            if (values.size() > MOST) {
                throw new IllegalArgumentException(values.size() + " settings are more than " + MOST);
            }
        }
    }

    /**
     * A value of one unit.
     *
     * @param why it differs, at most 80 characters; empty where nobody has said so
     */
    public record OwnValue(String value, String why) {
        public OwnValue {
            MenuSetting.requireValue(value);
            Texts.allowLine("reason for a setting", why, 80);
            if (why.matches(".*[;()].*")) {
                throw new IllegalArgumentException("“" + why + "” is no reason here: ; ( and ) stand between settings");
            }
        }
    }

    /**
     * A slot that holds a value.
     *
     * @param block counted from 1
     * @param offset the slot inside the block, 1 to 512
     * @param value 0 to 255
     * @param why at most 120 characters, not empty
     */
    public record Parked(int block, int offset, int value, String why) {
        public Parked {
            if (block < 1 || block > 64) {
                throw new IllegalArgumentException("block " + block + " is outside 1 to 64");
            }
            if (offset < 1 || offset > 512) {
                throw new IllegalArgumentException("slot " + offset + " of a block is outside 1 to 512");
            }
            if (value < 0 || value > 255) {
                throw new IllegalArgumentException("the value " + value + " is outside 0 to 255");
            }
            Texts.requireLine("reason for parking", why, 120);
        }
    }

    /** What it is there for, "front wash"; empty where nobody has said. */
    public String purpose() {
        return look.purpose();
    }

    /** The colour or filter in it; empty where none. */
    public String colour() {
        return look.colour();
    }

    /** True when pan turns the other way than usual. */
    public boolean panReversed() {
        return axes.panReversed();
    }

    /** True when tilt turns the other way than usual. */
    public boolean tiltReversed() {
        return axes.tiltReversed();
    }

    /** True when pan and tilt have changed places. */
    public boolean axesSwapped() {
        return axes.swapped();
    }

    /** The fixture whose mirror image it is, which need not be in the plan any more. */
    public Optional<FixtureKey> mirrors() {
        return axes.mirrors();
    }

    /** What is dangerous about it, such as heat or a laser; empty where nothing. */
    public String hazard() {
        return care.hazard();
    }

    /** Slots that are kept at one level. */
    public List<Parked> parked() {
        return care.parked();
    }

    /** The cable run that feeds it, "quay left 2"; empty where nobody has said. */
    public String line() {
        return service.line();
    }

    /** True when its addresses stay, whatever is proposed or typed. */
    public boolean locked() {
        return service.locked();
    }

    /** What a cell or layer is called; empty where nobody has said. */
    public String nameOf(Part part) {
        return names.names().getOrDefault(part, "");
    }

    private Traits with(Look changed) {
        return new Traits(changed, axes, care, service, names, menu);
    }

    private Traits with(Axes changed) {
        return new Traits(look, changed, care, service, names, menu);
    }

    private Traits with(Care changed) {
        return new Traits(look, axes, changed, service, names, menu);
    }

    private Traits with(Service changed) {
        return new Traits(look, axes, care, changed, names, menu);
    }

    /**
     * The same with another purpose.
     *
     * @throws IllegalArgumentException when it is longer than a trait may be
     */
    public Traits withPurpose(String changed) {
        return with(new Look(changed, colour()));
    }

    /**
     * The same with another colour.
     *
     * @throws IllegalArgumentException when it is longer than a trait may be
     */
    public Traits withColour(String changed) {
        return with(new Look(purpose(), changed));
    }

    /** The same but for the way in which pan turns. */
    public Traits withPanReversed(boolean changed) {
        return with(new Axes(changed, tiltReversed(), axesSwapped(), mirrors()));
    }

    /** The same but for the way in which tilt turns. */
    public Traits withTiltReversed(boolean changed) {
        return with(new Axes(panReversed(), changed, axesSwapped(), mirrors()));
    }

    /** The same but for whether pan and tilt have changed places. */
    public Traits withAxesSwapped(boolean changed) {
        return with(new Axes(panReversed(), tiltReversed(), changed, mirrors()));
    }

    /** The same as the mirror image of another fixture, or of none. */
    public Traits withMirrors(Optional<FixtureKey> changed) {
        return with(new Axes(panReversed(), tiltReversed(), axesSwapped(), changed));
    }

    /**
     * The same with another hazard.
     *
     * @throws IllegalArgumentException when it is longer than a trait may be
     */
    public Traits withHazard(String changed) {
        return with(new Care(changed, parked()));
    }

    /** The same with other slots kept at one level. */
    public Traits withParked(List<Parked> changed) {
        return with(new Care(hazard(), changed));
    }

    /**
     * The same with another line.
     *
     * @throws IllegalArgumentException when it is longer than a trait may be
     */
    public Traits withLine(String changed) {
        return with(new Service(changed, locked()));
    }

    /** The same, locked or free. */
    public Traits withLocked(boolean changed) {
        return with(new Service(line(), changed));
    }

    /**
     * The same with a cell or layer called so; an empty name takes it away.
     *
     * @throws IllegalArgumentException when it is no part, the name is no line, or there are too many
     */
    public Traits withName(Part part, String name) {
        SortedMap<Part, String> changed = new TreeMap<>(names.names());
        changed.put(part, name);
        changed.values().removeIf(String::isEmpty);
        return new Traits(look, axes, care, service, new PartNames(changed), menu);
    }

    /** The same with other settings of its own. */
    public Traits withMenu(OwnMenu changed) {
        return new Traits(look, axes, care, service, names, changed);
    }
}
