package taxon.core.rigtable;

import taxon.core.rig.FixtureKey;
import taxon.core.rig.PartRef;

/**
 * One cell of the table that shall read otherwise.
 *
 * @param row a fixture, or one of its cells or layers
 * @param text as typed, at most {@value #LONGEST} characters; what is longer is cut, which no column takes
 */
public record FieldChange(PartRef row, FixtureColumn column, String text) {
    private static final int LONGEST = 2_000;

    public FieldChange {
        text = text.strip();
        text = text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    }

    /** In the row of the fixture itself. */
    public FieldChange(FixtureKey fixture, FixtureColumn column, String text) {
        this(PartRef.whole(fixture), column, text);
    }

    public FixtureKey fixture() {
        return row.fixture();
    }
}
