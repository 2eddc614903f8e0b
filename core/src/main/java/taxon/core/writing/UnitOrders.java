package taxon.core.writing;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison.Difference;
import taxon.core.proof.RigComparison.Line;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;

/**
 * What makes units as they are planned: an order for each thing that is wanted and differs. A unit of which nobody knows for certain whose it
 * is gets none: it is to be identified first.
 */
public final class UnitOrders {
    /** The longest label in bytes (ANSI E1.20, 10.5.4, from memory). */
    private static final int LONGEST_LABEL = 32;

    private final Plan plan;
    private final Fixture fixture;
    private final FoundUnit unit;
    private final Target.Unit target;

    private UnitOrders(Plan plan, Fixture fixture, FoundUnit unit) {
        this.plan = plan;
        this.fixture = fixture;
        this.unit = unit;
        target = new Target.Unit(unit.uid(), unit.universe(), Optional.of(fixture.key()), fixture.label());
    }

    /**
     * What is to be written of what is wanted, unit by unit; of each the mode first, since addresses of blocks hang on it.
     *
     * @param lines of planned against found; those without a fixture or a unit are passed over
     * @param wanted of {@link Item#ADDRESS}, {@link Item#MODE}, {@link Item#LABEL} and the axes
     */
    public static Prepared of(Plan plan, List<Line> lines, Set<Item> wanted) {
        return lines.stream()
                .filter(l -> l.fixture().isPresent() && l.found().isPresent())
                .map(l -> of(plan, l, wanted))
                .reduce(Prepared.NOTHING, Prepared::and);
    }

    private static Prepared of(Plan plan, Line line, Set<Item> wanted) {
        UnitOrders orders =
                new UnitOrders(plan, line.fixture().orElseThrow(), line.found().orElseThrow());
        Prepared all = orders.all(wanted);
        if (all.equals(Prepared.NOTHING)) {
            return all;
        }
        if (!line.isCertain()) {
            return Prepared.leaving(
                    orders.target,
                    "it was only taken for " + orders.fixture.label()
                            + " by its type; let it make itself known, look which one it is, and say so");
        }
        return line.differences().contains(Difference.TYPE)
                ? Prepared.leaving(orders.target, "it is another type than planned, a " + orders.unit.model())
                : all;
    }

    /** Identify on or off; asked for by people, whatever is planned. */
    public static Order identify(FoundUnit unit, Optional<Fixture> fixture, boolean on) {
        Target target = new Target.Unit(
                unit.uid(),
                unit.universe(),
                fixture.map(Fixture::key),
                fixture.map(Fixture::label).orElse(""));
        return new Order(
                target, Item.IDENTIFY, 0, Optional.of(Value.of(unit.says().identifying())), Value.of(on));
    }

    /**
     * What a unit has of an item.
     *
     * @param block from 1, for its start address
     * @return empty where it does not say, or has no such block
     */
    public static Optional<Value> valueOf(FoundUnit unit, Item item, int block) {
        return switch (item) {
            case ADDRESS ->
                block <= unit.blocks().size()
                        ? Optional.of(
                                Value.of(unit.blocks().get(block - 1).start().number()))
                        : Optional.empty();
            case MODE ->
                Optional.of(
                        new Value(Integer.toString(unit.personality()), named(unit.personality(), unit.modeName())));
            case LABEL -> Optional.of(Value.of(unit.label()));
            case PAN_REVERSED -> unit.says().axes().panReversed().map(Value::of);
            case TILT_REVERSED -> unit.says().axes().tiltReversed().map(Value::of);
            case AXES_SWAPPED -> unit.says().axes().swapped().map(Value::of);
            case IDENTIFY -> Optional.of(Value.of(unit.says().identifying()));
            default -> Optional.empty();
        };
    }

    private Prepared all(Set<Item> wanted) {
        Prepared all = Prepared.NOTHING;
        for (Item item : List.of(
                Item.MODE, Item.ADDRESS, Item.LABEL, Item.PAN_REVERSED, Item.TILT_REVERSED, Item.AXES_SWAPPED)) {
            all = wanted.contains(item) ? all.and(one(item)) : all;
        }
        return all;
    }

    private Prepared one(Item item) {
        Traits traits = fixture.traits();
        return switch (item) {
            case MODE -> mode();
            case ADDRESS -> addresses();
            case LABEL -> label();
            case PAN_REVERSED -> axis(item, unit.says().axes().panReversed(), traits.panReversed());
            case TILT_REVERSED -> axis(item, unit.says().axes().tiltReversed(), traits.tiltReversed());
            case AXES_SWAPPED -> axis(item, unit.says().axes().swapped(), traits.axesSwapped());
            default -> throw new IllegalArgumentException(item + " is nothing that a plan says of a unit");
        };
    }

    private Prepared mode() {
        FixtureType type = plan.type(fixture);
        Optional<Mode> mode = plan.mode(fixture);
        Optional<Integer> number = mode.flatMap(m -> type.numberOf(m, unit.software()));
        if (number.isEmpty()) {
            boolean sameName =
                    mode.filter(m -> m.name().equals(unit.modeName())).isPresent();
            return sameName
                    ? Prepared.NOTHING
                    : Prepared.leaving(
                            target, "the type does not say which number the mode " + fixture.mode() + " has");
        }
        return number.get() == unit.personality()
                ? Prepared.NOTHING
                : order(
                        Item.MODE,
                        0,
                        new Value(Integer.toString(unit.personality()), named(unit.personality(), unit.modeName())),
                        new Value(number.get().toString(), named(number.get(), fixture.mode())));
    }

    private static String named(int number, String name) {
        return number + (name.isBlank() ? "" : ", " + name);
    }

    private Prepared addresses() {
        Prepared all = Prepared.NOTHING;
        for (int block = 1; block <= plan.blocksOf(fixture).size(); block++) {
            Optional<StartAddress> planned = fixture.address(block);
            all = planned.isPresent() ? all.and(address(block, planned.get())) : all;
        }
        return all;
    }

    private Prepared address(int block, StartAddress planned) {
        if (block > unit.blocks().size()) {
            return Prepared.leaving(
                    target,
                    "it has no block " + block + " in the mode that it is in; write the mode, and read it again");
        }
        int slot = unit.blocks().get(block - 1).start().number();
        if (slot == planned.slot().number()) {
            return Prepared.NOTHING;
        }
        return planned.universe().equals(unit.universe())
                ? order(
                        Item.ADDRESS,
                        block,
                        Value.of(slot),
                        Value.of(planned.slot().number()))
                : Prepared.leaving(
                        target,
                        "it answers on universe " + unit.universe() + ", and planned is universe " + planned.universe()
                                + ": it hangs on another line, where no start address makes it right");
    }

    private Prepared label() {
        Optional<String> wanted = fixture.id().map(Object::toString);
        if (wanted.isEmpty() || wanted.get().equals(unit.label())) {
            return Prepared.NOTHING;
        }
        boolean fits = wanted.get().getBytes(StandardCharsets.UTF_8).length <= LONGEST_LABEL;
        return fits
                ? order(Item.LABEL, 0, Value.of(unit.label()), Value.of(wanted.get()))
                : Prepared.leaving(target, "its ID is longer than a label, " + LONGEST_LABEL + " characters");
    }

    private Prepared axis(Item item, Optional<Boolean> is, boolean planned) {
        if (is.isEmpty()) {
            return planned
                    ? Prepared.leaving(target, "it does not let itself be told: " + item.words())
                    : Prepared.NOTHING;
        }
        return is.get() == planned ? Prepared.NOTHING : order(item, 0, Value.of(is.get()), Value.of(planned));
    }

    private Prepared order(Item item, int part, Value was, Value will) {
        return Prepared.of(new Order(target, item, part, Optional.of(was), will));
    }
}
