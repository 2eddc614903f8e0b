package taxon.core.length;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a length as people type it: "3.2", "3,2 m", "-320 cm", "10'6\"", "10 ft 6 1/2 in". */
public final class LengthText {
    /** What a field takes, for the sentence of a refusal. */
    public static final String ALLOWED = "metres such as 3.2 or -0.75, 320 cm, or feet and inches such as 10'6\"";

    private static final int LONGEST = 40;
    private static final Pattern BARE = Pattern.compile("[+-]?\\d{1,7}(?:[.,]\\d{1,6})?");
    private static final Pattern METRIC = Pattern.compile("([+-]?)(\\d{1,7}(?:[.,]\\d{1,6})?)\\s*(m|cm|mm)?");
    private static final String NUMBER = "\\d{1,5}(?:\\.\\d{1,4})?";
    private static final Pattern IMPERIAL =
            Pattern.compile("([+-]?)(?:(" + NUMBER + ")\\s*(?:'|′|ft|feet|foot))?\\s*-?\\s*" + "(?:(" + NUMBER
                    + ")?\\s*(?:([1-7])/(2|4|8))?\\s*(?:\"|″|''|in|inch|inches))?");

    private LengthText() {}

    /** As {@link #read(String)}, but a bare number counts in this unit. */
    public static Optional<Length> read(String typed, LengthUnit unit) {
        boolean bare = BARE.matcher(typed.strip().replace('\u2212', '-')).matches();
        return read(bare && unit == LengthUnit.FEET ? typed.strip().replace(',', '.') + " ft" : typed);
    }

    /** Empty for what is no length, is too long, or is finer than a thousandth of a millimetre. */
    public static Optional<Length> read(String typed) {
        String text = typed.strip().toLowerCase(java.util.Locale.ROOT).replace('\u2212', '-');
        if (text.isEmpty() || text.length() > LONGEST) {
            return Optional.empty();
        }
        Matcher metric = METRIC.matcher(text);
        Matcher imperial = IMPERIAL.matcher(text);
        try {
            if (metric.matches()) {
                return Optional.of(signed(metric.group(1), metric(metric)));
            }
            return imperial.matches() && text.chars().anyMatch(Character::isDigit)
                    ? Optional.of(signed(imperial.group(1), imperial(imperial)))
                    : Optional.empty();
        } catch (IllegalArgumentException | ArithmeticException outside) {
            return Optional.empty();
        }
    }

    private static Length signed(String sign, BigDecimal micrometres) {
        long exact = micrometres.longValueExact();
        return new Length(sign.equals("-") ? -exact : exact);
    }

    private static BigDecimal metric(Matcher matcher) {
        BigDecimal number = new BigDecimal(matcher.group(2).replace(',', '.'));
        String unit = Optional.ofNullable(matcher.group(3)).orElse("m");
        return number.movePointRight(unit.equals("m") ? 6 : unit.equals("cm") ? 4 : 3);
    }

    private static BigDecimal imperial(Matcher matcher) {
        BigDecimal feet = number(matcher.group(2)).multiply(BigDecimal.valueOf(Length.FOOT));
        BigDecimal inches = number(matcher.group(3)).multiply(BigDecimal.valueOf(Length.INCH));
        BigDecimal part = matcher.group(4) == null
                ? BigDecimal.ZERO
                : new BigDecimal(matcher.group(4))
                        .multiply(BigDecimal.valueOf(Length.INCH))
                        .divide(new BigDecimal(matcher.group(5)));
        return feet.add(inches).add(part);
    }

    private static BigDecimal number(@org.jspecify.annotations.Nullable String text) {
        return text == null ? BigDecimal.ZERO : new BigDecimal(text);
    }
}
