package taxon.core.library;

import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.library.StandIn.Fit;
import taxon.core.library.StandIn.Misfit;
import taxon.core.text.Counted;

/** The sentences about a stand-in. */
public final class StandInText {
    private StandInText() {}

    /** What a fit is called. */
    public static String words(Fit fit) {
        return switch (fit) {
            case EXACT -> "exact";
            case MORE_BEHIND -> "same order, longer";
            case LESS_BEHIND -> "same order, shorter";
            case EXTRA_BETWEEN -> "same order, extra channels between";
            case OTHER_ORDER -> "same attributes, other order";
            case PARTLY -> "partly";
        };
    }

    /** What the fit means for the show, in one sentence. */
    public static String advice(StandIn standIn) {
        int wrong = standIn.wrong().size();
        String slots = Counted.of(wrong, "slot");
        return switch (standIn.fit()) {
            case EXACT -> "Every slot does what the console means.";
            case MORE_BEHIND ->
                "Works; the console sends " + slots + " more than the unit has, so keep "
                        + Counted.of(standIn.mode().footprint(), "slot") + " for each unit.";
            case LESS_BEHIND ->
                "Works as far as it goes; the last "
                        + (wrong == 1 ? "slot of the unit stays as it is." : slots + " of the unit stay as they are.");
            case EXTRA_BETWEEN ->
                "From slot " + standIn.wrong().get(0).slot() + " on, what the console sends is shifted.";
            case OTHER_ORDER -> slots + " would do something else.";
            case PARTLY -> slots + " would do something else or nothing.";
        };
    }

    /** What of a typed order is not looked at, if anything: "“blorp” and what is behind it is left out: …". */
    public static Optional<String> leftOut(ChannelOrder order) {
        String why = order.slots().size() == ChannelOrder.MOST_SLOTS
                ? "a mode has at most " + ChannelOrder.MOST_SLOTS + " slots."
                : "no more than " + ChannelOrder.LONGEST_TEXT + " characters are read.";
        return order.leftOutFrom().map(name -> "“" + name + "” and what is behind it is left out: " + why);
    }

    /** "Slot 5: the console sends white, the unit takes it as amber". */
    public static String sentence(Misfit misfit) {
        String slot = "Slot " + misfit.slot() + ": ";
        if (misfit.done().isEmpty()) {
            return slot + "the console sends " + words(misfit.sent()) + ", past the end of the unit.";
        }
        if (misfit.sent().isEmpty()) {
            return slot + "the unit has " + words(misfit.done()) + ", which the console does not reach.";
        }
        return slot + "the console sends " + words(misfit.sent()) + ", the unit takes it as " + words(misfit.done())
                + ".";
    }

    /** A slot's code in words: "pan fine". */
    public static String words(String code) {
        int plus = code.lastIndexOf('+');
        if (plus < 0) {
            return AttributeBook.words(Attribute.of(code));
        }
        String fine = code.endsWith("+1") ? " fine" : code.endsWith("+2") ? " ultra" : " uber";
        return AttributeBook.words(Attribute.of(code.substring(0, plus))) + fine;
    }
}
