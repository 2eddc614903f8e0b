package taxon.core.checklist;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.raising.ChannelFamily;
import taxon.core.rig.CheckItem;
import taxon.core.rig.CheckItem.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Traits;

/** The checks that a unit's type and mode call for. */
public final class CheckItems {
    /** Of more cells or layers only the first and the last are checked: that says which way round they count. */
    private static final int MOST_PARTS = 8;

    private static final Pattern WHEEL = Pattern.compile("Gobo\\d+|Color\\d+|AnimationWheel\\d+");

    private CheckItems() {}

    /** In the order in which they are checked: that it is there at all comes first, and needs no levels. */
    public static List<CheckItem> of(Plan plan, Fixture fixture) {
        List<CheckItem> items = new ArrayList<>(List.of(CheckItem.of(Kind.THERE)));
        List<PlannedBlock> blocks = plan.blocksOf(fixture);
        if (blocks.stream().noneMatch(b -> b.start().isPresent())) {
            return List.copyOf(items);
        }
        items.add(CheckItem.of(Kind.ADDRESS));
        List<Channel> channels = plan.mode(fixture).stream()
                .flatMap(Mode::channels)
                .filter(c -> !c.isVirtual())
                .toList();
        one(items, Kind.INTENSITY, channels, c -> ChannelFamily.of(c) == ChannelFamily.INTENSITY);
        one(items, Kind.COLOUR, channels, CheckItems::isMixed);
        one(items, Kind.PAN, channels, c -> c.attribute().name().equals("Pan"));
        one(items, Kind.TILT, channels, c -> c.attribute().name().equals("Tilt"));
        wheels(channels).forEach(w -> items.add(new CheckItem(Kind.WHEEL, w)));
        blocks.stream()
                .filter(b -> b.ref().block() > 1 && b.start().isPresent())
                .forEach(b -> items.add(
                        new CheckItem(Kind.BLOCK, Integer.toString(b.ref().block()))));
        parts(plan, fixture).forEach(p -> items.add(new CheckItem(Kind.PART, p.toString())));
        return List.copyOf(items);
    }

    private static void one(List<CheckItem> items, Kind kind, List<Channel> channels, Predicate<Channel> calls) {
        if (channels.stream().anyMatch(calls)) {
            items.add(CheckItem.of(kind));
        }
    }

    private static boolean isMixed(Channel channel) {
        return ChannelFamily.of(channel) == ChannelFamily.COLOUR
                && !WHEEL.matcher(channel.attribute().name()).matches();
    }

    /** By the names of their attributes, each once. */
    private static Stream<String> wheels(List<Channel> channels) {
        return channels.stream()
                .map(c -> c.attribute().name())
                .filter(n -> WHEEL.matcher(n).matches())
                .collect(Collectors.toCollection(TreeSet::new))
                .stream();
    }

    private static List<Part> parts(Plan plan, Fixture fixture) {
        List<Part> all = plan.mode(fixture).map(Mode::parts).orElse(List.of());
        return all.size() <= MOST_PARTS ? all : List.of(all.get(0), all.get(all.size() - 1));
    }

    /**
     * What is planned for that check now, so that one sees later that something else is: type and place for whether it hangs there, else mode
     * and addresses, and of an axis which way it turns.
     */
    public static String against(Plan plan, Fixture fixture, CheckItem item) {
        return switch (item.kind()) {
            case THERE ->
                plan.type(fixture).fullName() + ", " + plan.position(fixture).name() + " unit " + fixture.unit();
            case PAN ->
                patch(plan, fixture, b -> true)
                        + turned(fixture.traits(), fixture.traits().panReversed());
            case TILT ->
                patch(plan, fixture, b -> true)
                        + turned(fixture.traits(), fixture.traits().tiltReversed());
            case BLOCK -> patch(plan, fixture, b -> b.ref().block() == Integer.parseInt(item.what()));
            default -> patch(plan, fixture, b -> true);
        };
    }

    private static String patch(Plan plan, Fixture fixture, Predicate<PlannedBlock> meant) {
        return fixture.mode() + ", "
                + plan.blocksOf(fixture).stream()
                        .filter(meant)
                        .map(b -> b.start().map(Object::toString).orElse("none"))
                        .collect(Collectors.joining(" "));
    }

    private static String turned(Traits traits, boolean reversed) {
        return (reversed ? ", reversed" : "") + (traits.axesSwapped() ? ", swapped" : "");
    }

    /** A check of that name, where the unit calls for it. */
    public static Optional<CheckItem> find(Plan plan, Fixture fixture, String name) {
        return of(plan, fixture).stream().filter(i -> i.name().equals(name)).findFirst();
    }
}
