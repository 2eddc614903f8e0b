package taxon.core.listing;

import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers as table programs and people write them. */
final class NumberText {
    private static final String UNIT = "\\s*(?:x|×|pcs?\\.?|off|stk\\.?|st\\.?|stück|ea\\.?|each|units?)?";
    private static final Pattern PLAIN = pattern("([-−]?\\d{1,12})(?:[.,]0+)?" + UNIT);
    private static final Pattern COMMAS = pattern("([-−]?[1-9]\\d{0,2}(?:,\\d{3}){1,3})(?:\\.0+)?" + UNIT);
    private static final Pattern POINTS = pattern("([-−]?[1-9]\\d{0,2}(?:\\.\\d{3}){1,3})(?:,0+)?" + UNIT);
    private static final Pattern GAPS = pattern("([-−]?[1-9]\\d{0,2}(?:[ \u00a0\u202f'’]\\d{3}){1,3})" + UNIT);

    private static final Pattern THOUSAND_OR_ONE = pattern("[-−]?[1-9]\\d{0,2}\\.000" + UNIT);
    private static final Pattern DATE = pattern("\\d{4}-\\d\\d-\\d\\d.*|\\d{1,2}[./-]\\d{1,2}[./-]\\d{2,4}"
            + "|\\d{1,2}[-. /]*[a-zäéû]{3,9}\\.?(?:[-. /]*\\d{2,4})?|[a-zäéû]{3,9}[-. /]+\\d{1,4}");

    private NumberText() {}

    private static Pattern pattern(String regex) {
        return Pattern.compile(regex, Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    }

    /** "1.000" may be one or a thousand. */
    static boolean isThousandOrOne(String text) {
        return THOUSAND_OR_ONE.matcher(text.strip()).matches();
    }

    /** "1.250" in a column of whole numbers can only be more than a thousand. */
    static boolean isCertainlyThousands(String text) {
        return POINTS.matcher(text.strip()).matches() && !isThousandOrOne(text);
    }

    /**
     * A whole number: "8", "8 pcs", "12.0", "1,000".
     *
     * @param thousands what a point before three zeros is
     * @return empty when it is none
     */
    static OptionalLong whole(String text, boolean thousands) {
        String cell = text.strip();
        if (isThousandOrOne(cell) && !thousands) {
            return first(PLAIN, cell);
        }
        for (Pattern grouped : new Pattern[] {COMMAS, POINTS, GAPS, PLAIN}) {
            OptionalLong number = first(grouped, cell);
            if (number.isPresent()) {
                return number;
            }
        }
        return OptionalLong.empty();
    }

    private static OptionalLong first(Pattern pattern, String cell) {
        Matcher m = pattern.matcher(cell);
        return m.matches()
                ? OptionalLong.of(Long.parseLong(m.group(1).replace('−', '-').replaceAll("[^-\\d]", "")))
                : OptionalLong.empty();
    }

    /** "1.1" with the zeros that a table program drops: "1.100". */
    static String filled(String pair) {
        int decimals = pair.length() - pair.indexOf('.') - 1;
        return pair + "0".repeat(Math.max(0, 3 - decimals));
    }

    /** What a table program makes of "1/7": a date. */
    static boolean looksLikeDate(String text) {
        return DATE.matcher(text.strip()).matches();
    }
}
