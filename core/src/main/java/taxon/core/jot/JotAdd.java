package taxon.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.ModeNames;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.AddressWalk;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.text.Counted;

/** Reads "add 8 Heron in 24-channel on Crane rail as 201 from 2.1". */
final class JotAdd {
    private static final int OFFERED = 8;

    private final JotLine line;
    private final JotWords words;

    JotAdd(JotLine line, JotWords words) {
        this.line = line;
        this.words = words;
    }

    JotMeaning read() {
        String[] subject = words.subject().split("\\s+", 2);
        if (!subject[0].matches("\\d{1,5}")) {
            return subject[0].isEmpty()
                    ? line.unfinished("how many", List.of("1", "4", "8"))
                    : line.refused(
                            "“" + subject[0] + "” is no count; it takes 1 to " + Added.MOST + " before the type.");
        }
        int count = Integer.parseInt(subject[0]);
        if (count < 1 || count > Added.MOST) {
            return line.refused(
                    "“" + count + "” fixtures at once are too many or none; it takes 1 to " + Added.MOST + ".");
        }
        String name = subject.length > 1 ? subject[1].strip() : "";
        if (name.isEmpty()) {
            return line.unfinished("which type", typeNames(line.names().types("", OFFERED)));
        }
        List<FixtureType> types = line.names().types(name, OFFERED);
        Optional<FixtureType> type = meant(types, name);
        if (type.isEmpty()) {
            return types.isEmpty()
                    ? line.refused("No type is called “" + name + "”; look in Types, or build it there.")
                    : line.begun("which of these types", name, typeNames(types));
        }
        return mode(count, type.get());
    }

    private static List<String> typeNames(List<FixtureType> types) {
        return types.stream().map(FixtureType::fullName).toList();
    }

    /** The only one, or the one that is called just so. */
    private static Optional<FixtureType> meant(List<FixtureType> types, String name) {
        if (types.size() == 1) {
            return Optional.of(types.get(0));
        }
        return types.stream()
                .filter(t -> t.name().equalsIgnoreCase(name) || t.fullName().equalsIgnoreCase(name))
                .findFirst();
    }

    private JotMeaning mode(int count, FixtureType type) {
        String wanted = words.after("in").orElse("");
        List<Mode> modes = ModeNames.fitting(type, wanted);
        if (modes.size() == 1) {
            return place(count, type, modes.get(0));
        }
        List<String> names = type.modes().stream().map(Mode::name).toList();
        if (words.after("in").isEmpty()) {
            return line.unfinished(
                    "in which mode", names.stream().map(n -> "in " + n).toList());
        }
        List<String> fitting = names.stream()
                .filter(n -> n.toLowerCase(Locale.ROOT).startsWith(wanted.toLowerCase(Locale.ROOT)))
                .toList();
        return fitting.isEmpty()
                ? line.refused(
                        type.fullName() + " has no mode “" + wanted + "”; it offers " + String.join(", ", names) + ".")
                : line.begun("in which mode", wanted, fitting);
    }

    private JotMeaning place(int count, FixtureType type, Mode mode) {
        String position = words.after("on").orElse("");
        if (position.isEmpty() && words.after("on").isPresent()) {
            return line.unfinished("on which position", line.positions(""));
        }
        if (JotPlaces.readsLikeAddress(line.plan(), position)) {
            return line.refused("“" + position + "” is an address and no position; write from " + position + ".");
        }
        if (!position.isEmpty()
                && line.plan().positionNamed(position).isEmpty()
                && !line.positions(position).isEmpty()
                && words.after("as").isEmpty()
                && first().isEmpty()) {
            return line.begun("the whole name of the position", position, line.positions(position));
        }
        Optional<String> id = words.after("as");
        if (id.isPresent() && !id.get().matches("[1-9]\\d{0,4}")) {
            return id.get().isEmpty()
                    ? line.unfinished("the first fixture ID", List.of())
                    : line.refused("“" + id.get() + "” is no fixture ID; it takes 1 to " + FixtureId.LAST + ".");
        }
        Added.Words words = Added.Words.on(position);
        return address(Added.of(type, mode, count, words).withIds(id.map(i -> FixtureId.of(Integer.parseInt(i)))));
    }

    /** What stands behind "from", or behind "at", which people say for it. */
    private Optional<String> first() {
        return words.after("from").or(() -> words.after("at"));
    }

    private JotMeaning address(Added added) {
        Optional<String> from = first();
        Optional<StartAddress> first = from.flatMap(JotAdd::address);
        if (from.isPresent() && first.isEmpty()) {
            return from.get().isEmpty()
                    ? line.unfinished("the first address", List.of())
                    : line.refused(
                            "“" + from.get() + "” is no address; it takes universe.slot, slots 1 to 512, such as 2.1.");
        }
        String gap = words.after("gap").orElse("0");
        if (!gap.matches("\\d{1,3}") || Integer.parseInt(gap) > Added.Run.MOST_GAP) {
            return gap.isEmpty()
                    ? line.unfinished("how many free slots between them", List.of("1", "4", "8"))
                    : line.refused("“" + gap + "” is no gap; it takes 0 to " + Added.Run.MOST_GAP + " slots.");
        }
        if (words.after("gap").isPresent() && first.isEmpty()) {
            return line.refused("A gap needs an address to begin from, such as from 2.1 gap 4.");
        }
        try {
            return adds(added.withRun(first.map(f -> new Added.Run(f, Integer.parseInt(gap)))));
        } catch (IllegalArgumentException e) {
            return line.refused(String.valueOf(e.getMessage()) + ".");
        }
    }

    private JotMeaning adds(Added added) {
        int next = line.plan().nextNumber(Kind.FIXTURE);
        Set<FixtureKey> keys = IntStream.range(0, added.count())
                .mapToObj(i -> FixtureKey.of(next + i))
                .collect(Collectors.toSet());
        String title = added.count() + " × " + added.type().fullName() + " added";
        return line.changes(FixtureEdits.add(title, List.of(added)), remarks(added), keys);
    }

    private List<String> remarks(Added added) {
        List<String> remarks = new ArrayList<>();
        int count = added.count();
        if (line.plan().positionNamed(added.position()).isEmpty()) {
            remarks.add(
                    added.position().equals(Added.NOWHERE)
                            ? "They hang nowhere yet."
                            : added.position() + " is a new position.");
        }
        int without = unaddressed(added);
        if (without > 0) {
            remarks.add(Counted.of(without, "fixture") + " would begin behind slot 512 and "
                    + (without == 1 ? "stays" : "stay") + " without an address.");
        }
        added.firstId().ifPresent(first -> {
            List<String> taken = line.plan().fixtures().stream()
                    .flatMap(f -> f.id().stream())
                    .filter(i -> i.number() >= first.number() && i.number() < first.number() + count)
                    .map(FixtureId::toString)
                    .limit(OFFERED)
                    .toList();
            if (!taken.isEmpty()) {
                remarks.add("Given already: " + String.join(", ", taken) + ".");
            }
        });
        return remarks;
    }

    /** How many find no slot to begin at on the universe that is named. */
    private static int unaddressed(Added added) {
        if (added.run().isEmpty()) {
            return 0;
        }
        AddressWalk walk = AddressWalk.within(added.run());
        return (int) IntStream.range(0, added.count())
                .filter(i -> walk.next(added.mode()).isEmpty())
                .count();
    }

    private static Optional<StartAddress> address(String text) {
        return AddressText.read(text) instanceof AddressText.Read read ? Optional.of(read.address()) : Optional.empty();
    }
}
