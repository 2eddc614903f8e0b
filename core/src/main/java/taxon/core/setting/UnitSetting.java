package taxon.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.MenuStep.Place;
import taxon.core.fixture.Mode;
import taxon.core.fixture.RemoteManagement.Software;
import taxon.core.fixture.SettingGuide;
import taxon.core.network.BoxNumber;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Traits.Parked;
import taxon.core.setting.UnitMenu.Line;

/**
 * All that someone sets on one unit, as its card tells it.
 *
 * @param number the number by which the unit shows its mode, in words; empty where nobody knows
 * @param before what must be set before it listens at all; empty when nothing
 * @param steps through its menu, with what is planned in them and what makes the unit keep it at their end; empty where none are known
 * @param menu what is asked for besides
 * @param parked slots that hold a value, in words
 */
public record UnitSetting(
        Fixture fixture,
        String type,
        String position,
        String mode,
        String number,
        List<BlockSetting> blocks,
        String before,
        List<String> steps,
        List<Line> menu,
        List<String> parked) {
    static final String NO_ADDRESS = "(no address yet)";
    static final String NOT_KNOWN = "(not known)";

    /**
     * One block.
     *
     * @param universe as the menu of the unit counts it, or as the plan does where the unit does not ask for any
     * @param way how its universe comes to the unit
     * @param needs what must be switched on before this block listens; empty when nothing
     */
    public record BlockSetting(
            int number,
            String name,
            int footprint,
            Optional<StartAddress> start,
            String universe,
            String way,
            String needs,
            Optional<Switches> switches) {}

    /** The card of a unit. */
    public static UnitSetting of(Plan plan, Fixture fixture) {
        return new Writer(plan, fixture).card();
    }

    /** Writes one card. */
    private static final class Writer {
        private final Plan plan;
        private final Fixture fixture;
        private final FixtureType type;
        private final Optional<Mode> mode;
        private final SettingGuide guide;
        private final List<PlannedBlock> blocks;
        private final Optional<Box> box;

        Writer(Plan plan, Fixture fixture) {
            this.plan = plan;
            this.fixture = fixture;
            type = plan.type(fixture);
            mode = plan.mode(fixture);
            guide = type.facts().guide();
            blocks = plan.blocksOf(fixture);
            box = plan.boxes().stream()
                    .filter(b -> b.facts().fixture().equals(Optional.of(fixture.key())))
                    .findFirst();
        }

        UnitSetting card() {
            List<Line> menu =
                    UnitMenu.of(plan, fixture).stream().filter(Line::isAsked).toList();
            return new UnitSetting(
                    fixture,
                    type.fullName(),
                    plan.position(fixture).name(),
                    fixture.mode(),
                    number(),
                    blocks.stream().map(this::block).toList(),
                    guide.before(),
                    steps(menu),
                    menu,
                    fixture.traits().parked().stream().map(this::parked).toList());
        }

        /** As it is numbered, and how versions of the software number it otherwise. */
        private String number() {
            if (mode.isEmpty()) {
                return "";
            }
            String usual = number(Optional.empty());
            String others = type.facts().remote().software().stream()
                    .map(Software::version)
                    .filter(v -> !number(Optional.of(v)).isEmpty())
                    .filter(v -> !number(Optional.of(v)).equals(usual))
                    .map(v -> number(Optional.of(v)) + " in software " + String.format(Locale.ROOT, "%08X", v))
                    .collect(Collectors.joining(", "));
            return usual + (others.isEmpty() ? "" : usual.isEmpty() ? others : " (" + others + ")");
        }

        private String number(Optional<Long> software) {
            return type.numberOf(mode.orElseThrow(), software)
                    .map(n -> Integer.toString(n))
                    .orElse("");
        }

        private BlockSetting block(PlannedBlock block) {
            return new BlockSetting(
                    block.ref().block(),
                    block.block().name(),
                    block.footprint(),
                    block.start(),
                    block.start().map(this::universe).orElse(""),
                    block.start()
                            .map(a -> NetworkText.ways(plan, plan.universe(a.universe())))
                            .orElse(""),
                    block.block().needs(),
                    Switches.of(block));
        }

        /** A unit on the network counts in its own way; one on a line is asked for none. */
        private String universe(StartAddress address) {
            return plan.universe(address.universe()).routes().stream()
                    .flatMap(r -> typed(r).stream())
                    .findFirst()
                    .orElse(address.universe().toString());
        }

        private Optional<String> typed(Route route) {
            return box.filter(b -> b.number() == route.port().box())
                    .flatMap(b -> b.facts().shows())
                    .flatMap(shows -> BoxNumber.typed(shows, route));
        }

        private List<String> steps(List<Line> menu) {
            List<String> steps = new ArrayList<>();
            guide.steps().forEach(s -> steps.add(s.with(this::value)));
            menu.stream().filter(l -> !l.path().isEmpty()).forEach(l -> steps.add(l.path() + ": " + l.value()));
            if (!steps.isEmpty() && !guide.confirm().isEmpty()) {
                steps.add(guide.confirm());
            }
            return steps;
        }

        private String value(Place place) {
            return switch (place.value()) {
                case MODE -> fixture.mode().isEmpty() ? NOT_KNOWN : fixture.mode();
                case NUMBER -> number().isEmpty() ? NOT_KNOWN : number();
                case ADDRESS ->
                    start(place.block()).map(a -> a.slot().toString()).orElse(NO_ADDRESS);
                case UNIVERSE -> start(place.block()).map(this::universe).orElse(NO_ADDRESS);
            };
        }

        private Optional<StartAddress> start(int block) {
            return IntStream.range(0, blocks.size())
                    .filter(i -> i + 1 == block)
                    .mapToObj(blocks::get)
                    .findFirst()
                    .flatMap(PlannedBlock::start);
        }

        private String parked(Parked parked) {
            return "slot " + parked.offset()
                    + (blocks.size() > 1 ? " of block " + parked.block() : "") + " at " + parked.value() + ": "
                    + parked.why();
        }
    }
}
