package taxon.core.scene;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Plan;
import taxon.core.text.Texts;

/** Folders that are called like the layers of a scene: those of the job where there are such, else new ones. */
final class SceneFolders {
    private static final int DEEPEST = 8;
    private static final String NAMELESS = "Layer";

    private final Map<Integer, Group> folders = new TreeMap<>();
    private final Map<Integer, Set<FixtureKey>> members = new HashMap<>();
    private int next;

    SceneFolders(Plan plan) {
        next = plan.nextNumber(Kind.GROUP);
        plan.groups().stream().filter(g -> g.kind() == GroupKind.FOLDER).forEach(g -> folders.put(g.number(), g));
    }

    /** Puts a fixture into the innermost of these folders. */
    void put(FixtureKey fixture, List<String> path) {
        Optional<Integer> parent = Optional.empty();
        for (String name : path.subList(0, Math.min(DEEPEST, path.size()))) {
            parent = Optional.of(folder(Texts.clip(name, 80), parent));
        }
        parent.ifPresent(p -> members.computeIfAbsent(p, k -> new HashSet<>()).add(fixture));
    }

    private int folder(String said, Optional<Integer> parent) {
        String name = said.isBlank() ? NAMELESS : said;
        return folders.values().stream()
                .filter(f -> f.name().equalsIgnoreCase(name) && f.parent().equals(parent))
                .map(Group::number)
                .findFirst()
                .orElseGet(() -> {
                    int number = next++;
                    folders.put(number, Group.folder(number, name, parent));
                    return number;
                });
    }

    /** All folders as they are then. */
    List<Group> elements() {
        return folders.values().stream()
                .map(f -> {
                    Set<FixtureKey> all = new HashSet<>(f.members());
                    all.addAll(members.getOrDefault(f.number(), Set.of()));
                    return f.withMembers(all);
                })
                .toList();
    }
}
