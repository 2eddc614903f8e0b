package taxon.app.rig.table;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import taxon.core.rigtable.Pasted;
import taxon.core.rigtable.Pasted.Left;
import taxon.core.rigtable.Pasted.Why;

/** What of pasted rows found no place, in sentences; of many alike only the first ones are named. */
public final class PastedText {
    private static final int NAMED = 5;

    private PastedText() {}

    public static List<String> sentences(Pasted pasted) {
        Map<Why, List<Left>> byReason = new EnumMap<>(Why.class);
        pasted.left()
                .forEach(l -> byReason.computeIfAbsent(l.why(), w -> new ArrayList<>())
                        .add(l));
        List<String> sentences = new ArrayList<>();
        byReason.forEach((why, all) -> sentences.add(sentence(why, all)));
        return sentences;
    }

    private static String sentence(Why why, List<Left> all) {
        String named = String.join(
                ", ",
                all.stream()
                        .map(Left::text)
                        .filter(t -> !t.isBlank())
                        .distinct()
                        .limit(NAMED)
                        .toList());
        String rows = all.size() == 1 ? "1 row" : all.size() + " rows";
        return switch (why) {
            case UNKNOWN_ID -> rows + " left out: no fixture has the ID " + named + ".";
            case SHARED_ID -> rows + " left out: more than one fixture has the ID " + named + ".";
            case BEYOND_LAST_ROW -> rows + " left out: the table ends before them. First: " + named + ".";
            case BEYOND_LAST_COLUMN ->
                all.size() + " cells left out: there is no column for them to the right. First: " + named + ".";
            case UNKNOWN_HEADER ->
                "The first row reads like a header and was not pasted; its words are not known: " + named + ".";
            case UNKNOWN_COLUMN -> "Left out, since no column is called so: " + named + ".";
        };
    }
}
