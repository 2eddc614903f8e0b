package taxon.core.listing;

import java.util.List;

/**
 * A way of writing numbers in a column that can mean two things. It is asked about once, for the whole column.
 *
 * @param column whose cells are written so
 * @param examples the first few of them, as they are written
 * @param likely what the column itself speaks for; it is not taken without an answer
 */
public record NumberDoubt(Column column, Kind kind, List<String> examples, Answer likely) {
    public NumberDoubt {
        examples = List.copyOf(examples);
        if (examples.isEmpty()) {
            throw new IllegalArgumentException("a doubt about nothing in the " + column.words());
        }
    }

    public enum Kind {
        /** "1.1" beside "1.113": universe 1, slot 1; or 1.100, of which a table program has dropped the zeros. */
        LOST_ZEROS,
        /** "1.000": one, with its decimals; or a thousand. */
        POINT_OF_THOUSANDS,
        /** "1,113": one thousand one hundred and thirteen; or universe 1, slot 113, with a comma for its point. */
        COMMA_OF_ADDRESS
    }

    /** Which of the two. */
    public enum Answer {
        /** As it reads in English: slot 1, one, a thousand. */
        PLAIN,
        /** The other: 1.100, a thousand, universe and slot. */
        OTHER
    }

    /** What was answered to which doubt. */
    public record Key(Column column, Kind kind) {}

    public Key key() {
        return new Key(column, kind);
    }

    /** What the first example is with that answer: "slot 1 of universe 1", "1000". */
    public String meaning(Answer answer) {
        String example = examples.get(0);
        boolean plain = answer == Answer.PLAIN;
        return switch (kind) {
            case LOST_ZEROS -> {
                String written = example.replace(',', '.');
                yield plain ? written + " as it stands" : NumberText.filled(written) + ", its zeros were lost";
            }
            case POINT_OF_THOUSANDS ->
                plain ? example.replaceFirst("\\..*", "") : example.replace(".", "") + ", a point of thousands";
            case COMMA_OF_ADDRESS ->
                plain ? "the number " + example.replace(",", "") : example.replace(',', '.') + ", universe and slot";
        };
    }
}
