package taxon.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.library.Doubt;
import taxon.core.library.ModeRef;
import taxon.core.library.Shop;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** Rules about what the shop owns and doubts. */
final class ShopRules {
    private final Plan plan;
    private final Shop shop;

    ShopRules(Plan plan, Shop shop) {
        this.plan = plan;
        this.shop = shop;
    }

    List<Finding> doubted() {
        if (shop.doubts().isEmpty()) {
            return List.of();
        }
        Map<ModeRef, List<Fixture>> byMode = plan.fixtures().stream()
                .collect(
                        Collectors.groupingBy(f -> new ModeRef(f.type(), f.mode()), TreeMap::new, Collectors.toList()));
        List<Finding> found = new ArrayList<>();
        byMode.forEach((mode, fixtures) ->
                shop.doubt(mode.type(), mode.mode()).ifPresent(doubt -> found.add(doubted(doubt, fixtures))));
        return found;
    }

    private Finding doubted(Doubt doubt, List<Fixture> fixtures) {
        return Finding.about(
                Rule.MODE_DOUBTED,
                fixtures.stream().map(Fixture::key).toList(),
                new Grounds.ModeDoubted(plan.type(fixtures.get(0)), doubt, fixtures.size()),
                Optional.of(new Remedy.Decide("Look at the type", Remedy.Where.TYPES)));
    }

    List<Finding> shelfShort() {
        if (shop.shelf().isEmpty()) {
            return List.of();
        }
        Map<TypeId, List<Fixture>> byType = plan.fixtures().stream()
                .collect(Collectors.groupingBy(Fixture::type, TreeMap::new, Collectors.toList()));
        List<Finding> found = new ArrayList<>();
        byType.forEach((type, fixtures) -> shop.owned(type)
                .filter(owned -> owned < fixtures.size())
                .ifPresent(owned -> found.add(shelfShort(owned, fixtures))));
        return found;
    }

    /** The last ones are those that are missing: that many have to come from elsewhere or become another type. */
    private Finding shelfShort(int owned, List<Fixture> fixtures) {
        FixtureType type = plan.type(fixtures.get(0));
        return Finding.about(
                Rule.SHELF_SHORT,
                fixtures.subList(owned, fixtures.size()).stream()
                        .map(Fixture::key)
                        .toList(),
                new Grounds.ShelfShort(type, fixtures.size(), owned),
                Optional.of(new Remedy.Decide("Look at the shelf", Remedy.Where.TYPES)));
    }
}
