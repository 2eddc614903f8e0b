package taxon.core.network;

/** What a box of the network is, and with that which facts it can have. */
public enum BoxKind {
    /** Turns network data into lines, or a line into network data. */
    NODE("node", Network.ALWAYS, Routes.TAKES, Lines.FEEDS, 1),
    /** Lines straight out of a computer: no IP address, no number on a network. */
    INTERFACE("interface on USB", Network.NEVER, Routes.TAKES, Lines.FEEDS, 1),
    /** Sends universes by radio, fed by the network or by a line. */
    TRANSMITTER("wireless transmitter", Network.MAY, Routes.TAKES, Lines.HANGS_ON, 1),
    /** Gets one universe of its transmitter and feeds lines, or the unit that it is fitted to. */
    RECEIVER("wireless receiver", Network.NEVER, Routes.NONE, Lines.FEEDS, 1),
    /** A unit that hears the network itself: IP address, universe and start address in one place. */
    UNIT("unit on the network", Network.ALWAYS, Routes.TAKES, Lines.NONE, 1),
    /** A program that receives universes: a media server, a visualiser, a recorder. */
    SERVER("server or program", Network.ALWAYS, Routes.TAKES, Lines.NONE, 1),
    /** Where levels come from; some have lines of their own. */
    CONSOLE("console", Network.MAY, Routes.TAKES, Lines.FEEDS, 0),
    /** Joins network cables. */
    SWITCH("switch", Network.MAY, Routes.NONE, Lines.NONE, 0),
    /** Repeats the line that feeds it on each of its outputs. */
    SPLITTER("splitter", Network.NEVER, Routes.NONE, Lines.BOTH, 1);

    private enum Network {
        ALWAYS,
        MAY,
        NEVER
    }

    private enum Routes {
        TAKES,
        NONE
    }

    private enum Lines {
        FEEDS,
        HANGS_ON,
        BOTH,
        NONE
    }

    private final String words;
    private final Network network;
    private final Routes routes;
    private final Lines lines;
    private final int fewestPorts;

    BoxKind(String words, Network network, Routes routes, Lines lines, int fewestPorts) {
        this.words = words;
        this.network = network;
        this.routes = routes;
        this.lines = lines;
        this.fewestPorts = fewestPorts;
    }

    /** As people say it: "interface on USB". */
    public String words() {
        return words;
    }

    /** True when it can have an IP address. */
    public boolean canBeOnNetwork() {
        return network != Network.NEVER;
    }

    /** True when it is of no use without an IP address. */
    public boolean needsNetwork() {
        return network == Network.ALWAYS;
    }

    /** True when a universe can be routed to one of its ports. */
    public boolean takesRoutes() {
        return routes == Routes.TAKES;
    }

    /** True when levels leave it by no network: its ports have no number there. */
    public boolean isDirect() {
        return this == INTERFACE || this == CONSOLE;
    }

    /** How many ports it has at least. */
    public int fewestPorts() {
        return fewestPorts;
    }

    /** True when a line can begin at one of its ports. */
    public boolean feedsLines() {
        return lines == Lines.FEEDS || lines == Lines.BOTH;
    }

    /** True when a line can lead into it. */
    public boolean hangsOnLine() {
        return lines == Lines.HANGS_ON || lines == Lines.BOTH;
    }
}
