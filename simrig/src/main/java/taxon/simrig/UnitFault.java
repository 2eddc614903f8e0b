package taxon.simrig;

import taxon.wire.rdm.codec.Pid;

/** What can be wrong with a simulated unit. */
public sealed interface UnitFault {
    /** What is wrong, "listens at 146". */
    String words();

    /** True when it can be put right over the wire; what cannot has to be found and named. */
    default boolean isCurable() {
        return true;
    }

    /** A block listens somewhere else. */
    record OtherAddress(int subDevice, int start) implements UnitFault {
        @Override
        public String words() {
            return (subDevice == 0 ? "listens" : "its block " + (subDevice + 1) + " listens") + " at " + start;
        }
    }

    /** It is in another mode. */
    record OtherMode(int personality) implements UnitFault {
        @Override
        public String words() {
            return "is in mode " + personality;
        }
    }

    /** An axis is turned round by its menu. */
    record Turned(boolean pan) implements UnitFault {
        int pid() {
            return pan ? Pid.PAN_INVERT : Pid.TILT_INVERT;
        }

        @Override
        public String words() {
            return (pan ? "pan" : "tilt") + " is turned round";
        }
    }

    /** Pan and tilt are exchanged by its menu. */
    record AxesSwapped() implements UnitFault {
        @Override
        public String words() {
            return "its pan and tilt are exchanged";
        }
    }

    /** Its software has the channels of its first block in another order: the first ones come last. */
    record OtherOrder(int by) implements UnitFault {
        @Override
        public String words() {
            return "has its channels in another order";
        }

        @Override
        public boolean isCurable() {
            return false;
        }
    }

    /** It calls itself otherwise, or nothing at all: nobody knows by itself which one it is. */
    record OtherLabel(String label) implements UnitFault {
        @Override
        public String words() {
            return label.isEmpty() ? "has no label" : "calls itself " + label;
        }
    }

    /** Its blocks beyond the first do not listen: a setting that was not switched on. */
    record AddOnOff() implements UnitFault {
        @Override
        public String words() {
            return "its add-on is off";
        }

        @Override
        public boolean isCurable() {
            return false;
        }
    }

    /** It has no power, or its line is broken before it. */
    record Dead() implements UnitFault {
        @Override
        public String words() {
            return "is dead";
        }

        @Override
        public boolean isCurable() {
            return false;
        }
    }
}
