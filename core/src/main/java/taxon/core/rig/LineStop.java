package taxon.core.rig;

/** Where a line goes in and, as a rule, out again. */
public sealed interface LineStop {
    /** Of what stands there. */
    ElementKey elementKey();

    /** A fixture. */
    record Unit(FixtureKey fixture) implements LineStop {
        @Override
        public ElementKey elementKey() {
            return Fixture.keyOf(fixture);
        }

        @Override
        public String toString() {
            return "fixture no. " + fixture;
        }
    }

    /** A box that the line feeds: a splitter, a transmitter. */
    record Through(int box) implements LineStop {
        public Through {
            if (box < 1) {
                throw new IllegalArgumentException("box number " + box + " is below 1");
            }
        }

        @Override
        public ElementKey elementKey() {
            return Box.keyOf(box);
        }

        @Override
        public String toString() {
            return "box " + box;
        }
    }
}
