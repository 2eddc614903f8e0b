package taxon.core.network;

/** Ways of universes in words. */
public final class RouteWords {
    private RouteWords() {}

    /** "Art-Net 19 = 0·1·3", "streaming ACN 20", "DMX". */
    public static String carried(Route route) {
        if (route instanceof Route.ArtNet a) {
            return "Art-Net " + a.address().number() + " = " + a.address();
        }
        return route instanceof Route.Sacn s ? "streaming ACN " + s.universe() : "DMX";
    }

    /** For where there is little room: "Art-Net 0·1·3", "sACN 20", "DMX". */
    public static String brief(Route route) {
        if (route instanceof Route.ArtNet a) {
            return "Art-Net " + a.address();
        }
        return route instanceof Route.Sacn s ? "sACN " + s.universe() : "DMX";
    }

    /** In every notation that a box may want. */
    public static String allNotations(Route route) {
        if (route instanceof Route.ArtNet a) {
            return of(a.address());
        }
        return route instanceof Route.Sacn s ? of(s.universe()) : "no number: straight out of the box";
    }

    /** "Port-Address 19 = 0·1·3, group of sixteen 2:4". */
    public static String of(PortAddress address) {
        return "Port-Address " + address.number() + " = " + address + ", group of sixteen "
                + BoxNumber.groupOfSixteen(address);
    }

    /** "universe 20, group 239.255.0.20". */
    public static String of(SacnUniverse sacn) {
        return "universe " + sacn + ", group " + sacn.multicastGroup();
    }
}
