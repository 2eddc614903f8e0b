package taxon.core.jot;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;

/**
 * Reads which fixtures a line means: "201-204, 301", "chosen", "all", a type, a position, a group, "Tern on North quay".
 */
final class JotWhich {
    private static final Pattern RUN = Pattern.compile("(\\d{1,5})\\s*(?:-|–)\\s*(\\d{1,5})");
    private static final Pattern ID = Pattern.compile("\\d{1,5}");

    private final Plan plan;
    private final Set<FixtureKey> chosen;

    JotWhich(Plan plan, Set<FixtureKey> chosen) {
        this.plan = plan;
        this.chosen = chosen;
    }

    /** Either fixtures, or the part of the text that means none. */
    record Found(List<Fixture> fixtures, Optional<String> unknown) {
        Set<FixtureKey> keys() {
            return fixtures.stream().map(Fixture::key).collect(Collectors.toCollection(LinkedHashSet::new));
        }
    }

    /** In the order of the text, each once. */
    Found read(String text) {
        Set<Fixture> found = new LinkedHashSet<>();
        for (String part : text.split(",")) {
            String wanted = part.strip();
            List<Fixture> these = wanted.isEmpty() ? List.of() : part(wanted);
            if (these.isEmpty()) {
                return new Found(List.of(), Optional.of(wanted));
            }
            found.addAll(these);
        }
        return new Found(List.copyOf(found), Optional.empty());
    }

    private List<Fixture> part(String wanted) {
        String word = wanted.toLowerCase(Locale.ROOT);
        if (word.equals("all")) {
            return plan.fixtures();
        }
        if (word.equals("chosen") || word.equals("these")) {
            return fitting(f -> chosen.contains(f.key()));
        }
        Matcher run = RUN.matcher(wanted);
        if (run.matches()) {
            int first = Integer.parseInt(run.group(1));
            int last = Integer.parseInt(run.group(2));
            return fitting(f -> f.id().filter(i -> i.number() >= first && i.number() <= last)
                    .isPresent());
        }
        return ID.matcher(wanted).matches()
                ? fitting(f -> f.id().filter(i -> i.number() == Integer.parseInt(wanted))
                        .isPresent())
                : named(wanted);
    }

    /** A name of something, or a type and a position with "on" between them. */
    private List<Fixture> named(String wanted) {
        int on = wanted.toLowerCase(Locale.ROOT).lastIndexOf(" on ");
        if (on > 0) {
            List<Fixture> left = whole(wanted.substring(0, on).strip());
            List<Fixture> right = whole(wanted.substring(on + 4).strip());
            return left.stream().filter(right::contains).toList();
        }
        return whole(wanted);
    }

    /** A position before a group before a type: the first that is called so, whole names before beginnings. */
    private List<Fixture> whole(String name) {
        Optional<Position> position = plan.positionNamed(name);
        Optional<Group> group = plan.groups().stream()
                .filter(g -> g.name().equalsIgnoreCase(name))
                .findFirst();
        if (position.isPresent()) {
            return plan.fixturesOn(position.get());
        }
        return group.isPresent() ? fitting(group.get()::holds) : byType(name);
    }

    private List<Fixture> byType(String name) {
        List<String> words = List.of(name.toLowerCase(Locale.ROOT).split("\\s+"));
        List<Fixture> ofType = fitting(f -> {
            String full = plan.type(f).fullName().toLowerCase(Locale.ROOT);
            return words.stream().allMatch(full::contains);
        });
        return ofType.isEmpty() ? byBeginning(name) : ofType;
    }

    private List<Fixture> byBeginning(String name) {
        List<Position> begun = plan.positions().stream()
                .filter(p -> p.name().toLowerCase(Locale.ROOT).startsWith(name.toLowerCase(Locale.ROOT)))
                .toList();
        return begun.size() == 1 ? plan.fixturesOn(begun.get(0)) : List.of();
    }

    private List<Fixture> fitting(Predicate<Fixture> wanted) {
        return plan.fixtures().stream().filter(wanted).toList();
    }

    /** Names that begin like this, for going on. */
    List<String> names(String begun) {
        String word = begun.toLowerCase(Locale.ROOT);
        Stream<String> names = Stream.of(
                        Stream.of("all"),
                        chosen.isEmpty() ? Stream.<String>empty() : Stream.of("chosen"),
                        plan.positions().stream().map(Position::name),
                        plan.groups().stream().map(Group::name),
                        plan.types().types().stream().map(t -> t.name()))
                .flatMap(s -> s);
        List<String> fitting = new ArrayList<>(
                names.filter(n -> n.toLowerCase(Locale.ROOT).startsWith(word) && !n.equalsIgnoreCase(begun))
                        .distinct()
                        .limit(JotLine.MOST_WAYS)
                        .toList());
        return fitting;
    }
}
