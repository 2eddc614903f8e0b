package taxon.app.lines;

import java.util.Arrays;
import java.util.NavigableSet;
import java.util.TreeSet;
import java.util.stream.IntStream;
import taxon.app.form.Fields;
import taxon.core.text.Texts;

/** Numbers and runs of numbers as they are typed: "101, 104-106". */
final class TypedNumbers {
    private static final int MOST = 10_000;

    private TypedNumbers() {}

    /** Those of a field, ascending; none where it is empty. What is no number is refused. */
    static NavigableSet<Integer> read(Fields fields, String field, String words, int last) {
        NavigableSet<Integer> numbers = new TreeSet<>();
        Arrays.stream(fields.text(field).split("[,;\\s]+"))
                .filter(w -> !w.isEmpty())
                .forEach(w -> add(fields, field, words, w, last, numbers));
        return numbers;
    }

    private static void add(
            Fields fields, String field, String words, String typed, int last, NavigableSet<Integer> numbers) {
        String[] ends = typed.split("[-–]", 2);
        boolean read = typed.matches("\\d{1,9}([-–]\\d{1,9})?");
        int from = read ? Integer.parseInt(ends[0]) : 0;
        int to = read ? Integer.parseInt(ends[ends.length - 1]) : 0;
        if (from < 1 || to < from || to > last || to - from >= MOST - numbers.size()) {
            fields.refuse(
                    field,
                    "A " + words + " reads " + Texts.clip(typed, 60) + "; it takes 1 to " + last
                            + ", or a run such as 4-6.");
        } else {
            IntStream.rangeClosed(from, to).forEach(numbers::add);
        }
    }
}
