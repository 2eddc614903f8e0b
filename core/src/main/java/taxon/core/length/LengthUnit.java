package taxon.core.length;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** How lengths are shown. What is stored stays exact. */
public enum LengthUnit {
    METRES {
        @Override
        public String words(Length length) {
            BigDecimal metres = BigDecimal.valueOf(length.micrometres(), 6)
                    .setScale(3, RoundingMode.HALF_UP)
                    .stripTrailingZeros();
            return (metres.signum() == 0 ? "0" : metres.toPlainString()) + " m";
        }
    },
    FEET {
        /** To the nearest eighth of an inch: 10′ 6 1/8″. */
        @Override
        public String words(Length length) {
            long eighths = Math.round(length.micrometres() * 8 / (double) Length.INCH);
            long size = Math.abs(eighths);
            long feet = size / 96;
            long inches = size % 96 / 8;
            String part = size % 8 == 0 ? "" : " " + fraction(size % 8);
            String sign = eighths < 0 ? "-" : "";
            return sign + feet + "′ " + inches + part + "″";
        }

        private static String fraction(long eighths) {
            return eighths % 4 == 0 ? "1/2" : eighths % 2 == 0 ? eighths / 2 + "/4" : eighths + "/8";
        }
    };

    public abstract String words(Length length);

    /** One metre or one foot. */
    public Length one() {
        return new Length(this == METRES ? Length.METRE : Length.FOOT);
    }
}
