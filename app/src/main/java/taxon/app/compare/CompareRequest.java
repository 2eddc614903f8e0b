package taxon.app.compare;

import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.app.lists.ListLook;
import taxon.app.lists.NumberAnswers;
import taxon.core.compare.Counting;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.listing.NumberDoubt;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What somebody said of a comparison. Our fixtures are named by their keys, so that it holds while the job changes.
 *
 * @param side against what
 * @param stamp of the other side when something of it was chosen; what was chosen of another state of it does not hold
 * @param told for a fixture the place of the row that it is there, −1 for none
 * @param fields of fixtures, to be taken over
 * @param removed fixtures that the other side has not
 * @param added places of rows that our side has not
 */
record CompareRequest(
        Side side,
        ListLook look,
        Map<NumberDoubt.Key, NumberDoubt.Answer> answers,
        Counting counting,
        String stamp,
        SortedMap<Integer, Integer> told,
        SortedMap<Integer, Set<Kind>> fields,
        SortedSet<Integer> removed,
        SortedSet<Integer> added) {

    /**
     * Against what.
     *
     * @param job that is held against it
     * @param which revision or job; empty for a file and the rig
     */
    record Side(int job, With with, String which) {}

    /** The kinds of other sides. */
    enum With {
        FILE,
        REVISION,
        JOB,
        RIG
    }

    static CompareRequest against(Side side) {
        return new CompareRequest(
                side,
                ListLook.read(Json.object()),
                Map.of(),
                Counting.FROM_ONE,
                "",
                new TreeMap<>(),
                new TreeMap<>(),
                new TreeSet<>(),
                new TreeSet<>());
    }

    static CompareRequest read(JsonNode stored) {
        SortedMap<Integer, Integer> told = new TreeMap<>();
        stored.path("told")
                .properties()
                .forEach(e -> told.put(Integer.valueOf(e.getKey()), e.getValue().asInt(-1)));
        SortedMap<Integer, Set<Kind>> fields = new TreeMap<>();
        stored.path("fields")
                .properties()
                .forEach(e -> fields.put(
                        Integer.valueOf(e.getKey()),
                        e.getValue()
                                .valueStream()
                                .map(k -> Kind.valueOf(k.asString()))
                                .collect(Collectors.toSet())));
        return new CompareRequest(
                new Side(
                        stored.path("job").asInt(0),
                        With.valueOf(stored.path("with").asString(With.FILE.name())),
                        stored.path("which").asString("")),
                ListLook.read(stored),
                NumberAnswers.read(stored),
                new Counting(
                        stored.path("universesFromZero").asBoolean(false),
                        stored.path("slotsFromZero").asBoolean(false)),
                stored.path("stamp").asString(""),
                told,
                fields,
                numbers(stored.path("removed")),
                numbers(stored.path("added")));
    }

    private static SortedSet<Integer> numbers(JsonNode list) {
        return list.valueStream().map(JsonNode::asInt).collect(Collectors.toCollection(TreeSet::new));
    }

    ObjectNode json() {
        ObjectNode node = Json.object()
                .put("job", side.job())
                .put("with", side.with().name())
                .put("which", side.which());
        look.write(node);
        NumberAnswers.write(node, answers);
        node.put("universesFromZero", counting.universesFromZero())
                .put("slotsFromZero", counting.slotsFromZero())
                .put("stamp", stamp);
        ObjectNode pairs = node.putObject("told");
        told.forEach((key, place) -> pairs.put(key.toString(), place));
        ObjectNode taken = node.putObject("fields");
        fields.forEach((key, kinds) -> {
            var list = taken.putArray(key.toString());
            kinds.stream().map(Kind::name).sorted().forEach(list::add);
        });
        removed.forEach(node.putArray("removed")::add);
        added.forEach(node.putArray("added")::add);
        return node;
    }

    /** Read otherwise: what was chosen of it before may be another row now. */
    CompareRequest read(ListLook wanted, Map<NumberDoubt.Key, NumberDoubt.Answer> said, Counting counts) {
        CompareRequest fresh = against(side);
        return new CompareRequest(side, wanted, said, counts, "", fresh.told, fresh.fields, fresh.removed, fresh.added);
    }

    /** With a row told. */
    CompareRequest told(int key, int place, String ofStamp) {
        SortedMap<Integer, Integer> more = new TreeMap<>(told);
        more.put(key, place);
        return new CompareRequest(side, look, answers, counting, ofStamp, more, fields, removed, added);
    }

    /** With other things chosen. */
    CompareRequest taking(
            SortedMap<Integer, Set<Kind>> wanted, SortedSet<Integer> gone, SortedSet<Integer> more, String ofStamp) {
        return new CompareRequest(side, look, answers, counting, ofStamp, told, wanted, gone, more);
    }

    /** With nothing chosen; what was told of rows stays. */
    CompareRequest takingNothing() {
        return taking(new TreeMap<>(), new TreeSet<>(), new TreeSet<>(), stamp);
    }
}
