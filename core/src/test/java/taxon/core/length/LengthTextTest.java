package taxon.core.length;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LengthTextTest {
    /** An inch is 25.4 mm, a foot twelve of them (international yard and pound agreement, 1959). */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "3.2 | 3200000",
                "3,2 m | 3200000",
                "-0.75 | -750000",
                "\u22120.75 | -750000",
                "320 cm | 3200000",
                "1500mm | 1500000",
                "+2 | 2000000",
                "0 | 0",
                "10'6\" | 3200400",
                "10' 6\" | 3200400",
                "10 ft 6 in | 3200400",
                "-10'6\" | -3200400",
                "10' | 3048000",
                "6 in | 152400",
                "1/2\" | 12700",
                "10' 6 1/8\" | 3203575",
                "5' 3/8\" | 1533525"
            })
    void aLengthIsReadExactly(String typed, long micrometres) {
        assertThat(LengthText.read(typed)).contains(new Length(micrometres));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                "wide",
                "3.2.1",
                "1e9",
                "9999 m",
                "0.0000001",
                "3 furlongs",
                "--3",
                "'",
                "ft",
                "99999999999999999999"
            })
    void whatIsNoLengthIsNotRead(String typed) {
        assertThat(LengthText.read(typed)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "3200400 | 3.2 m | 10′ 6″",
                "0 | 0 m | 0′ 0″",
                "-750000 | -0.75 m | -2′ 5 1/2″",
                "3203575 | 3.204 m | 10′ 6 1/8″"
            })
    void aLengthIsShownAsChosen(long micrometres, String metres, String feet) {
        assertThat(LengthUnit.METRES.words(new Length(micrometres))).isEqualTo(metres);
        assertThat(LengthUnit.FEET.words(new Length(micrometres))).isEqualTo(feet);
    }

    @Test
    void whatIsShownInEighthsOfAnInchReadsBackTheSame() {
        for (long eighths = -4000; eighths <= 4000; eighths += 7) {
            Length length = new Length(eighths * 3175);
            assertThat(LengthText.read(LengthUnit.FEET.words(length))).contains(length);
        }
    }

    @Test
    void moreThanAKilometreIsNoLengthOnARig() {
        assertThatThrownBy(() -> Length.metres("1000.1")).hasMessageContaining("outside -1000 to 1000 m");
    }
}
