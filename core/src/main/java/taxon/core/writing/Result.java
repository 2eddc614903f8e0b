package taxon.core.writing;

/**
 * What became of an order.
 *
 * @param says what was read back, or the reason; may be empty
 */
public record Result(Outcome outcome, String says) {
    /** Not come to: it was stopped before. */
    public static final Result NOT_TRIED = new Result(Outcome.NOT_TRIED, "");

    /** How an order ended. */
    public enum Outcome {
        /** Written, and read back as it was wanted. */
        WRITTEN("written and read back"),
        /** Taken, and what is read back is something else. */
        OTHERWISE("taken, and is otherwise"),
        /** It said that it does not do this; nothing was changed. */
        REFUSED("refused"),
        /** No answer: nobody knows what it has now. */
        UNKNOWN("not known"),
        NOT_TRIED("not written");

        private final String words;

        Outcome(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Read back as wanted. */
    public static Result written(String says) {
        return new Result(Outcome.WRITTEN, says);
    }

    /** What was read back, held against what was wanted. */
    public static Result readBack(Order order, Value is) {
        return is.raw().equals(order.will().raw()) ? written(is.words()) : new Result(Outcome.OTHERWISE, is.words());
    }

    public static Result refused(String why) {
        return new Result(Outcome.REFUSED, why);
    }

    public static Result unknown(String why) {
        return new Result(Outcome.UNKNOWN, why);
    }

    /** Anything but what was wanted. */
    public boolean isSurprise() {
        return outcome != Outcome.WRITTEN;
    }
}
