package taxon.core.equipmentlist;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.equipmentlist.EquipmentFault.Reason;

/** Whole numbers as lists write them: "8", "8x", "8 pcs", "8.0". */
final class Counts {
    private static final Pattern COUNT =
            Pattern.compile("([-−]?\\d{1,12})(?:[.,]0+)?\\s*(?:x|×|pcs\\.?|off)?", Pattern.CASE_INSENSITIVE);

    private Counts() {}

    static Optional<Integer> read(Column column, String text, int least, int most, List<EquipmentFault> faults) {
        Matcher m = COUNT.matcher(text);
        if (!m.matches()) {
            faults.add(
                    new EquipmentFault(column, text, Reason.NOT_A_NUMBER, "a whole number, " + least + " to " + most));
            return Optional.empty();
        }
        long number = Long.parseLong(m.group(1).replace('−', '-'));
        if (number < least || number > most) {
            faults.add(new EquipmentFault(column, text, Reason.OUT_OF_RANGE, least + " to " + most));
            return Optional.empty();
        }
        return Optional.of((int) number);
    }
}
