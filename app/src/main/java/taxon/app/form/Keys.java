package taxon.app.form;

import taxon.core.rig.FixtureKey;

/** Numbers out of the addresses of pages. */
public final class Keys {
    private Keys() {}

    /**
     * The fixture that an address names.
     *
     * @throws NotThereException when no fixture can have that key
     */
    public static FixtureKey fixture(int number) {
        if (number < 1) {
            throw new NotThereException("fixture with the key " + number);
        }
        return FixtureKey.of(number);
    }
}
