package taxon.core.finding;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Block.SlotUse;
import taxon.core.grouping.IdRuns;
import taxon.core.library.Doubt;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Counted;

/** The one place where findings become sentences: what, where, why it matters. */
public final class FindingText {
    private static final int TOLD = 3;
    private static final int MOST_UNITS = 8;

    private FindingText() {}

    public static String sentence(Finding finding) {
        Grounds grounds = finding.grounds();
        if (grounds instanceof Grounds.Overlap o) {
            return overlap(o);
        }
        if (grounds instanceof Grounds.PastEnd p) {
            return pastEnd(p);
        }
        if (grounds instanceof Grounds.TypeUnknown t) {
            boolean one = t.fixtures().size() == 1;
            return IdRuns.words(t.fixtures()) + (one ? " is of the type " : " are of the type ")
                    + quoted(t.typeName()) + ", of which only the name is known: " + (one ? "it takes" : "they take")
                    + " no slots yet. Import or build the type, then change " + (one ? "it" : "them") + " to it.";
        }
        if (grounds instanceof Grounds.AddressUnheard a) {
            return a.fixture().label() + " has the address "
                    + a.fixture().addresses().values().stream()
                            .map(Object::toString)
                            .collect(Collectors.joining(", "))
                    + ", but only an app reaches a " + a.typeName() + ": no universe does.";
        }
        if (grounds instanceof Grounds.ModeMissing m) {
            return m.fixture().label() + " has the mode " + quoted(m.fixture().mode()) + ", which " + m.typeName()
                    + " lacks. It offers " + String.join(", ", m.modes()) + ".";
        }
        if (grounds instanceof Grounds.DuplicateId d) {
            return "Fixture ID " + d.id() + " is given " + d.fixtures().size() + " times: "
                    + String.join("; ", d.places()) + "."
                    + d.free().map(f -> " The next free ID is " + f + ".").orElse("");
        }
        if (grounds instanceof Grounds.ReservedTouched r) {
            return r.block().label() + " takes "
                    + run(r.start().universe(), r.shared().first(), r.shared().last()) + ", which is reserved for "
                    + r.run().label() + ".";
        }
        if (grounds instanceof Grounds.NoAddress n) {
            return noAddress(n);
        }
        if (grounds instanceof Grounds.ModeDoubted d) {
            return doubted(d);
        }
        if (grounds instanceof Grounds.ShelfShort s) {
            return s.type().fullName() + ": " + s.used() + " in the rig, " + s.owned() + " on the shelf, short by "
                    + (s.used() - s.owned()) + ".";
        }
        if (grounds instanceof Grounds.MenuDiffers m) {
            return menu(m);
        }
        if (grounds instanceof Grounds.NoId n) {
            return n.fixtures().size() == 1
                    ? "1 fixture has no number: " + n.fixtures().get(0).label() + "."
                    : n.fixtures().size() + " fixtures have no number.";
        }
        if (grounds instanceof Grounds.GroupNumberTaken g) {
            return "Fixture " + g.fixture().label() + " has the number of "
                    + (g.groups().size() == 1 ? "the group " : "the groups ")
                    + String.join(
                            ", ", g.groups().stream().map(FindingText::quoted).toList())
                    + ": whoever types it may get either.";
        }
        if (grounds instanceof Grounds.OfRadio r) {
            return RadioFindingText.sentence(r.what());
        }
        if (grounds instanceof Grounds.OfLine l) {
            return LineFindingText.sentence(l.what());
        }
        if (grounds instanceof Grounds.Network n) {
            return NetworkFindingText.sentence(n.what());
        }
        return grounds instanceof Grounds.UniverseUnrouted u ? unrouted(u) : WishFindingText.sentence(grounds);
    }

    private static String menu(Grounds.MenuDiffers m) {
        String odd = m.units().stream()
                .limit(MOST_UNITS)
                .map(u -> u.fixture().label() + " (" + u.value() + ")")
                .collect(Collectors.joining(", "));
        int more = m.units().size() - MOST_UNITS;
        return m.typeName() + ": all alike but " + odd + (more > 0 ? " and " + more + " more" : "") + ": " + m.setting()
                + (m.common().isEmpty() ? "" : " is " + m.common() + " in the others") + ".";
    }

    private static String doubted(Grounds.ModeDoubted d) {
        Doubt doubt = d.doubt();
        String dot = doubt.note().endsWith(".") ? "" : ".";
        return d.type().fullName() + ", " + doubt.mode().mode() + ", is doubted: " + doubt.note() + dot + " ("
                + doubt.who() + ", " + LocalDate.ofInstant(doubt.at(), ZoneOffset.UTC) + ".) "
                + (d.fixtures() == 1 ? "1 fixture uses it." : d.fixtures() + " fixtures use it.");
    }

    private static String overlap(Grounds.Overlap o) {
        String start = o.later().label() + " starts at " + o.later().start().orElseThrow() + "; "
                + o.earlier().label() + " runs to " + o.universe() + "."
                + three(o.earlier().slots().orElseThrow().last()) + ".";
        return "Overlap at " + run(o.universe(), o.shared().first(), o.shared().last()) + ". " + start + uses(o);
    }

    /** What the first few shared slots would do at each of the two. */
    private static String uses(Grounds.Overlap o) {
        StringBuilder words = new StringBuilder();
        int last = Math.min(o.shared().last(), o.shared().first() + TOLD - 1);
        for (int slot = o.shared().first(); slot <= last; slot++) {
            boolean first = slot == o.shared().first();
            words.append(first ? " Slot " : ", ").append(slot).append(first ? " is " : " ");
            words.append(use(o.earlier(), slot))
                    .append(first ? " there and " : " and ")
                    .append(use(o.later(), slot));
            words.append(first ? " here" : "");
        }
        int more = o.shared().last() - last;
        return words.append(more > 0 ? ", and " + more + " more." : ".").toString();
    }

    private static String use(PlannedBlock block, int slot) {
        int offset = slot - block.start().orElseThrow().slot().number() + 1;
        return block.block().slotUses().stream()
                .filter(u -> u.offset() == offset)
                .findFirst()
                .map(FindingText::words)
                .orElse("unused");
    }

    private static String words(SlotUse use) {
        String part = use.channel().part().toString();
        return AttributeBook.words(use.channel().attribute())
                + (use.byteIndex() == 0 ? "" : " fine")
                + (part.isEmpty() ? "" : " of " + part);
    }

    private static String pastEnd(Grounds.PastEnd p) {
        return p.block().label() + " " + p.block().type().fullName() + " needs "
                + Counted.of(p.block().footprint(), "slot") + " from "
                + p.start() + "; the universe ends at 512, it would end at " + p.lastSlot() + "."
                + p.free().map(a -> " First free place: " + a + ".").orElse(" No universe has room for it.");
    }

    private static String noAddress(Grounds.NoAddress n) {
        List<PlannedBlock> blocks = n.blocks();
        String names = blocks.stream().map(b -> b.block().name()).collect(Collectors.joining(", "));
        boolean only = blocks.size() == blocks.get(0).mode().blocks().size();
        return n.fixture().label() + " " + blocks.get(0).type().fullName() + " has no address"
                + (only ? "" : " for " + names) + "; it needs " + n.slots() + (n.slots() == 1 ? " slot." : " slots.");
    }

    private static String unrouted(Grounds.UniverseUnrouted u) {
        return "Universe " + u.universe() + " is routed nowhere: " + Counted.of(u.slots(), "slot") + " of "
                + Counted.of(u.fixtures(), "fixture") + (u.slots() == 1 ? " reaches no line." : " reach no line.");
    }

    static String run(UniverseNumber universe, int first, int last) {
        return universe + "." + three(first) + (first == last ? "" : " to " + universe + "." + three(last));
    }

    private static String three(int slot) {
        return String.format(Locale.ROOT, "%03d", slot);
    }

    private static String quoted(String text) {
        return text.isBlank() ? "none" : "“" + text + "”";
    }
}
