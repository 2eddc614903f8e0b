package taxon.core.rigtable;

import taxon.core.rig.FixtureKey;

/**
 * One cell that shall read otherwise.
 *
 * @param text as typed, at most {@value #LONGEST} characters; what is longer is cut, which no column takes
 */
public record FieldChange(FixtureKey fixture, FixtureColumn column, String text) {
    private static final int LONGEST = 2_000;

    public FieldChange {
        text = text.strip();
        text = text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    }
}
