package taxon.simrig;

import java.util.Locale;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Subnet;

/** What can be wrong with a simulated box; ports count from 1. */
public sealed interface SimFault {
    /** What is wrong, "port 2 is an input". */
    String words();

    /** True when it can be put right over the wire; what cannot has to be found and named. */
    default boolean isCurable() {
        return true;
    }

    /** It sits at another address than the one that it was given. */
    record OtherIp(Ipv4 ip) implements SimFault {
        public OtherIp {
            if (!ip.isLoopback()) {
                throw new IllegalArgumentException("a simulated box has a loopback address, not " + ip);
            }
        }

        @Override
        public String words() {
            return "sits at " + ip;
        }
    }

    /** It has another mask. */
    record OtherMask(int prefix) implements SimFault {
        public OtherMask {
            if (prefix < Subnet.SHORTEST || prefix > Subnet.LONGEST) {
                throw new IllegalArgumentException("a mask of " + prefix + " bits");
            }
        }

        @Override
        public String words() {
            return "has a mask of " + prefix + " bits";
        }
    }

    /** It calls itself otherwise. */
    record OtherName(String name) implements SimFault {
        @Override
        public String words() {
            return "calls itself " + name;
        }
    }

    /** A second box answers at the same address. */
    record Twin(String name) implements SimFault {
        @Override
        public String words() {
            return name + " has its address too";
        }
    }

    /** It does something else when its data stops. */
    record OtherWhenLost(WhenLost does) implements SimFault {
        @Override
        public String words() {
            return does.words() + " when its data stops";
        }
    }

    /** It hears everything and says nothing. */
    record SwitchedOff() implements SimFault {
        @Override
        public String words() {
            return "is switched off";
        }
    }

    /** It takes its time before it answers a poll, as it may. */
    record Slow(int millis) implements SimFault {
        public Slow {
            if (millis < 0 || millis > 10_000) {
                throw new IllegalArgumentException("an answer after " + millis + " ms; it takes 0 to 10000");
            }
        }

        @Override
        public String words() {
            return String.format(Locale.ROOT, "answers after %.1f s", millis / 1000.0);
        }
    }

    /** It does not count its pages. */
    record Uncounted() implements SimFault {
        @Override
        public String words() {
            return "does not count its pages";
        }
    }

    /** It does not let itself be programmed over the network. */
    record Locked() implements SimFault {
        @Override
        public String words() {
            return "is locked at its front";
        }
    }

    /** A port is set to another Port-Address of the Net and Sub-Net of its page. */
    record OtherUniverse(int port, PortAddress address) implements SimFault {
        @Override
        public String words() {
            return "port " + port + " is set to " + address;
        }
    }

    /** A port is set to be an input. */
    record PortIsInput(int port) implements SimFault {
        @Override
        public String words() {
            return "port " + port + " is an input";
        }
    }

    /** A port is switched off. */
    record PortIsOff(int port) implements SimFault {
        @Override
        public String words() {
            return "port " + port + " is off";
        }
    }

    /** Of two sources, a port says that it takes the latest. */
    record TakesLatest(int port) implements SimFault {
        @Override
        public String words() {
            return "port " + port + " takes the latest of two sources";
        }
    }

    /** A port lets no remote management through. */
    record RdmIsOff(int port) implements SimFault {
        @Override
        public String words() {
            return "RDM is off at port " + port;
        }
    }

    /** Receivers have lost their link: a transmitter reaches nobody by this port. */
    record LinksLost(int port) implements SimFault {
        @Override
        public String words() {
            return "receivers at port " + port + " have lost their link";
        }
    }

    /** The line of a port is broken behind so many units. */
    record LineBroken(int port, int behind) implements SimFault {
        @Override
        public String words() {
            return "the line at port " + port + " is broken behind its unit " + behind;
        }

        @Override
        public boolean isCurable() {
            return false;
        }
    }

    /** The line of a port has no terminator: what hangs in its second half is unsteady. */
    record Unterminated(int port) implements SimFault {
        @Override
        public String words() {
            return "the line at port " + port + " has no terminator";
        }

        @Override
        public boolean isCurable() {
            return false;
        }
    }
}
