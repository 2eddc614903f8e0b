package taxon.core.network;

/** To whom a universe is sent. */
public enum Delivery {
    /** To the one box that the route leads to. */
    TO_BOX("unicast"),
    /** To every box of the network: what old gear needs, and only Art-Net does. */
    TO_ALL("broadcast"),
    /** To whoever has asked for the universe's group: only streaming ACN does. */
    TO_GROUP("multicast");

    private final String words;

    Delivery(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
