package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Part;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.XmlElement;

/**
 * The geometries of a type, and where each of them stands in a mode.
 *
 * <p>References repeat a geometry: as cells, or as layers where the reference or its target says so. They are numbered by the
 * numbers at the ends of their names where these tell them apart, else in the order of the file.
 */
final class GeometryTree {
    private static final String REFERENCE = "GeometryReference";
    private static final int DEEPEST_REFERENCES = 8;
    private static final int MOST_INSTANCES = 16_384;
    private static final Pattern NUMBER_AT_END = Pattern.compile("([1-9]\\d{0,3}(?:[.-][1-9]\\d{0,3}){0,7})\\s*$");
    private static final Set<String> NO_GEOMETRY = Set.of("Break", "PinPatch", "Protocol");

    private final Map<String, XmlElement> topLevel = new LinkedHashMap<>();
    private final Set<String> all = new HashSet<>();
    private final Notes notes;

    GeometryTree(List<XmlElement> geometries, Notes notes) {
        this.notes = notes;
        geometries.forEach(g -> g.attribute("Name").ifPresent(n -> topLevel.putIfAbsent(n, g)));
        geometries.forEach(this::gather);
    }

    private void gather(XmlElement geometry) {
        geometry.attribute("Name").ifPresent(all::add);
        geometry.children().forEach(this::gather);
    }

    /** True when a mode may begin at a geometry of that name. */
    boolean has(String name) {
        return topLevel.containsKey(name);
    }

    /** True when a geometry or a reference is called so at any depth. */
    boolean hasAnywhere(String name) {
        return all.contains(name);
    }

    /**
     * By name of a geometry: where it stands under a mode's own geometry; nothing where that geometry is missing.
     *
     * @return empty when geometries repeat more than {@value #MOST_INSTANCES} times in all
     */
    Optional<Map<String, List<GeometryInstance>>> instances(Optional<String> root, String where) {
        Map<String, List<GeometryInstance>> found = new HashMap<>();
        Walk walk = new Walk(found, where);
        root.map(topLevel::get).ifPresent(g -> walk.visit(g, GeometryInstance.ROOT));
        return walk.count > MOST_INSTANCES ? Optional.empty() : Optional.of(found);
    }

    /** One walk through the tree of a mode. */
    private final class Walk {
        private final Map<String, List<GeometryInstance>> found;
        private final String where;
        private int count;

        Walk(Map<String, List<GeometryInstance>> found, String where) {
            this.found = found;
            this.where = where;
        }

        void visit(XmlElement geometry, GeometryInstance at) {
            List<XmlElement> references = new ArrayList<>();
            place(geometry, at, references);
            List<Part> parts = numbered(references);
            for (int i = 0; i < references.size(); i++) {
                follow(references.get(i), parts.get(i), at);
            }
        }

        /** Places a geometry and what hangs under it, and gathers the references on the way. Every element counts. */
        private void place(XmlElement geometry, GeometryInstance at, List<XmlElement> references) {
            if (++count > MOST_INSTANCES) {
                return;
            }
            geometry.attribute("Name")
                    .ifPresent(n ->
                            found.computeIfAbsent(n, k -> new ArrayList<>()).add(at));
            for (XmlElement child : geometry.children()) {
                if (child.name().equals(REFERENCE) && ++count <= MOST_INSTANCES) {
                    references.add(child);
                } else if (!NO_GEOMETRY.contains(child.name())) {
                    place(child, at, references);
                }
            }
        }

        private void follow(XmlElement reference, Part part, GeometryInstance at) {
            String target = reference.attribute("Geometry").orElse("");
            XmlElement geometry = topLevel.get(target);
            if (geometry == null) {
                notes.add(
                        Kind.REFERENCE_BROKEN,
                        where + ", " + reference.attribute("Name").orElse("a reference"),
                        reference.line(),
                        target);
                return;
            }
            if (at.references().contains(target) || at.references().size() >= DEEPEST_REFERENCES) {
                notes.add(Kind.GEOMETRY_CYCLE, where, reference.line(), target);
                return;
            }
            if (count <= MOST_INSTANCES) {
                GeometryInstance behind = at.through(reference, target, part);
                reference
                        .attribute("Name")
                        .ifPresent(n ->
                                found.computeIfAbsent(n, k -> new ArrayList<>()).add(behind));
                visit(geometry, behind);
            }
        }
    }

    private List<Part> numbered(List<XmlElement> references) {
        List<Part.Kind> kinds = references.stream().map(this::kind).toList();
        Map<Part.Kind, Boolean> byName = new HashMap<>();
        for (Part.Kind kind : Set.of(Part.Kind.CELL, Part.Kind.LAYER)) {
            byName.put(kind, numbersTellApart(references, kinds, kind));
        }
        List<Part> parts = new ArrayList<>();
        Map<Part.Kind, Integer> counts = new HashMap<>();
        for (int i = 0; i < references.size(); i++) {
            Part.Kind kind = kinds.get(i);
            int count = counts.merge(kind, 1, Integer::sum);
            List<Integer> path = byName.getOrDefault(kind, false) ? numberOf(references.get(i)) : List.of(count);
            parts.add(new Part(kind, path));
        }
        return parts;
    }

    private Part.Kind kind(XmlElement reference) {
        boolean named = reference
                .attribute("Name")
                .filter(n -> n.toLowerCase(Locale.ROOT).contains("layer"))
                .isPresent();
        boolean targeted = reference
                .attribute("Geometry")
                .map(topLevel::get)
                .filter(g -> g.name().equals("MediaServerLayer"))
                .isPresent();
        return named || targeted ? Part.Kind.LAYER : Part.Kind.CELL;
    }

    private static boolean numbersTellApart(List<XmlElement> references, List<Part.Kind> kinds, Part.Kind kind) {
        Set<List<Integer>> seen = new HashSet<>();
        for (int i = 0; i < references.size(); i++) {
            if (kinds.get(i) == kind) {
                List<Integer> number = numberOf(references.get(i));
                if (number.isEmpty() || !seen.add(number)) {
                    return false;
                }
            }
        }
        return true;
    }

    private static List<Integer> numberOf(XmlElement reference) {
        Matcher matcher = NUMBER_AT_END.matcher(reference.attribute("Name").orElse(""));
        return matcher.find()
                ? List.of(matcher.group(1).split("[.-]")).stream()
                        .map(Integer::valueOf)
                        .toList()
                : List.of();
    }
}
