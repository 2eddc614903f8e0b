package taxon.app.labels;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import taxon.app.printing.PrintFonts;
import taxon.core.label.Label;
import taxon.core.label.LabelLayout;
import taxon.core.label.LabelLayout.Unfit;
import taxon.core.label.LabelStock;
import taxon.core.label.TextMeasure.Face;
import taxon.core.paper.PaperCode;

/** A label on its stock, with its code. */
record FittedLabel(Label label, PaperCode code, LabelLayout layout) {
    static FittedLabel of(Label label, PaperCode code, LabelStock stock) {
        return new FittedLabel(label, code, LabelLayout.of(label, stock.label(), code.toString(), PrintFonts.shared()));
    }

    /** What is not as it should be, in a sentence without its end; empty where all fits. */
    String trouble() {
        List<String> troubles =
                new ArrayList<>(layout.leftOut().stream().map(Unfit::words).toList());
        String lacking = layout.texts().stream()
                .map(t -> PrintFonts.shared().lacking(t.face(), t.words()))
                .filter(l -> !l.isEmpty())
                .distinct()
                .collect(Collectors.joining(" "));
        if (!lacking.isEmpty()) {
            troubles.add("the font lacks " + (lacking.length() > 40 ? lacking.substring(0, 40) + " …" : lacking)
                    + ", printed as ?");
        }
        return String.join("; ", troubles);
    }

    /** A text as the font can print it. */
    static String printable(Face face, String words) {
        return PrintFonts.shared().printable(face, words);
    }
}
