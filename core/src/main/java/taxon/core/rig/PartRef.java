package taxon.core.rig;

import java.util.Comparator;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Part;

/**
 * A fixture, or one of its cells or layers.
 *
 * @param part {@link Part#WHOLE} for the fixture itself; whether its mode has the part is not said here
 */
public record PartRef(FixtureKey fixture, Part part) implements Comparable<PartRef> {
    private static final Pattern TEXT = Pattern.compile("([1-9]\\d{0,8})(?:/(.{1,100}))?");
    private static final Comparator<PartRef> ORDER =
            Comparator.comparing(PartRef::fixture).thenComparing(PartRef::part);

    /** The fixture itself. */
    public static PartRef whole(FixtureKey fixture) {
        return new PartRef(fixture, Part.WHOLE);
    }

    /** Reads what {@link #toString} writes; empty for any other text. */
    public static Optional<PartRef> read(String text) {
        Matcher matcher = TEXT.matcher(text.strip());
        if (!matcher.matches()) {
            return Optional.empty();
        }
        FixtureKey fixture = FixtureKey.of(Integer.parseInt(matcher.group(1)));
        return matcher.group(2) == null
                ? Optional.of(whole(fixture))
                : Part.read(matcher.group(2)).map(part -> new PartRef(fixture, part));
    }

    /** True for the fixture itself. */
    public boolean isWhole() {
        return part.equals(Part.WHOLE);
    }

    @Override
    public int compareTo(PartRef other) {
        return ORDER.compare(this, other);
    }

    /** "17" or "17/cell 3". */
    @Override
    public String toString() {
        return isWhole() ? fixture.toString() : fixture + "/" + part;
    }
}
