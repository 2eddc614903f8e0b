package taxon.app.frame;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.app.edit.JobState;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.history.WayText;
import taxon.core.lines.UnitWays;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Shares;
import taxon.core.setting.Switches;
import taxon.core.setting.UnitSetting;

/**
 * All about one fixture, as its label would show it.
 *
 * @param fixture the fixture itself, for its form
 * @param modes what its mode may be
 * @param setting what is set on the unit by hand
 * @param ways from who sends it to its socket, one for each universe
 */
public record Card(
        Fixture fixture,
        String id,
        String place,
        String typeWords,
        String typePath,
        List<String> modes,
        String position,
        Optional<String> hazard,
        UnitSetting setting,
        CardTraits traits,
        List<BlockLine> blocks,
        List<String> ways,
        boolean isAppOnly,
        List<FindingView> findings) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.UK);

    /**
     * One block.
     *
     * @param address "2.073" or empty
     * @param switches empty where the type has none, there is no address, or nine do not reach it
     * @param shares with whom it has one address on purpose, and why; empty where it does not
     * @param evidence what the unit had last, where that differs from the plan
     */
    public record BlockLine(
            int number,
            String name,
            String slots,
            String needs,
            String address,
            Optional<Switches> switches,
            String slot,
            String line,
            String shares,
            Marks standing,
            boolean canBeSet,
            Optional<String> evidence) {}

    public static Card of(JobState state, Fixture fixture) {
        Plan plan = state.plan();
        FixtureType type = plan.type(fixture);
        return new Card(
                fixture,
                fixture.label(),
                plan.position(fixture).name() + ", unit " + fixture.unit(),
                type.fullName() + ", " + (fixture.mode().isBlank() ? "no mode" : fixture.mode()),
                type.id().value(),
                modes(type, fixture),
                plan.position(fixture).name(),
                type.hazard() == Facts.Hazard.NONE
                        ? Optional.empty()
                        : Optional.of(type.hazard().name().toLowerCase(Locale.ROOT)),
                UnitSetting.of(plan, fixture),
                CardTraits.of(plan, fixture),
                plan.blocksOf(fixture).stream().map(b -> line(plan, b)).toList(),
                ways(plan, fixture),
                type.hearsNoUniverse(),
                state.check().of(fixture.key()).stream().map(FindingView::of).toList());
    }

    private static List<String> ways(Plan plan, Fixture fixture) {
        return fixture.addresses().isEmpty()
                ? List.of()
                : UnitWays.of(plan, fixture).stream()
                        .map(w -> WayText.of(plan, fixture, w))
                        .toList();
    }

    private static List<String> modes(FixtureType type, Fixture fixture) {
        List<String> modes =
                new ArrayList<>(type.modes().stream().map(m -> m.name()).toList());
        if (!modes.contains(fixture.mode())) {
            modes.add(0, fixture.mode());
        }
        return List.copyOf(modes);
    }

    private static BlockLine line(Plan plan, PlannedBlock block) {
        Standing standing = Standing.of(block, plan);
        Optional<StartAddress> start = block.start();
        return new BlockLine(
                block.ref().block(),
                block.block().name(),
                block.footprint() == 1 ? "1 slot" : block.footprint() + " slots",
                block.block().needs(),
                start.map(StartAddress::toString).orElse(""),
                Switches.of(block).filter(Switches::reach),
                start.map(a -> a.slot().toString()).orElse(""),
                start.map(a -> lineWords(plan, a)).orElse(""),
                shareWords(plan, block.ref()),
                Marks.of(standing),
                start.isPresent() && standing != Standing.SET && standing != Standing.PROVED,
                evidence(plan, block, standing));
    }

    private static String shareWords(Plan plan, BlockRef block) {
        return Shares.of(plan)
                .of(block)
                .map(s -> "Shares its address with "
                        + s.blocks().stream()
                                .filter(b -> !b.equals(block))
                                .flatMap(b -> plan.block(b).stream())
                                .map(PlannedBlock::label)
                                .collect(Collectors.joining(", "))
                        + (s.why().isBlank() ? "." : ": " + s.why() + "."))
                .orElse("");
    }

    private static String lineWords(Plan plan, StartAddress address) {
        String ways = NetworkText.ways(plan, plan.universe(address.universe()));
        return ways.isEmpty() ? "universe " + address.universe() + ", routed nowhere" : ways;
    }

    private static Optional<String> evidence(Plan plan, PlannedBlock block, Standing standing) {
        BlockEvidence known = plan.evidence(block.ref());
        Function<Mark, String> when = m -> DAY.format(m.at().atOffset(ZoneOffset.UTC)) + " UTC, " + m.by();
        return Standing.latest(known)
                .map(m -> standing == Standing.STALE
                        ? "The unit had " + m.address() + ", " + m.mode() + " on " + when.apply(m) + ". Touch it again."
                        : (standing == Standing.PROVED ? "Proved " : "Set ") + when.apply(m) + ".");
    }
}
