package taxon.app.addresses.wish;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.form.Fields;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Headroom.Measure;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;

/**
 * Reads a wish from a form. What the form does not say is as the wish says that it builds on; a tick that is not there counts
 * as off only where the form has ticks, which it says with the field {@code ticks}.
 */
public final class WishFields {
    private static final Pattern HEADROOM = Pattern.compile("(\\d{1,4})\\s*(%|per cent|slots?)?");

    private final Fields fields;
    private final Wish base;

    private WishFields(Fields fields, Wish base) {
        this.fields = fields;
        this.base = base;
    }

    /** A whole request; empty when a field is at fault, which the fields say. */
    public static Optional<PlacementRequest> request(Fields fields, Wish base) {
        Optional<Scope> scope = fields.build(
                "scope", () -> PlacementJson.scope(fields.has("scope") ? fields.text("scope") : "unplaced"));
        Set<FixtureKey> chosen = new TreeSet<>(fields.keys("sel"));
        if (scope.equals(Optional.of(Scope.CHOSEN)) && chosen.isEmpty()) {
            fields.refuse("scope", "No fixture is chosen; choose some on the tapes or the rig first.");
        }
        Optional<Wish> wish = wish(fields, base);
        return fields.isFaulty()
                ? Optional.empty()
                : Optional.of(new PlacementRequest(scope.orElseThrow(), chosen, wish.orElseThrow()));
    }

    /** The wish alone. */
    public static Optional<Wish> wish(Fields fields, Wish base) {
        return new WishFields(fields, base).read();
    }

    private Optional<Wish> read() {
        Optional<Wish.Order> order = fields.choice("order", Wish.Order.class, base.order());
        Optional<Wish.Style> style = fields.choice("style", Wish.Style.class, base.style());
        Optional<Wish.Split> split = fields.choice("split", Wish.Split.class, base.split());
        Optional<Wish.Blocks> blocks = fields.choice("blocks", Wish.Blocks.class, base.blocks());
        Optional<Spacing> spacing = spacing();
        Optional<Headroom> headroom = headroom();
        Optional<StartAddress> from = fields.has("from") ? fields.address("from") : Optional.of(base.from());
        Optional<UniverseSet> universes = universes();
        Optional<Integer> units = said("unitsPerLine")
                ? fields.numberOrNone("unitsPerLine", "number of units a line", 1, Wish.MOST_UNITS)
                : base.unitsPerLine();
        if (fields.isFaulty()) {
            return Optional.empty();
        }
        return Optional.of(new Wish(
                new Wish.Aim(order.orElseThrow(), style.orElseThrow()),
                new Wish.Apart(split.orElseThrow(), tick("hazardsApart", base.hazardsApart()), blocks.orElseThrow()),
                spacing.orElseThrow(),
                new Wish.Bounds(headroom.orElseThrow(), from.orElseThrow(), universes.orElseThrow(), units)));
    }

    private boolean said(String field) {
        return fields.has(field) || fields.has("ticks");
    }

    private boolean tick(String field, boolean otherwise) {
        return said(field) ? fields.has(field) : otherwise;
    }

    private Optional<Spacing> spacing() {
        Optional<Integer> gap = fields.has("gap")
                ? fields.number("gap", "gap", 0, Spacing.MOST_GAP)
                : Optional.of(base.spacing().gap());
        Optional<Starts> starts =
                fields.choice("starts", Starts.class, base.spacing().starts());
        Optional<Integer> every = fields.has("every")
                ? fields.number("every", "number of slots from start to start", 1, Slot.LAST)
                : Optional.of(base.spacing().every());
        boolean largest = tick("largestMode", base.spacing().largestMode());
        if (gap.isEmpty() || starts.isEmpty() || every.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Spacing(gap.get(), starts.get(), every.get(), largest));
    }

    private Optional<Headroom> headroom() {
        if (!fields.has("headroom")) {
            return Optional.of(fields.has("ticks") ? Headroom.NONE : base.headroom());
        }
        Matcher matcher = HEADROOM.matcher(fields.text("headroom").toLowerCase(Locale.ROOT));
        if (matcher.matches()) {
            String unit = Optional.ofNullable(matcher.group(2)).orElse("slots");
            Measure measure = unit.startsWith("slot") ? Measure.SLOTS : Measure.PERCENT;
            int amount = Integer.parseInt(matcher.group(1));
            if (amount <= Headroom.most(measure)) {
                return Optional.of(new Headroom(amount, measure));
            }
        }
        fields.refuse(
                "headroom",
                "The room at each end reads “" + fields.text("headroom") + "”; it takes 0 to "
                        + Headroom.most(Measure.SLOTS) + " slots, or 0 % to " + Headroom.most(Measure.PERCENT) + " %.");
        return Optional.empty();
    }

    private Optional<UniverseSet> universes() {
        if (!said("universes")) {
            return Optional.of(base.universes());
        }
        Optional<UniverseSet> read = UniverseSet.read(fields.text("universes"));
        if (read.isEmpty()) {
            fields.refuse(
                    "universes",
                    "The universes read “" + fields.text("universes")
                            + "”; they are written 1-8, 12, each 1 to 63999. Empty means any.");
        }
        return read;
    }
}
