package taxon.core.modes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.modes.Advice.NeedCost;
import taxon.core.modes.Advice.Option;
import taxon.core.modes.Advice.Outcome;
import taxon.core.modes.Advice.TypeAdvice;
import taxon.core.modes.AdviceRequest.Aim;
import taxon.core.modes.ModeChoice.Choice;
import taxon.core.modes.ModeChoice.Item;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * Advises a mode for each type of a job.
 *
 * <p>Problem: of the modes that the console drives and that meet the needs, one for each type, so that all fixtures fit on the
 * universes allowed and the price is least. Guarantee: the price is least among all choices whose slots would do ({@link
 * ModeChoice}); the choice is then packed longest first. Where the first packs, it is proved; where it does not, lighter and
 * dearer choices are tried in turn, and the first that packs is given as not proved.
 */
public final class ModeAdvisor {
    private static final int MOST_TRIES = 400;

    private final AdviceRequest request;
    private final RigRoom room;
    private final int slots;
    private final Map<FixtureType, List<Fixture>> rig;
    private final Touching touching;

    private ModeAdvisor(Plan plan, AdviceRequest request) {
        this.request = request;
        room = new RigRoom(plan, request.universes());
        slots = room.slots();
        touching = new Touching(plan);
        Map<FixtureType, List<Fixture>> byType = plan.fixtures().stream().collect(Collectors.groupingBy(plan::type));
        rig = new LinkedHashMap<>();
        byType.keySet().stream()
                .sorted(Comparator.comparing(FixtureType::fullName).thenComparing(FixtureType::id))
                .forEach(t -> rig.put(t, byType.getOrDefault(t, List.of())));
    }

    public static Advice advise(Plan plan, AdviceRequest request) {
        return new ModeAdvisor(plan, request).advise();
    }

    private Advice advise() {
        List<TypeAdvice> options = options(request.needs());
        boolean unmet = options.stream().anyMatch(t -> t.options().stream().noneMatch(Option::isPossible));
        if (unmet) {
            List<TypeAdvice> chosen =
                    options.stream().map(ModeAdvisor::shortest).toList();
            return advice(options, chosen, Outcome.NEEDS_UNMET);
        }
        return request.aim() == Aim.FEWEST_SLOTS ? fewestSlots(options) : leastTouched(options);
    }

    private List<TypeAdvice> options(Set<Need> needs) {
        List<TypeAdvice> advice = new ArrayList<>();
        rig.forEach((type, fixtures) -> advice.add(new TypeAdvice(
                type,
                fixtures.size(),
                type.modes().stream().map(m -> option(type, m, fixtures, needs)).toList(),
                Optional.empty())));
        return advice;
    }

    private Option option(FixtureType type, Mode mode, List<Fixture> fixtures, Set<Need> needs) {
        List<Fixture> changing =
                fixtures.stream().filter(f -> !f.mode().equals(mode.name())).toList();
        int idle = request.console().sixteenBit()
                ? 0
                : mode.channels()
                        .mapToInt(c -> Math.max(0, c.offsets().size() - 1))
                        .sum();
        return new Option(
                mode,
                mode.footprint() * fixtures.size(),
                (int) changing.stream().filter(touching::wasSet).count(),
                changing.stream().mapToInt(touching::price).sum(),
                needs.stream()
                        .filter(n -> n.type().equals(type.id()) && !n.isMetBy(mode))
                        .toList(),
                request.console().drives(mode) ? Optional.empty() : ColourWay.of(mode),
                idle);
    }

    private static TypeAdvice shortest(TypeAdvice type) {
        return choosing(
                type,
                type.options().stream()
                        .filter(Option::isPossible)
                        .min(Comparator.comparingInt(Option::slots).thenComparingInt(Option::price)));
    }

    private static TypeAdvice choosing(TypeAdvice type, Optional<Option> chosen) {
        return new TypeAdvice(type.type(), type.fixtures(), type.options(), chosen);
    }

    private Advice fewestSlots(List<TypeAdvice> options) {
        List<TypeAdvice> chosen = options.stream().map(ModeAdvisor::shortest).toList();
        if (slots(chosen) > slots) {
            return advice(options, chosen, Outcome.TOO_LONG);
        }
        return advice(
                options,
                chosen,
                switch (room.holds(changed(chosen))) {
                    case FITS -> Outcome.FITS_CHEAPEST;
                    case NEVER_FITS -> Outcome.NEVER_PACKED;
                    case NOT_FOUND -> Outcome.NOT_PACKED;
                });
    }

    private Advice leastTouched(List<TypeAdvice> options) {
        List<List<Option>> possible = options.stream()
                .map(t -> t.options().stream().filter(Option::isPossible).toList())
                .toList();
        List<List<Item>> groups = possible.stream()
                .map(list ->
                        list.stream().map(o -> new Item(o.slots(), o.price())).toList())
                .toList();
        ModeChoice choices = ModeChoice.of(groups, slots);
        int limit = slots;
        for (int tried = 0; tried < MOST_TRIES && !room.isSpent(); tried++) {
            Optional<Choice> choice = choices.within(limit);
            if (choice.isEmpty()) {
                break;
            }
            List<TypeAdvice> chosen = chosen(options, possible, choice.get());
            if (room.holds(changed(chosen)) == RigRoom.Verdict.FITS) {
                return advice(options, chosen, tried == 0 ? Outcome.FITS_CHEAPEST : Outcome.FITS);
            }
            limit = choice.get().weight() - 1;
        }
        return fewestSlots(options);
    }

    private static List<TypeAdvice> chosen(List<TypeAdvice> types, List<List<Option>> possible, Choice choice) {
        List<TypeAdvice> chosen = new ArrayList<>();
        for (int i = 0; i < types.size(); i++) {
            chosen.add(choosing(
                    types.get(i), Optional.of(possible.get(i).get(choice.picks().get(i)))));
        }
        return chosen;
    }

    /** The fixtures of the rig in the chosen modes; those of a type without a choice stay as they are. */
    private List<Fixture> changed(List<TypeAdvice> types) {
        List<Fixture> changed = new ArrayList<>();
        for (TypeAdvice type : types) {
            type.chosen()
                    .ifPresent(option -> rig.getOrDefault(type.type(), List.of())
                            .forEach(f -> changed.add(f.withMode(option.mode().name()))));
        }
        return changed;
    }

    private int slots(List<TypeAdvice> types) {
        return types.stream()
                .mapToInt(t -> t.chosen().map(Option::slots).orElseGet(() -> asTheyAre(t)))
                .sum();
    }

    private int asTheyAre(TypeAdvice type) {
        return rig.getOrDefault(type.type(), List.of()).stream()
                .mapToInt(f -> type.type().mode(f.mode()).map(Mode::footprint).orElse(0))
                .sum();
    }

    private Advice advice(List<TypeAdvice> options, List<TypeAdvice> chosen, Outcome outcome) {
        return new Advice(chosen, slots(chosen), slots, outcome, needCosts(options, outcome));
    }

    /** Leaves each need out in turn and looks what the shortest choice would be. */
    private List<NeedCost> needCosts(List<TypeAdvice> options, Outcome outcome) {
        List<TypeAdvice> now = options.stream().map(ModeAdvisor::shortest).toList();
        List<NeedCost> costs = new ArrayList<>();
        for (Need need : request.needs()) {
            for (int i = 0; i < options.size(); i++) {
                if (options.get(i).type().id().equals(need.type())) {
                    List<TypeAdvice> without = new ArrayList<>(now);
                    without.set(i, shortestWithout(options.get(i), need));
                    costs.add(new NeedCost(need, slots(now) - slots(without), opens(without.get(i), without, outcome)));
                }
            }
        }
        costs.sort(Comparator.comparing((NeedCost c) -> !c.opens())
                .thenComparing(c -> -c.savedSlots())
                .thenComparing(c -> c.need()));
        return costs;
    }

    private static TypeAdvice shortestWithout(TypeAdvice type, Need need) {
        return choosing(
                type,
                type.options().stream()
                        .filter(o ->
                                o.undriven().isEmpty() && o.lacks().stream().allMatch(need::equals))
                        .min(Comparator.comparingInt(Option::slots)));
    }

    private boolean opens(TypeAdvice type, List<TypeAdvice> without, Outcome outcome) {
        return switch (outcome) {
            case NEEDS_UNMET ->
                type.chosen().isPresent() && shortest(type).chosen().isEmpty();
            case TOO_LONG, NOT_PACKED, NEVER_PACKED ->
                slots(without) <= slots && room.holds(changed(without)) == RigRoom.Verdict.FITS;
            case FITS, FITS_CHEAPEST -> false;
        };
    }
}
