package taxon.core.finding;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.MenuEdits;
import taxon.core.setting.UnitMenu;

/** Rules about what is set in the menus of units. */
final class MenuRules {
    private final Plan plan;

    MenuRules(Plan plan) {
        this.plan = plan;
    }

    private record Unit(Fixture fixture, Optional<UnitMenu.Line> line) {
        String value() {
            return line.map(UnitMenu.Line::effective).orElse("");
        }

        boolean isSaid() {
            return line.flatMap(UnitMenu.Line::own)
                    .filter(o -> !o.why().isEmpty())
                    .isPresent();
        }

        boolean isOwn() {
            return line.flatMap(UnitMenu.Line::own).isPresent();
        }
    }

    /** Units of one type of which most are set alike and some otherwise without a reason: one finding for each setting. */
    List<Finding> differs() {
        Map<TypeId, List<Fixture>> byType = plan.fixtures().stream()
                .collect(Collectors.groupingBy(Fixture::type, LinkedHashMap::new, Collectors.toList()));
        return byType.values().stream()
                .filter(units -> units.size() > 1)
                .filter(units ->
                        units.stream().anyMatch(f -> !f.traits().menu().values().isEmpty()))
                .flatMap(this::differs)
                .toList();
    }

    private Stream<Finding> differs(List<Fixture> fixtures) {
        Map<Fixture, Map<String, UnitMenu.Line>> menus = new LinkedHashMap<>();
        fixtures.forEach(f -> menus.put(
                f, UnitMenu.of(plan, f).stream().collect(Collectors.toMap(UnitMenu.Line::name, l -> l, (a, b) -> a))));
        return menus.values().stream()
                .flatMap(m -> m.keySet().stream())
                .distinct()
                .sorted()
                .flatMap(name -> {
                    List<Unit> units = new ArrayList<>();
                    menus.forEach((f, menu) -> units.add(new Unit(f, Optional.ofNullable(menu.get(name)))));
                    return differs(name, units).stream();
                });
    }

    /** What is said of the type is what all should have; where nothing is, what most of them have. */
    private Optional<Finding> differs(String name, List<Unit> units) {
        String common = units.stream()
                .filter(u -> !u.isOwn())
                .findFirst()
                .map(Unit::value)
                .orElseGet(() -> most(units));
        List<Unit> odd = units.stream()
                .filter(u -> u.isOwn() && !u.isSaid() && !u.value().equals(common))
                .toList();
        if (odd.isEmpty()) {
            return Optional.empty();
        }
        List<Fixture> fixtures = odd.stream().map(Unit::fixture).toList();
        Grounds grounds = new Grounds.MenuDiffers(
                plan.type(fixtures.get(0)).fullName(),
                name,
                common,
                odd.stream()
                        .map(u -> new Grounds.MenuDiffers.Odd(u.fixture(), u.value()))
                        .toList());
        String id = Rule.MENU_DIFFERS.slug() + ":" + fixtures.get(0).type() + ":" + name;
        return Optional.of(new Finding(
                Rule.MENU_DIFFERS,
                id,
                fixtures.stream().map(Fixture::key).toList(),
                grounds,
                remedy(name, units, fixtures)));
    }

    private static String most(List<Unit> units) {
        Map<String, Long> counted =
                units.stream().collect(Collectors.groupingBy(Unit::value, LinkedHashMap::new, Collectors.counting()));
        return counted.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse("");
    }

    /** Only where others have nothing of their own is it known what they would fall back to. */
    private static Optional<Remedy> remedy(String name, List<Unit> units, List<Fixture> odd) {
        return units.stream().allMatch(Unit::isOwn)
                ? Optional.empty()
                : Optional.of(new Remedy.Apply(
                        "Set as all others",
                        MenuEdits.likeTheOthers(
                                name, odd.stream().map(Fixture::key).toList())));
    }
}
