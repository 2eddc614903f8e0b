package taxon.core.seen;

import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.reception.Carrier;
import taxon.core.reception.Heard;

/** Something to be said of a universe that is heard, or should be. */
public sealed interface Remark {
    /** How much it matters. */
    enum Weight {
        /** It keeps the rig from doing what is planned. */
        STOP,
        /** It may. */
        WARN,
        /** It is good to know. */
        NOTE
    }

    Weight weight();

    /** It is planned, anybody could hear it, and nobody sends it. */
    record Missing() implements Remark {
        @Override
        public Weight weight() {
            return Weight.STOP;
        }
    }

    /** It is planned for one box alone, so that this card cannot say whether it is there. */
    record NotForThisCard() implements Remark {
        @Override
        public Weight weight() {
            return Weight.NOTE;
        }
    }

    /** It is sent and not planned. */
    record Unplanned() implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /**
     * Several have the same say.
     *
     * @param same true when they send the same levels now
     * @param planned true when so many are planned to
     */
    record Several(List<Heard> senders, boolean same, boolean planned) implements Remark {
        public Several {
            senders = List.copyOf(senders);
        }

        @Override
        public Weight weight() {
            return planned ? Weight.NOTE : same ? Weight.WARN : Weight.STOP;
        }
    }

    /** Its priority is not the planned one. */
    record OtherPriority(Heard sender, int planned) implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /** Its levels move, and come seldom. */
    record Slow(Heard sender) implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /**
     * It comes more often than a line can carry.
     *
     * @param most packets a second with so many slots (ANSI E1.11)
     */
    record Fast(Heard sender, double most) implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /** Nothing of it changes. */
    record Still(Heard sender) implements Remark {
        @Override
        public Weight weight() {
            return Weight.NOTE;
        }
    }

    /**
     * Slots that hold a value by the plan are sent another one: somebody moves what is parked.
     *
     * @param first one of them
     * @param level what it is sent
     * @param count how many there are
     */
    record ParkedMoved(ParkedSlot first, int level, int count) implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /** Every slot is at 0. */
    record AllZero() implements Remark {
        @Override
        public Weight weight() {
            return Weight.NOTE;
        }
    }

    /** Its packets get lost or out of order on the way. */
    record Gaps(Heard sender) implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /** All that is sent is marked as not for live output. */
    record PreviewOnly() implements Remark {
        @Override
        public Weight weight() {
            return Weight.STOP;
        }
    }

    /** Its levels come into force only when its sender says so. */
    record Synchronised(Heard sender) implements Remark {
        @Override
        public Weight weight() {
            return Weight.NOTE;
        }
    }

    /** The same levels are sent under another number, which is not the same universe of the plan. */
    record SameAs(Carrier other, List<UniverseNumber> planned) implements Remark {
        public SameAs {
            planned = List.copyOf(planned);
        }

        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /** More senders came than are listened to. */
    record TurnedAway(long count) implements Remark {
        @Override
        public Weight weight() {
            return Weight.WARN;
        }
    }

    /** It is heard for less than a sampling period, so that what is said of it does not count yet. */
    record Sampling() implements Remark {
        @Override
        public Weight weight() {
            return Weight.NOTE;
        }
    }
}
