package taxon.app.addresses.wish;

import java.util.List;
import taxon.core.addressing.Planner.StylePrice;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.text.ProposalText;
import taxon.core.addressing.text.WishText;
import taxon.formats.json.Json;

/**
 * What one style would cost, as the page shows it beside the others.
 *
 * @param set units to touch again
 * @param planned fixtures that move on paper only
 * @param first fixtures that get their first address
 * @param proof what is claimed of it, in words; empty where nothing is
 * @param goodness how good it is, in words
 */
public record PriceLine(
        String style,
        String words,
        boolean chosen,
        int set,
        int planned,
        int first,
        int universes,
        int free,
        int notPlaced,
        String proof,
        String goodness) {

    public static List<PriceLine> of(List<StylePrice> prices, PlacementRequest request) {
        return prices.stream().map(p -> of(p, request)).toList();
    }

    private static PriceLine of(StylePrice price, PlacementRequest request) {
        return new PriceLine(
                Json.slug(price.style()),
                WishText.words(price.style()),
                price.style() == request.wish().style(),
                price.price().touched(),
                price.price().plannedOnly(),
                price.price().first(),
                price.totals().universes(),
                price.totals().free(),
                price.leftOut(),
                ProposalText.sentence(price.optimum()),
                ProposalText.goodness(price));
    }
}
