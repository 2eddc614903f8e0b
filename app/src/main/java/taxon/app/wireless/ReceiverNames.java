package taxon.app.wireless;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.app.form.Fields;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.RadioLink;
import taxon.core.text.Texts;

/** Receivers as forms name them: "fixture/12", "box/3". */
final class ReceiverNames {
    private static final int SHOWN = 40;

    private ReceiverNames() {}

    static String of(RadioLink.Receiver receiver) {
        if (receiver instanceof RadioLink.BuiltIn unit) {
            return "fixture/" + unit.fixture();
        }
        return "box/" + ((RadioLink.Apart) receiver).box();
    }

    /** Those named in a field, each once; what is none, and none at all, are refused. */
    static List<RadioLink.Receiver> read(Fields fields, String field) {
        List<RadioLink.Receiver> receivers = new ArrayList<>();
        for (String name : fields.text(field).split(",")) {
            if (!name.isBlank()) {
                read(name.strip())
                        .ifPresentOrElse(
                                receivers::add,
                                () -> fields.refuse(
                                        field,
                                        "There is no receiver " + Texts.clip(name, SHOWN)
                                                + "; it takes fixture/KEY or box/NUMBER."));
            }
        }
        if (receivers.isEmpty() && !fields.isFaulty()) {
            fields.refuse(field, "No receiver is ticked; tick some first.");
        }
        return receivers.stream().distinct().toList();
    }

    private static Optional<RadioLink.Receiver> read(String name) {
        if (name.matches("fixture/[1-9]\\d{0,8}")) {
            return Optional.of(new RadioLink.BuiltIn(FixtureKey.of(number(name))));
        }
        return name.matches("box/[1-9]\\d{0,5}") ? Optional.of(new RadioLink.Apart(number(name))) : Optional.empty();
    }

    private static int number(String name) {
        return Integer.parseInt(name.substring(name.indexOf('/') + 1));
    }
}
