package taxon.app.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.app.cards.Card;
import taxon.core.network.Ipv4;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/**
 * A card of this computer as the network page shows it.
 *
 * @param fits "hears 2 of 3 boxes", or nothing where there is no box
 * @param troubles what is wrong with it
 * @param chosen true when the job is spoken from it
 * @param beside true when it is listened to and spoken from beside that one
 */
record CardView(
        String name, String ip, int prefix, String fits, List<String> troubles, boolean chosen, boolean beside) {

    static List<CardView> all(Plan plan, List<Card> cards) {
        return cards.stream().map(c -> of(plan, c)).toList();
    }

    private static CardView of(Plan plan, Card card) {
        List<Ipv4> boxes = plan.boxes().stream().flatMap(b -> b.ip().stream()).toList();
        int heard = boxes.size() - card.deafTo(boxes).size();
        List<String> troubles = new ArrayList<>();
        if (card.isSelfGiven()) {
            troubles.add("gave itself this address, since it got none");
        }
        if (card.hidesThePublic()) {
            troubles.add(
                    "has a public address of 2.0.0.0/8 and leads to other networks too: what is really there is not reached");
        }
        plan.boxes().stream()
                .filter(b -> b.ip().filter(card.ip()::equals).isPresent())
                .map(Box::name)
                .forEach(name -> troubles.add("has the address of " + name));
        return new CardView(
                card.name(),
                card.ip().toString(),
                card.prefix(),
                boxes.isEmpty()
                        ? ""
                        : "hears " + heard + " of " + boxes.size() + (boxes.size() == 1 ? " box" : " boxes"),
                troubles,
                plan.sheet().network().card().equals(Optional.of(card.ip())),
                plan.sheet().network().beside().contains(card.ip()));
    }
}
