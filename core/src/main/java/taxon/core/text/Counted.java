package taxon.core.text;

/** A number with what is counted, one of it or several. */
public final class Counted {
    private Counted() {}

    /** "1 universe", "7 universes". */
    public static String of(long count, String one) {
        return count + " " + (count == 1 ? one : one + "s");
    }

    /** "3rd". */
    public static String ordinal(int number) {
        int tens = number % 100;
        String end = tens >= 11 && tens <= 13
                ? "th"
                : switch (number % 10) {
                    case 1 -> "st";
                    case 2 -> "nd";
                    case 3 -> "rd";
                    default -> "th";
                };
        return number + end;
    }
}
