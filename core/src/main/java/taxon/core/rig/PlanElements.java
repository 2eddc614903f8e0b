package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.rig.ElementKey.Kind;

/** The elements of a plan by key, each with what it refers to: what goes takes along what cannot be without it. Cannot be changed. */
final class PlanElements {
    private final SortedMap<ElementKey, Element> map;

    /** @param map whose bonds are verified */
    private PlanElements(SortedMap<ElementKey, Element> map) {
        this.map = Collections.unmodifiableSortedMap(map);
    }

    /** @throws IllegalArgumentException when an element refers to one that is missing, or there is no job sheet */
    static PlanElements of(Collection<? extends Element> elements) {
        TreeMap<ElementKey, Element> map = new TreeMap<>();
        elements.forEach(e -> map.put(e.elementKey(), e));
        return verified(map);
    }

    private static PlanElements verified(SortedMap<ElementKey, Element> map) {
        PlanBonds.verify(map);
        return new PlanElements(map);
    }

    SortedMap<ElementKey, Element> asMap() {
        return map;
    }

    Optional<Element> at(ElementKey key) {
        return Optional.ofNullable(map.get(key));
    }

    SortedMap<ElementKey, Element> of(Kind kind) {
        return map.subMap(new ElementKey(kind, Integer.MIN_VALUE, ""), new ElementKey(kind, Integer.MAX_VALUE, ""));
    }

    /** Those of a kind, by number. */
    <T extends Element> List<T> all(Kind kind, Class<T> type) {
        List<T> found = new ArrayList<>();
        of(kind).values().forEach(e -> found.add(type.cast(e)));
        return List.copyOf(found);
    }

    /** Of these, what is not here already; of several under one key, the last. */
    Map<ElementKey, Element> differentAmong(Collection<? extends Element> changed) {
        TreeMap<ElementKey, Element> different = new TreeMap<>();
        for (Element element : changed) {
            different.put(element.elementKey(), element);
        }
        different.values().removeIf(e -> e.equals(map.get(e.elementKey())));
        return different;
    }

    /** With these added, or in the place of those with the same key. Where nothing goes, only what changes can lack what it refers to. */
    PlanElements with(Map<ElementKey, Element> different) {
        TreeMap<ElementKey, Element> grown = new TreeMap<>(map);
        grown.putAll(different);
        different.forEach((key, e) -> {
            if (e instanceof Group g) {
                grown.put(key, g.keeping(grown.keySet()));
            }
        });
        PlanBonds.verify(grown, different.values());
        return new PlanElements(grown);
    }

    /** Without those keys and what depends on them, and with these. */
    PlanElements without(Collection<ElementKey> removed, Collection<? extends Element> changed) {
        TreeMap<ElementKey, Element> cut = new TreeMap<>(map);
        removed.forEach(cut::remove);
        changed.forEach(e -> cut.put(e.elementKey(), e));
        cut.values().removeIf(e -> isOrphan(e, cut.keySet()));
        cut.replaceAll((key, e) -> keeping(e, cut.keySet()));
        Shares.tidy(cut);
        return verified(cut);
    }

    /** What is said of something that is not there any more. */
    private static boolean isOrphan(Element element, Set<ElementKey> kept) {
        if (element instanceof RadioLink link) {
            return !kept.contains(link.receiver().elementKey())
                    || !kept.contains(Box.keyOf(link.to().box()));
        }
        if (element instanceof UnitCheck check) {
            return !kept.contains(Fixture.keyOf(check.fixture()));
        }
        return element instanceof BlockEvidence evidence
                && !kept.contains(Fixture.keyOf(evidence.ref().fixture()));
    }

    /** What can go on without some of what it refers to does. */
    private static Element keeping(Element element, Set<ElementKey> kept) {
        if (element instanceof Group group) {
            return group.keeping(kept);
        }
        if (element instanceof Line line) {
            return line.keeping(kept);
        }
        return element instanceof Box box ? box.keeping(kept) : element;
    }

    /** The keys of all elements of either. */
    Set<ElementKey> keysWith(PlanElements other) {
        Set<ElementKey> keys = new HashSet<>(map.keySet());
        keys.addAll(other.map.keySet());
        return keys;
    }

    /** The keys among these under which the two hold different elements. */
    Set<ElementKey> differingFrom(PlanElements other, Set<ElementKey> possible) {
        return possible.stream()
                .filter(k -> !Objects.equals(map.get(k), other.map.get(k)))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof PlanElements elements && map.equals(elements.map);
    }

    @Override
    public int hashCode() {
        return map.hashCode();
    }
}
