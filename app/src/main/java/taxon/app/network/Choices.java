package taxon.app.network;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import taxon.app.form.Outlets.Choice;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.Delivery;
import taxon.core.rig.BoxFacts;
import taxon.formats.json.Json;

/** What the forms of boxes and ways let one choose from. */
record Choices(
        List<Choice> kinds,
        List<Choice> directions,
        List<Choice> sockets,
        List<Choice> merges,
        List<Choice> whenLost,
        List<Choice> habits,
        List<Choice> snooping,
        List<Choice> deliveries) {
    static final Choices ALL = new Choices(
            of(BoxKind.values(), BoxKind::words),
            of(BoxPort.Direction.values(), BoxPort.Direction::words),
            of(BoxPort.Socket.values(), BoxPort.Socket::words),
            of(BoxPort.Merge.values(), BoxPort.Merge::words),
            of(BoxPort.WhenLost.values(), BoxPort.WhenLost::words),
            of(BoxNumber.Kind.values(), BoxNumber.Kind::words),
            of(BoxFacts.Snooping.values(), BoxFacts.Snooping::words),
            of(Delivery.values(), Delivery::words));

    private static <E extends Enum<E>> List<Choice> of(E[] constants, Function<E, String> words) {
        return Arrays.stream(constants)
                .map(c -> new Choice(Json.slug(c), words.apply(c)))
                .toList();
    }
}
