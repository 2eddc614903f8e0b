package taxon.app.addresses.wish;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.text.WishText;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Headroom.Measure;
import taxon.core.rig.wish.Wish;
import taxon.formats.json.Json;

/**
 * A wish as the page's sentence shows it, each choice by the name that the form gives it.
 *
 * @param headroom "16" or "5 %"
 * @param beside what is wished beside order, style, split and start, in words
 * @param inForce what the wish in force is called; empty where none is
 * @param kept wishes that can be taken up
 */
public record WishView(
        String scope,
        String order,
        String style,
        String split,
        boolean hazardsApart,
        int gap,
        String starts,
        int every,
        boolean largestMode,
        String headroom,
        String blocks,
        String from,
        String universes,
        String unitsPerLine,
        String beside,
        String inForce,
        List<Kept> kept) {

    /** A wish that is kept by name. */
    public record Kept(int number, String name, String sentence) {}

    /** A choice of a list. */
    public record Option(String value, String words) {}

    public static WishView of(PlacementRequest request, Plan plan) {
        Wish wish = request.wish();
        String percent = wish.headroom().measure() == Measure.PERCENT ? " %" : "";
        return new WishView(
                Json.slug(request.scope()),
                Json.slug(wish.order()),
                Json.slug(wish.style()),
                Json.slug(wish.split()),
                wish.hazardsApart(),
                wish.spacing().gap(),
                Json.slug(wish.spacing().starts()),
                wish.spacing().every(),
                wish.spacing().largestMode(),
                wish.headroom().amount() + percent,
                Json.slug(wish.blocks()),
                wish.from().toString(),
                wish.universes().toString(),
                wish.unitsPerLine().map(String::valueOf).orElse(""),
                String.join(", ", WishText.beside(wish)),
                plan.wishInForce()
                        .map(w -> w.name().isEmpty() ? "without a name" : w.name())
                        .orElse(""),
                plan.keptWishes().stream()
                        .map(w -> new Kept(w.number(), w.name(), WishText.sentence(w.wish())))
                        .toList());
    }

    public static List<Option> orders() {
        return options(Wish.Order.values(), WishText::words);
    }

    public static List<Option> styles() {
        return options(Wish.Style.values(), WishText::words);
    }

    public static List<Option> splits() {
        return options(Wish.Split.values(), WishText::words);
    }

    public static List<Option> blockWays() {
        return options(Wish.Blocks.values(), WishText::words);
    }

    private static <E extends Enum<E>> List<Option> options(E[] values, Function<E, String> words) {
        return Arrays.stream(values)
                .map(v -> new Option(Json.slug(v), words.apply(v)))
                .toList();
    }
}
