package taxon.app.cards;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import taxon.app.TaxonSettings;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Subnet;
import taxon.core.rig.Plan;
import taxon.wire.link.CardLinks;

/** The card of this computer by which a job is spoken and listened to: the plan's choice, and the setting where it has none. */
@Component
public class ChosenCard {
    private final TaxonSettings settings;
    private final Cards cards;
    private final CardLinks links;

    ChosenCard(TaxonSettings settings, Cards cards, CardLinks links) {
        this.settings = settings;
        this.cards = cards;
        this.links = links;
    }

    /** @throws IOException when this computer has it no more */
    public Ipv4 of(Plan plan) throws IOException {
        Optional<Ipv4> chosen = plan.sheet().network().card();
        return chosen.isPresent()
                ? cards.require(chosen.get())
                : Ipv4.parse(settings.card())
                        .orElseThrow(
                                () -> new IllegalStateException("taxon.card is no IPv4 address: " + settings.card()));
    }

    /**
     * The cards beside it by which the job is listened to and spoken too.
     *
     * @throws IOException when this computer has one of them no more
     */
    public List<Ipv4> beside(Plan plan) throws IOException {
        List<Ipv4> beside = new ArrayList<>();
        for (Ipv4 ip : plan.sheet().network().beside()) {
            beside.add(cards.require(ip));
        }
        return beside;
    }

    /** How all of them are on the network; those are left out that this computer has no more. */
    public List<NetCard> networks(Plan plan) {
        return Stream.concat(
                        network(plan).stream(),
                        plan.sheet().network().beside().stream().flatMap(ip -> network(ip).stream()))
                .toList();
    }

    /** How that card is on the network; empty when this computer has it no more, or its mask is none of a network. */
    public Optional<NetCard> network(Plan plan) {
        Ipv4 ip = plan.sheet()
                .network()
                .card()
                .or(() -> Ipv4.parse(settings.card()))
                .orElseThrow();
        return network(ip);
    }

    private Optional<NetCard> network(Ipv4 ip) {
        return cards.find(ip)
                .filter(c -> c.prefix() >= Subnet.SHORTEST && c.prefix() <= Subnet.LONGEST)
                .map(c -> new NetCard(ip, c.prefix()));
    }

    /**
     * The link of that card and of those beside it, to be given back.
     *
     * @throws IOException when this computer has the card no more, or another program has its ports for itself
     */
    public CardLinks.Lease lease(Plan plan) throws IOException {
        return links.lease(of(plan), beside(plan));
    }
}
