package taxon.app.types;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.TypeId;
import taxon.core.modes.Need;

/** A need as an address carries it: {@code type~attribute}, {@code type~attribute~fine} or {@code type~attribute~x12}. */
final class NeedText {
    private static final Pattern FORM =
            Pattern.compile("([^~]{1,80})~([^~\\p{Cntrl}]{1,60})(?:~(fine|x([1-9]\\d{0,2})))?");

    private NeedText() {}

    static String write(Need need) {
        return need.type() + "~" + need.attribute()
                + (need.fine() ? "~fine" : need.parts() > 1 ? "~x" + need.parts() : "");
    }

    /** Empty for what is no need: a link that someone shortened still opens. */
    static Optional<Need> read(String text) {
        Matcher matcher = FORM.matcher(text);
        if (!matcher.matches()
                || !TypeId.isLegal(matcher.group(1))
                || matcher.group(2).isBlank()) {
            return Optional.empty();
        }
        int parts = matcher.group(4) == null ? 1 : Integer.parseInt(matcher.group(4));
        return parts > Need.MOST_PARTS
                ? Optional.empty()
                : Optional.of(new Need(
                        TypeId.of(matcher.group(1)),
                        Attribute.of(matcher.group(2)),
                        "fine".equals(matcher.group(3)),
                        parts));
    }

    /** "fine zoom", "red in 12 parts". */
    static String words(Need need) {
        return (need.fine() ? "fine " : "")
                + AttributeBook.words(need.attribute())
                + (need.parts() > 1 ? " in " + need.parts() + " parts" : "");
    }
}
